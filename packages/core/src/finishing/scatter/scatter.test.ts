import { describe, expect, test } from 'vitest';
import { contains } from '../../base/geometry';
import { seeded } from '../../base/random';
import { CATALOGUE, aBoard, aClearing, aCoat, aMound, aPlot, derived, withCoats } from '../../testing';
import { type ScatterTask, scattered, sizeOf } from './scatter';

const CROOKED: ScatterTask['region'] = {
  rings: [
    [
      { x: 13, y: 7 },
      { x: 611, y: 41 },
      { x: 583, y: 401 },
      { x: 297, y: 303 },
      { x: 29, y: 377 },
    ],
  ],
};
const SIZE = { least: 2, most: 9 };
const leastApart = (spots: readonly { x: number; y: number }[]): number => {
  let least = Infinity;
  spots.forEach((a, i) => spots.slice(i + 1).forEach((b) => (least = Math.min(least, Math.hypot(a.x - b.x, a.y - b.y)))));
  return least;
};

describe('things strewn', () => {
  test.each([[60], [400], [1500]])('%d of them: all there, all inside, none nearer than said', (count) => {
    const { spots, leastMm } = scattered({ region: CROOKED, count, sizeMm: SIZE }, seeded(count));
    expect(spots).toHaveLength(count);
    for (const spot of spots) expect(contains(CROOKED, spot)).toBe(true);
    expect(leastApart(spots)).toBeGreaterThanOrEqual(leastMm - 1e-9);
    // Chance alone puts two far nearer: blue noise keeps some two thirds of the distance of the tightest packing.
    const packed = Math.sqrt((2 / Math.sqrt(3)) * (152_000 / count));
    expect(leastMm).toBeGreaterThan(packed * 0.55);
  });
  test('where more is to stand they stand nearer, each still at its own distance', () => {
    const weightAt = ({ x }: { x: number }): number => (x < 300 ? 4 : 1);
    const { spots, leastMm } = scattered({ region: CROOKED, count: 800, sizeMm: SIZE, weightAt }, seeded(5));
    const left = spots.filter(({ x }) => x < 300).length;
    expect(left / (800 - left)).toBeGreaterThan(2);
    spots.forEach((a, i) =>
      spots.slice(i + 1).forEach((b) => {
        const weight = Math.max(weightAt(a), weightAt(b));
        expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(leastMm / Math.sqrt(weight) - 1e-9);
      }),
    );
  });
  test('the same seed gives the same places, another others', () => {
    const of = (seed: number) => scattered({ region: CROOKED, count: 50, sizeMm: SIZE }, seeded(seed)).spots;
    expect(of(3)).toEqual(of(3));
    expect(of(3)).not.toEqual(of(4));
  });
  test('sizes: many small, few large, none beyond', () => {
    const random = seeded(9);
    const sizes = Array.from({ length: 4_000 }, () => sizeOf(random(), SIZE));
    expect(Math.min(...sizes)).toBeGreaterThanOrEqual(2);
    expect(Math.max(...sizes)).toBeLessThanOrEqual(9);
    const share = (from: number, to: number): number => sizes.filter((size) => size >= from && size < to).length;
    expect(share(2, 3)).toBeGreaterThan(3 * share(4, 5));
    expect(share(7, 9.1)).toBeGreaterThan(20);
  });
});

test('tufts keep off ground that is kept clear and off plots, come in their count, and gather at the foot of a mound', () => {
  const plan = withCoats(
    aBoard({}, aClearing([600, 100, 300, 300]), aPlot([100, 500, 150, 150], 0), aMound([200, 100, 200, 200], 30)),
    'open',
    [aCoat('tufts', 'set-down', { strewn: { perM2: 300, clumpPct: 0, feetPct: 100 } })],
  );
  const [strewn] = derived(plan).strewn;
  const area = 1200 * 800 - 200 * 200 - 150 * 150;
  expect(strewn!.spots).toHaveLength(Math.round((300 * area) / 1e6));
  const clear = plan.play.baseMm / 2;
  for (const { x, y } of strewn!.spots) {
    expect(x > 600 - clear + 1 && x < 900 + clear - 1 && y > 100 - clear + 1 && y < 400 + clear - 1).toBe(false);
    expect(x > 100 && x < 250 && y > 500 && y < 650).toBe(false);
  }
  const atFoot = strewn!.spots.filter(({ x, y }) => x > 186 && x < 414 && y > 86 && y < 314).length;
  const footMm2 = 228 * 228 - 200 * 200;
  expect(atFoot / footMm2).toBeGreaterThan((2 * strewn!.spots.length) / area);
  expect(CATALOGUE.coatings.find(({ id }) => id === 'tufts')!.spread.by).toBe('count');
});
