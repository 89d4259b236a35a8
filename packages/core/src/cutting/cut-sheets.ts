import { type Catalogue, type Sheet, type Tool, materialBy, sheetsOf, toolBy } from '../catalogue';
import type { Cutting } from '../plan';
import type { Random } from '../random';
import { type Figure, type MeasureSystem, given, lengthWords, reckon, total } from '../units';
import { blankOf } from './blanks';
import { boundsOf } from './bounds';
import { type OutdatedSheet, doneSheets, inOrder, openOf } from './done';
import { passes } from './cut-work';
import { improveFreely } from './free';
import { type LayoutProgress, improveLayout } from './improve';
import { type Apart, areApart, layoutFromKept, pinsOf } from './kept';
import { type Layout, type LayoutTask, layOut } from './layout';
import { outlinesApart } from './lying';
import type { Part } from './parts';
import type { Offcut } from './rack';
import { type Aim, type Stock, fitsOn, isNew } from './stock';

/** All parts of one material and thickness, laid on offcuts first and then on new sheets. */
export interface CutJob {
  readonly key: string;
  readonly name: string;
  readonly materialId: string;
  readonly thicknessMm: number;
  readonly hatch: string;
  readonly tool: Tool;
  /** What this job may be cut with. */
  readonly tools: readonly Tool[];
  readonly kerfMm: number;
  readonly trimMm: number;
  readonly aim: Aim;
  readonly parts: readonly Part[];
  /** New sheets of every stocked size, and the offcuts in the rack. */
  readonly stock: readonly Stock[];
  readonly layout: Layout;
  /** Sheets that are cut and whose parts the plan wants otherwise by now. */
  readonly outdated: readonly OutdatedSheet[];
  /** New sheets by size. */
  readonly bought: readonly { readonly sheet: Sheet; readonly count: number }[];
  readonly sheetCount: Figure<'1'>;
  readonly offcutCount: Figure<'1'>;
  /** No plan can use fewer new sheets, or cost less. */
  readonly fewest: Figure<'1'>;
  readonly cheapest: Figure<'money'>;
  readonly passes: Figure<'1'>;
  readonly cost: Figure<'money'>;
  readonly partsArea: Figure<'mm²'>;
  readonly sheetsArea: Figure<'mm²'>;
  readonly used: Figure<'%'>;
}

/** Lays out one job; passed in so that the pipeline can keep layouts whose sizes did not change. */
export type LayOut = (task: LayoutTask) => Layout;

/**
 * Fifth stage: parts onto sheets, a job for each material and thickness.
 * @param system the measures that names are said in
 */
export function cutSheets(
  parts: readonly Part[],
  cutting: Cutting,
  system: MeasureSystem,
  catalogue: Catalogue,
  rack: readonly Offcut[] = [],
  layOutOnce: LayOut = layOut,
): readonly CutJob[] {
  const jobs = new Map<string, Part[]>();
  for (const part of parts) {
    const key = `${part.materialId}-${part.thicknessMm}`;
    jobs.set(key, [...(jobs.get(key) ?? []), part]);
  }
  return [...jobs].map(([key, jobParts]) => cutJob(key, jobParts, cutting, system, catalogue, rack, layOutOnce));
}

function cutJob(
  key: string,
  parts: readonly Part[],
  { trimMm, aim, kept, cut, tools: choices }: Cutting,
  system: MeasureSystem,
  catalogue: Catalogue,
  rack: readonly Offcut[],
  layOutOnce: LayOut,
): CutJob {
  const { materialId, thicknessMm } = parts[0]!;
  const material = materialBy(catalogue, materialId);
  const tools = material.toolIds.map((id) => toolBy(catalogue, id));
  const choice = choices.find(({ jobKey }) => jobKey === key);
  const tool = tools.find(({ id }) => id === choice?.toolId) ?? tools[0]!;
  const kerfMm = choice?.kerfMm ?? tool.kerfMm.value;
  const name = `${material.name}, ${lengthWords(thicknessMm, system)}`;
  const sizes = sheetsOf(catalogue, materialId, thicknessMm);
  const kinds = sizes.map((sheet) => newSheet(sheet, trimMm));
  const ownCut = cut.filter(({ jobKey }) => jobKey === key);
  const stock = [
    ...kinds,
    ...offcutsFor(rack, materialId, thicknessMm).filter(({ offcutId }) => !ownCut.some((sheet) => sheet.offcutId === offcutId)),
  ];
  const done = doneSheets(ownCut, parts, kinds, trimMm, kerfMm);
  const task: LayoutTask = { blanks: parts.filter(({ id }) => !done.partIds.has(id)).map(blankOf), stock, kerfMm, aim, pinned: [] };
  const open = laidOut(
    task,
    kept.find(({ jobKey }) => jobKey === key) ?? null,
    tool.cuts === 'free' ? outlinesApart(parts) : areApart,
    layOutOnce,
  );
  const layout: Layout = { ...open, sheets: inOrder(done.sheets, open.sheets) };
  const laid = parts.filter(({ id }) => !layout.tooLarge.includes(id));
  const bought = sizes.flatMap((sheet) => {
    const count = layout.sheets.filter(
      ({ stock: own }) => isNew(own) && own.widthMm === sheet.widthMm && own.depthMm === sheet.depthMm,
    ).length;
    return count === 0 ? [] : [{ sheet, count }];
  });
  const money = moneyOf(name, bought, stock.length === 0, system);
  const areas = areasOf(name, laid, layout);
  return {
    key,
    name,
    materialId,
    thicknessMm,
    hatch: material.hatch,
    tool,
    tools,
    kerfMm,
    trimMm,
    aim,
    parts,
    stock,
    layout,
    outdated: done.outdated,
    bought,
    ...money,
    offcutCount: given(`Offcuts of ${name}`, layout.sheets.filter((sheet) => !isNew(sheet.stock)).length, '1', 'shelf', 'from the rack'),
    ...boundsOf(
      name,
      laid.filter(({ id }) => !done.partIds.has(id)),
      tool,
      task,
      done.sheets,
    ),
    passes: passes(material, tool, thicknessMm),
    ...areas,
    used: usedOf(name, areas),
  };
}

/** The kept layout while it serves; of one that does not, its pinned parts, and the others laid out anew. */
function laidOut(task: LayoutTask, kept: Cutting['kept'][number] | null, apart: Apart, layOutOnce: LayOut): Layout {
  if (kept === null) return layOutOnce(task);
  const { blanks, stock, kerfMm } = task;
  const fitting = blanks.filter((blank) => stock.some((one) => fitsOn(blank, one, kerfMm)));
  const layout = layoutFromKept(kept, { ...task, blanks: fitting }, apart);
  if (!layout.ok) return layOutOnce({ ...task, pinned: pinsOf(kept, task, apart) });
  const tooLarge = blanks.filter((blank) => !fitting.includes(blank)).map(({ id }) => id);
  return { ...layout.value, tooLarge };
}

const newSheet = ({ widthMm, depthMm, priceMinor }: Sheet, trimMm: number): Stock => ({
  widthMm,
  depthMm,
  trimMm,
  offcutId: null,
  priceMinor,
});

/** Offcuts have straight edges already: nothing is trimmed off them. */
const offcutsFor = (rack: readonly Offcut[], materialId: string, thicknessMm: number): Stock[] =>
  rack
    .filter((offcut) => offcut.materialId === materialId && offcut.thicknessMm === thicknessMm)
    .map(({ id, widthMm, depthMm }) => ({ widthMm, depthMm, trimMm: 0, offcutId: id, priceMinor: 0 }));

function moneyOf(name: string, bought: CutJob['bought'], isUnstocked: boolean, system: MeasureSystem): Pick<CutJob, 'sheetCount' | 'cost'> {
  const rows = bought.map(({ sheet, count }) => {
    const size = lengthWords([sheet.widthMm, sheet.depthMm], system);
    const sheets = given(`${name}, ${size}`, count, '1', 'layout', 'parts laid out');
    return {
      sheets,
      cost: reckon(
        `${name}, ${size}: cost`,
        'money',
        sheets,
        '×',
        given('A sheet', sheet.priceMinor, 'money', 'catalogue', 'invented price'),
      ),
    };
  });
  const only = rows.length === 1 ? rows[0]! : null;
  const label = `Sheets of ${name}`;
  const sheetCount = isUnstocked
    ? given(label, 0, '1', 'layout', 'not stocked')
    : only !== null
      ? { ...only.sheets, label }
      : total(
          label,
          '1',
          rows.map(({ sheets }) => sheets),
        );
  const cost =
    only !== null
      ? { ...only.cost, label: `${name}, cost` }
      : total(
          `${name}, cost`,
          'money',
          rows.map((row) => row.cost),
        );
  return { sheetCount, cost };
}

type Areas = Pick<CutJob, 'partsArea' | 'sheetsArea'>;
function areasOf(name: string, laid: readonly Part[], { sheets }: Layout): Areas {
  const partsMm2 = laid.reduce((sum, part) => sum + part.areaMm2, 0);
  const sheetsMm2 = sheets.reduce((sum, { stock }) => sum + stock.widthMm * stock.depthMm, 0);
  return {
    partsArea: given(`${name}: true outlines of the parts`, partsMm2, 'mm²', 'drawing'),
    sheetsArea: given(
      `${name}: all sheets`,
      sheetsMm2,
      'mm²',
      'layout',
      sheets.map(({ stock }) => `${stock.widthMm} × ${stock.depthMm}`).join(', '),
    ),
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

/** All new sheets of all jobs. */
export const totalSheets = (jobs: readonly CutJob[]): Figure<'1'> =>
  total(
    'Sheets',
    '1',
    jobs.map(({ sheetCount }) => sheetCount),
  );

/** Searches on for what of a job is not cut yet, over the cuts its tool makes. */
export function searchJob(job: CutJob, catalogue: Catalogue, random: Random): Generator<LayoutProgress, void, void> {
  const open = openOf(job);
  return open.tool.cuts === 'free'
    ? improveFreely(taskOf(open), open.parts, !materialBy(catalogue, open.materialId).isOneWay, random)
    : improveLayout(taskOf(open), random);
}

/** What a job is laid out from, to search on. */
export const taskOf = ({ parts, stock, kerfMm, aim, layout }: CutJob): LayoutTask => ({
  blanks: parts.map(blankOf),
  stock,
  kerfMm,
  aim,
  pinned: layout.sheets
    .map((sheet) => ({ stock: sheet.stock, placements: sheet.placements.filter(({ pinned }) => pinned) }))
    .filter(({ placements }) => placements.length > 0),
});
