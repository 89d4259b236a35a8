import { describe, expect, test, vi } from 'vitest';
import { aPlan, aServer } from './server';

const { call, raw, db, readers } = aServer();
const JSON_TYPE = { 'Content-Type': 'application/json' };

/** A legal plan as large as one may be: 400 outlines of 300 corners. */
function aHugePlan(): string {
  const outline = (k: number): object[] =>
    Array.from({ length: 300 }, (_, i) => {
      const [angle, radius] = [(i / 300) * 2 * Math.PI, 200 + 60 * Math.sin(i * 7.3 + k)];
      return { x: Math.round((600 + radius * Math.cos(angle)) * 1e3) / 1e3, y: Math.round((400 + radius * Math.sin(angle)) * 1e3) / 1e3 };
    });
  const feature = { kind: 'raised', heightMm: 20, steps: 1, stepInMm: 0, locked: false, hidden: false, surfaceId: null };
  const features = Array.from({ length: 400 }, (_, k) => ({
    ...feature,
    id: `f${k}`,
    name: `f${k}`,
    shape: { form: 'outline', points: outline(k) },
  }));
  return JSON.stringify({ ...aPlan('Huge'), features });
}

describe('a plan as large as one may be', () => {
  const huge = aHugePlan();

  test('is checked without holding anybody up: others are answered all the while', async () => {
    await call('POST', '/boards', { plan: aPlan() }); // the thread is there from now on
    let isIn = false;
    const importing = raw('POST', '/boards/import', huge, JSON_TYPE).finally(() => (isIn = true));
    let answered = 0;
    while (!isIn) {
      expect((await call('GET', '/boards')).status).toBe(200);
      if (!isIn) answered += 1;
    }
    expect((await importing).status).toBe(201);
    // One that was checked on the event loop would let at most the first through, and keep the rest until it is done.
    expect(answered).toBeGreaterThan(3);
  });

  test('is read when it comes in and never when boards are listed, opened or put away', async () => {
    const read = vi.spyOn(readers(), 'read');
    const { id } = (await raw('POST', '/boards/import', huge, JSON_TYPE)).body as { id: string };
    expect(read.mock.calls.map(([task]) => task)).toEqual(['boardFile']);
    expect(await call('GET', '/boards')).toMatchObject({ status: 200, body: { boards: [{ id, name: 'Huge', revision: 1 }] } });
    expect((await call('GET', `/boards/${id}`)).status).toBe(200);
    expect((await call('PUT', `/boards/${id}/put-away`)).status).toBe(204);
    expect(read).toHaveBeenCalledTimes(1);
    read.mockRestore();
  });
});

test('a plan that was changed in the database by hand, or passed another check, is checked again, once', async () => {
  const { id } = (await call('POST', '/boards', { plan: aPlan() })).body as { id: string };
  const read = vi.spyOn(readers(), 'read');
  const tasks = (): string[] => read.mock.calls.map(([task]) => task);
  await db()('boards')
    .where({ id })
    .update({ plan: JSON.stringify({ ...aPlan(), name: 'By hand' }) });
  for (let i = 0; i < 2; i++) expect(await call('GET', `/boards/${id}`)).toMatchObject({ body: { plan: { name: 'By hand' } } });
  expect(tasks()).toEqual(['storedPlan']);
  await db()('boards').where({ id }).update({ checked: 'another-1' });
  for (let i = 0; i < 2; i++) expect(await call('GET', '/boards')).toMatchObject({ body: { boards: [{ id }] } });
  expect(tasks()).toEqual(['storedPlan', 'storedPlan']);
  read.mockRestore();
});
