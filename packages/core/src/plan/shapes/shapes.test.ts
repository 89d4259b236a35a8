import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { areaMm2, contains, distanceMm, regionBox } from '../../base/geometry';
import {
  AreaSchema,
  ContoursSchema,
  type Outline,
  type Shape,
  type Strip,
  contoursWithin,
  depthOfShapeMm,
  fittedTo,
  insetOf,
  mapped,
  mayLosePoint,
  movedBy,
  rectangle,
  shapeBox,
  shapePoints,
  shapeRegion,
  stripLengthMm,
  widthHandle,
  widthThrough,
  withPoint,
  withPointAfter,
  withoutPoint,
} from './index';

const box: Outline = rectangle({ x: 400, y: 50 }, { x: 100, y: 250 });
const round: Shape = { form: 'round', centre: { x: 200, y: 300 }, radiusMm: 80 };
const strip: Strip = {
  form: 'strip',
  points: [
    { x: 0, y: 0 },
    { x: 300, y: 0 },
    { x: 300, y: 200 },
  ],
  widthMm: 40,
  bendMm: 0,
};
const hill: Shape = { form: 'contours', levels: [[box.points], [rectangle({ x: 200, y: 100 }, { x: 300, y: 200 }).points]] };
const all: readonly (readonly [string, Shape])[] = [
  ['outline', box],
  ['round', round],
  ['strip', strip],
  ['contours', hill],
];

describe('the ground a shape covers', () => {
  test('two corners in any order are a rectangle', () => {
    expect(regionBox(shapeRegion(box))).toEqual({ left: 100, top: 50, right: 400, bottom: 250 });
    expect(areaMm2(shapeRegion(box))).toBeCloseTo(300 * 200, 6);
  });
  test('a round is a polygon of 64 sides within its circle: 0.16 % less than that', () => {
    const share = areaMm2(shapeRegion(round)) / (Math.PI * 80 ** 2);
    expect(share).toBeCloseTo((32 / Math.PI) * Math.sin(Math.PI / 32), 4);
  });
  test('a strip with sharp bends is its legs, and the corner between them once', () => {
    expect(areaMm2(shapeRegion(strip))).toBeCloseTo(320 * 40 + 180 * 40, 1);
    expect(stripLengthMm(strip)).toBe(500);
  });
  test('a bend takes a corner off its middle line: by a quarter circle of 60 for two legs of 60', () => {
    expect(stripLengthMm({ ...strip, bendMm: 60 })).toBeCloseTo(500 - 2 * 60 + (Math.PI / 2) * 60, 0);
  });
  test.each(all)('%s: its box holds it, and no more', (_, shape) => {
    const [own, region] = [shapeBox(shape), regionBox(shapeRegion(shape))];
    for (const side of ['left', 'top', 'right', 'bottom'] as const) expect(own[side]).toBeCloseTo(region[side], 1);
  });
});

describe('a shape that is moved', () => {
  test.each(all)('%s: keeps its ground, and comes back to the hundredth', (_, shape) => {
    fc.assert(
      fc.property(fc.integer({ min: -500, max: 500 }), fc.integer({ min: -500, max: 500 }), (dx, dy) => {
        const there = movedBy(shape, dx + 0.25, dy - 0.25);
        expect(areaMm2(shapeRegion(there))).toBeCloseTo(areaMm2(shapeRegion(shape)), 0);
        expect(shapeBox(there).left).toBeCloseTo(shapeBox(shape).left + dx + 0.25, 2);
        expect(movedBy(there, -dx - 0.25, 0.25 - dy)).toEqual(shape);
      }),
      { numRuns: 25 },
    );
  });
  test.each(all)('%s: twice as large it covers four times the ground', (_, shape) => {
    const twice = mapped(shape, ({ x, y }) => ({ x: 2 * x, y: 2 * y }), 2);
    expect(areaMm2(shapeRegion(twice)) / areaMm2(shapeRegion(shape))).toBeCloseTo(4, 3);
  });
  test('stretched into a box it fills that, its width as it was', () => {
    const wide = { left: 0, top: 0, right: 600, bottom: 100 };
    expect(shapeBox(fittedTo(box, wide))).toEqual(wide);
    expect((fittedTo(strip, wide) as Strip).widthMm).toBe(40);
  });
  test('one that is flat along a side stays where the box begins', () => {
    const flat: Outline = { form: 'outline', points: [0, 50, 100].map((x) => ({ x, y: 7 })) };
    expect((fittedTo(flat, { left: 10, top: 20, right: 30, bottom: 40 }) as Outline).points.map(({ x, y }) => [x, y])).toEqual([
      [10, 20],
      [20, 20],
      [30, 20],
    ]);
  });
});

describe('points taken hold of', () => {
  test('each can be put somewhere else, to the hundredth of a mm; a round has its middle, contours none', () => {
    expect((withPoint(box, 2, { x: 411.118, y: 260 }) as Outline).points[2]).toEqual({ x: 411.12, y: 260 });
    expect(withPoint(round, 0, { x: 1, y: 2 })).toEqual({ ...round, centre: { x: 1, y: 2 } });
    expect(withPoint(hill, 0, { x: 1, y: 2 })).toBe(hill);
    expect(all.map(([, shape]) => shapePoints(shape).length)).toEqual([4, 1, 3, 0]);
  });
  test('a new one lies half-way to the next, after the last half-way to the first', () => {
    expect((withPointAfter(box, 3) as Outline).points.at(-1)).toEqual({ x: 100, y: 150 });
    expect((withPointAfter(strip, 0) as Strip).points.map(({ x }) => x)).toEqual([0, 150, 300, 300]);
  });
  test('no outline is left with two corners, no strip with one', () => {
    const triangle: Outline = { ...box, points: box.points.slice(1) };
    const line: Strip = { ...strip, points: strip.points.slice(1) };
    expect([box, triangle, strip, line, round, hill].map(mayLosePoint)).toEqual([true, false, true, false, false, false]);
    expect(withoutPoint(triangle, 0)).toBe(triangle);
    expect((withoutPoint(box, 0) as Outline).points).toEqual(box.points.slice(1));
  });
  test('a strip is taken by its edge, half-way along its longest leg, and is as wide as it is pulled', () => {
    const handle = widthHandle(strip);
    expect(handle).toEqual({ x: 150, y: 20 });
    expect(widthThrough(strip, handle)).toBe(40);
    expect(widthThrough(strip, { x: 150, y: -35 })).toBe(70);
  });
});

describe('how far inside a point lies', () => {
  test.each([
    ['a round', round, { x: 230, y: 300 }, 50],
    ['a round, outside', round, { x: 200, y: 400 }, -20],
    ['an outline', box, { x: 130, y: 100 }, 30],
    ['a strip', strip, { x: 100, y: 12 }, 8],
    ['contours, from the foot', hill, { x: 250, y: 90 }, 40],
  ] as const)('%s', (_, shape, point, mm) => expect(insetOf(shape)(point)).toBeCloseTo(mm, 6));
  test('its middle is as far in as half of the narrower side', () => {
    expect([round, strip].map(depthOfShapeMm)).toEqual([80, 20]);
    expect(depthOfShapeMm(box)).toBeCloseTo(100, 1);
  });
  test('contours rise evenly: each as far within the last as the next', () => {
    const { levels } = contoursWithin(box, 4);
    expect(levels).toHaveLength(4);
    levels.slice(1).forEach((rings, i) => {
      const least = Math.min(...rings[0]!.map((point) => Math.min(...box.points.map((corner) => distanceMm(corner, point)))));
      // Corners stay square: along both sides as far in.
      expect(least).toBeCloseTo(Math.SQRT2 * 25 * (i + 1), 0);
      expect(rings[0]!.every((point) => contains(shapeRegion(box), point))).toBe(true);
    });
    expect(contoursWithin({ ...strip, points: strip.points.slice(0, 2) }, 400).levels.length).toBeLessThan(400);
  });
});

describe('a shape as it is typed', () => {
  const refusal = (shape: object): string => AreaSchema.safeParse(shape).error!.issues[0]!.message;
  const outline = (...points: readonly (readonly [number, number])[]): object => ({
    form: 'outline',
    points: points.map(([x, y]) => ({ x, y })),
  });
  test.each([
    ['the first corner again at the end', outline([0, 0], [9, 0], [9, 9], [0, 0]), 'corner 4 repeats the first corner'],
    ['a corner twice', outline([0, 0], [9, 0], [9, 0], [0, 9]), 'corner 3 repeats corner 2 at 9, 0 mm'],
    ['all on one line', outline([0, 0], [5, 5], [9, 9]), 'all 3 corners lie on one line'],
    ['a bow tie', outline([0, 0], [9, 9], [9, 0], [0, 9]), 'side 1 crosses side 3'],
    ['two corners', outline([0, 0], [9, 9]), 'at least 3 corners'],
  ])('%s is refused, and told', (_, shape, words) => expect(refusal(shape)).toContain(words));
  test('contours have a level, and no more points than can be value used', () => {
    expect(ContoursSchema.safeParse({ form: 'contours', levels: [] }).success).toBe(false);
    expect(ContoursSchema.safeParse(hill).success).toBe(true);
  });
});
