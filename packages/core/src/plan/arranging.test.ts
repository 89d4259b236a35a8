import { type Feature, kindOf } from './features';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { areaMm2 } from '../base/geometry';
import { aField, aHill, aMound, aTrack, someLights } from '../testing';
import { aligned, boxOfAll, mirrored, repeated, turned } from './arranging';
import { contoursWithin, levelRegion, rectangle, shapeBox, shapeRegion } from './shapes';
import { scaledUnderlay } from './underlay';

const left = (feature: Feature): number => shapeBox(feature.shape).left;

describe('lining up, mirroring, turning, repeating', () => {
  const [a, b] = [aMound([100, 100, 80, 40], 20, 'a'), aMound([300, 250, 40, 90], 20, 'b')];

  test('two mounds to the left edge of both, to their middles, to the near side', () => {
    const box = boxOfAll([a, b]);
    expect(aligned([a, b], 'left', box).map(left)).toEqual([100, 100]);
    expect(aligned([a, b], 'middle', box).map(({ shape }) => (shapeBox(shape).top + shapeBox(shape).bottom) / 2)).toEqual([220, 220]);
    expect(aligned([a, b], 'near', box).map(({ shape }) => shapeBox(shape).bottom)).toEqual([340, 340]);
  });
  test('mirrored about x = 200, what reached from 100 to 180 reaches from 220 to 300', () => {
    const [mirror] = mirrored([a], 'x', 200);
    expect(shapeBox(mirror!.shape)).toEqual({ left: 220, right: 300, top: 100, bottom: 140 });
  });
  test('a quarter turn about its middle swaps width and depth exactly', () => {
    expect(shapeBox(turned([a], 90, { x: 140, y: 120 })[0]!.shape)).toEqual({ left: 120, right: 160, top: 80, bottom: 160 });
  });
  test('a field turned by 30° turns its rows with it; mirrored they lean the other way', () => {
    const field = aField([100, 100, 200, 100], 12);
    expect(turned([field], 30, { x: 0, y: 0 })[0]).toMatchObject({ rowTurnDeg: 30 });
    expect(mirrored(turned([field], 30, { x: 0, y: 0 }), 'x', 0)[0]).toMatchObject({ rowTurnDeg: -30 });
  });
  test('three more, each 100 mm on', () => {
    expect(repeated([a], 3, 100, 0).map(([copy]) => left(copy!))).toEqual([200, 300, 400]);
  });
  test('turning and mirroring any shape keeps its area, and four quarter turns bring it back', () => {
    const shapes = [
      a,
      aTrack(
        [
          [10, 10],
          [200, 90],
          [260, 300],
        ],
        30,
      ),
      aHill([50, 50, 200, 150], 10, [0, 30]),
    ];
    fc.assert(
      fc.property(fc.constantFrom(...shapes), fc.integer({ min: -359, max: 359 }), (feature, deg) => {
        const area = areaMm2(shapeRegion(feature.shape));
        expect(areaMm2(shapeRegion(turned([feature], deg, { x: 100, y: 100 })[0]!.shape)) / area).toBeCloseTo(1, 3);
        expect(areaMm2(shapeRegion(mirrored([feature], 'y', 77)[0]!.shape)) / area).toBeCloseTo(1, 3);
        const round = [1, 2, 3, 4].reduce<readonly Feature[]>((now) => turned(now, 90, { x: 100, y: 100 }), [feature]);
        expect(round[0]!.shape).toEqual(feature.shape);
      }),
      { numRuns: 60 },
    );
  });
});

test('a hill drawn as a rectangle of 200 × 120 rises in 3 steps of equal inset to its middle: 0, 20 and 40 mm in', () => {
  const { levels } = contoursWithin(rectangle({ x: 0, y: 0 }, { x: 200, y: 120 }), 3);
  expect(levels.map((rings) => Math.round(areaMm2(levelRegion(rings))))).toEqual([200 * 120, 160 * 80, 120 * 40]);
});

describe('marks on features', () => {
  test('a road of three lanes has two lines, 10 mm either side of its middle', () => {
    const road = {
      ...aTrack(
        [
          [0, 100],
          [300, 100],
        ],
        60,
      ),
      lanes: 3,
      marking: 'dashes',
    } as Feature;
    const { lines, dashed } = kindOf(road).marks!(road);
    expect(dashed).toBe(true);
    expect(lines.map(([start]) => start!.y)).toEqual([90, 110]);
  });
  test('rows 20 mm apart fill a field of 200 × 100 with five lines of 200', () => {
    const field = aField([0, 0, 200, 100], 20);
    const { lines } = kindOf(field).marks!(field);
    expect(lines).toHaveLength(5);
    for (const [start, end] of lines) expect(Math.abs(end!.x - start!.x)).toBeCloseTo(200, 6);
  });
  test('three lamps along 300 mm of cable stand at 100, 200 and the end', () => {
    const lights = someLights(
      [
        [0, 0],
        [300, 0],
      ],
      3,
    );
    expect(kindOf(lights).marks!(lights).dots.map(({ x }) => Math.round(x))).toEqual([100, 200, 300]);
  });
});

test('a picture scaled by two points 200 mm apart that are truly 300: half as large again, the first point staying put', () => {
  const picture = { imageId: 'a', widthPx: 1000, heightPx: 500, at: { x: 10, y: 20 }, mmPerPx: 1, turnDeg: 0, opacityPct: 50 };
  const scaled = scaledUnderlay(
    picture,
    [
      { x: 100, y: 100 },
      { x: 300, y: 100 },
    ],
    300,
  );
  expect(scaled.mmPerPx).toBeCloseTo(1.5, 9);
  // The pixel that lay under (100, 100) lies there still: 90 and 80 px from the corner.
  expect([scaled.at.x + 90 * 1.5, scaled.at.y + 80 * 1.5]).toEqual([100, 100]);
});
