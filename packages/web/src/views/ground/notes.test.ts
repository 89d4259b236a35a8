import { type Feature, kindOf } from '@spare-acre/core/plan/features';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { nextTick } from 'vue';
import { address, anOpenBoard, shown } from '../../testing/ground-world';
import { freshStores, someLocks } from '../../testing/world';
import ArrangeSection from './draw/ArrangeSection.vue';
import ChosenPanel from './draw/ChosenPanel.vue';
import FeatureList from './draw/FeatureList.vue';
import FeaturePanel from './draw/FeaturePanel.vue';
import { replaceAll, reshape, removeFeatures, setValue } from './draw/featureEdits';
import { useSelection } from './useSelection';

vi.mock('../../workers/reckoning', () => import('../../testing/idle-reckoning'));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
beforeEach(() => {
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

type Store = Awaited<ReturnType<typeof anOpenBoard>>;
const byName = (store: Store, name: string): Feature => store.plan!.features.find((feature) => feature.name === name)!;
const labels = (panel: ReturnType<typeof shown>): string[] => panel.findAll('label').map((label) => label.text());
const type = async (panel: ReturnType<typeof shown>, label: string, value: string): Promise<void> => {
  const id = panel
    .findAll('label')
    .find((one) => one.text() === label)!
    .attributes('for')!;
  const input = panel.get(`[id="${id}"]`);
  await input.setValue(value);
  await input.trigger('keydown', { key: 'Enter' });
};

describe('what is chosen is in the address', () => {
  test('one, several, none; the look stays', async () => {
    await anOpenBoard();
    const { chosen, selected, choose, toggle, select, look, lookAt } = useSelection();
    select('channel');
    expect([selected.value?.name, address.query['feature']]).toEqual(['Brine channel', 'channel']);
    toggle('causeway');
    expect([selected.value, chosen.value.map(({ id }) => id)]).toEqual([null, ['channel', 'causeway']]);
    lookAt('play');
    toggle('channel');
    expect([look.value, address.query]).toEqual(['play', { feature: 'causeway', look: 'play' }]);
    choose([]);
    lookAt('draw');
    expect(address.query).toEqual({});
  });
  test('an id that is gone and a look that never was are nothing and the drawing', async () => {
    await anOpenBoard();
    address.query = { feature: 'nobody', look: 'upside-down' };
    const { chosen, look } = useSelection();
    expect([chosen.value, look.value]).toEqual([[], 'draw']);
  });
});

describe('the notes of a feature', () => {
  test('every number and word of every kind is there to be asked for, and is in the document', async () => {
    const store = await anOpenBoard();
    for (const feature of store.plan!.features) {
      const panel = shown(FeaturePanel, { feature });
      for (const { label, key } of kindOf(feature).fields) {
        expect(labels(panel), `${feature.kind} ${label}`).toContain(label);
        expect(feature, `${feature.kind} ${key}`).toHaveProperty(key);
      }
      panel.unmount();
    }
  });
  test('a typed number is set; one out of range is refused at the field and the plan stays', async () => {
    const store = await anOpenBoard();
    const panel = shown(FeaturePanel, { feature: byName(store, 'Causeway') });
    await type(panel, 'Height', '30');
    expect(byName(store, 'Causeway')).toMatchObject({ heightMm: 30 });
    await panel.setProps({ feature: byName(store, 'Causeway') });
    await type(panel, 'Steps', '99');
    expect(panel.get('[role=alert]').text()).toContain('99 is too large. Enter 1 to 12');
    expect(byName(store, 'Causeway')).toMatchObject({ steps: 1 });
  });
  test('across stretches an outline; from the left moves it', async () => {
    const store = await anOpenBoard();
    const panel = shown(FeaturePanel, { feature: byName(store, 'Long pan') });
    await type(panel, 'Left to right', '240');
    expect(byName(store, 'Long pan').shape).toMatchObject({ points: [{ x: 60 }, { x: 300 }, { x: 300 }, { x: 60 }] });
    await panel.setProps({ feature: byName(store, 'Long pan') });
    await type(panel, 'From the left', '100');
    expect(byName(store, 'Long pan').shape).toMatchObject({ points: [{ x: 100 }, { x: 340 }, { x: 340 }, { x: 100 }] });
  });
  test('locked, it is neither moved nor removed, and says so; its numbers may still be set', async () => {
    const store = await anOpenBoard();
    const panel = shown(FeaturePanel, { feature: byName(store, 'Long pan') });
    await panel
      .findAll('button')
      .find((button) => button.text() === 'Lock')!
      .trigger('click');
    const locked = byName(store, 'Long pan');
    expect(locked.locked).toBe(true);
    expect(reshape(store, locked, 'Move', locked.shape)).toContain('Long pan is locked');
    expect(removeFeatures(store, [locked])).toContain('Long pan is locked');
    expect(setValue(store, locked, 'Depth', 'depthMm', 6)).toBe('');
    expect(byName(store, 'Long pan')).toMatchObject({ depthMm: 6 });
  });
});

describe('the list of what lies on the table', () => {
  test('last drawn first; hiding and locking are edits that undo takes back', async () => {
    const store = await anOpenBoard();
    const list = shown(FeatureList);
    await nextTick();
    const first = store.plan!.features.at(-1)!;
    expect(list.findAll('.name')[0]!.text()).toContain(first.name);
    await list.get(`[aria-label="${first.name}: hide (still counted)"]`).trigger('click');
    expect(byName(store, first.name).hidden).toBe(true);
    await list.get(`[aria-label="${first.name}: lock"]`).trigger('click');
    expect(byName(store, first.name).locked).toBe(true);
    store.undo();
    store.undo();
    expect(byName(store, first.name)).toMatchObject({ hidden: false, locked: false });
  });
  test('down the list is earlier in the plan', async () => {
    const store = await anOpenBoard();
    const names = (): string[] => store.plan!.features.slice(-2).map(({ name }) => name);
    const [before, last] = names();
    const list = shown(FeatureList);
    await nextTick();
    await list.get(`[aria-label="${last}: down the list"]`).trigger('click');
    expect(names()).toEqual([last, before]);
  });
  test('a shift-click chooses one more', async () => {
    await anOpenBoard();
    const list = shown(FeatureList);
    await nextTick();
    await list.findAll('.name')[0]!.trigger('click');
    await list.findAll('.name')[1]!.trigger('click', { shiftKey: true });
    expect(address.query['feature']!.split(',')).toHaveLength(2);
  });
});

describe('several at once', () => {
  const two = (store: Store): Feature[] => [byName(store, 'Long pan'), byName(store, 'Second pan')];
  const press = async (panel: ReturnType<typeof shown>, name: string): Promise<void> =>
    panel
      .findAll('button')
      .find((button) => button.text() === name)!
      .trigger('click');

  test('lined up to the near side of both; one undo takes it back', async () => {
    const store = await anOpenBoard();
    const before = store.plan!.features;
    const panel = shown(ArrangeSection, { features: two(store) });
    await press(panel, 'Front');
    const bottoms = two(store).map(({ shape }) => (shape.form === 'outline' ? Math.max(...shape.points.map(({ y }) => y)) : 0));
    expect(bottoms).toEqual([415, 415]);
    store.undo();
    expect(store.plan!.features).toEqual(before);
  });
  test('one alone lines up with the table', async () => {
    const store = await anOpenBoard();
    await press(shown(ArrangeSection, { features: [byName(store, 'Long pan')] }), 'Centre');
    expect(byName(store, 'Long pan').shape).toMatchObject({ points: [{ x: 600 }, { x: 900 }, { x: 900 }, { x: 600 }] });
  });
  test('repeated twice with names of their own, all of them chosen', async () => {
    const store = await anOpenBoard();
    const count = store.plan!.features.length;
    const panel = shown(ArrangeSection, { features: [byName(store, 'Salt heap')] });
    await press(panel, 'Repeat');
    expect(store.plan!.features.slice(count).map(({ name }) => name)).toEqual(['Salt heap 2', 'Salt heap 3']);
    expect(address.query['feature']!.split(',')).toHaveLength(3);
  });
  test('what is locked among them stays, the rest moves', async () => {
    const store = await anOpenBoard();
    setValue(store, byName(store, 'Long pan'), 'Lock', 'locked', true);
    const moved = two(store).map((feature) => ({ ...feature, name: 'Moved' }));
    expect(replaceAll(store, 'Move', moved)).toBe('');
    expect(store.plan!.features.map(({ name }) => name).filter((name) => name === 'Moved' || name === 'Long pan')).toEqual([
      'Long pan',
      'Moved',
    ]);
  });
  test('removed together by their panel', async () => {
    const store = await anOpenBoard();
    const count = store.plan!.features.length;
    address.query = { feature: 'pan-1,pan-2' };
    const panel = shown(ChosenPanel, { features: two(store) });
    expect(panel.get('h2').text()).toBe('2 features');
    await panel
      .findAll('button')
      .find((button) => button.text().startsWith('Remove them'))!
      .trigger('click');
    expect(store.plan!.features).toHaveLength(count - 2);
    expect(address.query).toEqual({});
  });
});
