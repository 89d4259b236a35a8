import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Point, type Region, areaMm2, evenOdd, grown, intersection, regionOf } from '../../../../base/geometry';
import { seeded } from '../../../../base/random';
import { type ConvexPiece, convexPieces, depthOf } from './convex';
import { shifted } from './outline';
import { type Body, Separation } from './separation';

const ring = (...points: readonly (readonly [number, number])[]): Region => regionOf(points.map(([x, y]) => ({ x, y })));
const polygonOf = ({ xs, ys }: ConvexPiece): Point[] => [...xs].map((x, i) => ({ x, y: ys[i]! }));
const asRegion = (piece: ConvexPiece): Region => regionOf(polygonOf(piece));
const ANGLE = ring([0, 0], [120, 0], [120, 40], [40, 40], [40, 120], [0, 120]);
const CRESCENT = regionOf([
  ...Array.from({ length: 13 }, (_, i) => ({ x: 60 + 60 * Math.cos((i * Math.PI) / 12), y: 60 - 60 * Math.sin((i * Math.PI) / 12) })),
  ...Array.from({ length: 13 }, (_, i) => ({ x: 60 - 38 * Math.cos((i * Math.PI) / 12), y: 60 - 38 * Math.sin((i * Math.PI) / 12) })),
]);
const FRAME = evenOdd([
  [
    [0, 0],
    [100, 0],
    [100, 80],
    [0, 80],
  ].map(([x, y]) => ({ x: x!, y: y! })),
  [
    [30, 20],
    [70, 20],
    [70, 60],
    [30, 60],
  ].map(([x, y]) => ({ x: x!, y: y! })),
]);
const point = fc.record({ x: fc.integer({ min: 0, max: 90 }), y: fc.integer({ min: 0, max: 90 }) });
const aShape = fc
  .array(point, { minLength: 3, maxLength: 8 })
  .map((points) => evenOdd([points]))
  .filter((shape) => areaMm2(shape) > 100);

describe('an outline in convex pieces', () => {
  test('covers it exactly, none over another, each convex, and few of them', () => {
    for (const [shape, most] of [
      [ANGLE, 2],
      [CRESCENT, 13],
      [FRAME, 4],
      [ring([0, 0], [50, 0], [50, 30], [0, 30]), 1],
    ] as const) {
      const pieces = convexPieces(shape);
      expect(pieces.length).toBeLessThanOrEqual(most);
      expect(pieces.reduce((sum, piece) => sum + areaMm2(asRegion(piece)), 0)).toBeCloseTo(areaMm2(shape), 6);
      for (const piece of pieces) expect(areaMm2(intersection(asRegion(piece), shape))).toBeCloseTo(areaMm2(asRegion(piece)), 1);
    }
  });
  test('any is covered, with holes, in several lumps, or touching itself half-way along a side', () => {
    const covers = (shape: Region): void => {
      const covered = convexPieces(shape).reduce((sum, piece) => sum + areaMm2(intersection(asRegion(piece), shape)), 0);
      expect(covered).toBeGreaterThan(areaMm2(shape) * 0.998);
    };
    covers(ring([4, 0], [5, 9], [1, 0], [4, 7], [0, 42], [0, 0]));
    fc.assert(fc.property(aShape, covers), { numRuns: 80 });
  });
});

describe('how deep two outlines lie in each other', () => {
  const depth = (a: Region, b: Region, dx: number, dy: number, nearMm: number): number =>
    Math.max(...convexPieces(a).flatMap((one) => convexPieces(b).map((other) => depthOf(one, other, dx, dy, nearMm))));
  test('of squares is the shortest way out', () => {
    const square = ring([0, 0], [40, 0], [40, 40], [0, 40]);
    expect(depth(square, square, 33, 10, 0)).toBeCloseTo(7, 9);
    expect(depth(square, square, 10, -33, 2)).toBeCloseTo(9, 9);
    expect(depth(square, square, 41, 0, 2)).toBeCloseTo(1, 9);
    expect([depth(square, square, 40, 0, 0), depth(square, square, 42, 7, 2)]).toEqual([0, 0]);
  });
  test('is none where the side of either parts them', () => {
    const square = ring([0, 0], [40, 0], [40, 40], [0, 40]);
    const wedge = ring([0, 0], [60, 60], [0, 60]);
    // The wedge's slope runs past the square's corner, 5 mm off.
    const off = 40 + 5 * Math.SQRT2;
    expect(depth(square, wedge, -off, 0, 4.9)).toBe(0);
    expect(depth(wedge, square, off, 0, 4.9)).toBe(0);
    expect(depth(square, wedge, -off, 0, 5.1)).toBeCloseTo(0.1, 6);
    expect(depth(wedge, square, off, 0, 5.1)).toBeCloseTo(0.1, 6);
  });
  test('is none only where they are as far apart as is wanted, and some wherever they meet, as the clipper has it', () => {
    const offset = fc.integer({ min: -100, max: 100 });
    fc.assert(
      fc.property(aShape, aShape, offset, offset, fc.constantFrom(0, 3), (a, b, dx, dy, nearMm) => {
        const own = depth(a, b, dx, dy, nearMm);
        const met = areaMm2(intersection(nearMm > 0 ? grown(a, nearMm - 0.02) : a, shifted(b, dx, dy)));
        if (own === 0) expect(met).toBeLessThan(0.05);
        if (areaMm2(intersection(a, shifted(b, dx, dy))) > 0.05) expect(own).toBeGreaterThan(0);
      }),
      { numRuns: 150 },
    );
  });
});

describe('taking apart', () => {
  const halved = ({ rings }: Region, w: number, h: number): Region => ({
    rings: rings.map((own) => own.map(({ x, y }) => ({ x: w - x, y: h - y }))),
  });
  const bodyOf = (shape: Region, w: number, h: number): Body => ({
    fixed: null,
    lies: [shape, halved(shape, w, h)].map((one) => ({ widthMm: w, depthMm: h, pieces: convexPieces(one) })),
  });
  const clearAfter = (search: Separation, most: number): number => {
    let sweeps = 0;
    while (!search.isClear && sweeps < most) {
      search.sweep();
      sweeps += 1;
    }
    return search.isClear ? sweeps : Infinity;
  };
  test('finds the one way in which three pairs of angles go on a sheet that leaves a millimetre each way', () => {
    // Two angles of 120 mm, one turned by half, hook into each other in a box of 160 × 120: three of them, a kerf of 2 between.
    const bodies = Array.from({ length: 6 }, () => bodyOf(ANGLE, 120, 120));
    for (const seed of [1, 2, 3]) {
      const search = new Separation(bodies, [{ w: 163, h: 3 * 162 + 5 }], 2, seeded(seed), []);
      expect(clearAfter(search, 1_500), `seed ${seed}`).toBeLessThan(Infinity);
    }
  }, 60_000);
  test('packs wedges and angles to 78 % of a sheet', () => {
    for (const seed of [1, 2, 3]) {
      const random = seeded(seed);
      let filledMm2 = 0;
      const bodies = Array.from({ length: 14 }, (_, i): Body => {
        const [w, h] = [90 + random() * 110, 70 + random() * 90];
        const shape =
          i % 2 === 0 ? ring([0, 0], [w, 0], [0, h]) : ring([0, 0], [w, 0], [w, h * 0.4], [w * 0.35, h * 0.4], [w * 0.35, h], [0, h]);
        filledMm2 += areaMm2(shape);
        return bodyOf(shape, w, h);
      });
      const side = Math.sqrt(filledMm2 / 0.78);
      expect(
        clearAfter(new Separation(bodies, [{ w: side * 1.25, h: side / 1.25 }], 0, seeded(seed), []), 350),
        `seed ${seed}`,
      ).toBeLessThan(Infinity);
    }
  }, 60_000);
  test('spreads over sheets, keeps what is fixed where it is, and never leaves the sheet', () => {
    const fixed: Body = { ...bodyOf(ANGLE, 120, 120), fixed: { sheet: 1, lie: 0, x: 20, y: 10 } };
    const bodies = [...Array.from({ length: 7 }, () => bodyOf(CRESCENT, 120, 60)), fixed];
    const grounds = [
      { w: 260, h: 140 },
      { w: 240, h: 200 },
    ];
    const search = new Separation(bodies, grounds, 1, seeded(4), []);
    expect(clearAfter(search, 600)).toBeLessThan(Infinity);
    const spots = search.found;
    expect(spots[7]).toEqual({ sheet: 1, lie: 0, x: 20, y: 10 });
    const at = (i: number): Region => {
      const shape = i === 7 ? ANGLE : spots[i]!.lie === 0 ? CRESCENT : halved(CRESCENT, 120, 60);
      return shifted(shape, spots[i]!.x, spots[i]!.y);
    };
    for (const [i, { sheet, x, y }] of spots.entries()) {
      if (i < 7) expect([x >= 0, y >= 0, x + 120 <= grounds[sheet]!.w, y + 60 <= grounds[sheet]!.h]).toEqual([true, true, true, true]);
      for (let j = 0; j < i; j++)
        if (spots[j]!.sheet === sheet) expect(areaMm2(intersection(grown(at(i), 0.98), at(j))), `${i} and ${j}`).toBeLessThan(0.05);
    }
  }, 60_000);
  test('never says that what has no room is clear', () => {
    const bodies = Array.from({ length: 3 }, () => bodyOf(ring([0, 0], [50, 0], [50, 50], [0, 50]), 50, 50));
    expect(clearAfter(new Separation(bodies, [{ w: 151, h: 60 }], 1, seeded(1), []), 150)).toBe(Infinity);
    expect(clearAfter(new Separation(bodies, [{ w: 153, h: 60 }], 1, seeded(1), []), 150)).toBeLessThan(Infinity);
  });
});
