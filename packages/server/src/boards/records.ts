import type { Knex } from 'knex';
import type { BoardRecord, CutSheet } from '@spare-acre/core/plan/workshop';
import { takeDone } from '../bench/deeds';
import { tell } from '../live/tell';

/** SQL: what was done on the board of a row of `boards`, as JSON. */
export const RECORD_TEXT = `(
  select json_build_object('cutSheets', coalesce(json_agg(json_build_object(
    'id', id, 'materialId', material_id, 'thicknessMm', thickness_mm, 'number', number, 'widthMm', width_mm, 'depthMm', depth_mm,
    'offcutId', offcut_id, 'places', places
  ) order by cut_at, id), '[]'), 'doneTasks', boards.done_tasks)::text
  from cut_sheets where cut_sheets.board_id = boards.id
)`;

/** Ticks a sheet off; the same sheet again changes nothing but what it says. @returns false where there is no such board */
export async function keepCutSheet(db: Knex, boardId: string, sheet: CutSheet): Promise<boolean> {
  return db.transaction(async (trx) => {
    const isThere = (await trx('boards').first('id').where({ id: boardId }).whereNull('removed_at').forShare()) !== undefined;
    if (!isThere) return false;
    await keepSheets(trx, boardId, JSON.stringify({ cutSheets: [sheet] }));
    await tell(trx, { board: boardId, kind: 'record' });
    return true;
  });
}

/** Takes a tick back; one that is not there is gone already. */
export async function dropCutSheet(db: Knex, boardId: string, id: string): Promise<void> {
  await db.transaction(async (trx) => {
    const dropped = await trx('cut_sheets').where({ board_id: boardId, id }).delete();
    if (dropped > 0) await tell(trx, { board: boardId, kind: 'record' });
  });
}

/** Writes down what a board that comes in from a file has done. @param recordText a sound record as JSON */
export async function keepRecord(db: Knex, boardId: string, recordText: string): Promise<void> {
  await keepSheets(db, boardId, recordText);
  const { doneTasks } = JSON.parse(recordText) as BoardRecord;
  if (Object.keys(doneTasks).length > 0) await takeDone(db, boardId, doneTasks);
}
async function keepSheets(db: Knex, boardId: string, recordText: string): Promise<void> {
  await db.raw(
    `insert into cut_sheets (board_id, id, material_id, thickness_mm, number, width_mm, depth_mm, offcut_id, places)
    select ?::uuid, sheet ->> 'id', sheet ->> 'materialId', (sheet ->> 'thicknessMm')::double precision, (sheet ->> 'number')::integer,
      (sheet ->> 'widthMm')::double precision, (sheet ->> 'depthMm')::double precision, sheet ->> 'offcutId', sheet -> 'places'
    from jsonb_array_elements(?::jsonb -> 'cutSheets') with ordinality as listed (sheet, place)
    order by place
    on conflict (board_id, id) do update set
      material_id = excluded.material_id, thickness_mm = excluded.thickness_mm, number = excluded.number, width_mm = excluded.width_mm,
      depth_mm = excluded.depth_mm, offcut_id = excluded.offcut_id, places = excluded.places`,
    [boardId, recordText],
  );
}
