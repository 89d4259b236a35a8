import { expect, test } from 'vitest';
import { rubbleMm3 } from './heap';

test('rubble is the heap less its core: two cones', () => {
  const heap = { wideMm: 100, deepMm: 80, highMm: 20, skinMm: 8 };
  expect(rubbleMm3(heap)).toBeCloseTo((Math.PI / 3) * (50 * 40 * 20 - 42 * 32 * 12), 6);
});
