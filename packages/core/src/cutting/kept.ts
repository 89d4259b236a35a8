import { type Result, fail, ok } from '../result';
import { FIT_MM } from './cut-tree';
import { type Blank, type LaidSheet, type Layout, type LayoutTask, type Placement, type SheetRule, ruleOf } from './layout';
import type { Stock } from './stock';

/** A layout as a plan keeps it: on which stock, and where each part lies. */
export interface KeptLayout {
  readonly jobKey: string;
  readonly sheets: readonly KeptSheet[];
}
interface KeptSheet {
  readonly widthMm: number;
  readonly depthMm: number;
  readonly offcutId: string | null;
  readonly places: readonly {
    readonly blankId: string;
    readonly xMm: number;
    readonly yMm: number;
    readonly turned: boolean;
    readonly half: boolean;
    readonly pinned: boolean;
  }[];
}
/** Why a kept layout no longer serves. */
export interface KeptProblem {
  readonly code: 'kept/other-parts' | 'kept/other-stock' | 'kept/turned' | 'kept/off-sheet' | 'kept/overlap' | 'kept/cut';
  readonly blankId: string;
}

/** A layout in the words of a plan. */
export const keptFrom = (jobKey: string, { sheets }: Layout): KeptLayout => ({
  jobKey,
  sheets: sheets.map(({ stock: { widthMm, depthMm, offcutId }, placements }) => ({
    widthMm,
    depthMm,
    offcutId,
    places: placements.map(({ blankId, xMm, yMm, turned, half, pinned }) => ({
      blankId,
      xMm: tidy(xMm),
      yMm: tidy(yMm),
      turned,
      half,
      pinned,
    })),
  })),
});

/** A new sheet of that size, or that offcut. */
export const stockFor = (
  stock: readonly Stock[],
  { widthMm, depthMm, offcutId }: Pick<KeptSheet, 'widthMm' | 'depthMm' | 'offcutId'>,
): Stock | undefined =>
  stock.find((one) => one.offcutId === offcutId && (offcutId !== null || (one.widthMm === widthMm && one.depthMm === depthMm)));

/**
 * A kept layout with the parts as they are now: sound, or why not. Nothing is mended here; a layout that does not serve is left aside and the quick one used.
 * @param task the parts that fit a sheet at all, by their present sizes, and the stock there is
 */
export function layoutFromKept(
  kept: KeptLayout,
  { blanks, stock, kerfMm }: Omit<LayoutTask, 'pinned' | 'aim'>,
  apart: Apart = areApart,
): Result<Layout, KeptProblem> {
  const seen = new Set<string>();
  const sheets: LaidSheet[] = [];
  for (const sheet of kept.sheets) {
    const own = stockFor(stock, sheet);
    const [first] = sheet.places;
    if (first === undefined) continue;
    const isTaken = sheet.offcutId !== null && sheets.some((other) => other.stock.offcutId === sheet.offcutId);
    if (own === undefined || isTaken) return fail({ code: 'kept/other-stock', blankId: first.blankId });
    const placed = placedOn(sheet, own, blanks, kerfMm, seen, apart);
    if (!placed.ok) return placed;
    sheets.push({ stock: own, placements: placed.value, rest: restBeside(placed.value, ruleOf(own, kerfMm)) });
  }
  const missing = blanks.find(({ id }) => !seen.has(id));
  return missing === undefined ? ok({ sheets, tooLarge: [] }) : fail({ code: 'kept/other-parts', blankId: missing.id });
}

/** The parts of one kept sheet where they lie, each found sound; those seen are noted. */
function placedOn(
  sheet: KeptSheet,
  stock: Stock,
  blanks: readonly Blank[],
  kerfMm: number,
  seen: Set<string>,
  apart: Apart,
): Result<Placement[], KeptProblem> {
  const placements: Placement[] = [];
  for (const place of sheet.places) {
    const { blankId } = place;
    const blank = blanks.find(({ id }) => id === blankId);
    if (blank === undefined || seen.has(blankId)) return fail({ code: 'kept/other-parts', blankId });
    if (place.turned && !blank.mayTurn) return fail({ code: 'kept/turned', blankId });
    seen.add(blankId);
    const placement = placementOf(place, blank);
    if (!isOnSheet(placement, ruleOf(stock, kerfMm))) return fail({ code: 'kept/off-sheet', blankId });
    if (placements.some((other) => !apart(placement, other, kerfMm))) return fail({ code: 'kept/overlap', blankId });
    placements.push(placement);
  }
  return ok(placements);
}

/** A place with the size its part has as it lies. */
export function placementOf(place: KeptSheet['places'][number], blank: Blank): Placement {
  const [widthMm, depthMm] = place.turned ? [blank.depthMm, blank.widthMm] : [blank.widthMm, blank.depthMm];
  return { ...place, widthMm, depthMm };
}

/** Of a kept layout that no longer serves whole, the pinned parts that still can lie where they were put. */
export function pinsOf(
  kept: KeptLayout,
  { blanks, stock, kerfMm }: Omit<LayoutTask, 'pinned' | 'aim'>,
  apart: Apart = areApart,
): LayoutTask['pinned'] {
  const seen = new Set<string>();
  const used = new Set<string>();
  return kept.sheets.flatMap((sheet) => {
    const own = stockFor(stock, sheet);
    if (own === undefined || (own.offcutId !== null && used.has(own.offcutId))) return [];
    const placements: Placement[] = [];
    for (const place of sheet.places) {
      const blank = blanks.find(({ id }) => id === place.blankId);
      if (!place.pinned || blank === undefined || seen.has(blank.id) || (place.turned && !blank.mayTurn)) continue;
      const placement = placementOf(place, blank);
      const isSound = isOnSheet(placement, ruleOf(own, kerfMm)) && placements.every((other) => apart(placement, other, kerfMm));
      if (!isSound) continue;
      seen.add(blank.id);
      placements.push(placement);
    }
    if (placements.length === 0) return [];
    if (own.offcutId !== null) used.add(own.offcutId);
    return [{ stock: own, placements }];
  });
}

/** Whether two parts leave room for the blade between them. */
export type Apart = (a: Placement, b: Placement, kerfMm: number) => boolean;
/** Where something lies on a sheet. */
export type Box = Pick<Placement, 'xMm' | 'yMm' | 'widthMm' | 'depthMm'>;

/** Sizes are kept to a thousandth: that much may be lost between two parts. */
const KEPT_MM = 0.002;

/** Whether a part lies within the trim. */
export function isOnSheet({ xMm, yMm, widthMm, depthMm }: Box, rule: SheetRule): boolean {
  const { trimMm } = rule;
  return (
    Math.min(xMm, yMm) >= trimMm - KEPT_MM &&
    xMm + widthMm <= rule.widthMm - trimMm + KEPT_MM &&
    yMm + depthMm <= rule.depthMm - trimMm + KEPT_MM
  );
}

/** Whether two parts leave room for the blade between them. */
export function areApart(a: Box, b: Box, kerfMm: number): boolean {
  const gap = Math.max(a.xMm - b.xMm - b.widthMm, b.xMm - a.xMm - a.widthMm, a.yMm - b.yMm - b.depthMm, b.yMm - a.yMm - a.depthMm);
  return gap >= kerfMm - KEPT_MM;
}

/** The largest free rectangle of a sheet: its sides lie on sides of parts or of the sheet, so those lines are all that need looking at. */
export function restBeside(placements: readonly Box[], rule: SheetRule): LaidSheet['rest'] {
  const { trimMm, kerfMm } = rule;
  const [right, bottom] = [rule.widthMm - trimMm, rule.depthMm - trimMm];
  const lefts = [trimMm, ...placements.map((p) => p.xMm + p.widthMm + kerfMm)];
  const tops = [trimMm, ...placements.map((p) => p.yMm + p.depthMm + kerfMm)];
  let best = { xMm: 0, yMm: 0, widthMm: 0, depthMm: 0 };
  for (const x of lefts) {
    for (const y of tops) {
      // Downwards from (x, y) the free width only shrinks: walk the parts that narrow it from the top.
      const below = placements
        .filter((p) => p.xMm + p.widthMm + kerfMm > x + FIT_MM && p.yMm + p.depthMm + kerfMm > y + FIT_MM)
        .sort((a, b) => a.yMm - b.yMm);
      let widthMm = right - x;
      for (const p of [...below, null]) {
        const depthMm = Math.max(0, (p === null ? bottom : Math.min(bottom, p.yMm - kerfMm)) - y);
        if (widthMm > 0 && widthMm * depthMm > best.widthMm * best.depthMm) best = { xMm: x, yMm: y, widthMm, depthMm };
        if (p !== null) widthMm = Math.min(widthMm, p.xMm - kerfMm - x);
        if (widthMm <= 0) break;
      }
    }
  }
  return best;
}

const tidy = (mm: number): number => Math.round(mm * 1000) / 1000;
