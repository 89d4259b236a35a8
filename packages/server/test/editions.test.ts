import { beforeEach, expect, test } from 'vitest';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { changesBetween } from '@spare-acre/core/catalogue/editing';
import { WORKSHOP_CATALOGUE as OURS } from '@spare-acre/core/catalogue/workshop';
import { sweepEditions } from '../src/own/editions';
import { aPlan, aServer, anotherServer } from './server';

const server = aServer();
const other = anotherServer(server);
const { call, db } = server;
beforeEach(async () => {
  await db()('own_entries').delete();
  await db()('workshop').update({ edition: db().raw('edition + 1'), currency: null });
});

const newBoard = async (): Promise<string> => ((await call('POST', '/boards', { plan: aPlan() })).body as { id: string }).id;
const edition = async (id: string, of = server) =>
  (await of.call('GET', `/boards/${id}/edition`)).body as { since: string; catalogue: Catalogue | null };
const [SHEET] = OURS.sheets;
const dearer = (priceMinor: number) => call('PUT', `/catalogue/sheets/${SHEET!.id}`, { entry: { ...SHEET!, priceMinor } });

test('a board remembers the figures it was first opened with, and has them told once they are others', async () => {
  const id = await newBoard();
  const first = await edition(id);
  expect(first.catalogue).toBeNull();
  await dearer(4_321);
  const then = (await edition(id, other)).catalogue!;
  const now = ((await call('GET', '/catalogue')).body as { catalogue: Catalogue }).catalogue;
  expect(changesBetween(then, now)).toEqual([
    { kind: 'sheets', id: SHEET!.id, path: ['priceMinor'], before: SHEET!.priceMinor, after: 4_321 },
  ]);
  expect((await edition(id)).since).toBe(first.since);
});

test('taken note of, it is value used the present ones; back to what they were, nothing is told', async () => {
  const id = await newBoard();
  await edition(id);
  await dearer(777);
  expect((await edition(id)).catalogue).not.toBeNull();
  expect((await call('PUT', `/boards/${id}/edition`)).body).toMatchObject({ catalogue: null });
  expect((await edition(id, other)).catalogue).toBeNull();
  await dearer(888);
  expect((await edition(id)).catalogue!.sheets.find((one) => one.id === SHEET!.id)!.priceMinor).toBe(777);
  await dearer(777);
  expect((await edition(id)).catalogue).toBeNull();
});

test('each board remembers its own; what none does goes after a day', async () => {
  const [one, two] = [await newBoard(), await newBoard()];
  await edition(one);
  await dearer(555);
  await edition(two);
  expect((await edition(one)).catalogue).not.toBeNull();
  expect((await edition(two)).catalogue).toBeNull();
  await call('PUT', `/boards/${one}/edition`);
  const count = async () => Number((await db()('editions').count('id as count'))[0]!['count']);
  const before = await count();
  expect(await sweepEditions(db())).toBe(0);
  await db()('editions').update({ at: db().raw("now() - interval '2 days'") });
  const gone = await sweepEditions(db());
  expect(gone).toBeGreaterThan(0);
  expect(await count()).toBe(before - gone);
  expect((await edition(two)).catalogue).toBeNull();
});

test('no board, no figures', async () => {
  const nobody = '00000000-0000-4000-8000-000000000000';
  expect((await call('GET', `/boards/${nobody}/edition`)).status).toBe(404);
  expect((await call('PUT', `/boards/${nobody}/edition`)).status).toBe(404);
});
