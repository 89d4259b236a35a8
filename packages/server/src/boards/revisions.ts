import type { Knex } from 'knex';
import { type StoredBoard, readBoard } from './boards';

/** One revision in the list of a board's. */
interface Revision {
  readonly revision: number;
  readonly savedAt: string;
  readonly changes: readonly string[];
  readonly by: string | null;
  readonly title: string | null;
}
interface Row {
  readonly revision: number;
  readonly saved_at: Date;
  readonly changes: readonly string[];
  readonly saved_by: string | null;
  readonly title: string | null;
}

/** Revisions of a board, on the shelf or put away, the newest first; null when there is no such board. */
export async function listRevisions(db: Knex, id: string): Promise<Revision[] | null> {
  if ((await db('boards').first('id').where({ id })) === undefined) return null;
  const rows = (await db('board_revisions')
    .select('revision', 'saved_at', 'changes', 'saved_by', 'title')
    .where('board_id', id)
    .orderBy('revision', 'desc')) as Row[];
  return rows.map(({ revision, saved_at, changes, saved_by, title }) => ({
    revision,
    savedAt: saved_at.toISOString(),
    changes,
    by: saved_by,
    title,
  }));
}

/** A plan as it was at a revision, with what is done of the board today; null where there is none. It was stored as it came in, whatever the version. */
export async function readRevision(db: Knex, id: string, revision: number): Promise<StoredBoard | null> {
  const row = (await db('board_revisions').first('saved_at', db.raw('plan::text as plan_text')).where({ board_id: id, revision })) as
    { saved_at: Date; plan_text: string } | undefined;
  const board = row === undefined ? null : await readBoard(db, id, 'anywhere');
  if (row === undefined || board === null) return null;
  return { ...board, revision, savedAt: row.saved_at.toISOString(), planText: row.plan_text, checked: null, faults: null };
}

/** Calls a revision something, or takes its name away. @returns whether there was such a revision */
export const nameRevision = async (db: Knex, id: string, revision: number, title: string | null): Promise<boolean> =>
  (await db('board_revisions').where({ board_id: id, revision }).update({ title })) === 1;

/**
 * Thins what is long past, so that history does not grow without end: of the last four weeks every revision is kept, of the half year before one a day, of
 * all before that one a week, each time the last. The first of a board, its last and what has a name are never touched.
 * @returns how many were taken out
 */
export async function thinRevisions(db: Knex): Promise<number> {
  const { rowCount } = await db.raw<{ rowCount: number }>(`
    with ranked as (
      select board_id, revision, title, saved_at,
        row_number() over (partition by board_id order by revision) as from_first,
        row_number() over (partition by board_id order by revision desc) as from_last,
        row_number() over (
          partition by board_id, saved_at > now() - interval '26 weeks',
            date_trunc(case when saved_at > now() - interval '26 weeks' then 'day' else 'week' end, saved_at at time zone 'UTC')
          order by revision desc
        ) as in_its_time
      from board_revisions
    )
    delete from board_revisions using ranked
    where board_revisions.board_id = ranked.board_id and board_revisions.revision = ranked.revision
      and ranked.saved_at < now() - interval '4 weeks'
      and ranked.title is null and from_first > 1 and from_last > 1 and in_its_time > 1`);
  return rowCount;
}
