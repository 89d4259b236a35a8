import sharp from 'sharp';
import { beforeEach, expect, test } from 'vitest';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { WORKSHOP_CATALOGUE as OURS } from '@spare-acre/core/catalogue/workshop';
import { sweepPictures } from '../src/pictures/pictures';
import { settleCatalogue } from '../src/store/catalogue';
import { aPlan, aServer, anotherServer } from './server';

const server = aServer();
const other = anotherServer(server);
const { call, db } = server;
beforeEach(async () => {
  await db()('own_entries').delete();
  await db()('out_of_use').delete();
  await db()('workshop').update({ edition: db().raw('edition + 1'), currency: null, terms: 'british', week_starts_on: 1 });
  await db()('entry_pictures').delete();
});

const FOAM = { ...OURS.materials[0]!, id: 'my-grey-foam', name: 'Grey foam' };
const SHEET = { id: 'my-grey-sheet', materialId: FOAM.id, thicknessMm: 20, widthMm: 1_000, depthMm: 500, priceMinor: 640 };
interface Answer {
  readonly catalogue: Catalogue;
  readonly own: readonly { kind: string; id: string; isOurs: boolean }[];
  readonly leftOut: readonly { id: string; issues: readonly { path: string }[] }[];
}
const catalogue = async (of = server): Promise<Answer> => (await of.call('GET', '/catalogue')).body as Answer;
const putFoam = async () => [
  (await call('PUT', `/catalogue/materials/${FOAM.id}`, { entry: FOAM })).status,
  (await call('PUT', `/catalogue/sheets/${SHEET.id}`, { entry: SHEET })).status,
];

test('a foam with its sheet is in the catalogue of every server at once, and a plan may be made of it', async () => {
  const plan = aPlan();
  const ground = { ...plan.stack.ground[0]!, materialId: FOAM.id, thicknessMm: 20 };
  const own = { ...plan, stack: { ...plan.stack, ground: [ground] } };
  const before = await call('POST', '/boards', { plan: own });
  expect([before.status, JSON.stringify(before.body)]).toEqual([422, expect.stringContaining('my-grey-foam')]);
  expect(await putFoam()).toEqual([204, 204]);
  expect((await catalogue(other)).catalogue.materials.at(-1)).toMatchObject({ id: FOAM.id, name: 'Grey foam' });
  expect((await catalogue()).own).toEqual([
    { kind: 'materials', id: FOAM.id, isOurs: false },
    { kind: 'sheets', id: SHEET.id, isOurs: false },
  ]);
  expect((await call('POST', '/boards', { plan: own })).status).toBe(201);
  // It is used now, so it stays; out of use it is for new choices only.
  const kept = await call('DELETE', `/catalogue/materials/${FOAM.id}`);
  expect([kept.status, JSON.stringify(kept.body)]).toEqual([409, expect.stringContaining('Test board')]);
  expect((await call('PUT', `/catalogue/materials/${FOAM.id}/use`, { isInUse: false })).status).toBe(204);
  expect((await catalogue(other)).catalogue.outOfUse).toEqual([`materials.${FOAM.id}`]);
  expect((await call('POST', '/boards', { plan: own })).status).toBe(201);
});

test('ours may be changed, shows what it was, and is ours again; what hangs on an entry keeps it', async () => {
  const ours = OURS.sheets[0]!;
  expect((await call('PUT', `/catalogue/sheets/${ours.id}`, { entry: { ...ours, priceMinor: 99 } })).status).toBe(204);
  expect((await catalogue()).catalogue.sheets[0]!.priceMinor).toBe(99);
  expect((await call('GET', `/catalogue/sheets/${ours.id}/ours`)).body).toEqual({ entry: ours });
  expect((await call('DELETE', `/catalogue/sheets/${ours.id}`)).status).toBe(204);
  expect((await catalogue()).catalogue.sheets[0]).toEqual(ours);
  expect((await call('DELETE', `/catalogue/sheets/${ours.id}`)).status).toBe(404);
  await putFoam();
  const hanging = await call('DELETE', `/catalogue/materials/${FOAM.id}`);
  expect([hanging.status, JSON.stringify(hanging.body)]).toEqual([409, expect.stringContaining('my-grey-sheet')]);
  expect((await call('DELETE', `/catalogue/sheets/${SHEET.id}`)).status).toBe(204);
  expect((await call('DELETE', `/catalogue/materials/${FOAM.id}`)).status).toBe(204);
});

test('figures typed one by one go into an entry that is kept whole', async () => {
  const path = 'coatings.light-filler.spread.filmMm';
  await call('PUT', `/own-values/${path}`, { value: 1.4, low: 1.2, high: 1.6 });
  const entry = (await catalogue()).catalogue.coatings.find(({ id }) => id === 'light-filler')!;
  expect((await call('PUT', '/catalogue/coatings/light-filler', { entry: { ...entry, name: 'My filler' } })).status).toBe(204);
  expect(await db()('own_values').where({ path })).toEqual([]);
  const now = (await catalogue()).catalogue.coatings.find(({ id }) => id === 'light-filler')!;
  expect([now.name, now.spread.by === 'film' && now.spread.filmMm.value]).toEqual(['My filler', 1.4]);
});

test('what will not do is refused by field, and many at once are kept all or not at all', async () => {
  const wrong = await call('PUT', `/catalogue/sheets/${SHEET.id}`, { entry: SHEET });
  expect([wrong.status, JSON.stringify(wrong.body)]).toEqual([422, expect.stringContaining('materialId')]);
  expect((await call('PUT', '/catalogue/gadgets/x', { entry: { id: 'x' } })).status).toBe(404);
  const entries = [
    { kind: 'materials', id: FOAM.id, entry: FOAM },
    { kind: 'sheets', id: SHEET.id, entry: { ...SHEET, widthMm: -1 } },
  ];
  expect((await call('POST', '/catalogue/entries', { entries })).status).toBe(422);
  expect((await catalogue()).own).toEqual([]);
  entries[1]!.entry = SHEET as never;
  expect((await call('POST', '/catalogue/entries', { entries })).status).toBe(204);
  expect((await catalogue()).own).toHaveLength(2);
});

test('an update of our catalogue loses nothing: what it can not take is kept, told with the reason, and back when it can', async () => {
  await putFoam();
  await db()('own_entries').insert({
    kind: 'coatings',
    id: 'of-last-year',
    body: JSON.stringify({ id: 'of-last-year', name: 'Old paste' }),
  });
  await db()('workshop').increment('edition', 1);
  await settleCatalogue(db());
  const { catalogue: now, leftOut } = await catalogue();
  expect(now.sheets.some(({ id }) => id === SHEET.id)).toBe(true);
  expect(leftOut.map(({ id, issues }) => [id, issues[0]!.path])).toEqual([['of-last-year', 'family']]);
  const whole = { ...OURS.coatings[0]!, id: 'of-last-year', name: 'Old paste' };
  expect((await call('PUT', '/catalogue/coatings/of-last-year', { entry: whole })).status).toBe(204);
  expect((await catalogue()).leftOut).toEqual([]);
});

test('money is what the builder says, or ours', async () => {
  expect((await call('PUT', '/customs', { currency: 'JPY' })).status).toBe(204);
  expect((await catalogue(other)).catalogue.currency).toBe('JPY');
  expect((await call('PUT', '/customs', { currency: 'yen' })).status).toBe(400);
  await call('PUT', '/customs', { currency: null });
  expect((await catalogue()).catalogue.currency).toBe('EUR');
});

test('names of ours are said in American words, a week begins on Sunday; money and entries of one’s own stay as they are', async () => {
  const filler = async () => (await catalogue(other)).catalogue.coatings.find(({ id }) => id === 'light-filler')!.name;
  await putFoam();
  const before = await filler();
  expect((await call('PUT', '/customs', { terms: 'american', weekStartsOn: 7 })).status).toBe(204);
  expect(await filler()).toBe(before.replace('filler', 'spackle'));
  const now = (await catalogue(other)).catalogue;
  expect(now.weekStartsOn).toBe(7);
  expect(now.currency).toBe(OURS.currency);
  expect(now.materials.at(-1)!.name).toBe('Grey foam');
  expect((await call('PUT', '/customs', { terms: 'welsh' })).status).toBe(400);
  expect((await call('PUT', '/customs', { weekStartsOn: 8 })).status).toBe(400);
  expect((await call('PUT', '/customs', { measures: 'cubits' })).status).toBe(400);
  expect(now.measures).toBe('metric');
  expect((await call('PUT', '/customs', { measures: 'imperial' })).status).toBe(204);
  expect((await catalogue(other)).catalogue.measures).toBe('imperial');
  await call('PUT', '/customs', { terms: 'british', weekStartsOn: 1, measures: 'metric' });
  expect(await filler()).toBe(before);
});

test('an entry has a picture that is kept as long as it is shown, and loses it again', async () => {
  const bytes = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#a63' } })
    .png()
    .toBuffer();
  const sent = await fetch(`http://127.0.0.1:${server.port()}/api/pictures`, {
    method: 'POST',
    body: new Uint8Array(bytes),
    headers: { 'Content-Type': 'application/octet-stream' },
  });
  const picture = (await sent.json()) as { id: string };
  const path = `/catalogue/coatings/light-filler/picture`;
  expect((await call('PUT', path, { pictureId: picture.id })).status).toBe(204);
  const shown = async () => ((await call('GET', '/catalogue')).body as { pictures: unknown[] }).pictures;
  expect(await shown()).toEqual([{ kind: 'coatings', id: 'light-filler', pictureId: picture.id }]);
  await db()('pictures').update({ created_at: db().raw("now() - interval '60 days'") });
  await sweepPictures(db());
  expect((await fetch(`http://127.0.0.1:${server.port()}/api/pictures/${picture.id}`)).status).toBe(200);
  expect((await call('PUT', path, { pictureId: '00000000-0000-4000-8000-000000000000' })).status).toBe(404);
  expect((await call('PUT', '/catalogue/coatings/no-such-thing/picture', { pictureId: picture.id })).status).toBe(404);
  expect((await call('DELETE', `/pictures/${picture.id}`)).status).toBe(409);
  expect((await call('PUT', path, { pictureId: null })).status).toBe(204);
  expect(await shown()).toEqual([]);
  expect(await sweepPictures(db())).toBe(1);
});
