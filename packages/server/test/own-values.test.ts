import { describe, expect, test } from 'vitest';
import { type Catalogue, figuresOf } from '@spare-acre/core/catalogue';
import { WORKSHOP_CATALOGUE } from '@spare-acre/core/catalogue/workshop';
import { settleCatalogue } from '../src/store/catalogue';
import { type Change, withChanges } from '@spare-acre/core/plan';
import { aServer } from './server';

const { call, db } = aServer();
const PATH = 'coatings.light-filler.spread.filmMm';
const MINE = { value: 1.4, low: 1.2, high: 1.6 };
const filmNow = async () => figuresOf(((await call('GET', '/catalogue')).body as { catalogue: Catalogue }).catalogue).get(PATH)!;
const listed = async () =>
  ((await call('GET', '/own-values')).body as { values: { path: string; own: object; ours: object | null }[] }).values;

test('a figure of one’s own is in the catalogue at once, beside what ours was, and ours again when it is taken back', async () => {
  const ours = await filmNow();
  expect((await call('PUT', `/own-values/${PATH}`, MINE)).status).toBe(204);
  expect(await filmNow()).toMatchObject({ ...MINE, origin: 'yours' });
  expect(await listed()).toEqual([{ path: PATH, own: MINE, ours: { value: ours.value, low: ours.low, high: ours.high } }]);
  expect((await call('PUT', `/own-values/${PATH}`, { ...MINE, high: 2 })).status).toBe(204);
  expect(await filmNow()).toMatchObject({ high: 2 });
  expect((await call('DELETE', `/own-values/${PATH}`)).status).toBe(204);
  expect(await filmNow()).toEqual(ours);
  expect((await call('DELETE', `/own-values/${PATH}`)).status).toBe(404);
});

test('what is no figure, or no range, or far from ours is refused with what would do; nothing is kept of it', async () => {
  const wrong = [
    await call('PUT', '/own-values/coatings.gone.spread.filmMm', MINE),
    await call('PUT', `/own-values/${PATH}`, { ...MINE, low: 1.5 }),
    await call('PUT', `/own-values/${PATH}`, { ...MINE, high: 900 }),
    await call('PUT', '/own-values/no', MINE),
  ];
  expect(wrong.map(({ status }) => status).every((status) => status === 400 || status === 422)).toBe(true);
  expect(JSON.stringify(wrong[2]!.body)).toContain('or less');
  expect(await listed()).toEqual([]);
});

test('an update of our catalogue loses nothing that was typed: what still has its place is in it, what has none is kept and told', async () => {
  await call('PUT', `/own-values/${PATH}`, MINE);
  await db()('own_values').insert({ path: 'coatings.of-last-year.spread.filmMm', ...MINE });
  // A newer program brings a newer catalogue along.
  await db()('catalogue')
    .where('id', 1)
    .update({ body: JSON.stringify({ ...WORKSHOP_CATALOGUE, currency: 'XXX' }) });
  await settleCatalogue(db());
  expect(await filmNow()).toMatchObject({ ...MINE, origin: 'yours' });
  expect((await listed()).map(({ path, ours }) => [path, ours === null])).toEqual([
    [PATH, false],
    ['coatings.of-last-year.spread.filmMm', true],
  ]);
});

describe('what changed in the catalogue since an edition', () => {
  interface Whole {
    readonly edition: string;
    readonly catalogue: Catalogue;
  }
  const whole = async (): Promise<Whole> => (await call('GET', '/catalogue')).body as Whole;
  const since = async (edition: string) => call('GET', `/catalogue/changes?since=${edition}`);

  test('is a price and the edition, and leads to what the whole answer says', async () => {
    const before = await whole();
    const sheet = before.catalogue.sheets[3]!;
    await call('PUT', `/catalogue/sheets/${sheet.id}`, { entry: { ...sheet, priceMinor: 4711 } });
    const { body } = await since(before.edition);
    expect(JSON.stringify(body).length).toBeLessThan(5_000);
    const after = withChanges(before, (body as { changes: Change[] }).changes);
    expect(after).toEqual(await whole());
    expect(after.catalogue.sheets[3]!.priceMinor).toBe(4711);
    // What is the same stays the same object, so that nothing is calculated anew for it.
    expect(after.catalogue.coatings).toBe(before.catalogue.coatings);
    await call('DELETE', `/catalogue/sheets/${sheet.id}`);
    expect(withChanges(after, ((await since(after.edition)).body as { changes: Change[] }).changes)).toEqual(await whole());
  });
  test('is nothing for who has the present one, all of it for an edition nobody knows any more, and a bad one is refused by name', async () => {
    expect((await since((await whole()).edition)).body).toEqual({ changes: [] });
    expect((await since('of-last-year')).body).toEqual({ changes: null });
    const refused = await call('GET', '/catalogue/changes');
    expect(refused.status).toBe(400);
    expect(JSON.stringify(refused.body)).toContain('since');
  });
});
