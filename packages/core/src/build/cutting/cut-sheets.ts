import { memoize } from '../../base/memory';
import type { WorkshopState } from '../../plan/workshop';
import { type CutJob, boundsOf, inOrder } from './job';
import { type Catalogue, materialBy, sheetPrice } from '../../catalogue';
import type { Cutting, Split } from '../../plan';
import { type Figure, type MeasureSystem, given, lengthWords, calculate, total } from '../../base/units';
import { type Apart, type Layout, type LayoutTask, areApart, blankOf, fitsOn, isNew, layOut, outlinesApart } from './nesting';
import { layoutFromSaved, pinsOf, recordedSheets } from './saved';
import { passes } from './bench';
import type { Part } from './parts';
import { batchWayOf, cutWith, jobKey, newSheet, offcutAsStock, offcutsFor, sheetsHad, statedTrimMm } from './to-cut-with';
import { listedBy } from '../../base/grouping';

/** Lays out one job; passed in so that the pipeline can keep layouts whose sizes did not change. */
export type LayOut = (task: LayoutTask) => Layout;

/** What parts are laid out on sheets from. */
export interface CutInputs {
  readonly parts: readonly Part[];
  readonly cutting: Pick<Cutting, 'trimMm' | 'trims' | 'aim' | 'saved' | 'tools' | 'batches' | 'withoutSheetIds'>;
  /** Splits among the parts that nobody asked for: see `autoSplits`. */
  readonly laid: readonly Split[];
  /** Splits that save sheets. */
  readonly saving: readonly Split[];
  /** The measures that names are said in. */
  readonly system: MeasureSystem;
  readonly catalogue: Catalogue;
  /** Pieces in the rack, and sheets that are cut already. */
  readonly offcuts: WorkshopState['offcuts'];
  readonly cut: WorkshopState['cutSheets'];
  readonly layOutOnce?: LayOut;
}

/** Parts onto sheets, a job for each material and thickness. */
export function cutSheets({ parts, laid, saving, ...inputs }: CutInputs): readonly CutJob[] {
  const jobs = listedBy(parts, ({ materialId, thicknessMm }) => jobKey(materialId, thicknessMm));
  return [...jobs].map(([key, own]) =>
    cutJob(own[0]!, key, { ...inputs, parts: own, laid: splitsAmong(own, laid), saving: splitsAmong(own, saving) }),
  );
}

function splitsAmong(parts: readonly Part[], laid: readonly Split[]): readonly Split[] {
  if (laid.length === 0) return laid;
  const wholes = new Set(parts.map(({ wholeId }) => wholeId));
  return laid.filter(({ wholeId }) => wholes.has(wholeId));
}

/** A job is remembered by its first part: while its parts stay, it stays. */
const cutJob = memoize(
  (
    _first: Part,
    key: string,
    { parts, laid: laidSplits, saving: savingSplits, cutting, system, catalogue, offcuts, cut, layOutOnce = layOut }: CutInputs,
  ): CutJob => {
    const { aim, saved } = cutting;
    const trimMm = statedTrimMm(key, cutting);
    const { materialId, thicknessMm } = parts[0]!;
    const material = materialBy(catalogue, materialId);
    const { tools, tool, kerfMm } = cutWith(material, key, cutting, catalogue);
    const name = `${material.name}, ${lengthWords(thicknessMm, system)}`;
    const sizes = sheetsHad(catalogue, materialId, thicknessMm, cutting);
    const kinds = sizes.map((sheet) => newSheet(sheet, trimMm, catalogue));
    const ownCut = cut.filter((sheet) => sheet.materialId === materialId && sheet.thicknessMm === thicknessMm);
    const stock = [
      ...kinds,
      ...offcutsFor(offcuts, materialId, thicknessMm)
        .filter(({ id }) => !ownCut.some((sheet) => sheet.offcutId === id))
        .map((offcut) => offcutAsStock(offcut)),
    ];
    const done = recordedSheets({ cut: ownCut, parts, kinds, kerfMm });
    const task: LayoutTask = { blanks: parts.filter(({ id }) => !done.partIds.has(id)).map(blankOf), stock, kerfMm, aim, pinned: [] };
    const open = laidOut(
      task,
      saved.find((one) => one.jobKey === key) ?? null,
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
      batchWay: batchWayOf(key, cutting, catalogue),
      statedTrimMm: trimMm,
      aim,
      parts,
      laidSplits,
      savingSplits,
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
  },
);

/** The kept layout while it serves; of one that does not, its pinned parts, and the others laid out anew. */
function laidOut(task: LayoutTask, kept: Cutting['saved'][number] | null, apart: Apart, layOutOnce: LayOut): Layout {
  if (kept === null) return layOutOnce(task);
  const { blanks, stock, kerfMm } = task;
  const fitting = blanks.filter((blank) => stock.some((one) => fitsOn(blank, one, kerfMm)));
  const layout = layoutFromSaved(kept, { ...task, blanks: fitting }, apart);
  if (!layout.ok) return layOutOnce({ ...task, pinned: pinsOf(kept, task, apart) });
  const tooLarge = blanks.filter((blank) => !fitting.includes(blank)).map(({ id }) => id);
  return { ...layout.value, tooLarge };
}

function moneyOf(name: string, bought: CutJob['bought'], isUnstocked: boolean, system: MeasureSystem): Pick<CutJob, 'sheetCount' | 'cost'> {
  const rows = bought.map(({ sheet, count }) => {
    const size = lengthWords([sheet.widthMm, sheet.depthMm], system);
    const sheets = given(`${name}, ${size}`, count, '1', 'layout', 'parts laid out');
    return { sheets, cost: calculate(`${name}, ${size}: cost`, 'money', sheets, '×', sheetPrice(sheet)) };
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
  const share = calculate(`${name}: share`, '1', partsArea, '÷', sheetsArea);
  return calculate(`${name}: yield`, '%', share, '×', given('Per cent in a whole', 100, '%', 'definition'));
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
