import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import type { NewOffcut, RackOffcut } from '@spare-acre/core/wire';

interface Row {
  readonly id: string;
  readonly material_id: string;
  readonly thickness_mm: number;
  readonly width_mm: number;
  readonly depth_mm: number;
  readonly board_id: string | null;
  readonly sheet: string | null;
}

/** Everything in the rack, the oldest first. */
export async function listOffcuts(db: Knex): Promise<readonly RackOffcut[]> {
  return (await db<Row>('offcuts').orderBy('created_at').orderBy('id')).map(asOffcut);
}

/** Puts a piece in the rack; the same sheet of the same board again changes the piece it left. */
export async function addOffcut(db: Knex, { materialId, thicknessMm, widthMm, depthMm, boardId, sheet }: NewOffcut): Promise<RackOffcut> {
  const row = {
    id: randomUUID(),
    material_id: materialId,
    thickness_mm: thicknessMm,
    width_mm: widthMm,
    depth_mm: depthMm,
    board_id: boardId,
    sheet,
  };
  const [stored] = await db<Row>('offcuts')
    .insert(row)
    .onConflict(['board_id', 'sheet'])
    .merge(['material_id', 'thickness_mm', 'width_mm', 'depth_mm'])
    .returning('*');
  return asOffcut(stored!);
}

/** Takes a piece out for good; false where there is none of that id. */
export const removeOffcut = async (db: Knex, id: string): Promise<boolean> => (await db<Row>('offcuts').where({ id }).delete()) > 0;

const asOffcut = (row: Row): RackOffcut => ({
  id: row.id,
  materialId: row.material_id,
  thicknessMm: row.thickness_mm,
  widthMm: row.width_mm,
  depthMm: row.depth_mm,
  boardId: row.board_id,
  sheet: row.sheet,
});
