import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { alongLine, lineLengthMm, pointAlong, roundRing } from './outline';
import { thinned } from './thinned';
import { areaMm2, boxRegion, contains, evenOdd, grown, isEmpty, regionBox, regionOf } from './region';
import { boxHolds, distanceMm } from './point';

const square = boxRegion({ left: 0, top: 0, right: 100, bottom: 100 });

describe('growing and setting in', () => {
  test('a square of 100 grown by 10 gains four strips and four quarter rounds', () => {
    expect(areaMm2(grown(square, 10))).toBeCloseTo(100 * 100 + 4 * 100 * 10 + Math.PI * 100, -1); // arcs as chords
  });
  test('set in by 30 it is 40 a side; by 50 or more nothing is left', () => {
    expect(areaMm2(grown(square, -30))).toBeCloseTo(1_600, 6);
    expect(isEmpty(grown(square, -50))).toBe(true);
    expect(isEmpty(grown(square, -200))).toBe(true);
  });
  test('by nothing it is the very same', () => {
    expect(grown(square, 0)).toBe(square);
  });
  test('grown and set in again a convex shape comes back, whatever the distance', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), (by) => {
        expect(areaMm2(grown(grown(square, by), -by)) / areaMm2(square)).toBeCloseTo(1, 2);
      }),
      { numRuns: 20 },
    );
  });
});

describe('rings within rings', () => {
  test('a ring within a ring is a hollow, a third within that is ground again', () => {
    const ring = (by: number) => [
      { x: by, y: by },
      { x: 100 - by, y: by },
      { x: 100 - by, y: 100 - by },
      { x: by, y: 100 - by },
    ];
    const region = evenOdd([ring(0), ring(20), ring(40)]);
    expect(areaMm2(region)).toBeCloseTo(100 ** 2 - 60 ** 2 + 20 ** 2, 6);
    expect([10, 30, 50].map((x) => contains(region, { x, y: 50 }))).toEqual([true, false, true]);
  });
  test('nothing encloses nothing', () => {
    expect(isEmpty(evenOdd([]))).toBe(true);
  });
});

describe('by a line', () => {
  const line = [
    { x: 0, y: 0 },
    { x: 100, y: 0 },
    { x: 100, y: 50 },
  ];
  test('a place beside the second leg: 10 mm off, 120 mm along', () => {
    expect(alongLine(line, { x: 110, y: 20 })).toEqual({ offMm: 10, atMm: 120 });
  });
  test('before the start it is measured to the start', () => {
    expect(alongLine(line, { x: -3, y: 4 })).toEqual({ offMm: 5, atMm: 0 });
  });
  test('two thirds along 150 mm is the corner; past both ends are the ends', () => {
    expect(pointAlong(line, 2 / 3)).toEqual({ x: 100, y: 0 });
    expect(pointAlong(line, 0)).toEqual({ x: 0, y: 0 });
    expect(pointAlong(line, 1)).toEqual({ x: 100, y: 50 });
  });
  test('a point of the line lies on it, as far along as it was put', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (share) => {
        const { offMm, atMm } = alongLine(line, pointAlong(line, share));
        expect(offMm).toBeLessThan(1e-9);
        expect(atMm).toBeCloseTo(lineLengthMm(line) * share, 6);
      }),
    );
  });
  test('a line of no length is a place', () => {
    expect(
      alongLine(
        [
          { x: 5, y: 5 },
          { x: 5, y: 5 },
        ],
        { x: 8, y: 9 },
      ),
    ).toEqual({ offMm: 5, atMm: 0 });
  });
});

test('a circle of 64 corners thinned by 1 mm has fewer, none of them far from it', () => {
  const ring = roundRing({ x: 0, y: 0 }, 100);
  const few = thinned(ring, 1);
  expect(few.length).toBeLessThan(ring.length);
  expect(few.length).toBeGreaterThan(8);
  for (const point of few) expect(distanceMm(point, { x: 0, y: 0 })).toBeCloseTo(100, 2);
  expect(areaMm2(regionOf(few)) / (Math.PI * 10_000)).toBeGreaterThan(0.96);
});

test('a box holds itself and what is in it, not what sticks out', () => {
  const outer = regionBox(square);
  expect(boxHolds(outer, outer)).toBe(true);
  expect(boxHolds(outer, { left: 10, top: 10, right: 90, bottom: 90 })).toBe(true);
  expect(boxHolds(outer, { left: 10, top: 10, right: 101, bottom: 90 })).toBe(false);
});

test('a point outside a region’s box is outside it, and on no account in an empty one', () => {
  expect(contains(square, { x: 100.1, y: 50 })).toBe(false);
  expect(contains({ rings: [] }, { x: 0, y: 0 })).toBe(false);
});
