import { randomUUID } from 'node:crypto';
import { describe, expect, test } from 'vitest';
import type { Act, Deed } from '@spare-acre/core/schedule/bench';
import { down, up } from '../migrations/20261129210000_deeds';
import { aPlan, aServer, anotherServer } from './server';

const server = aServer();
const other = anotherServer(server);
const { call, db } = server;
const [PHONE, DESK] = [randomUUID(), randomUUID()];

const newBoard = async (body: object = { plan: aPlan() }): Promise<string> =>
  ((await call('POST', '/boards', body)).body as { id: string }).id;
const GLUE = 'adhesives.white-glue';
const done = (change: object = {}) => ({
  at: { day: '2026-11-30', atMin: 1_200 },
  part: null,
  by: 'Ada',
  workedMin: 21.5,
  uses: [],
  ...change,
});
const tick = (change: object = {}, taskId = 'glue-base-A1'): Act => ({ kind: 'tick', taskId, task: done(change), name: 'Glue, A1' });
const deed = (act: Act, change: Partial<Deed> = {}): Deed => ({
  id: randomUUID(),
  device: PHONE,
  seen: 0,
  atMs: 1_796_000_000_000,
  day: '2026-11-30',
  act,
  ...change,
});
const entry = (note: string) => ({
  id: randomUUID(),
  taskId: 'glue-base-A1',
  name: 'Glue, A1',
  day: '2026-11-30',
  who: 'Ada',
  figures: [],
  note,
  photoIds: [],
  air: null,
  mishap: null,
});
const send = (id: string, deeds: readonly unknown[], to = server) => to.call('POST', `/boards/${id}/deeds`, { deeds });
const doneOn = async (id: string): Promise<unknown> =>
  ((await call('GET', `/boards/${id}`)).body as { record: { doneTasks: unknown } }).record.doneTasks;
const movesOf = async (id: string): Promise<unknown> =>
  db()('shelf_moves').select('stock_id', 'kind', 'amount', 'day', 'task_id').where({ board_id: id }).orderBy('turn');

describe('the journal of the bench', () => {
  test('a letter sent twice, or through two servers at once, counts once; the board, the shelf and the log follow', async () => {
    const id = await newBoard();
    const deeds = [deed(tick({ uses: [{ stockId: GLUE, amount: 32 }] })), deed({ kind: 'note', entry: entry('thick') })];
    const answers = await Promise.all([send(id, deeds), send(id, deeds, other), send(id, [deeds[1]])]);
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200]);
    const journal = (await call('GET', `/boards/${id}/deeds`)).body as { deeds: { turn: number; deed: Deed }[] };
    expect(journal.deeds.map((one) => one.deed.id).sort()).toEqual(deeds.map((one) => one.id).sort());
    expect(await doneOn(id)).toEqual({ 'glue-base-A1': done({ uses: [{ stockId: GLUE, amount: 32 }] }) });
    expect(await movesOf(id)).toEqual([{ stock_id: GLUE, kind: 'used', amount: 32, day: '2026-11-30', task_id: 'glue-base-A1' }]);
    expect(((await call('GET', `/boards/${id}/log`)).body as { entries: unknown[] }).entries).toHaveLength(1);
    const later = (await call('GET', `/boards/${id}/deeds?after=${journal.deeds[0]!.turn}`)).body as typeof journal;
    expect(later.deeds.map(({ turn }) => turn)).toEqual([journal.deeds[1]!.turn]);
  });
  test('ticked on two devices it is one tick, one lot of glue and both notes; taken back, the glue is on the shelf again', async () => {
    const id = await newBoard();
    const uses = [{ stockId: GLUE, amount: 30 }];
    await send(id, [deed(tick({ uses })), deed({ kind: 'note', entry: entry('by phone') })]);
    await send(id, [deed(tick({ uses }), { device: DESK }), deed({ kind: 'note', entry: entry('at the desk') }, { device: DESK })]);
    expect(await movesOf(id)).toHaveLength(1);
    const { entries } = (await call('GET', `/boards/${id}/log`)).body as { entries: { note: string }[] };
    expect(entries.map(({ note }) => note)).toEqual(['by phone', 'at the desk']);
    await send(id, [deed({ kind: 'untick', taskId: 'glue-base-A1', name: 'Glue, A1' }, { seen: 1e9 })]);
    expect([await doneOn(id), await movesOf(id)]).toEqual([{}, []]);
  });
  test('a letter with one bad deed is refused whole, by name; a board that is not there has no journal', async () => {
    const id = await newBoard();
    const bad = await send(id, [deed(tick()), deed(tick({ workedMin: -4 }))]);
    expect(bad.status).toBe(400);
    expect(JSON.stringify(bad.body)).toMatch(/workedMin.*-4/);
    expect(await doneOn(id)).toEqual({});
    expect((await send(randomUUID(), [deed(tick())])).status).toBe(404);
    expect((await call('GET', `/boards/${randomUUID()}/deeds`)).status).toBe(404);
    expect((await send(id, [])).status).toBe(400);
  });
  test('what is done goes out with the board’s file and comes in with it, but takes nothing from the shelf a second time', async () => {
    const id = await newBoard();
    await send(id, [deed(tick({ uses: [{ stockId: GLUE, amount: 30 }] }))]);
    const file = (await call('GET', `/boards/${id}/export`)).body;
    const copy = ((await call('POST', '/boards/import', file)).body as { id: string }).id;
    expect(await doneOn(copy)).toEqual({ 'glue-base-A1': done() });
    expect(await movesOf(copy)).toEqual([]);
  });
  test('ticks that stood in plans of version 11 stand beside them after the migration, and after an import', async () => {
    const plan = aPlan();
    const ticked = {
      ...plan,
      version: 11,
      calendar: {
        ...plan.calendar,
        tasks: [
          { taskId: 'cut-base-A1', pin: null, done: { day: '2026-11-30', atMin: 1_150 }, isSkipped: false, goes: 1 },
          { taskId: 'glue-base-A1', pin: null, done: null, isSkipped: true, goes: 1 },
        ],
      },
    };
    const told = { 'cut-base-A1': { at: { day: '2026-11-30', atMin: 1_150 }, part: null, by: '', workedMin: null, uses: [] } };
    const imported = ((await call('POST', '/boards/import', ticked)).body as { id: string }).id;
    expect(await doneOn(imported)).toEqual(told);
    const id = await newBoard();
    await db()('boards')
      .where({ id })
      .update({ plan: JSON.stringify(ticked), checked: null });
    await db().transaction(async (trx) => {
      await down(trx);
      await up(trx);
    });
    expect((await call('GET', `/boards/${id}`)).body).toMatchObject({
      plan: { version: 14, calendar: { tasks: [{ taskId: 'glue-base-A1', isSkipped: true, notBefore: null }] } },
      record: { doneTasks: told },
    });
  });
});
