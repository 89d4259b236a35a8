import { Answering, applyAnswer } from '../../workers/answering';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { derivePipeline } from '@spare-acre/core/pipeline';
import { brinefold } from '@spare-acre/core/demo';
import { anOpenBoard, shown } from '../../testing/ground-world';
import { CATALOGUE, freshStores, someLocks } from '../../testing/world';
import AdhesiveTable from './AdhesiveTable.vue';
import BattenFields from './BattenFields.vue';
import BowPanel from './BowPanel.vue';
import FacingList from './FacingList.vue';
import HeightsTable from './HeightsTable.vue';
import LayerList from './LayerList.vue';
import RaisedFields from './RaisedFields.vue';

vi.mock('../../workers/reckoning', () => import('../../testing/idle-reckoning'));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
beforeEach(() => {
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

/** The plan store with what follows from its plan, as the worker would answer. */
async function aReckonedBoard() {
  const store = await anOpenBoard();
  const plan = brinefold(CATALOGUE);
  const look = {
    slices: ['section', 'groundHeight', 'glues', 'joints', 'heights', 'bow', 'levers', 'weights', 'masses'],
    chosen: [],
  } as const;
  store.slices = applyAnswer({}, new Answering().answer(derivePipeline()(plan, CATALOGUE), look));
  return store;
}
const named = (wrapper: ReturnType<typeof shown>, label: string) => {
  const field = wrapper.findAll('.field').find((one) => one.find('label').text() === label)!;
  return field.find('select, input');
};

describe('layers', () => {
  test('change places by their buttons, keep their own glue, and are added and removed', async () => {
    const store = await anOpenBoard();
    const list = shown(LayerList);
    const key = (text: string, nth = 0) => list.findAll('button').filter((one) => one.text() === text)[nth]!;
    await key('Down').trigger('click');
    expect(store.plan!.stack.ground.map(({ id, glueBelowId }) => `${id} ${glueBelowId}`)).toEqual([
      'upper foam-safe-construction',
      'lower white-glue',
    ]);
    await key('Add a layer on top').trigger('click');
    expect(store.plan!.stack.ground).toHaveLength(3);
    await key('Remove').trigger('click');
    expect(store.plan!.stack.ground.map(({ id }) => id)).toEqual(['upper', 'lower']);
  });
  test('the substrate is sealed, changed to the nearest thickness there is, and left out', async () => {
    const store = await anOpenBoard();
    const list = shown(LayerList);
    await named(list, 'Faces').setValue('under');
    expect(store.plan!.stack.substrate!.sealed).toBe('under');
    await named(list, 'Substrate').setValue('particle-board');
    expect(store.plan!.stack.substrate).toMatchObject({ materialId: 'particle-board', thicknessMm: 10, sealed: 'under' });
    await named(list, 'Substrate').setValue('');
    expect(store.plan!.stack.substrate).toBeNull();
  });
});

test('raised ground: another foam forgets what was at hand of the last, another glue brings its usual way', async () => {
  const store = await anOpenBoard();
  store.edit({ code: 'raised/at-hand', atHandMm: [20] });
  const fields = shown(RaisedFields);
  await named(fields, 'Foam').setValue('eps-foam');
  expect(store.plan!.stack.raised).toMatchObject({ materialId: 'eps-foam', atHandMm: [], picks: [] });
  await named(fields, 'Adhesive').setValue('hot-melt');
  expect(store.plan!.stack.raised).toMatchObject({ glueId: 'hot-melt', spread: 'beads' });
});

test('a covering is put on one kind of surface, changed and taken off', async () => {
  const store = await anOpenBoard();
  const list = shown(FacingList);
  await named(list, 'On').setValue('route');
  await list
    .findAll('button')
    .find((one) => one.text() === 'Add covering')!
    .trigger('click');
  await named(list, 'Covering').setValue('cork');
  expect(store.plan!.stack.facings.route).toMatchObject([{ materialId: 'cork', spread: 'full' }]);
  expect(store.plan!.stack.facings.open).toEqual([]);
  await list
    .findAll('button')
    .find((one) => one.text() === 'Remove')!
    .trigger('click');
  expect(store.plan!.stack.facings.route).toEqual([]);
});

test('battens are put under the tiles, counted, and taken away', async () => {
  const store = await anOpenBoard();
  const fields = shown(BattenFields);
  await named(fields, 'Battens').setValue('plywood');
  expect(store.plan!.stack.battens).toEqual({ materialId: 'plywood', thicknessMm: 9, heightMm: 20, count: 2 });
  const count = named(fields, 'Per tile');
  await count.setValue('3');
  await count.trigger('change');
  expect(store.plan!.stack.battens!.count).toBe(3);
  await count.setValue('40');
  await count.trigger('change');
  expect(fields.find('[role=alert]').text()).toContain('1 to 12');
  await named(fields, 'Battens').setValue('');
  expect(store.plan!.stack.battens).toBeNull();
});

test('the adhesive table takes another for the joint in view, laid on in a way that holds', async () => {
  const store = await aReckonedBoard();
  const table = shown(AdhesiveTable);
  await table.find('select').setValue(JSON.stringify({ part: 'raised' }));
  const row = table.findAll('tbody tr').find((one) => one.text().includes('White glue'))!;
  expect(row.text()).toContain('beads');
  await row.find('button.btn-key').trigger('click');
  expect(store.plan!.stack.raised).toMatchObject({ glueId: 'white-glue', spread: 'beads' });
});

test('the bow: its range in words, its levers ranked, and one pulled', async () => {
  const store = await aReckonedBoard();
  const panel = shown(BowPanel);
  expect(panel.find('[data-testid=bow-range]').text()).toMatch(/^From \d.*up at the edges to /);
  const battens = panel.findAll('[data-testid=levers] tbody tr').find((one) => one.text().includes('Two battens'))!;
  await battens.find('button.btn-key').trigger('click');
  expect(store.plan!.stack.battens).toMatchObject({ count: 2 });
});

test('heights: a way is picked, the reckoned one is taken back, and what is at hand is ticked', async () => {
  const store = await aReckonedBoard();
  const table = shown(HeightsTable);
  const row = table.findAll('tbody tr').find((one) => one.text().includes('10 + 10 mm') && one.text().includes('exact'))!;
  await row.find('button.btn-key').trigger('click');
  expect(store.plan!.stack.raised.picks).toEqual([{ heightMm: 20, thicknessesMm: [10, 10] }]);
  const tick = table.findAll('input[type=checkbox]')[1]!;
  await tick.setValue(false);
  expect(store.plan!.stack.raised.atHandMm).toEqual([10, 30, 40, 50]);
  await tick.setValue(true);
  expect(store.plan!.stack.raised.atHandMm).toEqual([]);
});
