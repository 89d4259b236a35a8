import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import type { NewOffcut, RackOffcut } from '@spare-acre/core/io/wire';

interface Row {
  readonly id: string;
  readonly material_id: string;
  readonly thickness_mm: number;
  readonly width_mm: number;
  readonly depth_mm: number;
  readonly board_id: string | null;
  readonly cut_sheet_id: string | null;
  readonly piece: number | null;
}
type ListedRow = Row & { readonly used_by: string | null };

/**
 * Everything in the rack, the oldest first. What boards have cut stands in their records and nowhere else: a piece is used by the board whose record says so,
 * and what a sheet left is there for as long as the sheet is ticked off.
 */
export async function listOffcuts(db: Knex): Promise<readonly RackOffcut[]> {
  const cut = (): Knex.QueryBuilder => db('cut_sheets');
  const listed = (await db
    .select('offcuts.*', cut().select('board_id').whereRaw('cut_sheets.offcut_id = offcuts.id::text').limit(1).as('used_by'))
    .from('offcuts')
    .whereNull('deleted_at')
    .where((own) =>
      own
        .whereNull('board_id')
        .orWhereExists(cut().whereRaw('cut_sheets.board_id = offcuts.board_id and cut_sheets.id = offcuts.cut_sheet_id')),
    )
    .orderBy('created_at')
    .orderBy('id')) as readonly ListedRow[];
  return listed.map(asOffcut);
}

/** Puts a piece in the rack; the same piece of the same sheet again changes the size it has. */
export async function addOffcut(db: Knex, { materialId, thicknessMm, widthMm, depthMm, from }: NewOffcut): Promise<RackOffcut> {
  const row: Row = {
    id: randomUUID(),
    material_id: materialId,
    thickness_mm: thicknessMm,
    width_mm: widthMm,
    depth_mm: depthMm,
    board_id: from?.boardId ?? null,
    cut_sheet_id: from?.cutSheetId ?? null,
    piece: from?.piece ?? null,
  };
  const [stored] = await db<Row>('offcuts')
    .insert(row)
    .onConflict(['board_id', 'cut_sheet_id', 'piece'])
    .merge({
      material_id: materialId,
      thickness_mm: thicknessMm,
      width_mm: widthMm,
      depth_mm: depthMm,
      deleted_at: null,
      deleted_by: null,
    } as Partial<Row>)
    .returning('*');
  return asOffcut({ ...stored!, used_by: null });
}

const asOffcut = (row: ListedRow): RackOffcut => ({
  id: row.id,
  materialId: row.material_id,
  thicknessMm: row.thickness_mm,
  widthMm: row.width_mm,
  depthMm: row.depth_mm,
  from:
    row.board_id === null || row.cut_sheet_id === null || row.piece === null
      ? null
      : { boardId: row.board_id, cutSheetId: row.cut_sheet_id, piece: row.piece },
  usedBy: row.used_by,
});
