import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { type Plan, migrated } from '@spare-acre/core/plan';
import { type Result, fail, ok } from '@spare-acre/core/result';

/** A board as it is stored. */
export interface StoredBoard {
  readonly id: string;
  readonly revision: number;
  readonly savedAt: string;
  /** Brought forward to this version; whether it can still be read as a plan is for the schema of the answer to say. */
  readonly plan: unknown;
}
export type SaveProblem = { readonly code: 'board/stale'; readonly stored: StoredBoard } | { readonly code: 'board/missing' };

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
  return rows.map(fromRow);
}

/** One board, or null. */
export async function readBoard(db: Knex, id: string): Promise<StoredBoard | null> {
  const row = await db<Row>('boards').first(COLUMNS).where({ id }).whereNull('removed_at');
  return row === undefined ? null : fromRow(row);
}

/** Stores a new board as its first revision. */
export async function createBoard(db: Knex, plan: Plan): Promise<StoredBoard> {
  const id = randomUUID();
  const stored = await db.transaction(async (trx) => {
    const [row] = await trx<Row>('boards').insert({ id, revision: 1, name: plan.name, plan: json(plan) } as never, COLUMNS);
    await keepRevision(trx, id, 1, plan);
    return fromRow(row as Row);
  });
  return stored;
}

/** Saves a plan over the revision it grew from; a save over any other is refused with what is stored now. */
export async function savePlan(db: Knex, id: string, revision: number, plan: Plan): Promise<Result<StoredBoard, SaveProblem>> {
  return db.transaction(async (trx) => {
    const current = await trx<Row>('boards').first(COLUMNS).where({ id }).whereNull('removed_at').forUpdate();
    if (current === undefined) return fail({ code: 'board/missing' } as const);
    if (current.revision !== revision) return fail({ code: 'board/stale', stored: fromRow(current) } as const);
    const change = { revision: revision + 1, name: plan.name, plan: json(plan), saved_at: trx.fn.now() };
    const [row] = await trx<Row>('boards')
      .where({ id })
      .update(change as never, COLUMNS);
    await keepRevision(trx, id, revision + 1, plan);
    return ok(fromRow(row as Row));
  });
}

/** Revisions of a board, the newest first; null when there is no such board. */
export async function listRevisions(db: Knex, id: string): Promise<{ revision: number; savedAt: string }[] | null> {
  if ((await readBoard(db, id)) === null) return null;
  const rows = await db<{ revision: number; saved_at: Date }>('board_revisions')
    .select('revision', 'saved_at')
    .where('board_id', id)
    .orderBy('revision', 'desc');
  return rows.map(({ revision, saved_at }) => ({ revision, savedAt: saved_at.toISOString() }));
}

/** A plan as it was at a revision, or null. */
export async function readRevision(db: Knex, id: string, revision: number): Promise<StoredBoard | null> {
  const row = await db<Omit<Row, 'id'>>('board_revisions')
    .first('revision', 'saved_at', 'plan')
    .where({ board_id: id, revision } as never);
  return row === undefined ? null : fromRow({ ...row, id });
}

/** Puts a board away, or brings it back. Nothing is deleted. @returns whether there was such a board */
export async function setPutAway(db: Knex, id: string, isPutAway: boolean): Promise<boolean> {
  return (
    (await db('boards')
      .where({ id })
      .update({ removed_at: isPutAway ? db.fn.now() : null })) === 1
  );
}

async function keepRevision(trx: Knex, id: string, revision: number, plan: Plan): Promise<void> {
  await trx('board_revisions').insert({ board_id: id, revision, plan: json(plan) });
}

// The driver would turn arrays into PostgreSQL arrays; JSONB wants text.
const json = (plan: Plan): string => JSON.stringify(plan);

const fromRow = ({ id, revision, saved_at, plan }: Row): StoredBoard => ({
  id,
  revision,
  savedAt: saved_at.toISOString(),
  // Plans of earlier versions are kept as they were saved and brought forward when they are read.
  plan: migrated(plan),
});
