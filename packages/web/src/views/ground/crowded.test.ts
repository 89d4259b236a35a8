import { brinefold } from '@spare-acre/core/demo';
import { type Feature, reshaped } from '@spare-acre/core/plan/features';
import { movedBy } from '@spare-acre/core/plan/shapes';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { h, nextTick } from 'vue';
import { takeTurns } from '../../ui/InTurn';
import ViewWarnings from '../../ui/ViewWarnings.vue';
import { anOpenBoard, shown } from '../../testing/ground-world';
import { CATALOGUE, freshStores, someLocks } from '../../testing/world';
import FeatureList from './draw/FeatureList.vue';
import PlanArt from './plan/PlanArt.vue';

vi.mock('../../workers/reckoning', () => import('../../testing/idle-reckoning'));
vi.mock('vue-router', async () => (await import('../../testing/ground-world')).routerMock);
beforeEach(() => {
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

const BRINEFOLD = brinefold(CATALOGUE);
/** Its features over and over, 200 in all. */
const CROWD: readonly Feature[] = Array.from({ length: 200 }, (_, i) => ({
  ...BRINEFOLD.features[i % BRINEFOLD.features.length]!,
  id: `f${i}`,
  name: `Feature ${i}`,
}));

describe('a board of 200 features', () => {
  test('the list builds the rows in sight only, and says how many there are', async () => {
    await anOpenBoard({ ...BRINEFOLD, features: CROWD });
    const list = shown(FeatureList);
    await nextTick();
    const rows = list.findAll('li');
    expect(rows.length).toBeGreaterThan(3);
    expect(rows.length).toBeLessThan(40);
    expect(rows[0]!.attributes()).toMatchObject({ 'aria-setsize': '200', 'aria-posinset': '1' });
    expect(rows[0]!.text()).toContain('Feature 199');
  });
  test('a drag draws one feature anew; a zoom draws them all', async () => {
    await anOpenBoard();
    let points = 0;
    const toPx = ({ x, y }: { x: number; y: number }): { x: number; y: number } => {
      points++;
      return { x, y };
    };
    const art = shown(PlanArt, { features: CROWD, toPx });
    expect(art.findAll('[data-feature]')).toHaveLength(200);
    const all = points;
    const path = (): string => art.get('[data-feature="f7"]').attributes('d')!;
    const before = path();
    points = 0;
    await art.setProps({ features: CROWD.map((one) => (one.id === 'f7' ? reshaped(one, movedBy(one.shape, 40, 0)) : one)) });
    expect(path()).not.toBe(before);
    expect(points).toBeLessThan(all / 20);
    await art.setProps({ chosenIds: ['f8'] });
    expect(art.get('[data-feature="f8"]').classes()).toContain('selected');
    const unzoomed = path();
    await art.setProps({ toPx: ({ x, y }: { x: number; y: number }) => ({ x: 2 * x, y: 2 * y }) });
    expect(path()).not.toBe(unzoomed);
  });
  test('on a page that takes turns it is drawn 25 at a time, and says when all is drawn', async () => {
    await anOpenBoard();
    const drawn = vi.fn();
    const page = {
      setup() {
        takeTurns();
        return () => h('svg', [h(PlanArt, { features: CROWD, toPx: (point) => point, onDrawn: drawn })]);
      },
    };
    const art = shown(page);
    expect(art.findAll('[data-feature]')).toHaveLength(25);
    expect(drawn).not.toHaveBeenCalled();
    await vi.waitFor(() => expect(drawn).toHaveBeenCalledOnce());
    expect(art.findAll('[data-feature]')).toHaveLength(200);
  });
  test('twelve warnings at first, and the rest when it is asked for', async () => {
    const store = await anOpenBoard();
    const warning = { code: 'feature/off-table', severity: 'care', title: 'Pit', text: ['hangs over the edge'], mends: [] };
    Object.assign(store.slices, { warnings: Array.from({ length: 30 }, (_, i) => ({ ...warning, id: `w${i}`, featureId: 'f1' })) });
    store.slices = { ...store.slices };
    const list = shown(ViewWarnings, { view: 'ground', featureId: 'f1' });
    expect(list.findAll('.warning')).toHaveLength(12);
    const more = list.get('button');
    expect(more.text()).toBe('Show 18 more warnings');
    await more.trigger('click');
    expect(list.findAll('.warning')).toHaveLength(30);
    expect(list.text()).not.toContain('more warnings');
  });
});
