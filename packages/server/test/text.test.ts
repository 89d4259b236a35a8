import { randomUUID } from 'node:crypto';
import { expect, test } from 'vitest';
import { aPlan, aServer } from './server';

const { call, db } = aServer();
const HALF = 'kiln \ud83d';
const NUL = 'a\0b';
const deed = (act: object) => ({ id: randomUUID(), device: randomUUID(), seen: 0, atMs: 1, day: '2026-12-01', act });
const note = (text: string) => ({
  id: randomUUID(),
  taskId: null,
  name: 'Note',
  day: '2026-12-01',
  who: '',
  figures: [],
  note: text,
  photoIds: [],
  air: null,
  mishap: null,
});
const move = (text: string) => ({
  id: randomUUID(),
  stockId: 'adhesives.superglue',
  kind: 'bought',
  amount: 20,
  day: '2026-12-01',
  boardId: null,
  paidMinor: null,
  note: text,
});

test.each([
  ['a change’s name', 'PUT', '/boards/:id/plan', (bad: string) => ({ revision: 1, plan: aPlan(), changes: [bad] })],
  ['a deed’s note', 'POST', '/boards/:id/deeds', (bad: string) => ({ deeds: [deed({ kind: 'note', entry: note(bad) })] })],
  ['a task’s name', 'POST', '/boards/:id/deeds', (bad: string) => ({ deeds: [deed({ kind: 'untick', taskId: 't', name: bad })] })],
  ['a log entry', 'POST', '/boards/:id/log', (bad: string) => ({ entries: [note(bad)] })],
  ['a shop’s name', 'POST', '/shops', (bad: string) => ({ name: bad, deliveryMinor: 0, freeFromMinor: null, days: 1 })],
  [
    'a sensor’s name',
    'POST',
    '/air/readings',
    (bad: string) => ({ name: bad, readings: [{ atMs: Date.UTC(2026, 11, 1), airC: 20, humidityPct: 50 }] }),
  ],
  ['a line of the shelf', 'POST', '/shelf', (bad: string) => ({ moves: [move(bad)] })],
  ['a new board', 'POST', '/boards', (bad: string) => ({ plan: aPlan(bad) })],
] as const)('%s with half of a character or a NUL is refused with its place, and nothing is written', async (_, method, path, body) => {
  const { id } = (await call('POST', '/boards', { plan: aPlan() })).body as { id: string };
  for (const bad of [HALF, NUL]) {
    const refused = await call(method, path.replace(':id', id), body(bad));
    expect(refused).toMatchObject({
      status: 422,
      body: { issues: [{ message: expect.stringContaining('half of a character') as string }] },
    });
  }
  expect(await db()('deeds').where({ board_id: id }).count({ n: '*' })).toEqual([{ n: '0' }]);
});

test('a length is counted in characters: 160 emoji are 160', async () => {
  const { id } = (await call('POST', '/boards', { plan: aPlan() })).body as { id: string };
  const named = (count: number) => call('PUT', `/boards/${id}/plan`, { revision: 1, plan: aPlan(), changes: ['🔥'.repeat(count)] });
  expect((await named(161)).status).toBe(400);
  expect((await named(160)).status).toBe(200);
});
