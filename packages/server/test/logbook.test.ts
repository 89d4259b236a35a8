import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, test } from 'vitest';
import { WORKSHOP_CATALOGUE as OURS } from '@spare-acre/core/catalogue/workshop';
import type { PersonalCorrection } from '@spare-acre/core/learning/calibration';
import { aPlan, aServer, anotherServer } from './server';

const server = aServer();
const other = anotherServer(server);
const { call, db } = server;
beforeEach(async () => {
  await db()('log_entries').delete();
  await db()('hand_refused').delete();
  await db()('hand_forgotten').delete();
  await db()('workshop').update({ edition: db().raw('edition + 1') });
});

const newBoard = async (): Promise<string> => ((await call('POST', '/boards', { plan: aPlan() })).body as { id: string }).id;
const PATH = 'adhesives.white-glue.gPerM2';
const glue = OURS.adhesives.find(({ id }) => id === 'white-glue')!.gPerM2.value;
const sitting = (change: object = {}) => ({
  id: randomUUID(),
  taskId: 'glue-ground A1',
  name: 'Glue the layers, A1',
  day: '2026-11-29',
  who: 'Ada',
  figures: [{ name: 'White glue', unit: 'g', planned: 100, real: 120, implied: { path: PATH, value: glue * 1.2 } }],
  note: '',
  photoIds: [],
  air: null,
  mishap: null,
  ...change,
});
const hand = async (of = server) => (await of.call('GET', '/catalogue')).body as { hand: readonly PersonalCorrection[] };

describe('a board’s log', () => {
  test('keeps its order; what is sent twice, or by two devices at once, is written once', async () => {
    const id = await newBoard();
    const [first, second] = [sitting(), sitting({ figures: [], taskId: null, name: 'Rain', note: 'nothing dried' })];
    expect((await call('POST', `/boards/${id}/log`, { entries: [first] })).status).toBe(201);
    const both = await Promise.all([server, other].map((one) => one.call('POST', `/boards/${id}/log`, { entries: [first, second] })));
    expect(both.map(({ status }) => status)).toEqual([201, 201]);
    const whole = (await other.call('GET', `/boards/${id}/log`)).body as { turn: number };
    expect(whole).toMatchObject({ entries: [first, second], deletedIds: [] });
    expect((await call('DELETE', `/boards/${id}/log/${first.id}`)).status).toBe(204);
    // A page that has heard the rest is told what is new, and what is gone.
    expect((await call('GET', `/boards/${id}/log?after=${whole.turn}`)).body).toEqual({
      entries: [],
      deletedIds: [first.id],
      turn: whole.turn,
    });
    expect((await call('DELETE', `/boards/${id}/log/${first.id}`)).status).toBe(404);
  });
  test('says what is wrong with an entry; a board that is not there has none', async () => {
    const id = await newBoard();
    const refused = await call('POST', `/boards/${id}/log`, { entries: [sitting({ day: 'today', name: '' })] });
    expect(refused.status).toBe(400);
    expect(JSON.stringify(refused.body)).toMatch(/day.*2026-11-30/);
    expect((await call('POST', `/boards/${randomUUID()}/log`, { entries: [sitting()] })).status).toBe(404);
    expect((await call('GET', `/boards/${randomUUID()}/log`)).status).toBe(404);
  });
});

test('beside 10,000 entries a new one is answered in under 2 kB, and so is what is new for another page', async () => {
  const id = await newBoard();
  const rows = Array.from({ length: 10_000 }, (_, i) => ({
    id: randomUUID(),
    board_id: id,
    entry: JSON.stringify(sitting({ name: `Entry ${i}` })),
  }));
  for (let i = 0; i < rows.length; i += 1_000) await db()('log_entries').insert(rows.slice(i, i + 1_000));
  const [{ max }] = (await db()('log_entries').max('turn')) as [{ max: string }];
  const sent = sitting({ figures: [] });
  const answer = await call('POST', `/boards/${id}/log`, { entries: [sent] });
  expect(JSON.stringify(answer.body).length).toBeLessThan(2_000);
  const news = (await call('GET', `/boards/${id}/log?after=${max}`)).body;
  expect(news).toMatchObject({ entries: [sent], turn: Number(max) + 1 });
  expect(JSON.stringify(news).length).toBeLessThan(2_000);
});

describe('your hand', () => {
  test('is learnt from every board’s log, known to every server, and gone with the entries', async () => {
    const [one, two] = [await newBoard(), await newBoard()];
    await call('POST', `/boards/${one}/log`, { entries: [sitting(), sitting()] });
    await call('POST', `/boards/${two}/log`, { entries: [sitting(), sitting()] });
    const [correction] = (await hand(other)).hand;
    expect(correction).toMatchObject({ path: PATH, readings: 4 });
    expect(correction!.factor).toBeCloseTo(Math.exp((4 * Math.log(1.2)) / 7), 5);
    await db()('boards').where({ id: two }).delete();
    await db()('workshop').update({ edition: db().raw('edition + 1') });
    expect((await hand()).hand[0]).toMatchObject({ readings: 2 });
  });
  test('can be refused, value by value, and taken again', async () => {
    const id = await newBoard();
    await call('POST', `/boards/${id}/log`, { entries: [sitting()] });
    expect((await call('PUT', `/hand/${PATH}`, { isRefused: true })).status).toBe(204);
    expect((await hand(other)).hand).toEqual([]);
    expect((await call('GET', '/hand')).body).toMatchObject({ corrections: [{ path: PATH }], refused: [PATH] });
    expect((await call('PUT', `/hand/${PATH}`, { isRefused: false })).status).toBe(204);
    expect((await hand(other)).hand).toHaveLength(1);
    expect((await call('PUT', '/hand/adhesives.no-such.gPerM2', { isRefused: true })).status).toBe(404);
  });
  test('tells reading by reading what it rests on, in the order written down, of one value at a time', async () => {
    const id = await newBoard();
    const other = { name: 'Minutes', unit: 'min', planned: 20, real: 30, implied: { path: 'methods.brush.m2PerH', value: 2 } };
    const entries = [sitting(), sitting({ who: 'Ben', figures: [other] }), sitting({ who: 'Ben' })];
    await call('POST', `/boards/${id}/log`, { entries });
    const { status, body } = await call('GET', `/hand/${PATH}`);
    expect(status).toBe(200);
    const value = expect.any(Number) as number;
    expect(body).toEqual({ readings: ['Ada', 'Ben'].map((who) => ({ path: PATH, who, value })) });
    expect((await call('GET', '/hand/adhesives.no-such.gPerM2')).status).toBe(404);
    expect((await call('GET', '/hand/no%20path')).status).toBe(400);
  });
  test('is told person by person; a place is read by all of them together', async () => {
    const id = await newBoard();
    const path = 'placeKinds.garage.slower.inWinter';
    const dried = { name: 'Touch-dry', unit: 'min', planned: 600, real: 780, implied: { path, value: 1.3 } };
    const entries = [
      sitting(),
      sitting({ who: 'Ben' }),
      sitting({ who: 'ben ' }),
      sitting({ figures: [dried] }),
      sitting({ who: 'Ben', figures: [dried] }),
    ];
    await call('POST', `/boards/${id}/log`, { entries });
    const told = (await hand(other)).hand.map((one) => [one.path, one.who, one.readings]);
    expect(told).toEqual([
      [path, '', 2],
      [PATH, 'Ada', 1],
      [PATH, expect.stringMatching(/^ben$/i), 2],
    ]);
  });
  test('is forgotten: what was read so far counts no more, the entries stay, the next reading begins anew', async () => {
    const id = await newBoard();
    await call('POST', `/boards/${id}/log`, { entries: [sitting(), sitting()] });
    await call('PUT', `/hand/${PATH}`, { isRefused: true });
    expect((await call('DELETE', `/hand/${PATH}`)).status).toBe(204);
    expect((await call('GET', '/hand')).body).toEqual({ corrections: [], refused: [] });
    expect((await call('GET', `/boards/${id}/log`)).body).toMatchObject({ entries: [{ who: 'Ada' }, { who: 'Ada' }] });
    expect((await call('DELETE', `/hand/${PATH}`)).status).toBe(404);
    await call('POST', `/boards/${id}/log`, { entries: [sitting()] });
    expect((await hand(other)).hand).toMatchObject([{ readings: 1 }]);
  });
});
