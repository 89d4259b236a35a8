import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { alongLine, lineLengthMm, pointAlong, roundRing } from './outline';
import { thinned } from './thinned';
import {
  areaMm2,
  boxRegion,
  clippedTo,
  contains,
  evenOdd,
  grown,
  intersection,
  isEmpty,
  pieces,
  regionBox,
  regionOf,
  without,
} from './region';
import { boxHolds, distanceMm, turnsOneWay } from './point';

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

describe('what lies in a box', () => {
  /** Rings about a middle that turn in and out as they like, and combs whose teeth come into the box again and again. */
  const star = fc
    .array(fc.double({ min: 8, max: 90, noNaN: true }), { minLength: 3, maxLength: 14 })
    .map((radii) =>
      radii.map((radius, i) => ({
        x: 50 + radius * Math.cos((2 * Math.PI * i) / radii.length + 0.013),
        y: 50 + radius * Math.sin((2 * Math.PI * i) / radii.length + 0.013),
      })),
    );
  /** Corners on an oval: it turns one way. */
  const oval = fc
    .tuple(fc.uniqueArray(fc.integer({ min: 0, max: 71 }), { minLength: 3, maxLength: 24 }), fc.integer({ min: 10, max: 90 }))
    .map(([turns, wide]) =>
      turns
        .toSorted((a, b) => a - b)
        .map((turn) => ({ x: 50 + wide * Math.cos((Math.PI * turn) / 36 + 0.02), y: 40 + 45 * Math.sin((Math.PI * turn) / 36 + 0.02) })),
    );
  const comb = fc.array(fc.integer({ min: 12, max: 120 }), { minLength: 2, maxLength: 5 }).map((teeth) => [
    { x: -40, y: -9 },
    { x: 20 * teeth.length - 40, y: -9 },
    ...teeth.flatMap((deep, i) => {
      const right = 20 * (teeth.length - i) - 40;
      return [
        { x: right, y: deep },
        { x: right - 10, y: deep },
        { x: right - 10, y: -2 },
        { x: right - 20, y: -2 },
      ];
    }),
  ]);
  const box = fc
    .tuple(
      fc.integer({ min: -30, max: 60 }),
      fc.integer({ min: -30, max: 60 }),
      fc.integer({ min: 5, max: 90 }),
      fc.integer({ min: 5, max: 90 }),
    )
    .map(([left, top, wide, deep]) => ({ left, top, right: left + wide, bottom: top + deep }));
  test('of a ring it is the same ground in the same pieces as where it is cut with the box as any region', () => {
    fc.assert(
      fc.property(fc.oneof(star, comb, oval, oval), box, (ring, within) => {
        const [quick, plain] = [clippedTo(regionOf(ring), within), intersection(regionOf(ring), boxRegion(within))];
        const real = (region: typeof plain): number => pieces(region).filter((piece) => areaMm2(piece) > 0.5).length;
        expect(real(quick)).toBe(real(plain));
        expect(areaMm2(without(quick, [plain])) + areaMm2(without(plain, [quick]))).toBeLessThan(0.5);
      }),
      { numRuns: 300 },
    );
  });
  test('a hollow that reaches the side of the box opens it: it is no ring of its own', () => {
    const frame = evenOdd([
      boxRegion({ left: 0, top: 0, right: 100, bottom: 100 }).rings[0]!,
      boxRegion({ left: 20, top: 20, right: 80, bottom: 80 }).rings[0]!,
    ]);
    const half = clippedTo(frame, { left: 0, top: 0, right: 50, bottom: 100 });
    expect(half.rings).toHaveLength(1);
    expect(areaMm2(half)).toBeCloseTo(50 * 100 - 30 * 60, 6);
  });
  test('beside it there is nothing', () => {
    expect(isEmpty(clippedTo(square, { left: 100.5, top: 0, right: 200, bottom: 50 }))).toBe(true);
  });
});

describe('turning one way', () => {
  test('a square does, whichever way round; an angle does not, nor what runs straight on', () => {
    const [ring] = square.rings as [readonly { x: number; y: number }[]];
    expect([turnsOneWay(ring), turnsOneWay([...ring].reverse())]).toEqual([true, true]);
    expect(turnsOneWay([...ring.slice(0, 2), { x: 100, y: 50 }, { x: 50, y: 50 }, { x: 50, y: 100 }, { x: 0, y: 100 }])).toBe(false);
    expect(turnsOneWay([ring[0]!, { x: 50, y: 0 }, ...ring.slice(1)])).toBe(false);
  });
});
