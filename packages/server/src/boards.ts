import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { type Board, type Plan, migrated } from '@spare-acre/core/plan';
import { type Result, fail, ok } from '@spare-acre/core/base/result';
import { keepRecord, readRecords } from './records';

/** A board as it is stored. */
export interface StoredBoard {
  readonly id: string;
  readonly revision: number;
  readonly savedAt: string;
  /** Brought forward to this version; whether it can still be read as a plan is for the schema of the answer to say. */
  readonly plan: unknown;
  /** What was done on it. */
  readonly record: unknown;
}
export type SaveProblem = { readonly code: 'board/stale'; readonly stored: StoredBoard } | { readonly code: 'board/missing' };

/** A row of boards as it is read. */
interface Row {
  readonly id: string;
  readonly revision: number;
  readonly saved_at: Date;
  readonly plan: unknown;
}

const COLUMNS: (keyof Row)[] = ['id', 'revision', 'saved_at', 'plan'];

/** Boards not put away, the last saved first. */
export async function listBoards(db: Knex): Promise<StoredBoard[]> {
  const rows = await db<Row>('boards').select(COLUMNS).whereNull('removed_at').orderBy('saved_at', 'desc').orderBy('id');
  return withRecords(db, rows);
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

/** One board, or null. */
export async function readBoard(db: Knex, id: string): Promise<StoredBoard | null> {
  const row = await db<Row>('boards').first(COLUMNS).where({ id }).whereNull('removed_at');
  return row === undefined ? null : withRecord(db, row);
}

/** Stores a new board as its first revision, with what its file says was done. */
export async function createBoard(db: Knex, { plan, record }: Board): Promise<StoredBoard> {
  const id = randomUUID();
  const stored = await db.transaction(async (trx) => {
    const [row] = await trx('boards').insert({ id, revision: 1, name: plan.name, plan: json(plan) }, COLUMNS);
    await keepRevision(trx, id, 1, plan);
    await keepRecord(trx, id, record);
    return withRecord(trx, row as Row);
  });
  return stored;
}

/**
 * Saves a plan over the revision it grew from; a save over any other is refused with what is stored now. A page that is older than the record brings its
 * ticks inside its plan.
 * @param changes what was done since that revision, by name
 */
export async function savePlan(
  db: Knex,
  id: string,
  revision: number,
  { plan, record }: Board,
  changes: readonly string[] = [],
): Promise<Result<StoredBoard, SaveProblem>> {
  return db.transaction(async (trx) => {
    const current = await trx<Row>('boards').first(COLUMNS).where({ id }).whereNull('removed_at').forUpdate();
    if (current === undefined) return fail({ code: 'board/missing' } as const);
    if (current.revision !== revision) return fail({ code: 'board/stale', stored: await withRecord(trx, current) } as const);
    const change = { revision: revision + 1, name: plan.name, plan: json(plan), saved_at: trx.fn.now() };
    const [row] = await trx('boards').where({ id }).update(change, COLUMNS);
    await keepRevision(trx, id, revision + 1, plan, changes);
    await keepRecord(trx, id, record);
    return ok(await withRecord(trx, row as Row));
  });
}

/** One revision in the list of a board's. */
interface Revision {
  readonly revision: number;
  readonly savedAt: string;
  readonly changes: readonly string[];
}

/** Revisions of a board, the newest first; null when there is no such board. */
export async function listRevisions(db: Knex, id: string): Promise<Revision[] | null> {
  if ((await readBoard(db, id)) === null) return null;
  const rows = await db<{ revision: number; saved_at: Date; changes: string[] }>('board_revisions')
    .select('revision', 'saved_at', 'changes')
    .where('board_id', id)
    .orderBy('revision', 'desc');
  return rows.map(({ revision, saved_at, changes }) => ({ revision, savedAt: saved_at.toISOString(), changes }));
}

/** A plan as it was at a revision, or null. */
export async function readRevision(db: Knex, id: string, revision: number): Promise<StoredBoard | null> {
  const row = await db<Omit<Row, 'id'> & { board_id: string }>('board_revisions')
    .first('revision', 'saved_at', 'plan')
    .where({ board_id: id, revision });
  return row === undefined ? null : withRecord(db, { ...row, id });
}

/** Puts a board away, or brings it back. Nothing is deleted. @returns whether there was such a board */
export async function setPutAway(db: Knex, id: string, isPutAway: boolean): Promise<boolean> {
  return (
    (await db('boards')
      .where({ id })
      .update({ removed_at: isPutAway ? db.fn.now() : null })) === 1
  );
}

async function keepRevision(trx: Knex, id: string, revision: number, plan: Plan, changes: readonly string[] = []): Promise<void> {
  await trx('board_revisions').insert({ board_id: id, revision, plan: json(plan), changes: JSON.stringify(changes) });
}

// The driver would turn arrays into PostgreSQL arrays; JSONB wants text.
const json = (plan: Plan): string => JSON.stringify(plan);

/** Boards as they are stored, each with what was done on it. */
async function withRecords(db: Knex, rows: readonly Row[]): Promise<StoredBoard[]> {
  const records = await readRecords(
    db,
    rows.map(({ id }) => id),
  );
  return rows.map((row) => ({ ...fromRow(row), record: records.get(row.id)! }));
}
const withRecord = async (db: Knex, row: Row): Promise<StoredBoard> => (await withRecords(db, [row]))[0]!;

const fromRow = ({ id, revision, saved_at, plan }: Row): Omit<StoredBoard, 'record'> => ({
  id,
  revision,
  savedAt: saved_at.toISOString(),
  // Plans of earlier versions are kept as they were saved and brought forward when they are read.
  plan: migrated(plan),
});
