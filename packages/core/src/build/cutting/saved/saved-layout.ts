import { cutMm } from '../../../base/rounding';
import {
  type Apart,
  type Blank,
  type Layout,
  type LayoutTask,
  type PlacedSheet,
  type Placement,
  type Stock,
  areApart,
  isOnSheet,
  restBeside,
  ruleOf,
} from '../nesting';
import { type Result, fail, ok } from '../../../base/result';

/** A layout as a plan keeps it: on which stock, and where each part lies. */
export interface SavedLayout {
  readonly jobKey: string;
  readonly sheets: readonly SavedSheet[];
}
interface SavedSheet {
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
export interface SavedProblem {
  readonly code: 'saved/other-parts' | 'saved/other-stock' | 'saved/turned' | 'saved/off-sheet' | 'saved/overlap' | 'saved/cut';
  readonly blankId: string;
}

/** A layout in the words of a plan. */
export const savedFrom = (jobKey: string, { sheets }: Layout): SavedLayout => ({
  jobKey,
  sheets: sheets.map(({ stock: { widthMm, depthMm, offcutId }, placements }) => ({
    widthMm,
    depthMm,
    offcutId,
    places: placements.map(({ blankId, xMm, yMm, turned, half, pinned }) => ({
      blankId,
      xMm: cutMm(xMm),
      yMm: cutMm(yMm),
      turned,
      half,
      pinned,
    })),
  })),
});

/** A new sheet of that size, or that offcut. */
export const stockFor = (
  stock: readonly Stock[],
  { widthMm, depthMm, offcutId }: Pick<SavedSheet, 'widthMm' | 'depthMm' | 'offcutId'>,
): Stock | undefined =>
  stock.find((one) => one.offcutId === offcutId && (offcutId !== null || (one.widthMm === widthMm && one.depthMm === depthMm)));

/**
 * A kept layout with the parts as they are now: sound, or why not. Nothing is mended here; a layout that does not serve is left aside and the quick one used.
 * @param task the parts that fit a sheet at all, by their present sizes, and the stock there is
 */
export function layoutFromSaved(
  kept: SavedLayout,
  { blanks, stock, kerfMm }: Omit<LayoutTask, 'pinned' | 'aim'>,
  apart: Apart = areApart,
): Result<Layout, SavedProblem> {
  const seen = new Set<string>();
  const sheets: PlacedSheet[] = [];
  for (const sheet of kept.sheets) {
    const own = stockFor(stock, sheet);
    const [first] = sheet.places;
    if (first === undefined) continue;
    const isTaken = sheet.offcutId !== null && sheets.some((other) => other.stock.offcutId === sheet.offcutId);
    if (own === undefined || isTaken) return fail({ code: 'saved/other-stock', blankId: first.blankId });
    const placed = placedOn(sheet, own, { blanks, kerfMm }, seen, apart);
    if (!placed.ok) return placed;
    sheets.push({ stock: own, placements: placed.value, rest: restBeside(placed.value, ruleOf(own, kerfMm)) });
  }
  const missing = blanks.find(({ id }) => !seen.has(id));
  return missing === undefined ? ok({ sheets, tooLarge: [] }) : fail({ code: 'saved/other-parts', blankId: missing.id });
}

/** The parts of one kept sheet where they lie, each found sound; those seen are noted. */
function placedOn(
  sheet: SavedSheet,
  stock: Stock,
  { blanks, kerfMm }: Pick<LayoutTask, 'blanks' | 'kerfMm'>,
  seen: Set<string>,
  apart: Apart,
): Result<Placement[], SavedProblem> {
  const placements: Placement[] = [];
  for (const place of sheet.places) {
    const { blankId } = place;
    const blank = blanks.find(({ id }) => id === blankId);
    if (blank === undefined || seen.has(blankId)) return fail({ code: 'saved/other-parts', blankId });
    if (place.turned && !blank.mayTurn) return fail({ code: 'saved/turned', blankId });
    seen.add(blankId);
    const placement = placementOf(place, blank);
    if (!isOnSheet(placement, ruleOf(stock, kerfMm))) return fail({ code: 'saved/off-sheet', blankId });
    if (placements.some((other) => !apart(placement, other, kerfMm))) return fail({ code: 'saved/overlap', blankId });
    placements.push(placement);
  }
  return ok(placements);
}

/** A place with the size its part has as it lies. */
export function placementOf(place: SavedSheet['places'][number], blank: Blank): Placement {
  const [widthMm, depthMm] = place.turned ? [blank.depthMm, blank.widthMm] : [blank.widthMm, blank.depthMm];
  return { ...place, widthMm, depthMm };
}

/** Of a kept layout that no longer serves whole, the pinned parts that still can lie where they were put. */
export function pinsOf(
  kept: SavedLayout,
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
