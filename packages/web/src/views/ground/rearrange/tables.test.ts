import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { flushPromises } from '@vue/test-utils';
import { effectScope, nextTick, ref } from 'vue';
import { derivePipeline } from '@spare-acre/core/pipeline';
import { type Arrangement, browseTables, countTables, failingSeams, poseOf, puzzleOf } from '@spare-acre/core/terrain/tiling';
import { anOpenBoard, shown } from '../../../testing/ground-world';
import { usePlan } from '../../../stores/board/plan';
import { CATALOGUE, freshStores, someLocks } from '../../../testing/world';
import RearrangeBoard from './RearrangeBoard.vue';
import RearrangePanel from './RearrangePanel.vue';
import { useTables } from './useTables';

vi.mock('../../../workers/reckoning', () => import('../../../testing/idle-reckoning'));
vi.mock('vue-router', async () => (await import('../../../testing/ground-world')).routerMock);
/** The searches of the worker, run here and now. */
const inline = vi.hoisted(() => ({ searches: {} as Record<string, (...args: never[]) => unknown> }));
vi.mock('../../../workers/searches', async (original) => ({ ...(await original<object>()), searches: () => inline.searches }));

const puzzleNow = () => puzzleOf(derivePipeline()(usePlan().plan!, CATALOGUE).ground);
const posesOf = (locks: Arrangement): (number | null)[] =>
  locks.map((lock) => (lock === null ? null : poseOf(puzzleNow(), lock.tileId, lock.turns)));
beforeEach(() => {
  someLocks();
  freshStores();
  inline.searches = {
    tables: () => Promise.resolve({ kinds: puzzleNow().kinds.length, mends: [], letters: { A1: ['a', 'b', 'c', 'd'] } }),
    count: async (locks: Arrangement) => {
      const search = countTables(puzzleNow(), posesOf(locks));
      for (;;) {
        const step = search.next();
        if (step.done) return Promise.resolve(step.value);
      }
    },
    browse: async (locks: Arrangement, seed: number | null) =>
      Promise.resolve(
        [...browseTables(puzzleNow(), posesOf(locks), null)].filter((table) => table !== null).slice(0, seed === null ? 200 : 1),
      ),
    forced: (arrangement: Arrangement) => Promise.resolve({ failing: failingSeams(puzzleNow(), arrangement) }),
  };
});
afterEach(() => vi.unstubAllGlobals());

async function laidOut() {
  const store = await anOpenBoard();
  const isShown = ref(false);
  const tables = effectScope().run(() => useTables(() => isShown.value))!;
  isShown.value = true;
  await settle();
  return { store, tables, isShown };
}
const settle = async (): Promise<void> => {
  for (let i = 0; i < 5; i++) {
    await nextTick();
    await flushPromises();
  }
};
const ids = (arrangement: Arrangement): string =>
  arrangement.map(({ tileId, turns }) => `${tileId}${turns === 0 ? '' : `/${turns}`}`).join(' ');

describe('laying the table anew', () => {
  test('begins as drawn, counted, with every seam mating', async () => {
    const { tables } = await laidOut();
    expect(ids(tables.arrangement.value)).toBe('A1 B1 C1 A2 B2 C2');
    expect(tables.count.value).toEqual({ known: 'exact', tables: 1 });
    expect([tables.failing.value, tables.isAsDrawn.value]).toEqual([[], true]);
  });
  test('two tiles picked change places, and the seams that fail are named; as drawn all is well again', async () => {
    const { tables } = await laidOut();
    tables.pick(0);
    expect(tables.picked.value).toBe(0);
    tables.pick(4);
    await settle();
    expect(ids(tables.arrangement.value)).toBe('B2 B1 C1 A2 A1 C2');
    expect([tables.picked.value, tables.isAsDrawn.value]).toEqual([null, false]);
    expect(tables.failing.value.length).toBeGreaterThan(0);
    tables.asDrawn();
    await settle();
    expect(tables.failing.value).toEqual([]);
  });
  test('picked twice is put down again; turned four times is as before', async () => {
    const { tables } = await laidOut();
    tables.pick(2);
    tables.pick(2);
    expect(tables.picked.value).toBeNull();
    for (let i = 0; i < 4; i++) tables.turn(1);
    expect(ids(tables.arrangement.value)).toBe('A1 B1 C1 A2 B2 C2');
    tables.turn(1);
    expect(ids(tables.arrangement.value)).toBe('A1 B1/1 C1 A2 B2 C2');
  });
  test('one found is shown by its number; another by chance has none', async () => {
    const { tables } = await laidOut();
    tables.show(0);
    expect(tables.index.value).toBe(0);
    tables.show(99);
    expect(tables.index.value).toBe(0);
    await tables.another();
    await settle();
    expect([tables.index.value, tables.failing.value]).toEqual([-1, []]);
  });
  test('a locked tile is searched round, and unlocked again', async () => {
    const { tables } = await laidOut();
    tables.toggleLock(0);
    await settle();
    expect(tables.locked.value).toEqual(['A1']);
    expect(tables.count.value).toMatchObject({ known: 'exact' });
    tables.toggleLock(0);
    expect(tables.locked.value).toEqual([]);
  });
  test('a table split anew begins as drawn again', async () => {
    const { store, tables } = await laidOut();
    tables.pick(0);
    tables.pick(1);
    store.edit({ code: 'table/side', side: 'columnWidthsMm', lengthMm: 1_500, count: 2 });
    await settle();
    expect(ids(tables.arrangement.value)).toBe('A1 B1 A2 B2');
  });
});

describe('on screen', () => {
  test('the board has a tile for every cell with its letters, and bars where seams fail', async () => {
    const { tables } = await laidOut();
    tables.pick(0);
    tables.pick(4);
    await settle();
    const board = shown(RearrangeBoard, { tables });
    expect(board.findAll('[data-testid=laid-tile]')).toHaveLength(6);
    expect(board.findAll('[data-testid=failing-seam]')).toHaveLength(tables.failing.value.length);
    expect(board.findAll('.letter').map((letter) => letter.text())).toEqual(['a', 'b', 'c', 'd']);
    await board.findAll('[data-testid=laid-tile]')[1]!.trigger('keydown', { key: 'q' });
    expect(tables.arrangement.value[1]!.turns).toBe(1);
    await board.findAll('[data-testid=laid-tile]')[1]!.trigger('keydown', { key: 'l' });
    expect(tables.locked.value).toEqual(['B1']);
  });
  test('the panel says how many there are, in words for none, one, many and too many', async () => {
    const { tables } = await laidOut();
    const panel = shown(RearrangePanel, { tables });
    const said = async (count: typeof tables.count.value): Promise<string> => {
      tables.count.value = count;
      await nextTick();
      return panel.get('[data-testid=table-count]').text();
    };
    expect(await said({ known: 'exact', tables: 0 })).toBe('No layout possible');
    expect(await said({ known: 'exact', tables: 1 })).toBe('1 layout possible');
    expect(await said({ known: 'exact', tables: 4212 })).toBe('4,212 different layouts');
    expect(await said({ known: 'over', tables: 1_000_000 })).toBe('Over 1,000,000 different layouts');
    expect(await said({ known: 'too-large' })).toBe('Too many options to count');
  });
});
