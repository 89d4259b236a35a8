import { randomUUID } from 'node:crypto';
import { beforeEach, expect, test } from 'vitest';
import { WORKSHOP_CATALOGUE as OURS } from '@spare-acre/core/catalogue/workshop';
import type { WorkshopState, ShopPlays } from '@spare-acre/core/io/wire';
import { addSimulatedShops, askShops } from '../src/shops/shops';
import { aServer } from './server';

const { call, db } = aServer();
const ID = 'lantern-lane';
beforeEach(async () => {
  await db()('shops').delete();
  await db()('shelf_moves').delete();
  await addSimulatedShops(db());
  await askShops(db(), OURS, Date.now(), 50);
});
const shops = async (): Promise<readonly WorkshopState[]> => ((await call('GET', '/shops')).body as { shops: WorkshopState[] }).shops;
const shop = async (): Promise<WorkshopState> => (await shops()).find(({ id }) => id === ID)!;
const plays = async (own: ShopPlays): Promise<WorkshopState> => {
  await db()('shops').where({ id: ID }).update({ plays: own });
  await askShops(db(), OURS, Date.now() + 1, 50);
  return shop();
};

test('a shop that is asked tells its prices; one that breaks down or is silent keeps the last, and that is told', async () => {
  const before = await shop();
  expect([before.fault, before.offers.length > 100]).toEqual([null, true]);
  for (const [own, words] of [
    ['broken', 'not a price list'],
    ['silent', 'does not answer'],
  ] as const) {
    const now = await plays(own);
    expect([now.fault, now.offers, now.heardMs]).toEqual([expect.stringContaining(words), before.offers, before.heardMs]);
    expect(now.askedMs).toBeGreaterThan(before.askedMs!);
  }
  expect((await plays('none')).fault).toBeNull();
});

test('prices that jump remember what they were; what is sold out says so', async () => {
  const before = await shop();
  const dear = (await plays('price-jump')).offers.filter(({ wasMinor }) => wasMinor !== null);
  expect(dear.length).toBeGreaterThan(10);
  for (const { stockId, amount, priceMinor, wasMinor } of dear) {
    expect(wasMinor).toBe(before.offers.find((one) => one.stockId === stockId && one.amount === amount)?.priceMinor);
    expect(priceMinor).toBeGreaterThan(wasMinor! * 1.3);
  }
  const out = (await plays('sold-out')).offers.filter(({ stock }) => stock === 0);
  expect(out.length).toBeGreaterThan(30);
});

test('a shop of one’s own: its terms, its list, and away again; what is no thing of the catalogue is refused whole', async () => {
  const terms = { name: 'The corner', deliveryMinor: 0, freeFromMinor: null, days: 0 };
  const added = ((await call('POST', '/shops', terms)).body as { shops: WorkshopState[] }).shops.find(({ name }) => name === 'The corner')!;
  const glue = { stockId: 'adhesives.white-glue', amount: 1_000, priceMinor: 700, steps: [{ fromCount: 3, priceMinor: 650 }], stock: 4 };
  expect((await call('PUT', `/shops/${added.id}/offers`, { offers: [glue, { ...glue, stockId: 'adhesives.moon-dust' }] })).status).toBe(
    422,
  );
  expect((await call('PUT', `/shops/${added.id}/offers`, { offers: [glue] })).status).toBe(200);
  expect((await shops()).find(({ id }) => id === added.id)!.offers).toMatchObject([glue]);
  expect((await call('PUT', `/shops/${added.id}`, { ...terms, days: 9 })).status).toBe(200);
  expect((await call('PUT', `/shops/${added.id}`, { ...terms, days: -1 })).status).toBe(400);
  expect((await call('DELETE', `/shops/${added.id}`)).status).toBe(200);
  expect((await call('DELETE', `/shops/${added.id}`)).status).toBe(404);
});

const move = (change: object) => ({
  id: randomUUID(),
  stockId: 'adhesives.white-glue',
  kind: 'bought',
  amount: 500,
  day: '2026-11-29',
  boardId: null,
  paidMinor: 640,
  note: '',
  ...change,
});

test('the ledger keeps its order, and a line that is sent twice is written once', async () => {
  const [first, second] = [move({}), move({ kind: 'used', amount: 100 })];
  expect((await call('POST', '/shelf', { moves: [first] })).status).toBe(201);
  expect((await call('POST', '/shelf', { moves: [first, second] })).status).toBe(201);
  expect((await call('GET', '/shelf')).body).toEqual({ moves: [first, second] });
  expect((await call('DELETE', `/shelf/${first.id}`)).body).toEqual({ moves: [second] });
  expect((await call('DELETE', `/shelf/${first.id}`)).status).toBe(404);
});

test('lines that can not be are refused by field, and none of those sent with them is written', async () => {
  const wrong = [move({ amount: -1 }), move({ kind: 'lent' }), move({ day: 'today' }), move({ stockId: 'adhesives.moon-dust' })];
  for (const one of wrong) expect((await call('POST', '/shelf', { moves: [move({}), one] })).status).toBeGreaterThanOrEqual(400);
  expect((await call('GET', '/shelf')).body).toEqual({ moves: [] });
});

test('ten who ask for prices at once, on two servers, each leave one whole list and none a mistake', async () => {
  const asked = await Promise.all(
    Array.from({ length: 10 }, (_, i) => (i % 2 === 0 ? call('POST', '/shops/ask') : askShops(db(), OURS, Date.now(), 50))),
  );
  for (const answer of asked) if (answer !== undefined) expect(answer.status).toBe(200);
  const { offers, fault } = await shop();
  expect(fault).toBeNull();
  expect(new Set(offers.map(({ stockId, amount }) => `${stockId} ${amount}`)).size).toBe(offers.length);
  expect(offers.length).toBeGreaterThan(100);
});
