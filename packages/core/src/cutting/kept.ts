import { type Result, fail, ok } from '../result';
import { FIT_MM } from './cut-tree';
import type { Blank, LaidSheet, Layout, Placement, SheetRule } from './layout';

/** A layout as a plan keeps it: for which stock, and where each part lies. */
export interface KeptLayout {
  readonly jobKey: string;
  readonly sheetWidthMm: number;
  readonly sheetDepthMm: number;
  readonly sheets: readonly (readonly {
    readonly blankId: string;
    readonly xMm: number;
    readonly yMm: number;
    readonly turned: boolean;
  }[])[];
}
/** Why a kept layout no longer serves. */
export interface KeptProblem {
  readonly code: 'kept/other-parts' | 'kept/turned' | 'kept/off-sheet' | 'kept/overlap';
  readonly blankId: string;
}

/** A layout in the words of a plan. */
export const keptFrom = (jobKey: string, { widthMm, depthMm }: SheetRule, { sheets }: Layout): KeptLayout => ({
  jobKey,
  sheetWidthMm: widthMm,
  sheetDepthMm: depthMm,
  sheets: sheets.map(({ placements }) =>
    placements.map(({ blankId, xMm, yMm, turned }) => ({ blankId, xMm: tidy(xMm), yMm: tidy(yMm), turned })),
  ),
});

/**
 * A kept layout with the parts as they are now: sound, or why not. Nothing is mended here; a layout that does not serve is left aside and the quick one used.
 * @param blanks the parts that fit a sheet at all, by their present sizes
 */
export function layoutFromKept(kept: KeptLayout, blanks: readonly Blank[], rule: SheetRule): Result<Layout, KeptProblem> {
  const byId = new Map(blanks.map((blank) => [blank.id, blank]));
  const seen = new Set<string>();
  const sheets: LaidSheet[] = [];
  for (const places of kept.sheets) {
    const placements: Placement[] = [];
    for (const { blankId, xMm, yMm, turned } of places) {
      const blank = byId.get(blankId);
      if (blank === undefined || seen.has(blankId)) return fail({ code: 'kept/other-parts', blankId });
      if (turned && !blank.mayTurn) return fail({ code: 'kept/turned', blankId });
      seen.add(blankId);
      const [widthMm, depthMm] = turned ? [blank.depthMm, blank.widthMm] : [blank.widthMm, blank.depthMm];
      const placement = { blankId, xMm, yMm, widthMm, depthMm, turned };
      if (!isOnSheet(placement, rule)) return fail({ code: 'kept/off-sheet', blankId });
      if (placements.some((other) => !areApart(placement, other, rule.kerfMm))) return fail({ code: 'kept/overlap', blankId });
      placements.push(placement);
    }
    if (placements.length > 0) sheets.push({ placements, rest: restBeside(placements, rule) });
  }
  const missing = blanks.find(({ id }) => !seen.has(id));
  return missing === undefined ? ok({ sheets, tooLarge: [] }) : fail({ code: 'kept/other-parts', blankId: missing.id });
}

/** Sizes are kept to a thousandth: that much may be lost between two parts. */
const KEPT_MM = 0.002;

function isOnSheet({ xMm, yMm, widthMm, depthMm }: Placement, rule: SheetRule): boolean {
  const { trimMm } = rule;
  return (
    Math.min(xMm, yMm) >= trimMm - KEPT_MM &&
    xMm + widthMm <= rule.widthMm - trimMm + KEPT_MM &&
    yMm + depthMm <= rule.depthMm - trimMm + KEPT_MM
  );
}

/** Whether two parts leave room for the blade between them. */
export function areApart(a: Placement, b: Placement, kerfMm: number): boolean {
  const gap = Math.max(a.xMm - b.xMm - b.widthMm, b.xMm - a.xMm - a.widthMm, a.yMm - b.yMm - b.depthMm, b.yMm - a.yMm - a.depthMm);
  return gap >= kerfMm - KEPT_MM;
}

/** The largest free rectangle of a sheet: its sides lie on sides of parts or of the sheet, so those lines are all that need looking at. */
export function restBeside(placements: readonly Placement[], rule: SheetRule): LaidSheet['rest'] {
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
