import { describe, expect, test } from 'vitest';
import { placeNames } from './placeNames';

const NO_SEAMS = { x: [], y: [] };
const spot = (id: string, ...places: (readonly [number, number])[]) => ({
  id,
  text: 'ten letter',
  places: places.map(([x, y]) => ({ x, y })),
});
const at = (spots: ReturnType<typeof spot>[], seams = NO_SEAMS as { x: number[]; y: number[] }) =>
  placeNames(spots, seams).map(({ id, at: { x, y } }) => `${id} ${x} ${y}`);

describe('names on the plan', () => {
  test('a name stands in its first place', () => {
    expect(at([spot('a', [100, 50], [100, 80])])).toEqual(['a 100 50']);
  });
  test('a second name in the same place moves on to its next', () => {
    expect(at([spot('a', [100, 50]), spot('b', [110, 55], [110, 80])])).toEqual(['a 100 50', 'b 110 80']);
  });
  test('a name with no free place is left out rather than printed over another', () => {
    expect(at([spot('a', [100, 50]), spot('b', [120, 50])])).toEqual(['a 100 50']);
  });
  test('a place off the seams is better than the first, a place on one better than none', () => {
    expect(at([spot('a', [100, 50], [200, 50])], { x: [100], y: [] })).toEqual(['a 200 50']);
    expect(at([spot('a', [100, 50])], { x: [], y: [50] })).toEqual(['a 100 50']);
  });
});
