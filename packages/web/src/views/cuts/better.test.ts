import { cutSteps } from '@spare-acre/core/build/cutting/bench';
import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { computed, effectScope } from 'vue';
import { type CutJob, taskOf } from '@spare-acre/core/build/cutting/job';
import { type Layout, layOut } from '@spare-acre/core/build/cutting/nesting';
import { derivePipeline } from '@spare-acre/core/pipeline';
import { brinefold } from '@spare-acre/core/demo';
import { anOpenBoard, shown } from '../../testing/ground-world';
import { CATALOGUE, freshStores, someLocks } from '../../testing/world';
import CutOrderList from './CutOrderList.vue';
import { type BetterProgress, useBetterLayout } from './useBetterLayout';

vi.mock('../../workers/reckoning', () => import('../../testing/idle-reckoning'));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
vi.mock('comlink', () => ({ proxy: <T>(value: T): T => value, wrap: () => ({}) }));
const told = vi.hoisted(() => ({ search: null as null | ((onStep: (step: never) => boolean) => Promise<void>) }));
vi.mock('../../workers/searches', () => ({
  searches: () => ({ betterLayout: (_key: string, onStep: (step: never) => boolean) => told.search!(onStep) }),
}));
beforeEach(() => {
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

const jobs = derivePipeline()(brinefold(CATALOGUE), CATALOGUE).jobs;
const job = jobs.find(({ layout }) => layout.sheets.length > 1)!;
const step = (layout: Layout): BetterProgress => ({ layout, cost: 2, bound: 1, isProven: false, moves: 200 });
/** The job's layout with a far larger rest on its last sheet: better, with as many sheets. */
const roomier: Layout = {
  ...job.layout,
  sheets: job.layout.sheets.map((sheet, i) => (i === 0 ? { ...sheet, rest: { xMm: 0, yMm: 0, widthMm: 9_000, depthMm: 9_000 } } : sheet)),
};
async function aSearch(own: CutJob = job) {
  const store = await anOpenBoard();
  const better = effectScope().run(() => useBetterLayout(computed(() => own)))!;
  return { store, better };
}

test('a better layout is kept in the plan under the job, as one step that can be undone', async () => {
  const { store, better } = await aSearch();
  told.search = async (onStep) => void onStep(step(roomier) as never);
  await better.start();
  expect(store.plan!.cutting.saved.map(({ jobKey }) => jobKey)).toEqual([job.key]);
  expect(store.plan!.cutting.saved[0]!.sheets.flatMap(({ places }) => places)).toHaveLength(
    job.layout.sheets.flatMap(({ placements }) => placements).length,
  );
  expect(better.outcome.value).toBe('The same number of sheets, with a larger offcut.');
  store.undo();
  expect(store.plan!.cutting.saved).toEqual([]);
});

test('one no better leaves the plan as it is and says so', async () => {
  const { store, better } = await aSearch();
  told.search = async (onStep) => void onStep(step(job.layout) as never);
  await better.start();
  expect([store.plan!.cutting.saved, better.outcome.value]).toEqual([[], 'No better layout was found. The current one stays.']);
});

test('while it runs the best so far is shown; told to stop the search hears it and its best is kept', async () => {
  const { store, better } = await aSearch();
  const heard: boolean[] = [];
  told.search = async (onStep) => {
    heard.push(onStep(step(roomier) as never));
    await flushPromises();
    better.stop();
    heard.push(onStep(step(job.layout) as never));
  };
  const running = better.start();
  expect([better.isRunning.value, better.progress.value?.layout]).toEqual([true, roomier]);
  await running;
  expect(heard).toEqual([true, false]);
  expect([better.isRunning.value, better.progress.value, store.plan!.cutting.saved.length]).toEqual([false, null, 1]);
});

test('a search that fails says why, and keeps what it had', async () => {
  const { store, better } = await aSearch();
  told.search = async (onStep) => {
    onStep(step(roomier) as never);
    await Promise.resolve();
    throw new Error('the worker is gone');
  };
  await better.start();
  expect(store.plan!.cutting.saved).toHaveLength(1);
  told.search = () => Promise.reject(new Error('the worker is gone'));
  await better.start();
  expect(better.fault.value).toBe('the worker is gone');
});

test('the cuts of all sheets are sentences, and say what they free', async () => {
  await anOpenBoard();
  const list = shown(CutOrderList, { job, index: 0 });
  const lines = list.findAll('li').map((line) => line.text().replace(/\s+/g, ' '));
  expect(lines[0]).toMatch(/^(Fence 500: \d cuts|Cut the sheet) from (top to bottom|side to side)/);
  const steps = job.layout.sheets.reduce((sum, _, i) => sum + cutSteps(job, i).length, 0);
  expect(lines).toHaveLength(steps);
  job.layout.sheets.forEach((_, i) => expect(list.text()).toContain(`Sheet ${i + 1} of`));
  await list.findAll('button').at(1)!.trigger('click');
  expect(list.emitted('choose')).toEqual([[1]]);
});

test('parts laid like a pinwheel do not come free by through cuts, and the list says so', async () => {
  await anOpenBoard();
  const at = (xMm: number, yMm: number, widthMm: number, depthMm: number) => ({
    blankId: `${xMm} ${yMm}`,
    xMm,
    yMm,
    widthMm,
    depthMm,
    turned: false,
    half: false,
    pinned: false,
  });
  const pinwheel = {
    stock: job.layout.sheets[0]!.stock,
    placements: [at(5, 5, 170, 130), at(176, 5, 130, 170), at(136, 176, 170, 130), at(5, 136, 130, 170)],
    rest: { xMm: 0, yMm: 0, widthMm: 0, depthMm: 0 },
  };
  const list = shown(CutOrderList, { job: { ...job, layout: { sheets: [pinwheel], tooLarge: [] } }, index: 0 });
  expect(list.text()).toContain('cannot be separated with straight cuts');
});

test('the quick layout of the same parts is what the job had', () => {
  expect(layOut(taskOf(job)).sheets).toHaveLength(job.layout.sheets.length);
});
