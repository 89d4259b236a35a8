import { type Catalogue, type Material, type Sheet, type Tool, sheetsOf, toolBy } from '../../catalogue';
import type { Cutting } from '../../plan';
import type { Offcut } from '../../plan/workshop';
import type { Stock } from './nesting';

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

export const newSheet = ({ widthMm, depthMm, priceMinor }: Sheet, trimMm: number): Stock => ({
  widthMm,
  depthMm,
  trimMm,
  offcutId: null,
  priceMinor,
});

/** Offcuts of the rack for one material and thickness. */
export const offcutsFor = (rack: readonly Offcut[], materialId: string, thicknessMm: number): readonly Offcut[] =>
  rack.filter((offcut) => offcut.materialId === materialId && offcut.thicknessMm === thicknessMm);

/** Offcuts have straight edges already: nothing is trimmed off them. */
export const offcutAsStock = ({ id, widthMm, depthMm }: Offcut): Stock => ({ widthMm, depthMm, trimMm: 0, offcutId: id, priceMinor: 0 });
