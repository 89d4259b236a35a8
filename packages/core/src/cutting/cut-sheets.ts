import { type Catalogue, type Sheet, type Tool, materialBy, sheetsOf, toolBy } from '../catalogue';
import type { Plan } from '../plan';
import { type Figure, given, reckon, total } from '../units';
import { type Blank, type Layout, type SheetRule, layOut, packingAreas } from './layout';
import { passes } from './cut-time';
import { type KeptLayout, layoutFromKept } from './kept';
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
  /** No plan can use fewer sheets. */
  readonly fewest: Figure<'1'>;
  readonly passes: Figure<'1'>;
  readonly cost: Figure<'money'>;
  readonly partsArea: Figure<'mm²'>;
  readonly sheetsArea: Figure<'mm²'>;
  readonly used: Figure<'%'>;
}

/** Lays out one job; passed in so that the pipeline can keep layouts whose sizes did not change. */
export type LayOut = (blanks: readonly Blank[], rule: SheetRule) => Layout;

/** Fifth stage: parts onto sheets, a job for each material and thickness. */
export function cutSheets(
  parts: readonly Part[],
  { trimMm, kept }: Plan['cutting'],
  catalogue: Catalogue,
  layOutOnce: LayOut = layOut,
): readonly CutJob[] {
  const jobs = new Map<string, Part[]>();
  for (const part of parts) {
    const key = `${part.materialId}-${part.thicknessMm}`;
    jobs.set(key, [...(jobs.get(key) ?? []), part]);
  }
  return [...jobs].map(([key, jobParts]) =>
    cutJob(key, jobParts, trimMm, kept.find(({ jobKey }) => jobKey === key) ?? null, catalogue, layOutOnce),
  );
}

function cutJob(
  key: string,
  parts: readonly Part[],
  trimMm: number,
  kept: KeptLayout | null,
  catalogue: Catalogue,
  layOutOnce: LayOut,
): CutJob {
  const { materialId, thicknessMm } = parts[0]!;
  const material = materialBy(catalogue, materialId);
  const tool = toolBy(catalogue, material.toolId);
  const name = `${material.name}, ${thicknessMm} mm`;
  const blanks = parts.map(({ id, widthMm, depthMm }): Blank => ({ id, widthMm, depthMm, mayTurn: true }));
  const options = sheetsOf(catalogue, materialId, thicknessMm).map((sheet) => {
    const rule = { widthMm: sheet.widthMm, depthMm: sheet.depthMm, trimMm, kerfMm: tool.kerfMm.value };
    const layout = keptFor(kept, blanks, rule) ?? layOutOnce(blanks, rule);
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
  const laid = parts.filter(({ id }) => !layout.tooLarge.includes(id));
  const areas = areasOf(name, laid, sheetCount, rule);
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
    fewest: fewestFor(
      name,
      blanks.filter(({ id }) => !layout.tooLarge.includes(id)),
      rule,
    ),
    passes: passes(material, thicknessMm),
    cost: reckon(`${name}, cost`, 'money', sheetCount, '×', price),
    ...areas,
    used: usedOf(name, areas),
  };
}

/** The kept layout where it was found for this size of sheet and still serves. */
function keptFor(kept: KeptLayout | null, blanks: readonly Blank[], rule: SheetRule): Layout | null {
  if (kept === null || kept.sheetWidthMm !== rule.widthMm || kept.sheetDepthMm !== rule.depthMm) return null;
  const layout = layoutFromKept(kept, blanks, rule);
  return layout.ok ? layout.value : null;
}

/** The bound of `fewestSheets` as a figure; 0 where there is nothing to lay out. */
function fewestFor(name: string, blanks: readonly Blank[], rule: SheetRule): Figure<'1'> {
  const { blanksMm2, usableMm2 } = packingAreas(blanks, rule);
  if (blanksMm2 === 0) return given(`${name}: no part to lay out`, 0, '1', 'layout');
  const taken = given(`${name}: boxes of all parts, kerf on two sides`, blanksMm2, 'mm²', 'drawing');
  const room = given(`${name}: a sheet less its trim`, usableMm2, 'mm²', 'catalogue', 'one kerf may hang over the trim');
  return reckon(`${name}: fewest sheets`, '1', taken, '⌈÷⌉', room);
}

type Areas = Pick<CutJob, 'partsArea' | 'sheetsArea'>;
function areasOf(name: string, laid: readonly Part[], sheets: Figure<'1'>, rule: SheetRule): Areas {
  const partsMm2 = laid.reduce((sum, part) => sum + part.areaMm2, 0);
  const sheet = given(`${name}: a whole sheet`, rule.widthMm * rule.depthMm, 'mm²', 'catalogue', `${rule.widthMm} × ${rule.depthMm} mm`);
  return {
    partsArea: given(`${name}: true outlines of the parts`, partsMm2, 'mm²', 'drawing'),
    sheetsArea: reckon(`${name}: all sheets`, 'mm²', sheets, '×', sheet),
  };
}

/** How much of the sheets ends up as parts; 0 % of none. */
function usedOf(name: string, { partsArea, sheetsArea }: Areas): Figure<'%'> {
  if (sheetsArea.value === 0) return given(`${name}: no sheet`, 0, '%', 'layout');
  const share = reckon(`${name}: share`, '1', partsArea, '÷', sheetsArea);
  return reckon(`${name}: becomes parts`, '%', share, '×', given('Per cent in a whole', 100, '%', 'definition'));
}

/** How much of all sheets of all jobs ends up as parts. */
export const usedOfAll = (jobs: readonly CutJob[]): Figure<'%'> =>
  usedOf('All jobs', {
    partsArea: total(
      'Parts, all jobs',
      'mm²',
      jobs.map(({ partsArea }) => partsArea),
    ),
    sheetsArea: total(
      'Sheets, all jobs',
      'mm²',
      jobs.map(({ sheetsArea }) => sheetsArea),
    ),
  });

/** All sheets of all jobs. */
export const totalSheets = (jobs: readonly CutJob[]): Figure<'1'> =>
  total(
    'Sheets',
    '1',
    jobs.map(({ sheetCount }) => sheetCount),
  );
