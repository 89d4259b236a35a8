import { beforeEach, describe, expect, test } from 'vitest';
import { aPlan, aServer } from './server';

const { call, db } = aServer();
beforeEach(async () => {
  await db()('offcuts').delete();
});
const PIECE = { materialId: 'xps-foam', thicknessMm: 20, widthMm: 480, depthMm: 190, boardId: null, sheet: null };
const rack = async (): Promise<readonly { id: string; widthMm: number; boardId: string | null }[]> =>
  ((await call('GET', '/rack')).body as { offcuts: never }).offcuts;
const aBoardId = async (): Promise<string> => ((await call('POST', '/boards', { plan: aPlan() })).body as { id: string }).id;

describe('the rack of offcuts', () => {
  test('is empty at first; what is put in comes out as it was, the oldest first', async () => {
    expect(await rack()).toEqual([]);
    const first = await call('POST', '/rack', PIECE);
    expect([first.status, first.body]).toEqual([201, { ...PIECE, id: expect.any(String) as string }]);
    await call('POST', '/rack', { ...PIECE, widthMm: 300 });
    expect((await rack()).map(({ widthMm }) => widthMm)).toEqual([480, 300]);
  });
  test('the same sheet of the same board leaves one piece, however often it is ticked', async () => {
    const boardId = await aBoardId();
    const left = { ...PIECE, boardId, sheet: 'xps-foam-20 sheet 1' };
    const [once, twice] = [await call('POST', '/rack', left), await call('POST', '/rack', { ...left, widthMm: 500 })];
    expect((twice.body as { id: string }).id).toBe((once.body as { id: string }).id);
    expect((await rack()).map(({ widthMm }) => widthMm)).toEqual([500]);
    await call('POST', '/rack', { ...left, sheet: 'xps-foam-20 sheet 2' });
    expect(await rack()).toHaveLength(2);
  });
  test('a piece outlives the board it came from', async () => {
    const boardId = await aBoardId();
    await call('POST', '/rack', { ...PIECE, boardId, sheet: 's' });
    await db()('boards').delete();
    expect(await rack()).toMatchObject([{ boardId: null }]);
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
    ['a board that is not there', { ...PIECE, boardId: '3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111' }, 404, 'board'],
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
