import type { Knex } from 'knex';
import type { Reading } from '@spare-acre/core/learning/calibration';
import type { LogEntry } from '@spare-acre/core/learning/logbook';

/** A board's log from a turn on, in the order in which it was written; what of it was deleted lately; and the last turn there is. */
export async function listLog(
  db: Knex,
  boardId: string,
  after = 0,
): Promise<{ readonly entries: readonly LogEntry[]; readonly deletedIds: readonly string[]; readonly turn: number }> {
  const rows = await db<{ entry: LogEntry; turn: string }>('log_entries')
    .select('entry', 'turn')
    .where('board_id', boardId)
    .where('turn', '>', after)
    .whereNull('deleted_at')
    .orderBy('turn');
  const deleted = await db<{ id: string }>('log_entries').select('id').where('board_id', boardId).whereNotNull('deleted_at');
  return { entries: rows.map(({ entry }) => entry), deletedIds: deleted.map(({ id }) => id), turn: Number(rows.at(-1)?.turn ?? after) };
}

/** Writes entries down, all or none; one that is there already is not written again. */
export const addEntries = async (trx: Knex, boardId: string, entries: readonly LogEntry[]): Promise<void> =>
  void (await trx('log_entries')
    .insert(entries.map((entry) => ({ id: entry.id, board_id: boardId, entry: JSON.stringify(entry) })))
    .onConflict('id')
    .ignore());

/** What all logs say of the catalogue, value by value. */
export async function listReadings(db: Knex): Promise<readonly Reading[]> {
  const { rows } = await db.raw<{ rows: Reading[] }>(`
    select figure #>> '{implied,path}' as path, (figure #>> '{implied,value}')::float8 as value, coalesce(entry ->> 'who', '') as who
    from log_entries
    cross join jsonb_array_elements(entry -> 'figures') as figure
    left join hand_forgotten on hand_forgotten.path = figure #>> '{implied,path}'
    where deleted_at is null and figure #>> '{implied,path}' is not null and log_entries.turn > coalesce(hand_forgotten.up_to, -1)
    order by log_entries.turn`);
  return rows;
}
/** What was read of a value so far teaches nothing any more; the entries stay. */
export const forget = async (trx: Knex, path: string): Promise<void> => {
  await trx.raw(
    `insert into hand_forgotten (path, up_to) select ?, coalesce(max(turn), 0) from log_entries
     on conflict (path) do update set up_to = excluded.up_to`,
    [path],
  );
  await setRefused(trx, path, false);
};
export const listRefused = async (db: Knex): Promise<readonly string[]> =>
  (await db<{ path: string }>('hand_refused').select('path').orderBy('path')).map(({ path }) => path);
export const setRefused = async (trx: Knex, path: string, isRefused: boolean): Promise<void> =>
  void (await (isRefused
    ? trx('hand_refused').insert({ path }).onConflict('path').ignore()
    : trx('hand_refused').where({ path }).delete()));
