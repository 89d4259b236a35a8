import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { type Result, fail, ok } from '@spare-acre/core/base/result';
import type { BoardSummary } from '@spare-acre/core/plan/summary';
import { tell } from '../live/tell';
import type { PlanIssue } from '@spare-acre/core/plan/stored/check';
import type { SoundBoard, SoundSave } from '../reading/work';
import { RECORD_TEXT, keepRecord } from './records';

/** A board as it is stored, its plan and record as text: what passed its check once is handed on unread. */
export interface StoredBoard {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly savedAt: string;
  /** The mark of the check that this plan passed, or failed with `faults`. */
  readonly checked: string | null;
  readonly faults: readonly PlanIssue[] | null;
  /** What its card shows; null for a plan from before it was kept. */
  readonly card: BoardSummary | null;
  readonly planText: string;
  readonly recordText: string;
}
/** A board in the list. */
export type ListedBoard = Omit<StoredBoard, 'planText' | 'recordText'> & { readonly doneTasks: number; readonly cutSheets: number };
export type SaveProblem = { readonly code: 'board/stale'; readonly stored: StoredBoard } | { readonly code: 'board/missing' };

interface ListedRow {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly saved_at: Date;
  readonly checked: string | null;
  readonly faults: readonly PlanIssue[] | null;
  readonly card: BoardSummary | null;
}
interface Row extends ListedRow {
  readonly plan_text: string;
  readonly record_text: string;
}

const LISTED: (keyof ListedRow)[] = ['id', 'name', 'revision', 'saved_at', 'checked', 'faults', 'card'];
const whole = (db: Knex): (string | Knex.Raw)[] => [
  ...LISTED.map((column) => `boards.${column}`),
  db.raw('boards.plan::text as plan_text'),
  db.raw(`${RECORD_TEXT} as record_text`),
];

/** Boards not put away, the last saved first. */
export async function listBoards(db: Knex): Promise<ListedBoard[]> {
  const rows = (await db<ListedRow>('boards')
    .select(LISTED)
    .select(
      db.raw('(select count(*)::int from jsonb_object_keys(done_tasks)) as tasks'),
      db.raw('(select count(*)::int from cut_sheets where cut_sheets.board_id = boards.id) as sheets'),
    )
    .whereNull('removed_at')
    .orderBy('saved_at', 'desc')
    .orderBy('id')) as unknown as (ListedRow & { readonly tasks: number; readonly sheets: number })[];
  return rows.map((row) => ({ ...listedFrom(row), doneTasks: row.tasks, cutSheets: row.sheets }));
}

/** Boards put away, the last first. */
export async function listPutAway(db: Knex): Promise<{ readonly id: string; readonly name: string; readonly putAwayAt: string }[]> {
  const rows = await db('boards').select('id', 'name', 'removed_at').whereNotNull('removed_at').orderBy('removed_at', 'desc').orderBy('id');
  return rows.map(({ id, name, removed_at: at }: { id: string; name: string; removed_at: Date }) => ({
    id,
    name,
    putAwayAt: at.toISOString(),
  }));
}

/** One board, or null. @param from where it may be: the shelf alone, or what was put away as well */
export async function readBoard(db: Knex, id: string, from: 'shelf' | 'anywhere' = 'shelf'): Promise<StoredBoard | null> {
  const query = db('boards').first(whole(db)).where({ id });
  const row = (await (from === 'shelf' ? query.whereNull('removed_at') : query)) as Row | undefined;
  return row === undefined ? null : boardFrom(row);
}

/** Whether there is such a board on the shelf. */
export const isOnShelf = async (db: Knex, id: string): Promise<boolean> =>
  (await db('boards').first('id').where({ id }).whereNull('removed_at')) !== undefined;

/** Stores a new board as its first revision, with what its file says was done. @param mark of the check it passed */
export async function createBoard(db: Knex, board: SoundBoard, mark: string, by: string | null = null): Promise<StoredBoard> {
  const id = randomUUID();
  const { name, planText, recordText, cardText } = board;
  return db.transaction(async (trx) => {
    await trx('boards').insert({
      id,
      revision: 1,
      name,
      plan: planText,
      card: cardText,
      checked: mark,
      saved_at: trx.raw('clock_timestamp()'),
    });
    await keepRevision(trx, id, { revision: 1, planText, changes: [], by });
    await keepRecord(trx, id, recordText);
    return (await readBoard(trx, id))!;
  });
}

/**
 * Saves a plan over the revision it grew from; a save over any other is refused with what is stored now. A page that is older than the record brings its
 * ticks inside its plan.
 */
export async function savePlan(
  db: Knex,
  id: string,
  save: SoundSave,
  mark: string,
  by: string | null = null,
): Promise<Result<{ readonly revision: number; readonly savedAt: string }, SaveProblem>> {
  return db.transaction(async (trx) => {
    const current = await trx<ListedRow>('boards').first('revision').where({ id }).whereNull('removed_at').forUpdate();
    if (current === undefined) return fail({ code: 'board/missing' } as const);
    if (current.revision !== save.revision) return fail({ code: 'board/stale', stored: (await readBoard(trx, id))! } as const);
    const revision = save.revision + 1;
    const change = {
      revision,
      name: save.name,
      plan: save.planText,
      card: save.cardText,
      checked: mark,
      faults: null,
      saved_at: trx.fn.now(),
    };
    const [saved] = (await trx('boards').where({ id }).update(change, ['saved_at'])) as { saved_at: Date }[];
    await keepRevision(trx, id, { revision, planText: save.planText, changes: save.changes, by });
    await keepRecord(trx, id, save.recordText);
    await tell(trx, { board: id, kind: 'plan', revision, by });
    return ok({ revision, savedAt: saved!.saved_at.toISOString() });
  });
}

/** Puts a board away, or brings it back. Nothing is deleted. @returns whether there was such a board */
export async function setPutAway(db: Knex, id: string, isPutAway: boolean): Promise<boolean> {
  return db.transaction(async (trx) => {
    const change = { removed_at: isPutAway ? trx.fn.now() : null };
    const isThere = (await trx('boards').where({ id }).update(change)) === 1;
    if (isThere) await tell(trx, { board: id, kind: isPutAway ? 'away' : 'back' });
    return isThere;
  });
}

/** What a check has found of a stored plan, unless it was changed meanwhile. @param planText the plan brought forward, where it is sound */
export async function markChecked(
  db: Knex,
  { id, revision, checked }: Pick<StoredBoard, 'id' | 'revision' | 'checked'>,
  found: { readonly mark: string; readonly planText?: string; readonly faults?: readonly PlanIssue[] },
): Promise<void> {
  const faults = found.faults === undefined ? null : JSON.stringify(found.faults);
  const plan = found.planText === undefined ? {} : { plan: found.planText };
  await db('boards')
    .where({ id, revision })
    .whereRaw('checked is not distinct from ?', [checked])
    .update({ ...plan, checked: found.mark, faults });
}

/** Keeps what the card of a board shows, unless its plan was changed meanwhile. */
export const keepCard = async (db: Knex, { id, revision }: Pick<StoredBoard, 'id' | 'revision'>, cardText: string): Promise<void> =>
  void (await db('boards').where({ id, revision }).update({ card: cardText }));

async function keepRevision(
  trx: Knex,
  id: string,
  { revision, planText, changes, by }: { revision: number; planText: string; changes: readonly string[]; by: string | null },
): Promise<void> {
  // The driver would turn an array into a PostgreSQL array; JSONB wants text.
  await trx('board_revisions').insert({ board_id: id, revision, plan: planText, changes: JSON.stringify(changes), saved_by: by });
  // So that whoever lists pictures need not read every plan there ever was.
  await trx.raw(
    `insert into revision_pictures (board_id, revision, picture_id)
    select :id, :revision, picture_id from (
      select plan #>> '{underlay,imageId}' as picture_id from board_revisions where board_id = :id and revision = :revision
      union
      select piece ->> 'imageId' from board_revisions cross join jsonb_array_elements(plan -> 'testPieces') as piece
        where board_id = :id and revision = :revision
    ) as shown where picture_id is not null`,
    { id, revision },
  );
}

const listedFrom = ({ id, name, revision, saved_at, checked, faults, card }: ListedRow): Omit<StoredBoard, 'planText' | 'recordText'> => ({
  id,
  name,
  revision,
  savedAt: saved_at.toISOString(),
  checked,
  faults,
  card,
});
const boardFrom = (row: Row): StoredBoard => ({ ...listedFrom(row), planText: row.plan_text, recordText: row.record_text });
