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
  readonly cut_sheet_id: string | null;
  readonly piece: number | null;
}
type ListedRow = Row & { readonly used_by: string | null };

/**
 * Everything in the rack, the oldest first. What boards have cut stands in their plans and nowhere else: a piece is used by the board whose plan says so,
 * and what a sheet left is there for as long as the plan says that the sheet is cut.
 */
export async function listOffcuts(db: Knex): Promise<readonly RackOffcut[]> {
  const listed = (await db
    .with('cut', CUT_SHEETS(db))
    .select('offcuts.*', db('cut').select('board_id').whereRaw('offcut_id = offcuts.id::text').limit(1).as('used_by'))
    .from('offcuts')
    .whereNull('board_id')
    .orWhereExists(db('cut').whereRaw('cut.board_id = offcuts.board_id and cut.cut_id = offcuts.cut_sheet_id'))
    .orderBy('created_at')
    .orderBy('id')) as readonly ListedRow[];
  return listed.map(asOffcut);
}

/** Cut sheets of every board, put away or not. A plan that is damaged has none. */
const CUT_SHEETS = (db: Knex): Knex.Raw =>
  db.raw(`
    select boards.id as board_id, sheet ->> 'id' as cut_id, sheet ->> 'offcutId' as offcut_id
    from boards
    cross join lateral jsonb_array_elements(
      case jsonb_typeof(boards.plan #> '{cutting,cut}') when 'array' then boards.plan #> '{cutting,cut}' else '[]' end
    ) as sheet`);

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
    .merge(['material_id', 'thickness_mm', 'width_mm', 'depth_mm'])
    .returning('*');
  return asOffcut({ ...stored!, used_by: null });
}

/** Takes a piece out for good; false where there is none of that id. */
export const removeOffcut = async (db: Knex, id: string): Promise<boolean> => (await db<Row>('offcuts').where({ id }).delete()) > 0;

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
