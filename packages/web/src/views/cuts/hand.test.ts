import { type Offcut, NOTHING_DONE, EMPTY_STOCK } from '@spare-acre/core/plan/workshop';
import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { computed, effectScope, nextTick, ref, shallowRef } from 'vue';
import { given } from '@spare-acre/core/base/units';
import type { CutJob } from '@spare-acre/core/build/cutting/job';
import { derivePipeline } from '@spare-acre/core/pipeline';
import { brinefold } from '@spare-acre/core/demo';
import type { Plan } from '@spare-acre/core/plan';
import type { RackOffcut } from '@spare-acre/core/io/wire';
import { useRack } from '../../stores/workshop/rack';
import { anOpenBoard, shown } from '../../testing/ground-world';
import { BOARD_ID, CATALOGUE, aServer, freshStores, settled, someLocks } from '../../testing/world';
import BestOffer from './BestOffer.vue';
import HandBar from './HandBar.vue';
import JobPanel from './JobPanel.vue';
import KerfTestPanel from './KerfTestPanel.vue';
import RackPanel from './RackPanel.vue';
import { useLongSearch } from '../../workers/searches';
import { useByHand } from './useByHand';

vi.mock('../../workers/reckoning', () => import('../../testing/idle-reckoning'));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
beforeEach(() => {
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

const plan = brinefold(CATALOGUE);
const derived = derivePipeline()(plan, CATALOGUE);
const job: CutJob = derived.jobs.find(({ key }) => key === 'xps-foam-30')!;
const own = job.parts[0]!;
const idle = {
  isRunning: ref(false),
  progress: ref(null),
  fault: ref(''),
  outcome: ref(''),
  start: async () => undefined,
  stop: () => undefined,
};

async function aHand() {
  const store = await anOpenBoard();
  const hand = effectScope().run(() => useByHand(computed(() => job)))!;
  return { store, hand };
}

describe('by hand', () => {
  test('a part is moved, kept in the plan, pinned, and undone in one step', async () => {
    const { store, hand } = await aHand();
    expect(hand.put(own.id, { code: 'move', toSheet: 0, xMm: 400, yMm: 300 })).toBe(true);
    const places = store.plan!.cutting.saved.find(({ jobKey }) => jobKey === job.key)!.sheets[0]!.places;
    expect(places.find(({ blankId }) => blankId === own.id)).toMatchObject({ xMm: 400, yMm: 300, pinned: true });
    store.undo();
    expect(store.plan!.cutting.saved).toEqual([]);
  });
  test('keys faster than answers: each goes on from where the last left the part', async () => {
    const { hand } = await aHand();
    const at = () => hand.job.value!.layout.sheets[0]!.placements.find(({ blankId }) => blankId === own.id)!;
    hand.put(own.id, { code: 'move', toSheet: 0, xMm: 400, yMm: 300 });
    hand.put(own.id, { code: 'move', toSheet: 0, xMm: at().xMm + 1, yMm: at().yMm });
    hand.put(own.id, { code: 'move', toSheet: 0, xMm: at().xMm + 1, yMm: at().yMm });
    expect(at().xMm).toBe(402);
  });
  test('what cannot be is said in words, and nothing is kept', async () => {
    const { store, hand } = await aHand();
    expect(hand.put(own.id, { code: 'move', toSheet: 0, xMm: -50, yMm: 0 })).toBe(false);
    expect(hand.fault.value).toContain('edge of the sheet');
    expect(store.plan!.cutting.saved).toEqual([]);
    expect(hand.can(own.id, { code: 'move', toSheet: 0, xMm: 400, yMm: 300 })).toBe(true);
  });
  test('the bar names what is chosen, turns and pins it, and lets go of all', async () => {
    const { store, hand } = await aHand();
    hand.put(own.id, { code: 'move', toSheet: 0, xMm: 400, yMm: 300 });
    hand.choose(own.id);
    const bar = shown(HandBar, { job: hand.job.value, index: 0, hand });
    expect(bar.text()).toContain(own.name);
    await bar
      .findAll('button')
      .find((key) => key.text().startsWith('Rotate'))!
      .trigger('click');
    expect(store.plan!.cutting.saved[0]!.sheets[0]!.places.find(({ blankId }) => blankId === own.id)!.turned).toBe(true);
    await bar
      .findAll('button')
      .find((key) => key.text().startsWith('Unpin'))!
      .trigger('click');
    expect(store.plan!.cutting.saved[0]!.sheets[0]!.places.some(({ pinned }) => pinned)).toBe(false);
  });
});

describe('the rack', () => {
  const stored: RackOffcut[] = [];
  beforeEach(() => {
    stored.length = 0;
  });
  const jobOf = (now: Plan, offcuts: readonly Offcut[], { cutSheets } = NOTHING_DONE): CutJob =>
    derivePipeline()(now, CATALOGUE, { ...EMPTY_STOCK, ...NOTHING_DONE, offcuts, cutSheets }).jobs.find(({ key }) => key === job.key)!;
  /** A server with a rack that keeps what is put in. */
  async function aRack() {
    const store = await anOpenBoard();
    const asked = aServer(({ method, path, body }) => {
      if (method === 'POST') {
        const added = { ...(body as RackOffcut), usedBy: null, id: `3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c${String(200 + stored.length)}` };
        stored.push(added);
        return { status: 201, body: added };
      }
      if (method === 'DELETE') return { status: 204, body: null };
      return path.endsWith('/rack') ? { status: 200, body: { offcuts: stored } } : null;
    });
    const panel = shown(RackPanel, { job, index: 0 });
    /** What the worker would answer to the plan as it is now. */
    const reckonAgain = (): Promise<void> => panel.setProps({ job: jobOf(store.plan!, store.offcuts, store.record), index: 0 });
    return { store, asked, panel, reckonAgain };
  }
  test('one tick puts what a sheet leaves in the rack, another takes it out', async () => {
    const { store, asked, panel, reckonAgain } = await aRack();
    const tick = () => panel.find('[data-testid=leftover] input');
    await tick().setValue(true);
    await flushPromises();
    const [cut] = store.record.cutSheets;
    expect(cut).toMatchObject({
      materialId: job.materialId,
      number: 1,
      places: job.layout.sheets[0]!.placements.map(({ blankId }) => ({ partId: blankId })),
    });
    expect(asked.filter(({ method }) => method === 'POST')[0]).toMatchObject({
      body: { from: { boardId: BOARD_ID, cutSheetId: cut!.id, piece: 1 }, materialId: 'xps-foam' },
    });
    await reckonAgain();
    expect(panel.find('[data-testid=leftover]').text()).toContain('Sheet 1 is cut; left ');
    expect(panel.find('[data-testid=rack]').text()).toContain('left by this board');
    await tick().setValue(false);
    await flushPromises();
    expect(store.record.cutSheets).toEqual([]);
    // On a slow machine the board's own save may fall between.
    expect(asked.some(({ method, path }) => method === 'DELETE' && path.includes('/rack/'))).toBe(true);
    expect(useRack().offcuts).toEqual([]);
  });
  test('a piece is put in by its sizes; words for a size are refused by name', async () => {
    const { asked, panel } = await aRack();
    const [width, depth] = panel.findAll('form input');
    await width!.setValue('wide');
    await depth!.setValue('200');
    await panel.find('form').trigger('submit');
    expect(panel.find('[role=alert]').text()).toContain('Width');
    await width!.setValue('300');
    await panel.find('form').trigger('submit');
    await settled();
    expect(asked.findLast(({ method }) => method === 'POST')!.body).toMatchObject({ widthMm: 300, depthMm: 200, from: null });
    expect(panel.find('[data-testid=rack]').text()).toContain('300 × 200 mm');
  });
  test('a server that does not answer is said, and the rack stays as it was', async () => {
    const { panel } = await aRack();
    aServer(() => null);
    await panel.find('[data-testid=leftover] input').setValue(true);
    await settled();
    expect(useRack().fault).toBe('The server does not answer.');
    expect(useRack().offcuts).toEqual([]);
  });
  const piece = { materialId: 'xps-foam', thicknessMm: 30, widthMm: 500, depthMm: 300, from: null };
  test('pieces of other boards are cut up first, those of this board are left for the next', async () => {
    const { store } = await aRack();
    await useRack().add({ ...piece, from: { boardId: BOARD_ID, cutSheetId: 's', piece: 1 } });
    await useRack().add(piece);
    expect(store.offcuts).toHaveLength(1);
    expect(jobOf(plan, store.offcuts).offcutCount.value).toBe(1);
  });
  test('an offcut that is cut up is out of the rack, undone it lies there again; what another board has cut up is not there', async () => {
    const { store, panel, reckonAgain } = await aRack();
    await useRack().add(piece);
    await reckonAgain();
    expect(panel.find('[data-testid=rack]').text()).toContain('used here');
    await panel.find('[data-testid=leftover] input').setValue(true);
    await flushPromises();
    expect(store.record.cutSheets[0]!.offcutId).toBe(stored[0]!.id);
    expect(store.offcuts).toEqual([]);
    store.undo();
    expect(store.offcuts).toHaveLength(1);
    useRack().offcuts = [{ ...stored[0]!, usedBy: '3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c999' }];
    expect(store.offcuts).toEqual([]);
  });
});

test('another tool is taken with its own kerf; a kerf is typed over it', async () => {
  const store = await anOpenBoard();
  const fit = { offers: shallowRef(null), search: useLongSearch() };
  const panel = shown(JobPanel, { job, index: 0, better: idle, fit });
  await panel.find('select').setValue('hot-wire');
  expect(store.plan!.cutting.tools).toEqual([{ jobKey: job.key, toolId: 'hot-wire', kerfMm: null }]);
  const kerf = panel.findAll('input')[0]!;
  await kerf.setValue('1.4');
  await kerf.trigger('change');
  expect(store.plan!.cutting.tools).toEqual([{ jobKey: job.key, toolId: 'hot-wire', kerfMm: 1.4 }]);
  expect(panel.text()).toContain('Lowest possible cost');
});

test('a practice cut of 100 mm that comes back as 98: half a millimetre a cut, to reckon with', async () => {
  const store = await anOpenBoard();
  const panel = shown(KerfTestPanel, { job });
  const [before, together] = panel.findAll('input');
  await before!.setValue('100');
  await together!.setValue('101');
  expect(panel.find('[role=alert]').text()).toContain('cannot be longer');
  await together!.setValue('98');
  await panel
    .findAll('button')
    .find((key) => key.text() === 'Use this kerf')!
    .trigger('click');
  expect(store.plan!.cutting.tools).toEqual([{ jobKey: job.key, toolId: 'knife', kerfMm: 0.5 }]);
});

test('the best change that saves sheets says what it saves, and leads to all of them; one that saves neither is not shown', async () => {
  await anOpenBoard();
  const offer = (sheets: number, minor: number) => ({
    label: 'Tiles 600 × 600 mm',
    sheetsSaved: given('Sheets saved', sheets, '1', 'layout'),
    costSaved: given('Money saved', minor, 'money', 'layout'),
  });
  const offers = shallowRef<readonly unknown[] | null>(null);
  const onLook = vi.fn();
  const best = shown(BestOffer, { fit: { offers, search: useLongSearch() }, onLook });
  expect(best.text()).toBe('');
  offers.value = [offer(2, 1_308), offer(1, 500)];
  await nextTick();
  expect(best.text().replaceAll(/\s+/gu, ' ')).toContain('Tiles 600 × 600 mm would save 2 sheets and 13.08 EUR');
  await best
    .findAll('button')
    .find((one) => one.text() === 'Show all')!
    .trigger('click');
  expect(onLook).toHaveBeenCalledOnce();
  offers.value = [offer(0, -20)];
  await nextTick();
  expect(best.text()).toBe('');
});
