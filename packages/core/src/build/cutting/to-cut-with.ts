import { memoize } from '../../base/memory';
import { type BatchWay, type Catalogue, type Material, type Sheet, type Tool, sheetsOf, toolBy } from '../../catalogue';
import type { Cutting } from '../../plan';
import type { Offcut } from '../../plan/workshop';
import { NO_TRIM, type Stock, type Trim, evenTrim } from './nesting';

/** Names a job in saved layouts and choices of tools. Only compared, never taken apart. */
export const jobKey = (materialId: string, thicknessMm: number): string => `${materialId}-${thicknessMm}`;

/** The tool of a job and what its blade takes, as the plan says or as is usual for the material. */
export function cutWith(
  material: Material,
  key: string,
  cutting: Pick<Cutting, 'tools'>,
  catalogue: Catalogue,
): { readonly tools: readonly Tool[]; readonly tool: Tool; readonly kerfMm: number } {
  const tools = material.toolIds.map((id) => toolBy(catalogue, id));
  const choice = cutting.tools.find((one) => one.jobKey === key);
  const tool = tools.find(({ id }) => id === choice?.toolId) ?? tools[0]!;
  return { tools, tool, kerfMm: choice?.kerfMm ?? tool.kerfMm.value };
}

/** How equal parts of a job are cut: as the plan says, or the usual way. */
export const batchWayOf = (key: string, { batches }: Pick<Cutting, 'batches'>, { batchWays }: Catalogue): BatchWay => {
  const chosen = batches.find(({ jobKey }) => jobKey === key)?.wayId;
  return batchWays.find(({ id }) => id === chosen) ?? batchWays[0]!;
};

/** Stock sheets that are to be had for a board, smallest first; where it says that none is, all that are stocked. */
export function sheetsHad(
  catalogue: Catalogue,
  materialId: string,
  thicknessMm: number,
  { withoutSheetIds }: Pick<Cutting, 'withoutSheetIds'>,
): readonly Sheet[] {
  const all = sheetsOf(catalogue, materialId, thicknessMm);
  if (withoutSheetIds.length === 0) return all;
  const had = all.filter(({ id }) => !withoutSheetIds.includes(id));
  return had.length === 0 ? all : had;
}

/** The trim somebody stated for a job, off every edge, or for the whole board; null where the edges of the sheets decide. */
export function statedTrimMm(key: string, { trimMm, trims }: Pick<Cutting, 'trimMm' | 'trims'>): number | null {
  const own = trims.find(({ jobKey }) => jobKey === key);
  return own === undefined ? trimMm : own.mm;
}

/**
 * What is cut off a new sheet: the stated trim off every edge; where none is stated, its rough edges are trimmed and factory-straight ones used as they are.
 * @param usualMm off a rough edge, where the sheet says nothing else
 */
function trimOf({ roughEdges = [], trimMm }: Sheet, statedMm: number | null, usualMm: number): Trim {
  if (statedMm !== null) return evenTrim(statedMm);
  if (roughEdges.length === 0) return NO_TRIM;
  const roughMm = trimMm ?? usualMm;
  const off = (edge: Edge): number => (roughEdges.includes(edge) ? roughMm : 0);
  return { leftMm: off('left'), topMm: off('top'), rightMm: off('right'), bottomMm: off('bottom') };
}
type Edge = NonNullable<Sheet['roughEdges']>[number];

const trimmedSheet = memoize((sheet: Sheet, statedMm: number | null, usualMm: number): Stock => ({
  widthMm: sheet.widthMm,
  depthMm: sheet.depthMm,
  trim: trimOf(sheet, statedMm, usualMm),
  offcutId: null,
  priceMinor: sheet.priceMinor,
}));
/** A new sheet to lay parts on; the same object for as long as it is trimmed alike. */
export const newSheet = (sheet: Sheet, statedMm: number | null, { bench }: Catalogue): Stock =>
  trimmedSheet(sheet, statedMm, bench.sheetTrimMm.value);

/** Offcuts of the rack for one material and thickness. */
export const offcutsFor = (rack: readonly Offcut[], materialId: string, thicknessMm: number): readonly Offcut[] =>
  rack.filter((offcut) => offcut.materialId === materialId && offcut.thicknessMm === thicknessMm);

/** Offcuts have straight edges already: nothing is trimmed off them. */
export const offcutAsStock = memoize(({ id, widthMm, depthMm }: Offcut): Stock => ({
  widthMm,
  depthMm,
  trim: NO_TRIM,
  offcutId: id,
  priceMinor: 0,
}));
