import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { effectScope } from 'vue';
import type { Evenings } from '@spare-acre/core/schedule/tasks';
import { anOpenBoard } from '../../testing/ground-world';
import { freshStores, someLocks } from '../../testing/world';
import { useBetterEvenings } from './useBetterEvenings';

vi.mock('../../workers/reckoning', () => import('../../testing/idle-reckoning'));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
vi.mock('comlink', () => ({ proxy: <T>(value: T): T => value, wrap: () => ({}) }));
const told = vi.hoisted(() => ({ search: null as null | ((onStep: (step: never) => boolean) => Promise<void>) }));
vi.mock('../../workers/searches', () => ({
  searches: () => ({ betterEvenings: (onStep: (step: never) => boolean) => told.search!(onStep) }),
}));
beforeEach(() => {
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

const step = (throughMin: number, isProven = false): Evenings => ({
  throughMin,
  text: `Day ${throughMin}`,
  boundMin: 1,
  boundText: 'Day 1',
  tries: 10,
  isProven,
  order: ['cut-base-A1', 'glue-base-A1'],
  spared: [],
});
async function aSearch(readyMin: number) {
  const store = await anOpenBoard();
  const at = { label: 'Ready', value: readyMin, unit: 'min', source: 'definition' };
  Object.assign(store.slices, { days: { ready: { at, text: `Day ${readyMin}` } } });
  return { store, better: effectScope().run(() => useBetterEvenings())! };
}

test('an earlier order is kept in the plan as one step that can be undone, and says what was won', async () => {
  const { store, better } = await aSearch(5_000);
  told.search = async (onStep) => void onStep(step(4_000, true) as never);
  await better.start();
  expect(store.plan!.calendar.order).toEqual(['cut-base-A1', 'glue-base-A1']);
  expect(better.outcome.value).toBe('Ready Day 4000 instead of Day 5000. No schedule can finish earlier.');
  store.undo();
  expect(store.plan!.calendar.order).toEqual([]);
});

test('one no earlier leaves the evenings as they are and says so', async () => {
  const { store, better } = await aSearch(5_000);
  told.search = async (onStep) => void onStep(step(5_000) as never);
  await better.start();
  expect([store.plan!.calendar.order, better.outcome.value]).toEqual([[], 'No earlier finish was found. The schedule stays.']);
});

test('told to stop it hears it, and its best is kept; a search that fails says why', async () => {
  const { store, better } = await aSearch(5_000);
  const heard: boolean[] = [];
  told.search = async (onStep) => {
    heard.push(onStep(step(4_500) as never));
    await flushPromises();
    better.stop();
    heard.push(onStep(step(4_400) as never));
  };
  await better.start();
  expect([heard, better.isRunning.value, store.plan!.calendar.order.length]).toEqual([[true, false], false, 2]);
  told.search = () => Promise.reject(new Error('the worker is gone'));
  await better.start();
  expect(better.fault.value).toBe('the worker is gone');
});
