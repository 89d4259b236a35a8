import { type Result, fail, ok } from '../../../base/result';
import { type Layout, type PlacedSheet, type Placement, areApart, blankOf, endsOf, isOnSheet, outlinesApart, ruleOf } from '../nesting';
import { type CutJob, isCut, openOf, withOpen } from '../job';
import { type SavedLayout, type SavedProblem, savedFrom, layoutFromSaved } from './saved-layout';

/** What a builder does to one part of a layout by hand. */
export type HandMove =
  | { readonly code: 'move'; readonly toSheet: number; readonly xMm: number; readonly yMm: number }
  /** To the first free place of another sheet. */
  | { readonly code: 'carry'; readonly toSheet: number }
  | { readonly code: 'turn' }
  | { readonly code: 'pin'; readonly pinned: boolean };

/**
 * A job's layout with one part moved, turned or pinned; what is moved or turned is pinned, so that no search undoes it.
 * @returns the layout in the words of a plan, or what stands in the way: nothing is pushed aside
 */
export function byHand(job: CutJob, partId: string, deed: HandMove): Result<SavedLayout, SavedProblem> {
  const found = placeOf(job, partId);
  if (found === null) return fail({ code: 'saved/other-parts', blankId: partId });
  const { sheetIndex, placement } = found;
  const target = 'toSheet' in deed ? job.layout.sheets[deed.toSheet]! : null;
  if (isCut(job.layout.sheets[sheetIndex]!) || (target !== null && isCut(target))) return fail({ code: 'saved/cut', blankId: partId });
  const part = job.parts.find(({ id }) => id === partId)!;
  switch (deed.code) {
    case 'pin':
      return put(job, sheetIndex, { ...placement, pinned: deed.pinned }, sheetIndex);
    case 'turn': {
      if (!blankOf(part).mayTurn) return fail({ code: 'saved/turned', blankId: partId });
      const { widthMm, depthMm, turned } = placement;
      return put(job, sheetIndex, { ...placement, widthMm: depthMm, depthMm: widthMm, turned: !turned, pinned: true }, sheetIndex);
    }
    case 'move':
      return put(job, sheetIndex, { ...placement, xMm: deed.xMm, yMm: deed.yMm, pinned: true }, deed.toSheet);
    case 'carry': {
      const spot = firstSpot(job, job.layout.sheets[deed.toSheet]!, placement);
      return spot === null
        ? fail({ code: 'saved/overlap', blankId: partId })
        : put(job, sheetIndex, { ...placement, ...spot, pinned: true }, deed.toSheet);
    }
    default:
      throw deed satisfies never;
  }
}

/** The layout with no part pinned: the next search may move them all. */
export const unpinned = (job: CutJob): SavedLayout =>
  savedFrom(job.key, {
    ...job.layout,
    sheets: openOf(job).layout.sheets.map((sheet) => ({
      ...sheet,
      placements: sheet.placements.map((one) => ({ ...one, pinned: false })),
    })),
  });

/** A job's layout as kept; null when it no longer serves. */
export function relaid(job: CutJob, kept: SavedLayout): Layout | null {
  const { layout: open, parts, stock, kerfMm } = openOf(job);
  const blanks = parts.filter(({ id }) => !open.tooLarge.includes(id)).map(blankOf);
  const layout = layoutFromSaved(kept, { blanks, stock, kerfMm }, apartIn(job));
  return layout.ok ? withOpen(job, { ...layout.value, tooLarge: open.tooLarge }).layout : null;
}

function put(job: CutJob, fromSheet: number, placement: Placement, toSheet: number): Result<SavedLayout, SavedProblem> {
  const without = job.layout.sheets.map((sheet, i): PlacedSheet =>
    i === fromSheet ? { ...sheet, placements: sheet.placements.filter(({ blankId }) => blankId !== placement.blankId) } : sheet,
  );
  const target = without[toSheet]!;
  const { blankId } = placement;
  if (!isOnSheet(placement, ruleOf(target.stock, job.kerfMm))) return fail({ code: 'saved/off-sheet', blankId });
  const apart = apartIn(job);
  if (target.placements.some((other) => !apart(placement, other, job.kerfMm))) return fail({ code: 'saved/overlap', blankId });
  const sheets = without.map((sheet, i) => (i === toSheet ? { ...sheet, placements: [...sheet.placements, placement] } : sheet));
  return ok(savedFrom(job.key, { ...job.layout, sheets: sheets.filter((sheet) => !isCut(sheet) && sheet.placements.length > 0) }));
}

const apartIn = ({ tool, parts }: CutJob) => (tool.cuts === 'free' ? outlinesApart(parts) : areApart);

function placeOf(job: CutJob, partId: string): { readonly sheetIndex: number; readonly placement: Placement } | null {
  for (const [sheetIndex, { placements }] of job.layout.sheets.entries()) {
    const placement = placements.find(({ blankId }) => blankId === partId);
    if (placement !== undefined) return { sheetIndex, placement };
  }
  return null;
}

/** Lines a part's left or top side may lie on: the trim, and beside or below every other part. */
function linesOf(sheet: PlacedSheet, kerfMm: number, besides: string): { readonly xs: readonly number[]; readonly ys: readonly number[] } {
  const others = sheet.placements.filter(({ blankId }) => blankId !== besides);
  const { trim } = sheet.stock;
  return {
    xs: [trim.leftMm, ...others.flatMap((p) => [p.xMm, p.xMm + p.widthMm + kerfMm])],
    ys: [trim.topMm, ...others.flatMap((p) => [p.yMm, p.yMm + p.depthMm + kerfMm])],
  };
}

function firstSpot(job: CutJob, sheet: PlacedSheet, placement: Placement): { readonly xMm: number; readonly yMm: number } | null {
  const { xs, ys } = linesOf(sheet, job.kerfMm, placement.blankId);
  const apart = apartIn(job);
  const rule = ruleOf(sheet.stock, job.kerfMm);
  for (const yMm of [...ys].sort((a, b) => a - b)) {
    for (const xMm of [...xs].sort((a, b) => a - b)) {
      const tried = { ...placement, xMm, yMm };
      const isClear = sheet.placements.every((other) => other.blankId === placement.blankId || apart(tried, other, job.kerfMm));
      if (isOnSheet(tried, rule) && isClear) return { xMm, yMm };
    }
  }
  return null;
}

interface Place {
  readonly xMm: number;
  readonly yMm: number;
}

/** A dragged part's corner drawn to the trim and to its neighbours, a kerf apart, where it comes nearer to them than `withinMm`; and kept on the sheet. */
export function snappedPlace(job: CutJob, sheetIndex: number, partId: string, { xMm, yMm }: Place, withinMm: number): Place {
  const sheet = job.layout.sheets[sheetIndex]!;
  const placement = sheet.placements.find(({ blankId }) => blankId === partId);
  if (placement === undefined) return { xMm, yMm };
  const { xs, ys } = linesOf(sheet, job.kerfMm, partId);
  const others = sheet.placements.filter(({ blankId }) => blankId !== partId);
  const { widthMm, depthMm } = placement;
  const ends = endsOf(sheet.stock);
  const right = [ends.rightMm - widthMm, ...others.map((p) => p.xMm - job.kerfMm - widthMm)];
  const bottom = [ends.bottomMm - depthMm, ...others.map((p) => p.yMm - job.kerfMm - depthMm)];
  const held = (mm: number, from: number, to: number): number => Math.max(from, Math.min(to, mm));
  return {
    xMm: held(nearest(xMm, [...xs, ...right], withinMm), sheet.stock.trim.leftMm, ends.rightMm - widthMm),
    yMm: held(nearest(yMm, [...ys, ...bottom], withinMm), sheet.stock.trim.topMm, ends.bottomMm - depthMm),
  };
}

function nearest(mm: number, lines: readonly number[], withinMm: number): number {
  const best = lines.reduce((a, b) => (Math.abs(b - mm) < Math.abs(a - mm) ? b : a));
  return Math.abs(best - mm) <= withinMm ? best : Math.round(mm);
}
