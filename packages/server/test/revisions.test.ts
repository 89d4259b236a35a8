import { expect, test } from 'vitest';
import { thinRevisions } from '../src/boards/revisions';
import { aPlan, aServer } from './server';

const { call, db } = aServer();

async function aBoardSaved(times: number): Promise<string> {
  const { id } = (await call('POST', '/boards', { plan: aPlan() })).body as { id: string };
  for (let revision = 1; revision < times; revision++)
    await call('PUT', `/boards/${id}/plan`, { revision, plan: aPlan(`No. ${revision}`) });
  return id;
}
const saved = (id: string, revision: number, ago: string): Promise<unknown> =>
  db().raw(
    "update board_revisions set saved_at = date_trunc('week', now()) + interval '2 days 12 hours' - ?::interval where board_id = ? and revision = ?",
    [ago, id, revision],
  );
const left = async (id: string): Promise<number[]> =>
  ((await call('GET', `/boards/${id}/history`)).body as { revisions: { revision: number }[] }).revisions
    .map(({ revision }) => revision)
    .reverse();

test('history is thinned: a day keeps its last save after four weeks, a week after half a year; the first, the last and named ones stay', async () => {
  const id = await aBoardSaved(14);
  const ages: Record<number, string> = {
    1: '400 days', // the first
    2: '399 days 3 hours',
    3: '399 days 2 hours', // named
    4: '399 days 1 hour', // the last of its week
    5: '200 days 5 hours',
    6: '200 days 4 hours', // the last of that week
    7: '60 days 5 hours',
    8: '60 days 4 hours', // the last of its day
    9: '59 days 5 hours', // the only one of its day
    10: '21 days 3 hours',
    11: '21 days 2 hours',
    12: '3 hours',
    13: '2 hours',
    14: '1 hour',
  };
  for (const [revision, ago] of Object.entries(ages)) await saved(id, Number(revision), ago);
  expect((await call('PUT', `/boards/${id}/history/3/title`, { title: 'As shown at the club' })).status).toBe(204);
  expect(await thinRevisions(db())).toBe(3);
  expect(await left(id)).toEqual([1, 3, 4, 6, 8, 9, 10, 11, 12, 13, 14]);
  expect(await thinRevisions(db())).toBe(0);
});

test('an old board that nobody saves any more keeps its first and its last', async () => {
  const id = await aBoardSaved(3);
  for (const revision of [1, 2, 3]) await saved(id, revision, '500 days');
  await thinRevisions(db());
  expect(await left(id)).toEqual([1, 3]);
});

test('a version is named, named otherwise, and its name taken away', async () => {
  const id = await aBoardSaved(1);
  const titleOf = async () =>
    ((await call('GET', `/boards/${id}/history`)).body as { revisions: { title: string | null }[] }).revisions[0]!.title;
  for (const title of ['First light', 'Noon', null]) {
    expect((await call('PUT', `/boards/${id}/history/1/title`, { title })).status).toBe(204);
    expect(await titleOf()).toBe(title);
  }
  expect((await call('PUT', `/boards/${id}/history/9/title`, { title: 'x' })).status).toBe(404);
  expect(await call('PUT', `/boards/${id}/history/1/title`, { title: '' })).toMatchObject({
    status: 400,
    body: { issues: [{ path: 'title' }] },
  });
});

test('the history of a board that was put away is there, and every version of it', async () => {
  const id = await aBoardSaved(2);
  await call('PUT', `/boards/${id}/put-away`);
  expect(await left(id)).toEqual([1, 2]);
  expect((await call('GET', `/boards/${id}/history/1`)).status).toBe(200);
});
