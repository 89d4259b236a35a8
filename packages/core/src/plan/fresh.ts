import { type Catalogue, materialBy } from '../catalogue';
import type { Passage, Plan, Table } from './plan';

/** What a door or a place to keep tiles in starts with; a door has no depth. */
const PASSAGES = {
  door: { name: 'Another door', widthMm: 700, heightMm: 1_900, depthMm: null },
  place: { name: 'Another place', widthMm: 700, heightMm: 400, depthMm: 500 },
} as const;
export const newPassage = (kind: keyof typeof PASSAGES, id: string): Passage => ({ id, ...PASSAGES[kind] });

/** A board that a rim may be cut from. */
export interface RimBoard {
  readonly materialId: string;
  readonly thicknessMm: number;
  readonly name: string;
}
/** Every stocked board that is stiff enough for a rim: what substrates are made of. */
export function rimBoards(catalogue: Catalogue): readonly RimBoard[] {
  const boards = catalogue.sheets.filter(({ materialId }) => materialBy(catalogue, materialId).uses.includes('substrate'));
  return boards
    .filter((one, i) => boards.findIndex((other) => other.materialId === one.materialId && other.thicknessMm === one.thicknessMm) === i)
    .map(({ materialId, thicknessMm }) => ({ materialId, thicknessMm, name: materialBy(catalogue, materialId).name }));
}
/** A rim of a board: as high as the one there is, or as the ground it goes round. */
export function rimOf({ table, stack }: Pick<Plan, 'table' | 'stack'>, { materialId, thicknessMm }: RimBoard): NonNullable<Table['rim']> {
  const groundMm = stack.ground.reduce((sum, layer) => sum + layer.thicknessMm, 0);
  return { materialId, thicknessMm, heightMm: table.rim?.heightMm ?? groundMm };
}
