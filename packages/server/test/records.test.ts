import { describe, expect, test } from 'vitest';
import { down, up } from '../migrations/20261125180000_cut_sheets';
import { aPlan, aServer } from './server';

const { call, db } = aServer();
const PLACE = { partId: 'A1-ground-0', xMm: 5, yMm: 6, areaMm2: 250_000, turned: true, half: false };
const SHEET = {
  id: 's1',
  materialId: 'xps-foam',
  thicknessMm: 30,
  number: 2,
  widthMm: 1250,
  depthMm: 600,
  offcutId: null,
  places: [{ ...PLACE, boxWidthMm: 500, boxDepthMm: 400 }],
};
const aBoard = async (body: object = { plan: aPlan() }): Promise<string> =>
  ((await call('POST', '/boards', body)).body as { id: string }).id;
const sheetsOf = async (id: string): Promise<unknown> =>
  ((await call('GET', `/boards/${id}`)).body as { record: { cutSheets: unknown } }).record.cutSheets;

describe('what was done on a board', () => {
  test('is nothing at first; a sheet ticked off is there once, and gone when its tick is taken back', async () => {
    const id = await aBoard();
    expect(await sheetsOf(id)).toEqual([]);
    for (let i = 0; i < 2; i++) expect((await call('PUT', `/boards/${id}/cut-sheets/s1`, SHEET)).status).toBe(204);
    expect(await sheetsOf(id)).toEqual([SHEET]);
    for (let i = 0; i < 2; i++) expect((await call('DELETE', `/boards/${id}/cut-sheets/s1`)).status).toBe(204);
    expect(await sheetsOf(id)).toEqual([]);
  });
  test('two devices that tick different sheets do not get in each other’s way', async () => {
    const id = await aBoard();
    await Promise.all(['a', 'b', 'c'].map((sheet) => call('PUT', `/boards/${id}/cut-sheets/${sheet}`, { ...SHEET, id: sheet })));
    expect(((await sheetsOf(id)) as { id: string }[]).map((sheet) => sheet.id).sort()).toEqual(['a', 'b', 'c']);
    expect((await call('GET', `/boards/${id}`)).body).toMatchObject({ revision: 1 });
  });
  test('goes out with the board’s file and comes in with it again', async () => {
    const id = await aBoard();
    await call('PUT', `/boards/${id}/cut-sheets/s1`, SHEET);
    const file = (await call('GET', `/boards/${id}/export`)).body;
    expect(file).toMatchObject({ version: 14, record: { cutSheets: [SHEET] } });
    const copy = (await call('POST', '/boards/import', file)).body as { id: string };
    expect(await sheetsOf(copy.id)).toEqual([SHEET]);
  });
  test('comes in with a file of version 3, where it stood in the plan', async () => {
    expect(await sheetsOf(((await call('POST', '/boards/import', version3())).body as { id: string }).id)).toEqual([SHEET]);
  });
  test.each([
    ['another id than the path', { ...SHEET, id: 's2' }, 400, 'id'],
    ['no places', { ...SHEET, places: [] }, 400, 'places'],
    ['a material nobody has', { ...SHEET, materialId: 'unobtainium' }, 422, 'unobtainium'],
    ['a key that does not belong', { ...SHEET, colour: 'red' }, 400, ''],
  ])('refuses %s', async (_what, body, status, names) => {
    const id = await aBoard();
    const answer = await call('PUT', `/boards/${id}/cut-sheets/s1`, body);
    expect(answer.status).toBe(status);
    expect(JSON.stringify(answer.body)).toContain(names);
    expect(await sheetsOf(id)).toEqual([]);
  });
  test('a board that is not there is a 404', async () => {
    expect((await call('PUT', '/boards/3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111/cut-sheets/s1', SHEET)).status).toBe(404);
  });
});

/** The same board as version 3 wrote it: what was cut stood in the plan, by the key of its job. */
function version3(): object {
  const { cutting, surfaces, wears, paints: _paints, testPieces: _testPieces, ...plan } = aPlan();
  const { id, number, widthMm, depthMm, offcutId } = SHEET;
  const cut = [{ id, jobKey: 'xps-foam-30', number, widthMm, depthMm, offcutId, places: [{ ...PLACE, liesWideMm: 500, liesDeepMm: 400 }] }];
  const oldCoats = Object.entries(wears).map(([kind, worn]) => [
    kind,
    surfaces
      .find(({ id }) => id === worn)!
      .coats.map(({ id: coatId, methodId, filmMm, coatingId }) => ({ id: coatId, methodId, filmMm, stuffId: coatingId })),
  ]);
  const { saved, ...rest } = cutting;
  return {
    ...plan,
    climate: { airC: 20, humidityPct: 50, airId: 'still' },
    version: 3,
    coats: Object.fromEntries(oldCoats) as object,
    cutting: { ...rest, kept: saved, cut },
  };
}

test('ticks in stored plans of version 3 are brought out of them, and a damaged plan is in nobody’s way', async () => {
  const [old, damaged, other] = [await aBoard(), await aBoard(), await aBoard()];
  await db()('boards')
    .where({ id: old })
    .update({ plan: JSON.stringify(version3()) });
  await db()('boards').where({ id: damaged }).update({ plan: '{"cutting":{"cut":[null,4,{"id":{}},{"id":"x","jobKey":"no"}]}}' });
  await db()('boards').where({ id: other }).update({ plan: '[]' });
  await down(db());
  await up(db());
  expect(await sheetsOf(old)).toEqual([SHEET]);
  const rows = (await db()('cut_sheets').select('board_id')) as { board_id: string }[];
  expect(rows.map((row) => row.board_id)).toEqual([old]);
  await db()('boards').whereIn('id', [damaged, other]).delete();
});
