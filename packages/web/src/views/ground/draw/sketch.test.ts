import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { ref } from 'vue';
import { brinefold } from '@spare-acre/core/demo';
import { BOARD_ID, CATALOGUE, CATALOGUE_ANSWER, aServer, aStoredBoard, freshStores, someLocks } from '../../../testing/world';
import { usePlan } from '../../../stores/board/plan';
import { useSketch } from './useSketch';

vi.mock('../../../workers/reckoning', () => import('../../../testing/idle-reckoning'));

beforeEach(() => {
  someLocks();
  freshStores();
});
afterEach(() => vi.unstubAllGlobals());

async function aSketch() {
  aServer(({ path, method }) => {
    if (path.endsWith('/catalogue')) return { status: 200, body: CATALOGUE_ANSWER };
    return method === 'GET' ? { status: 200, body: aStoredBoard({ ...brinefold(CATALOGUE), features: [] }) } : null;
  });
  const store = usePlan();
  await store.open(BOARD_ID);
  const drawn: string[] = [];
  const sketch = useSketch(ref(0.5), (id) => drawn.push(id));
  const points = (...places: (readonly [number, number])[]): void => {
    for (const [x, y] of places) {
      sketch.pointAt({ x, y });
      sketch.addPoint();
    }
  };
  return { store, sketch, drawn, points };
}

describe('drawing a feature', () => {
  test('two points and a finish make a rectangle, which is then chosen; the hand takes hold again', async () => {
    const { store, sketch, drawn, points } = await aSketch();
    sketch.choose('raise');
    points([100, 100], [300, 200]);
    sketch.finish();
    const [feature] = store.plan!.features;
    expect(feature).toMatchObject({
      kind: 'raised',
      name: 'Raised ground',
      shape: {
        form: 'outline',
        points: [
          { x: 100, y: 100 },
          { x: 300, y: 100 },
          { x: 300, y: 200 },
          { x: 100, y: 200 },
        ],
      },
    });
    expect(drawn).toEqual([feature!.id]);
    expect([sketch.tool.value.id, sketch.points.value]).toEqual(['hold', []]);
  });

  test('more points are an outline, a channel’s points its middle line', async () => {
    const { store, sketch, points } = await aSketch();
    sketch.choose('dig');
    points([0, 0], [100, 0], [50, 80]);
    sketch.finish();
    sketch.choose('channel');
    points([0, 300], [400, 300], [400, 600]);
    sketch.finish();
    expect(store.plan!.features.map(({ kind, shape }) => [kind, shape.form])).toEqual([
      ['pit', 'outline'],
      ['water', 'strip'],
    ]);
  });

  test('one point is no shape: it says what is missing and keeps the point', async () => {
    const { store, sketch, points } = await aSketch();
    sketch.choose('pool');
    points([100, 100]);
    sketch.finish();
    expect(sketch.refusal.value).toContain('Set at least two points');
    expect(sketch.points.value).toHaveLength(1);
    expect(store.plan!.features).toEqual([]);
  });

  test('an outline that crosses itself is refused, and its last point can be taken back', async () => {
    const { store, sketch, points } = await aSketch();
    sketch.choose('raise');
    points([0, 0], [100, 100], [100, 0], [0, 100]);
    sketch.finish();
    expect(sketch.refusal.value).toContain('crosses itself');
    sketch.takeBack();
    sketch.finish();
    expect(store.plan!.features).toHaveLength(1);
  });

  test('the same place twice is one point', async () => {
    const { sketch, points } = await aSketch();
    sketch.choose('track');
    points([10, 10], [10, 10], [90, 10]);
    expect(sketch.points.value).toHaveLength(2);
  });

  test('giving up first drops the points, then the tool', async () => {
    const { sketch, points } = await aSketch();
    sketch.choose('raise');
    points([10, 10]);
    sketch.giveUp();
    expect([sketch.points.value, sketch.tool.value.id]).toEqual([[], 'raise']);
    sketch.giveUp();
    expect(sketch.tool.value.id).toBe('hold');
  });

  test('points come to rest on seams within 7 px, on the 5 mm grid elsewhere, on neither with Alt', async () => {
    const { sketch } = await aSketch();
    // Half a px for a mm: 14 mm reach. Brinefold's seams lie at 500 and 1000 mm.
    expect(sketch.snap({ x: 490, y: 251 }, null, false)).toEqual({ x: 500, y: 250 });
    expect(sketch.snap({ x: 484, y: 252.6 }, null, false)).toEqual({ x: 485, y: 255 });
    expect(sketch.snap({ x: 490.26, y: 251 }, null, true)).toEqual({ x: 490.3, y: 251 });
  });
});
