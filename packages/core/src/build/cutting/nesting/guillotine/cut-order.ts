import { memoize } from '../../../../base/memory';
import { FIT_MM } from './cut-tree';
import type { PlacedSheet, Placement } from '../layout';

/** One cut right through one piece: measured from the piece's own left or top edge, and never added up from others. */
export interface ThroughCut {
  /** The piece it goes through, by its name; the whole sheet is `S`, pieces of it that are cut again are numbered as they come. */
  readonly piece: string;
  /** How large that piece is. */
  readonly size: { readonly widthMm: number; readonly depthMm: number };
  /** `down`: from top to bottom, measured from the left edge; `across`: from side to side, measured from the top edge. */
  readonly way: 'down' | 'across';
  readonly atMm: number;
  readonly lengthMm: number;
  /** Where it runs on the sheet, mm from its left and top edges. */
  readonly line: { readonly x1: number; readonly y1: number; readonly x2: number; readonly y2: number };
  /**
   * The two pieces it leaves: the one measured, and what is beyond the blade; null where there is nothing. A finished part goes by its own id, what is left over
   * is `rest`. Where the measured one is `waste` or `rest`, the line is where the other begins and the blade runs on this side of it.
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
 * What the sheet leaves in one piece stays in one piece wherever another cut can be made.
 * @returns null when through cuts alone cannot free them, as in a free placement
 */
export const cutOrder = memoize((sheet: PlacedSheet, kerfMm: number): CutOrder | null => orderOf(sheet, kerfMm));

const orderOf = (sheet: PlacedSheet, kerfMm: number): CutOrder | null => new Cutting(sheet, kerfMm).order();

/** A line no part crosses, and the parts on either side of it. */
interface Found {
  readonly way: ThroughCut['way'];
  readonly at: number;
  readonly before: readonly Placement[];
  readonly after: readonly Placement[];
  /** How good a cut it is. */
  readonly rank: number;
}

/** One sheet while it is cut. */
class Cutting {
  private readonly cuts: ThroughCut[] = [];
  private readonly freed: FreedPart[] = [];
  private count = 0;

  constructor(
    private readonly sheet: PlacedSheet,
    private readonly kerfMm: number,
  ) {}

  order(): CutOrder | null {
    const { stock, placements } = this.sheet;
    const { trim, widthMm, depthMm } = stock;
    let piece: Piece = { name: 'S', left: 0, top: 0, right: widthMm, bottom: depthMm };
    // Waste off the left and the top, so that both edges measured from are straight; the blade takes its kerf off the trim.
    for (const way of ['down', 'across'] as const) {
      const trimMm = way === 'down' ? trim.leftMm : trim.topMm;
      if (trimMm === 0) continue;
      const cutOff = way === 'down' ? { ...piece, left: trimMm } : { ...piece, top: trimMm };
      const left = { ...cutOff, name: this.nameOf(cutOff, placements) };
      this.addCut(piece, way, trimMm, ['waste', left.name]);
      piece = left;
    }
    return this.divide(piece, placements) ? { cuts: this.cuts, freed: this.freed } : null;
  }

  /** A finished part's own id, `rest` for what holds none, a number for what is cut again. */
  private nameOf(of: Omit<Piece, 'name'>, parts: readonly Placement[]): string {
    if (parts.length === 0) return 'rest';
    return isPart(of, parts) ? parts[0]!.blankId : `S${++this.count}`;
  }
  private addCut(from: Piece, way: ThroughCut['way'], at: number, leaves: ThroughCut['leaves']): void {
    const isDown = way === 'down';
    this.cuts.push({
      piece: from.name,
      size: { widthMm: from.right - from.left, depthMm: from.bottom - from.top },
      way,
      atMm: at - (isDown ? from.left : from.top),
      lengthMm: isDown ? from.bottom - from.top : from.right - from.left,
      line: isDown ? { x1: at, y1: from.top, x2: at, y2: from.bottom } : { x1: from.left, y1: at, x2: from.right, y2: at },
      leaves,
    });
  }

  private divide(from: Piece, parts: readonly Placement[]): boolean {
    if (parts.length === 0) return true;
    if (isPart(from, parts)) {
      this.freed.push({ piece: from.name, blankId: parts[0]!.blankId });
      return true;
    }
    const cut = this.bestCut(from, parts);
    if (cut === null) return false;
    const { way, at, before, after } = cut;
    const isWaste = before.length === 0;
    const beyond = isWaste ? at : at + this.kerfMm;
    const isMore = (way === 'down' ? from.right : from.bottom) - beyond > WHOLE_MM;
    const near = way === 'down' ? { ...from, right: at } : { ...from, bottom: at };
    const far = way === 'down' ? { ...from, left: beyond } : { ...from, top: beyond };
    const [one, two] = [this.nameOf(near, before), isMore ? this.nameOf(far, after) : null];
    this.addCut(from, way, at, [one, two]);
    return this.divide({ ...near, name: one }, before) && this.divide({ ...far, name: two ?? '' }, after);
  }

  /** Of all lines no part crosses, with room for the blade, the one that leaves the most parts on the smaller side, the shorter cut where equal. */
  private bestCut(from: Piece, parts: readonly Placement[]): Found | null {
    const strip = this.firstStrip(from, parts);
    if (strip !== null) return strip;
    let best: Found | null = null;
    for (const way of ['down', 'across'] as const) {
      const lead = this.leadingWaste(from, parts, way);
      if (lead !== null && (best === null || lead.rank > best.rank)) best = lead;
      for (const found of this.linesBetween(from, parts, way)) if (best === null || found.rank > best.rank + FIT_MM) best = found;
    }
    return best;
  }
  /** The first of the strips that equal parts lie in, the way there are fewer of them: strip after strip comes off at one distance. */
  private firstStrip(from: Piece, parts: readonly Placement[]): Found | null {
    const [{ widthMm, depthMm } = { widthMm: 0, depthMm: 0 }] = parts;
    const isAlike = parts.every((part) => Math.abs(part.widthMm - widthMm) < WHOLE_MM && Math.abs(part.depthMm - depthMm) < WHOLE_MM);
    if (parts.length < LEAST_IN_STRIPS || !isAlike) return null;
    const found = (['down', 'across'] as const).flatMap((way) => {
      const { start, end, first } = alongWay(from, way);
      const starts = new Set(parts.map((part) => Math.round(start(part) / WHOLE_MM)));
      const at = Math.min(...parts.map(end));
      // Each begins at the straight edge or where another ended, or there are no strips this way.
      const pitchMm = (way === 'down' ? widthMm : depthMm) + this.kerfMm;
      const isEven = parts.every((part) => {
        const share = (start(part) - first) / pitchMm;
        return Math.abs(share - Math.round(share)) * pitchMm < WHOLE_MM;
      });
      if (!isEven || starts.size < 2) return [];
      const strip = [...this.linesBetween(from, parts, way)].find((line) => Math.abs(line.at - at) < WHOLE_MM);
      return strip === undefined || this.breaksRest(from, way, at) ? [] : [{ ...strip, strips: starts.size }];
    });
    return found.sort((a, b) => a.strips - b.strips)[0] ?? null;
  }
  /** Waste that lies before everything: off with it, but as a rule only when nothing better can be cut; null where there is none. */
  private leadingWaste(from: Piece, parts: readonly Placement[], way: ThroughCut['way']): Found | null {
    const { start, first, length } = alongWay(from, way);
    const lead = Math.min(...parts.map(start));
    if (lead - first <= WHOLE_MM) return null;
    // Where all begin on one line it comes off at once, and not from each of them.
    const evenly = parts.every((part) => start(part) - lead < WHOLE_MM) ? 1e9 - length : -1e6 - length;
    const rank = evenly - (this.breaksRest(from, way, lead - this.kerfMm) ? BROKEN_REST : 0);
    return { way, at: lead, before: [], after: parts, rank };
  }
  private *linesBetween(from: Piece, parts: readonly Placement[], way: ThroughCut['way']): Generator<Found> {
    const { start, end, first, last, length } = alongWay(from, way);
    const { rest } = this.sheet;
    // What is left over may reach further than the part beside it, and is then cut off where it ends itself.
    for (const at of new Set([...parts.map(end), way === 'down' ? rest.xMm + rest.widthMm : rest.yMm + rest.depthMm])) {
      if (at < first + WHOLE_MM || last - at < WHOLE_MM) continue;
      const before = parts.filter((part) => end(part) <= at + WHOLE_MM);
      const after = parts.filter((part) => start(part) >= at + this.kerfMm - WHOLE_MM);
      if (before.length === 0 || before.length + after.length < parts.length) continue;
      const isEven = after.length === 0 && parts.every((part) => at - end(part) < WHOLE_MM);
      const evenly = isEven ? 1e9 - length : Math.min(before.length, after.length) * 1e6 - length;
      yield { way, at, before, after, rank: evenly - (this.breaksRest(from, way, at) ? BROKEN_REST : 0) };
    }
  }
  /** Whether a blade would run through what is left over. @param at where the blade begins */
  private breaksRest(from: Piece, way: ThroughCut['way'], at: number): boolean {
    const { rest } = this.sheet;
    const [restRight, restBottom] = [rest.xMm + rest.widthMm, rest.yMm + rest.depthMm];
    const isInPiece =
      Math.min(restRight, from.right) - Math.max(rest.xMm, from.left) > WHOLE_MM &&
      Math.min(restBottom, from.bottom) - Math.max(rest.yMm, from.top) > WHOLE_MM;
    if (!isInPiece) return false;
    const [start, end] = way === 'down' ? [rest.xMm, restRight] : [rest.yMm, restBottom];
    return at + this.kerfMm > start + WHOLE_MM && at < end - WHOLE_MM;
  }
}

/** A piece seen along the way that a cut divides: where parts start and end, where it starts and ends itself, and how long the cut is. */
const alongWay = (from: Piece, way: ThroughCut['way']) =>
  way === 'down'
    ? {
        start: ({ xMm }: Placement): number => xMm,
        end: ({ xMm, widthMm }: Placement): number => xMm + widthMm,
        first: from.left,
        last: from.right,
        length: from.bottom - from.top,
      }
    : {
        start: ({ yMm }: Placement): number => yMm,
        end: ({ yMm, depthMm }: Placement): number => yMm + depthMm,
        first: from.top,
        last: from.bottom,
        length: from.right - from.left,
      };

/** Fewer equal parts than these are divided like any others. */
const LEAST_IN_STRIPS = 6;
/** More than any other merit of a cut. */
const BROKEN_REST = 1e12;

/** Whether a piece is just one part, nothing left to cut off. */
const isPart = ({ left, top, right, bottom }: Omit<Piece, 'name'>, parts: readonly Placement[]): boolean =>
  parts.length === 1 &&
  Math.abs(left - parts[0]!.xMm) < WHOLE_MM &&
  Math.abs(top - parts[0]!.yMm) < WHOLE_MM &&
  Math.abs(right - parts[0]!.xMm - parts[0]!.widthMm) < WHOLE_MM &&
  Math.abs(bottom - parts[0]!.yMm - parts[0]!.depthMm) < WHOLE_MM;

/** Sizes are kept to a thousandth; a few of them add up. */
const WHOLE_MM = 0.01;
