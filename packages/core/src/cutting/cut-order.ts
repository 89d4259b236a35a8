import { FIT_MM } from './cut-tree';
import { type LaidSheet, type Placement, ruleOf } from './layout';

/** One cut right through one piece: measured from the piece's own left or top edge, and never added up from others. */
export interface ThroughCut {
  /** The piece it goes through, by its name; the whole sheet is `S`, what is cut from it is numbered as it comes. */
  readonly piece: string;
  /** `down`: from top to bottom, measured from the left edge; `across`: from side to side, measured from the top edge. */
  readonly way: 'down' | 'across';
  readonly atMm: number;
  readonly lengthMm: number;
  /**
   * The two pieces it leaves: the one measured, and the rest beyond the blade; null where there is none. Where the measured one is `waste`, the line
   * is where the rest begins and the blade runs on the waste side of it.
   */
  readonly leaves: readonly [string, string | null];
}
/** A finished part among the pieces. */
export interface FreedPart {
  readonly piece: string;
  readonly blankId: string;
}
export interface CutOrder {
  readonly cuts: readonly ThroughCut[];
  readonly freed: readonly FreedPart[];
}
interface Piece {
  readonly name: string;
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/**
 * The cuts that free every part of a sheet, in order: two edges trimmed straight first, then each piece divided, the larger piece further on first.
 * @returns null when through cuts alone cannot free them, as in a free placement
 */
export function cutOrder({ stock, placements }: LaidSheet, kerfMm: number): CutOrder | null {
  const rule = ruleOf(stock, kerfMm);
  const cuts: ThroughCut[] = [];
  const freed: FreedPart[] = [];
  let count = 0;
  const nextName = (): string => `S${++count}`;
  let piece: Piece = { name: 'S', left: 0, top: 0, right: rule.widthMm, bottom: rule.depthMm };
  const { trimMm } = rule;
  if (trimMm > 0) {
    // Waste off the left and the top, so that both edges measured from are straight; the blade takes its kerf off the trim.
    const down = { ...piece, name: nextName(), left: trimMm };
    cuts.push({ piece: 'S', way: 'down', atMm: trimMm, lengthMm: rule.depthMm, leaves: ['waste', down.name] });
    piece = { ...down, name: nextName(), top: trimMm };
    cuts.push({ piece: down.name, way: 'across', atMm: trimMm, lengthMm: rule.widthMm - trimMm, leaves: ['waste', piece.name] });
  }
  return divide(piece, placements) ? { cuts, freed } : null;

  function divide(from: Piece, parts: readonly Placement[]): boolean {
    if (parts.length === 0) return true;
    const cut = bestCut(from, parts);
    if (cut === null) {
      const [part] = parts;
      const isWhole =
        parts.length === 1 &&
        Math.abs(from.right - part!.xMm - part!.widthMm) < WHOLE_MM &&
        Math.abs(from.bottom - part!.yMm - part!.depthMm) < WHOLE_MM;
      if (isWhole) freed.push({ piece: from.name, blankId: part!.blankId });
      return isWhole;
    }
    const { way, at, before, after } = cut;
    const isWaste = before.length === 0;
    const beyond = isWaste ? at : at + kerfMm;
    const isRest = (way === 'down' ? from.right : from.bottom) - beyond > WHOLE_MM;
    const [one, two] = [isWaste ? 'waste' : nextName(), isRest ? nextName() : ''];
    const near: Piece = way === 'down' ? { ...from, name: one, right: at } : { ...from, name: one, bottom: at };
    const far: Piece = way === 'down' ? { ...from, name: two, left: beyond } : { ...from, name: two, top: beyond };
    cuts.push({
      piece: from.name,
      way,
      atMm: at - (way === 'down' ? from.left : from.top),
      lengthMm: way === 'down' ? from.bottom - from.top : from.right - from.left,
      leaves: [one, isRest ? two : null],
    });
    return divide(near, before) && divide(far, after);
  }

  interface Found {
    readonly way: ThroughCut['way'];
    readonly at: number;
    readonly before: readonly Placement[];
    readonly after: readonly Placement[];
  }
  /** A line no part crosses, with room for the blade: of all such the one that leaves the most parts on the smaller side, the shorter cut where equal. */
  function bestCut(from: Piece, parts: readonly Placement[]): Found | null {
    let best: (Found & { readonly rank: number }) | null = null;
    for (const way of ['down', 'across'] as const) {
      const start = (p: Placement): number => (way === 'down' ? p.xMm : p.yMm);
      const end = (p: Placement): number => (way === 'down' ? p.xMm + p.widthMm : p.yMm + p.depthMm);
      const last = way === 'down' ? from.right : from.bottom;
      const length = way === 'down' ? from.bottom - from.top : from.right - from.left;
      const [first, lead] = [way === 'down' ? from.left : from.top, Math.min(...parts.map(start))];
      if (lead - first > WHOLE_MM) {
        // Waste lies before everything: off with it, but as a rule only when nothing better can be cut.
        // Where all begin on one line it comes off at once, and not from each of them.
        const rank = parts.every((p) => start(p) - lead < WHOLE_MM) ? 1e9 - length : -1e6 - length;
        if (best === null || rank > best.rank) best = { way, at: lead, before: [], after: parts, rank };
      }
      for (const at of new Set(parts.map(end))) {
        if (last - at < WHOLE_MM) continue;
        const before = parts.filter((p) => end(p) <= at + WHOLE_MM);
        const after = parts.filter((p) => start(p) >= at + kerfMm - WHOLE_MM);
        if (before.length + after.length < parts.length) continue;
        const isEven = after.length === 0 && parts.every((p) => at - end(p) < WHOLE_MM);
        const rank = isEven ? 1e9 - length : Math.min(before.length, after.length) * 1e6 - length;
        if (best === null || rank > best.rank + FIT_MM) best = { way, at, before, after, rank };
      }
    }
    return best;
  }
}

/** Sizes are kept to a thousandth; a few of them add up. */
const WHOLE_MM = 0.01;
