import { type Catalogue, type Sheet, type Tool, materialBy, sheetsOf, toolBy } from '../catalogue';
import { type Figure, given, reckon, total } from '../units';
import { type Blank, type Layout, type SheetRule, fewestSheets, layOut } from './layout';
import type { Part } from './parts';

/** All parts of one material and thickness, laid on the stock size that costs least. */
export interface CutJob {
  readonly key: string;
  readonly name: string;
  readonly materialId: string;
  readonly thicknessMm: number;
  readonly hatch: string;
  readonly tool: Tool;
  readonly rule: SheetRule;
  readonly parts: readonly Part[];
  /** null when nothing of this thickness is stocked. */
  readonly sheet: Sheet | null;
  readonly layout: Layout;
  readonly sheetCount: Figure<'1'>;
  readonly fewest: number;
  readonly cost: Figure<'money'>;
  /** Share of the sheets that ends up as parts, 0 to 1. */
  readonly usedShare: number;
}

/** Lays out one job; passed in so that the pipeline can keep layouts whose sizes did not change. */
export type LayOut = (blanks: readonly Blank[], rule: SheetRule) => Layout;

/** Fifth stage: parts onto sheets, a job for each material and thickness. */
export function cutSheets(parts: readonly Part[], trimMm: number, catalogue: Catalogue, layOutOnce: LayOut = layOut): readonly CutJob[] {
  const jobs = new Map<string, Part[]>();
  for (const part of parts) {
    const key = `${part.materialId}-${part.thicknessMm}`;
    jobs.set(key, [...(jobs.get(key) ?? []), part]);
  }
  return [...jobs].map(([key, jobParts]) => cutJob(key, jobParts, trimMm, catalogue, layOutOnce));
}

function cutJob(key: string, parts: readonly Part[], trimMm: number, catalogue: Catalogue, layOutOnce: LayOut): CutJob {
  const { materialId, thicknessMm } = parts[0]!;
  const material = materialBy(catalogue, materialId);
  const tool = toolBy(catalogue, material.toolId);
  const name = `${material.name}, ${thicknessMm} mm`;
  const blanks = parts.map(({ id, widthMm, depthMm }): Blank => ({ id, widthMm, depthMm, mayTurn: true }));
  const options = sheetsOf(catalogue, materialId, thicknessMm).map((sheet) => {
    const rule = { widthMm: sheet.widthMm, depthMm: sheet.depthMm, trimMm, kerfMm: tool.kerfMm.value };
    const layout = layOutOnce(blanks, rule);
    return { sheet, rule, layout, costMinor: layout.sheets.length * sheet.priceMinor };
  });
  // A size that leaves no part behind beats a cheaper one that does.
  const best = [...options].sort((a, b) => a.layout.tooLarge.length - b.layout.tooLarge.length || a.costMinor - b.costMinor)[0];
  const rule = best?.rule ?? { widthMm: 0, depthMm: 0, trimMm, kerfMm: tool.kerfMm.value };
  const layout = best?.layout ?? { sheets: [], tooLarge: blanks.map(({ id }) => id) };
  const count = layout.sheets.length;
  const sheetCount = given(
    `Sheets of ${name}`,
    count,
    '1',
    'layout',
    best === undefined ? 'not stocked' : `${best.sheet.widthMm} × ${best.sheet.depthMm} mm, ${parts.length} parts laid out`,
  );
  const price = given(`${name}, a sheet`, best?.sheet.priceMinor ?? 0, 'money', 'catalogue', 'invented price');
  const sheetsMm2 = count * rule.widthMm * rule.depthMm;
  const laid = parts.filter(({ id }) => !layout.tooLarge.includes(id));
  return {
    key,
    name,
    materialId,
    thicknessMm,
    hatch: material.hatch,
    tool,
    rule,
    parts,
    layout,
    sheetCount,
    sheet: best?.sheet ?? null,
    fewest:
      best === undefined
        ? 0
        : fewestSheets(
            blanks.filter(({ id }) => !layout.tooLarge.includes(id)),
            rule,
          ),
    cost: reckon(`${name}, cost`, 'money', sheetCount, '×', price),
    usedShare: count === 0 ? 0 : laid.reduce((sum, part) => sum + part.areaMm2, 0) / sheetsMm2,
  };
}

/** All sheets of all jobs. */
export const totalSheets = (jobs: readonly CutJob[]): Figure<'1'> =>
  total(
    'Sheets',
    '1',
    jobs.map(({ sheetCount }) => sheetCount),
  );
