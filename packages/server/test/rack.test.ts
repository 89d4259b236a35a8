import { beforeEach, describe, expect, test } from 'vitest';
import { aPlan, aServer } from './server';

const { call, db } = aServer();
beforeEach(async () => {
  await db()('offcuts').delete();
});
const PIECE = { materialId: 'xps-foam', thicknessMm: 20, widthMm: 480, depthMm: 190, from: null };
interface Listed {
  readonly id: string;
  readonly widthMm: number;
  readonly from: { readonly boardId: string } | null;
  readonly usedBy: string | null;
}
const rack = async (): Promise<readonly Listed[]> => ((await call('GET', '/rack')).body as { offcuts: never }).offcuts;
/** A board that has cut some sheets. */
async function aBoardThatCut(...sheets: readonly { readonly id: string; readonly offcutId?: string }[]): Promise<string> {
  const plan = aPlan();
  const cut = sheets.map(({ id, offcutId = null }, i) => ({
    id,
    materialId: 'xps-foam',
    thicknessMm: 20,
    number: i + 1,
    widthMm: 1250,
    depthMm: 600,
    offcutId,
    places: [{ partId: 'A1-g1-0', xMm: 5, yMm: 5, boxWidthMm: 500, boxDepthMm: 500, areaMm2: 250_000, turned: false, half: false }],
  }));
  const answer = await call('POST', '/boards', { plan, record: { cutSheets: cut } });
  expect(answer.status).toBe(201);
  return (answer.body as { id: string }).id;
}

describe('the rack of offcuts', () => {
  test('is empty at first; what is put in comes out as it was, the oldest first', async () => {
    expect(await rack()).toEqual([]);
    const first = await call('POST', '/rack', PIECE);
    expect([first.status, first.body]).toEqual([201, { ...PIECE, id: expect.any(String) as string, usedBy: null }]);
    await call('POST', '/rack', { ...PIECE, widthMm: 300 });
    expect((await rack()).map(({ widthMm }) => widthMm)).toEqual([480, 300]);
  });
  test('a piece of a sheet is there once, however often it is ticked', async () => {
    const boardId = await aBoardThatCut({ id: 's1' });
    const left = { ...PIECE, from: { boardId, cutSheetId: 's1', piece: 1 } };
    const [once, twice] = [await call('POST', '/rack', left), await call('POST', '/rack', { ...left, widthMm: 500 })];
    expect((twice.body as { id: string }).id).toBe((once.body as { id: string }).id);
    expect((await rack()).map(({ widthMm }) => widthMm)).toEqual([500]);
    await call('POST', '/rack', { ...left, from: { ...left.from, piece: 2 } });
    expect(await rack()).toHaveLength(2);
  });
  test('what a sheet left is there for as long as the sheet is ticked off', async () => {
    const boardId = await aBoardThatCut({ id: 's1' });
    await call('POST', '/rack', { ...PIECE, from: { boardId, cutSheetId: 's1', piece: 1 } });
    await call('POST', '/rack', { ...PIECE, widthMm: 300, from: { boardId, cutSheetId: 's2', piece: 1 } });
    expect((await rack()).map(({ widthMm }) => widthMm)).toEqual([480]);
    await call('DELETE', `/boards/${boardId}/cut-sheets/s1`);
    expect(await rack()).toEqual([]);
  });
  test('a piece that a board has cut up is used by it, also once the board is put away', async () => {
    const { id } = (await call('POST', '/rack', PIECE)).body as { id: string };
    await call('POST', '/rack', { ...PIECE, widthMm: 300 });
    const boardId = await aBoardThatCut({ id: 's1', offcutId: id });
    expect((await rack()).map(({ usedBy }) => usedBy)).toEqual([boardId, null]);
    await call('PUT', `/boards/${boardId}/put-away`);
    expect((await rack()).map(({ usedBy }) => usedBy)).toEqual([boardId, null]);
  });
  test('a damaged plan does not spoil the rack', async () => {
    const boardId = await aBoardThatCut({ id: 's1' });
    await call('POST', '/rack', PIECE);
    for (const cut of ['{"cutting":{"cut":7}}', '{"cutting":{"cut":[null,4,{"id":{}}]}}', '[]', '{}']) {
      await db()('boards').where({ id: boardId }).update({ plan: cut });
      expect(await rack()).toHaveLength(1);
    }
    await db()('boards').where({ id: boardId }).delete();
  });
  test('a piece outlives the board it came from', async () => {
    const boardId = await aBoardThatCut({ id: 's1' });
    await call('POST', '/rack', { ...PIECE, from: { boardId, cutSheetId: 's1', piece: 1 } });
    await db()('boards').delete();
    expect(await rack()).toMatchObject([{ from: null, usedBy: null }]);
  });
  test('what is taken out is gone; taken out again it is a 404', async () => {
    const { id } = (await call('POST', '/rack', PIECE)).body as { id: string };
    expect((await call('DELETE', `/rack/${id}`)).status).toBe(204);
    expect(await rack()).toEqual([]);
    expect((await call('DELETE', `/rack/${id}`)).status).toBe(404);
  });
  test.each([
    ['a width of 0', { ...PIECE, widthMm: 0 }, 400, 'widthMm'],
    ['a depth of 1e9', { ...PIECE, depthMm: 1e9 }, 400, 'depthMm'],
    ['words for a size', { ...PIECE, widthMm: 'abc' }, 400, 'widthMm'],
    ['a key that does not belong', { ...PIECE, colour: 'red' }, 400, ''],
    ['a material nobody has', { ...PIECE, materialId: 'unobtainium' }, 422, 'unobtainium'],
    [
      'a board that is not there',
      { ...PIECE, from: { boardId: '3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111', cutSheetId: 's', piece: 1 } },
      404,
      'board',
    ],
    [
      'a piece number of 0',
      { ...PIECE, from: { boardId: '3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111', cutSheetId: 's', piece: 0 } },
      400,
      'piece',
    ],
  ])('refuses %s', async (_what, body, status, names) => {
    const answer = await call('POST', '/rack', body);
    expect(answer.status).toBe(status);
    expect(JSON.stringify(answer.body)).toContain(names);
    expect(await rack()).toEqual([]);
  });
  test('an id that is none is a 400', async () => {
    expect((await call('DELETE', '/rack/7')).status).toBe(400);
  });
});
