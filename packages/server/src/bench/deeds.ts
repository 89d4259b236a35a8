import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { type Deed, type KeptDeed, benchAfter } from '@spare-acre/core/schedule/bench';
import type { BoardRecord } from '@spare-acre/core/plan/workshop';
import { tell } from '../live/tell';
import { addEntries } from '../logbook/logbook';

interface Row {
  readonly id: string;
  readonly turn: string;
  readonly board_id: string;
  readonly deed: Deed;
}

/** A board's journal from a turn on. */
export const listDeeds = async (db: Knex, boardId: string, after = 0): Promise<readonly (KeptDeed & { readonly turn: number })[]> =>
  (await db<Row>('deeds').select('turn', 'deed').where('board_id', boardId).where('turn', '>', after).orderBy('turn')).map(
    ({ turn, deed }) => ({ turn: Number(turn), deed }),
  );

/**
 * Takes deeds into the journal, all or none; one that is there already is not taken again. What they come to is written beside the board, and on the shelf.
 * @returns false where there is no such board
 */
export async function takeDeeds(db: Knex, boardId: string, deeds: readonly Deed[]): Promise<boolean> {
  return db.transaction(async (trx) => {
    // One after another on one board, so that turns are given in the order in which they can be seen.
    if ((await trx('boards').first('id').where({ id: boardId }).whereNull('removed_at').forUpdate()) === undefined) return false;
    if (!(await write(trx, boardId, deeds))) return true;
    await tell(trx, { board: boardId, kind: 'record' });
    return true;
  });
}

/** Takes over what a file says was done: of what is done already nothing changes. */
export async function takeDone(trx: Knex, boardId: string, doneTasks: BoardRecord['doneTasks']): Promise<void> {
  const known = benchAfter(await listDeeds(trx, boardId)).doneTasks;
  const device = randomUUID();
  const deeds = Object.entries(doneTasks)
    .filter(([taskId]) => known[taskId] === undefined)
    // What of the shelf went into it went there long ago.
    .map(([taskId, task]): Deed => ({
      id: randomUUID(),
      device,
      seen: 0,
      atMs: 0,
      day: task.at.day,
      act: { kind: 'tick', taskId, task: { ...task, uses: [] }, name: taskId },
    }));
  await write(trx, boardId, deeds);
}

/** @returns whether any of them was new */
async function write(trx: Knex, boardId: string, deeds: readonly Deed[]): Promise<boolean> {
  if (deeds.length === 0) return false;
  const taken = (await trx('deeds')
    .insert(deeds.map((deed) => ({ id: deed.id, board_id: boardId, deed: JSON.stringify(deed) })))
    .onConflict('id')
    .ignore()
    .returning('id')) as { id: string }[];
  if (taken.length === 0) return false;
  const isNew = new Set(taken.map(({ id }) => id));
  const entries = deeds.flatMap(({ id, act }) => (isNew.has(id) && act.kind === 'note' ? [act.entry] : []));
  if (entries.length > 0) await addEntries(trx, boardId, entries);
  const { doneTasks } = benchAfter(await listDeeds(trx, boardId));
  await trx('boards')
    .where({ id: boardId })
    .update({ done_tasks: JSON.stringify(doneTasks) });
  await settleShelf(trx, boardId, doneTasks);
  return true;
}

interface Used {
  readonly task_id: string;
  readonly stock_id: string;
  readonly amount: number;
  readonly day: string;
}
/** Lines of the ledger that came of ticks are made to say what the ticks say. */
async function settleShelf(trx: Knex, boardId: string, doneTasks: BoardRecord['doneTasks']): Promise<void> {
  const keyOf = ({ task_id, stock_id, amount, day }: Used): string => JSON.stringify([task_id, stock_id, amount, day]);
  const written = (await trx('shelf_moves')
    .select('id', 'task_id', 'stock_id', 'amount', 'day')
    .where({ board_id: boardId })
    .whereNull('deleted_at')
    .whereNotNull('task_id')) as (Used & { id: string })[];
  const wanted = Object.entries(doneTasks).flatMap(([taskId, { at, uses }]) =>
    uses.map(({ stockId, amount }): Used => ({ task_id: taskId, stock_id: stockId, amount, day: at.day })),
  );
  const [has, wants] = [new Set(written.map(keyOf)), new Set(wanted.map(keyOf))];
  const gone = written.filter((line) => !wants.has(keyOf(line))).map(({ id }) => id);
  const rows = wanted
    .filter((line) => !has.has(keyOf(line)))
    .map((line) => ({ ...line, id: randomUUID(), kind: 'used', board_id: boardId, note: 'ticked off at the bench', paid_minor: null }));
  if (gone.length > 0) await trx('shelf_moves').whereIn('id', gone).delete();
  if (rows.length > 0) await trx('shelf_moves').insert(rows);
}
