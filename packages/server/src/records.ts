import type { Knex } from 'knex';
import type { BoardRecord, CutSheet } from '@spare-acre/core/shop';

interface Row {
  readonly board_id: string;
  readonly id: string;
  readonly material_id: string;
  readonly thickness_mm: number;
  readonly number: number;
  readonly width_mm: number;
  readonly depth_mm: number;
  readonly offcut_id: string | null;
  readonly places: unknown;
}

/** What was done on some boards, by board; whether it can still be read is for the schema of the answer to say. */
export async function readRecords(
  db: Knex,
  boardIds: readonly string[],
): Promise<ReadonlyMap<string, { readonly cutSheets: readonly unknown[] }>> {
  const rows = await db<Row>('cut_sheets').whereIn('board_id', boardIds).orderBy('cut_at').orderBy('id');
  const cutOf = (boardId: string): readonly unknown[] => rows.filter((row) => row.board_id === boardId).map(sheetFrom);
  return new Map(boardIds.map((id) => [id, { cutSheets: cutOf(id) }]));
}

/** Ticks a sheet off; the same sheet again changes nothing but what it says. @returns false where there is no such board */
export async function keepCutSheet(db: Knex, boardId: string, sheet: CutSheet): Promise<boolean> {
  const isThere = (await db('boards').first('id').where({ id: boardId }).whereNull('removed_at')) !== undefined;
  if (isThere) await insertCutSheets(db, boardId, [sheet]);
  return isThere;
}

/** Takes a tick back; one that is not there is gone already. */
export async function dropCutSheet(db: Knex, boardId: string, id: string): Promise<void> {
  await db('cut_sheets').where({ board_id: boardId, id }).delete();
}

/** Writes down what a board that comes in from a file has done. */
export async function keepRecord(db: Knex, boardId: string, { cutSheets }: BoardRecord): Promise<void> {
  if (cutSheets.length > 0) await insertCutSheets(db, boardId, cutSheets);
}

async function insertCutSheets(db: Knex, boardId: string, sheets: readonly CutSheet[]): Promise<void> {
  const rows = sheets.map((sheet) => ({
    board_id: boardId,
    id: sheet.id,
    material_id: sheet.materialId,
    thickness_mm: sheet.thicknessMm,
    number: sheet.number,
    width_mm: sheet.widthMm,
    depth_mm: sheet.depthMm,
    offcut_id: sheet.offcutId,
    // The driver would turn an array into a PostgreSQL array; JSONB wants text.
    places: JSON.stringify(sheet.places),
  }));
  await db('cut_sheets').insert(rows).onConflict(['board_id', 'id']).merge();
}

const sheetFrom = (row: Row): unknown => ({
  id: row.id,
  materialId: row.material_id,
  thicknessMm: row.thickness_mm,
  number: row.number,
  widthMm: row.width_mm,
  depthMm: row.depth_mm,
  offcutId: row.offcut_id,
  places: row.places,
});
