import { describe, expect, test } from 'vitest';
import { capacityOf } from './capacity';
import { regularRing } from './enclosure';
import { rectangleRing } from '../family';

describe('bases on a level', () => {
  test.each([
    [77, 52, 6],
    [75, 50, 6],
    [74.8, 50, 4],
    [25, 25, 1],
    [24, 200, 0],
    // five rows of four squared are twenty; staggered, rows of 25·√3/2 and 4, 3, 4, 3, 4 … are no more
    [100, 125, 20],
  ])('%s × %s mm holds %s bases of 25', (wide, deep, count) => {
    expect(capacityOf(rectangleRing(0, 0, wide, deep), 25)).toBe(count);
  });
  test('where staggered rows hold more than squared ones they are taken: 7 rows in 164 mm instead of 6', () => {
    expect(capacityOf(rectangleRing(0, 0, 112.6, 25 + 6 * 21.66), 25)).toBe(7 * 4);
  });
  test('turned, it holds as many', () => {
    const turned = rectangleRing(0, 0, 77, 52).map(({ x, y }) => ({ x: (x - y) * Math.SQRT1_2, y: (x + y) * Math.SQRT1_2 }));
    expect(capacityOf(turned, 25)).toBe(6);
  });
  test('a ring of eight sides three bases across holds seven: one in the middle, six round it', () => {
    expect(capacityOf(regularRing(32, 75.6 / 2), 25)).toBe(7);
  });
  test('never more than their area over that of the closest packing', () => {
    for (let n = 3; n < 17; n++) {
      const ring = regularRing(n, 60);
      const bound = (n * 60 ** 2 * Math.tan(Math.PI / n)) / ((25 ** 2 * Math.sqrt(3)) / 2);
      expect(capacityOf(ring, 25)).toBeLessThanOrEqual(bound);
      expect(capacityOf(ring, 25)).toBeGreaterThan(bound * 0.45);
    }
  });
});
