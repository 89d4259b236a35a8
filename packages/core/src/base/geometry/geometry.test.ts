import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Point } from './point';
import { ROUND_SIDES, bent, lineLengthMm, roundRing, selfCrossing, stripRegion } from './outline';
import { areaMm2, boxRegion, contains, crossings, edgeMm, innerEdgeMm, intersection, pieces, regionOf, unite, without } from './region';

const box = (left: number, top: number, width: number, depth: number) => boxRegion({ left, top, right: left + width, bottom: top + depth });

describe('regions', () => {
  test('two squares of 100 mm that share a quarter cover 17 500 mm² and leave 7500 of one', () => {
    const [a, b] = [box(0, 0, 100, 100), box(50, 50, 100, 100)];
    expect(areaMm2(unite([a, b]))).toBeCloseTo(17_500, 6);
    expect(areaMm2(intersection(a, b))).toBeCloseTo(2_500, 6);
    expect(areaMm2(without(a, [b]))).toBeCloseTo(7_500, 6);
  });

  test('a hole counts off the area and onto the edge', () => {
    const frame = without(box(0, 0, 100, 100), [box(25, 25, 50, 50)]);
    expect(areaMm2(frame)).toBeCloseTo(7_500, 6);
    expect(edgeMm(frame)).toBeCloseTo(400 + 200, 6);
    expect(contains(frame, { x: 50, y: 50 })).toBe(false);
    expect(contains(frame, { x: 10, y: 50 })).toBe(true);
  });

  test('a bar cut in the middle comes apart in two pieces, a frame with an island in two', () => {
    expect(pieces(without(box(0, 0, 300, 20), [box(100, -5, 50, 40)]))).toHaveLength(2);
    const island = unite([without(box(0, 0, 100, 100), [box(20, 20, 60, 60)]), box(40, 40, 20, 20)]);
    expect(
      pieces(island)
        .map((piece) => areaMm2(piece))
        .sort((a, b) => a - b),
    ).toEqual([expect.closeTo(400, 6), expect.closeTo(6_400, 6)]);
  });

  test('edges along the tile are left out of the inner edge', () => {
    const half = intersection(box(-50, 20, 100, 60), box(0, 0, 100, 100)); // 50 × 60 against the left side
    expect(innerEdgeMm(half, { left: 0, top: 0, right: 100, bottom: 100 })).toBeCloseTo(50 + 60 + 50, 6);
  });

  test('cutting and the cut-off always add up, for any two boxes', () => {
    const side = fc.integer({ min: 1, max: 400 });
    fc.assert(
      fc.property(side, side, side, side, side, side, side, side, (x, y, w, h, u, v, p, q) => {
        const [a, b] = [box(x, y, w, h), box(u, v, p, q)];
        expect(areaMm2(intersection(a, b)) + areaMm2(without(a, [b]))).toBeCloseTo(w * h, 3);
      }),
    );
  });

  test('a line through two boxes crosses their sides at the shares one would measure', () => {
    const found = crossings(unite([box(10, 0, 20, 10), box(60, 0, 20, 10)]), { x: 0, y: 5 }, { x: 100, y: 5 });
    expect(found).toEqual([0.1, 0.3, 0.6, 0.8].map((share) => expect.closeTo(share, 9) as number));
  });
});

describe('outlines', () => {
  test('a straight strip is its length times its width, square at the ends', () => {
    expect(
      areaMm2(
        stripRegion(
          [
            { x: 0, y: 0 },
            { x: 300, y: 400 },
          ],
          60,
        ),
      ),
    ).toBeCloseTo(500 * 60, 0);
  });

  test('a strip round a corner keeps length × width: what the outside gains the inside loses', () => {
    const line = [
      { x: 0, y: 0 },
      { x: 400, y: 0 },
      { x: 400, y: 300 },
    ];
    expect(areaMm2(stripRegion(line, 50))).toBeCloseTo(700 * 50, 0);
    const round = bent(line, 100); // two legs shorter by 100 each, a quarter circle of 100 in between
    expect(lineLengthMm(round)).toBeCloseTo(500 + (Math.PI / 2) * 100, 0);
    expect(areaMm2(stripRegion(round, 50)) / (lineLengthMm(round) * 50)).toBeCloseTo(1, 4);
  });

  test('a bend tighter than its legs takes half of the shorter leg, not more', () => {
    const line = bent(
      [
        { x: 0, y: 0 },
        { x: 40, y: 0 },
        { x: 40, y: 300 },
      ],
      500,
    );
    expect(line[1]).toEqual({ x: expect.closeTo(20, 9) as number, y: expect.closeTo(0, 9) as number });
  });

  test('a round of radius 100 has the area of its polygon', () => {
    const polygon = (ROUND_SIDES / 2) * 100 * 100 * Math.sin((2 * Math.PI) / ROUND_SIDES);
    expect(areaMm2(regionOf(roundRing({ x: 0, y: 0 }, 100)))).toBeCloseTo(polygon, 0);
  });

  test('whatever the outline, the same pair of sides as looking at every pair finds', () => {
    const corner = fc.record({ x: fc.integer({ min: 0, max: 7 }), y: fc.integer({ min: 0, max: 7 }) });
    fc.assert(
      fc.property(fc.uniqueArray(corner, { minLength: 3, maxLength: 12, selector: ({ x, y }) => `${x} ${y}` }), (ring) => {
        expect(selfCrossing(ring)).toEqual(bySight(ring));
      }),
      { numRuns: 2_000, seed: 5 },
    );
  });

  test('a bow tie crosses itself, a dog-leg does not, a spike folds back on itself', () => {
    const [a, b, c, d] = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 100 },
      { x: 0, y: 100 },
    ] as const;
    expect(selfCrossing([a, b, c, d])).toBeNull();
    expect(selfCrossing([a, c, b, d])).toEqual([0, 2]);
    expect(selfCrossing([a, b, { x: 40, y: 0 }])).not.toBeNull();
    expect(selfCrossing([a, b, { x: 100, y: 50 }, { x: 50, y: 50 }, { x: 50, y: 100 }, d])).toBeNull();
  });
});

/** The first pair of sides that meet where they should not, by looking at all of them. */
function bySight(ring: readonly Point[]): readonly [number, number] | null {
  const count = ring.length;
  const at = (i: number): Point => ring[i % count]!;
  const side = (p: Point, q: Point, r: Point): number => Math.sign((q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x));
  const between = (p: Point, q: Point, r: Point): boolean =>
    side(p, q, r) === 0 && Math.min(p.x, q.x) <= r.x && r.x <= Math.max(p.x, q.x) && Math.min(p.y, q.y) <= r.y && r.y <= Math.max(p.y, q.y);
  const meet = (a: Point, b: Point, c: Point, d: Point): boolean =>
    (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) ||
    between(a, b, c) ||
    between(a, b, d) ||
    between(c, d, a) ||
    between(c, d, b);
  const foldsBack = (a: Point, corner: Point, b: Point): boolean =>
    side(a, corner, b) === 0 && (a.x - corner.x) * (b.x - corner.x) + (a.y - corner.y) * (b.y - corner.y) > 0;
  for (let i = 0; i < count; i++) {
    for (let j = i + 1; j < count; j++) {
      if (i === 0 && j === count - 1 && foldsBack(at(j), at(0), at(1))) return [i, j];
      if (j === i + 1 && foldsBack(at(i), at(j), at(j + 1))) return [i, j];
      const areNeighbours = j === i + 1 || (i === 0 && j === count - 1);
      if (!areNeighbours && meet(at(i), at(i + 1), at(j), at(j + 1))) return [i, j];
    }
  }
  return null;
}
