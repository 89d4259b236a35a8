import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { nextTick } from 'vue';
import { anOpenBoard, shown } from '../../testing/ground-world';
import { freshStores, someLocks } from '../../testing/world';
import NeedsTab from './NeedsTab.vue';
import WorkpiecesTab from './WorkpiecesTab.vue';

vi.mock('../../workers/reckoning', () => import('../../testing/reckoning-here'));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
beforeEach(() => {
  // How sure a need is waits for a plan at rest, and for a worker.
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  someLocks();
  freshStores();
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const rowsOf = (tab: ReturnType<typeof shown>): Map<string, string[]> =>
  new Map(tab.findAll('[data-supply]').map((row) => [row.attributes('data-supply')!, row.findAll('td').map((cell) => cell.text())]));

test('every need stands in its group, with its unit, what is bought for it and what that costs', async () => {
  const store = await anOpenBoard();
  store.look(['supplies'], []);
  const tab = shown(NeedsTab, {});
  const rows = rowsOf(tab);
  expect([...rows.keys()].toSorted()).toEqual(store.slices.supplies!.rows.map(({ id }) => id).toSorted());
  for (const [id, cells] of rows) {
    expect([id, cells[1]]).toEqual([id, expect.stringMatching(/^[\d.,]+( \d+\/\d+)?\s(sheets?|mm|m|ml|l|g|kg|cm²|m²|pieces?|×)|^\d+$/)]);
    expect([id, cells[4]]).toEqual([id, expect.stringMatching(/^\d+\.\d\d\sEUR$/)]);
  }
  // Groups come in the order of the work, and none is empty.
  const groups = tab.findAll('tr.group').map((row) => row.text());
  expect(groups[0]).toBe('Sheets');
  expect(new Set(groups).size).toBe(groups.length);
  expect(rows.get('light-filler')![3]).toMatch(/ml|l\b/);
});

test('thicker filler takes more of it, and the row says so at once; undone it is as before', async () => {
  const store = await anOpenBoard();
  store.look(['supplies'], []);
  const tab = shown(NeedsTab, {});
  const before = rowsOf(tab);
  const surfaceId = store.plan!.wears.open;
  const { coats } = store.plan!.surfaces.find(({ id }) => id === surfaceId)!;
  const filler = coats.find(({ coatingId }) => coatingId === 'light-filler')!;
  store.edit({ code: 'coats/set', surfaceId, coats: coats.map((coat) => (coat === filler ? { ...coat, filmMm: 5 } : coat)) });
  await nextTick();
  const after = rowsOf(tab);
  expect(after.get('light-filler')![1]).not.toBe(before.get('light-filler')![1]);
  // What the film has no part in is left alone.
  const sheets = store.slices.supplies!.rows.filter(({ group }) => group === 'sheets').map(({ id }) => id);
  for (const id of sheets) expect(after.get(id)).toEqual(before.get(id));
  store.undo();
  await nextTick();
  expect(rowsOf(tab)).toEqual(before);
});

test('more of everything is asked to be enough: it is in the plan, and taken back with it', async () => {
  const store = await anOpenBoard();
  store.look(['supplies'], []);
  const tab = shown(NeedsTab, {});
  await tab.get('[data-testid="enough-all"] select').setValue('90');
  expect(store.plan!.buying.ofHundred).toBe(90);
  store.undo();
  expect(store.plan!.buying.ofHundred).toBeNull();
});

test('what goes into each workpiece is told for every one of them, and adds up to no more than is needed', async () => {
  const store = await anOpenBoard();
  store.look(['supplies', 'byWorkpiece'], []);
  const tab = shown(WorkpiecesTab, {});
  for (const { name } of store.slices.byWorkpiece!) expect(tab.text()).toContain(name);
  const filler = store.slices.byWorkpiece!.flatMap(({ rows }) => rows.filter(({ supplyId }) => supplyId === 'light-filler'));
  const need = store.slices.supplies!.rows.find(({ id }) => id === 'light-filler')!.need.value;
  expect(filler.length).toBeGreaterThan(1);
  expect(filler.reduce((sum, row) => sum + row.need.value, 0)).toBeLessThanOrEqual(need * 1.001);
});
