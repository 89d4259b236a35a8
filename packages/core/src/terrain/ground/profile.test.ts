import { type Feature, bowlShare } from '../../plan/features';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { areaMm2 } from '../../base/geometry';
import type { Plan } from '../../plan';
import { aBank, aBoard, aCrater, aHill, aMound, aPit, aRamp, aTrack } from '../../testing';
import { fieldOf, cellIndex } from './height-field';
import { bareAt } from './level';
import { layGround } from './ground';
import { tableBox } from './tiles';
import { zonesOf } from './zones';

const groundOf = (plan: Plan) => layGround(plan);
const at = (x: number, y: number, ...features: Feature[]): number => bareAt(groundOf(aBoard({}, ...features)), { x, y })({ x, y });

describe('heights of what slopes', () => {
  test('a bank 50 wide, 20 high with a crown of 10 rises 1 in 1 over its first 20 mm', () => {
    const bank = aBank(
      [
        [100, 200],
        [500, 200],
      ],
      50,
      20,
      10,
    );
    expect(at(300, 200, bank)).toBe(20);
    expect(at(300, 185, bank)).toBeCloseTo(10, 6); // 10 mm in from the edge at 175
    expect(at(300, 174, bank)).toBe(0);
  });
  test('a ramp of 200 mm from 0 to 40 is 10 high a quarter of the way up', () => {
    expect(
      at(
        150,
        200,
        aRamp(
          [
            [100, 200],
            [300, 200],
          ],
          60,
          0,
          40,
        ),
      ),
    ).toBeCloseTo(10, 6);
  });
  test('a round bowl 10 deep is a paraboloid: 7.5 deep half-way out', () => {
    const bowl = {
      ...aPit([0, 0, 1, 1], 10),
      floor: 'bowl',
      shape: { form: 'round', centre: { x: 300, y: 300 }, radiusMm: 80 },
    } as Feature;
    expect(at(300, 300, bowl)).toBeCloseTo(-10, 6);
    expect(at(340, 300, bowl)).toBeCloseTo(-7.5, 6);
  });
  test('a crater heaps its rim outside the bowl: 5 high in the middle of 10 mm', () => {
    const crater = aCrater([300, 300], 60, 8, 5);
    expect(at(300, 300, crater)).toBeCloseTo(-8, 6);
    expect(at(365, 300, crater)).toBeCloseTo(5, 6);
    expect(at(371, 300, crater)).toBe(0);
  });
  test('a kerb stands 2 mm over what the track lies on, along its edges only', () => {
    const track = {
      ...aTrack(
        [
          [0, 200],
          [600, 200],
        ],
        60,
      ),
      kerbMm: 2,
      kerbWidthMm: 4,
    } as Feature;
    const mound = aMound([100, 100, 300, 200], 20);
    expect(at(250, 172, mound, track)).toBe(22);
    expect(at(250, 200, mound, track)).toBe(20);
    expect(at(500, 172, mound, track)).toBe(2);
  });
});

describe('steps', () => {
  test('raised ground 60 high in 3 steps set in by 20: 20, 40 and 60 going in', () => {
    const stepped = { ...aMound([100, 100, 300, 300], 60), steps: 3, stepInMm: 20 } as Feature;
    expect([110, 130, 250].map((x) => at(x, 250, stepped))).toEqual([20, 40, 60]);
    const ground = groundOf(aBoard({}, stepped));
    expect(ground.lands.map(({ id, baseMm, levelMm }) => [id, baseMm, levelMm])).toEqual([
      ['mound-1', 0, 20],
      ['mound-2', 20, 40],
      ['mound-3', 40, 60],
    ]);
    // Each step's foam is whole beneath the next: 300², 260² and (rounded corners aside) 220².
    expect(ground.lands.map(({ body }) => Math.round(areaMm2(body) / 100))).toEqual([900, 676, 484]);
  });
  test('a hill of two contours, 10 mm each', () => {
    const hill = aHill([100, 100, 200, 200], 10, [0, 50]);
    expect([at(110, 200, hill), at(200, 200, hill)]).toEqual([10, 20]);
  });
});

test('where two tracks meet, corners are rounded by their radius: a right angle gains (1 − π/4)·r² in each of four corners', () => {
  const across = aTrack(
    [
      [100, 200],
      [500, 200],
    ],
    40,
    'a',
  );
  const along = {
    ...aTrack(
      [
        [300, 50],
        [300, 350],
      ],
      40,
      'b',
    ),
    junctionMm: 30,
  } as Feature;
  const { lands } = groundOf(aBoard({}, across, along));
  const both = areaMm2(lands[0]!.shows) + areaMm2(lands[1]!.shows);
  const plain = 400 * 40 + 300 * 40 - 40 * 40;
  // The arcs are chords within 0.05 mm: under 2 % of what they round off.
  expect(Math.abs(both - plain - 4 * (1 - Math.PI / 4) * 30 * 30)).toBeLessThan(16);
});

test('a track that meets two others is rounded at both', () => {
  const upright = (x: number, id: string) =>
    aTrack(
      [
        [x, 50],
        [x, 350],
      ],
      40,
      id,
    );
  const across = aTrack(
    [
      [60, 200],
      [540, 200],
    ],
    40,
    'c',
  );
  const { lands } = groundOf(aBoard({}, upright(180, 'a'), upright(420, 'b'), { ...across, junctionMm: 30 } as Feature));
  const shown = lands.reduce((sum, { shows }) => sum + areaMm2(shows), 0);
  const plain = 480 * 40 + 2 * (300 * 40 - 40 * 40);
  expect(Math.abs(shown - plain - 8 * (1 - Math.PI / 4) * 30 * 30)).toBeLessThan(32);
});

test('a round bowl filled w deep holds ½·w/D of a flat pool of that depth', () => {
  const round = { form: 'round', centre: { x: 0, y: 0 }, radiusMm: 100 } as const;
  // A paraboloid: volume ½·A(w)·w where A(w) = A·w/D.
  for (const [depth, fill] of [
    [10, 10],
    [10, 4],
    [20, 5],
  ] as const)
    expect(bowlShare(round, depth, fill)).toBeCloseTo((0.5 * fill) / depth, 1);
});

test('a heaped rim takes ⅔·h·w·2π(R + w/2) of paste', () => {
  const { byKind } = zonesOf({ ground: groundOf(aBoard({}, aCrater([300, 300], 60, 8, 6))) });
  expect(byKind.raised.heaped!.value).toBeCloseTo((2 / 3) * 6 * 10 * 2 * Math.PI * 65, 6);
});

describe('the height field', () => {
  test('has the height of the plan in every cell, water and what stands on it apart', () => {
    const plan = aBoard({}, aMound([100, 100, 200, 100], 20), aPit([500, 100, 100, 100], 8));
    const field = fieldOf(groundOf(plan), tableBox(plan.table), 4);
    expect([field.cols, field.rows]).toEqual([300, 200]);
    expect([
      field.heightMm[cellIndex(field, { x: 200, y: 150 })]!,
      field.heightMm[cellIndex(field, { x: 550, y: 150 })]!,
      field.heightMm[cellIndex(field, { x: 50, y: 50 })]!,
    ]).toEqual([20, -8, 0]);
    const raised = field.heightMm.reduce((count, h) => count + Number(h === 20), 0);
    expect(raised * 16).toBe(200 * 100);
  });
  test('agrees with the plan at the middle of any cell, whatever lies there', () => {
    const plan = aBoard(
      {},
      aMound([103, 97, 211, 180], 20),
      aBank(
        [
          [400, 100],
          [700, 333],
        ],
        60,
        15,
        20,
      ),
      aRamp(
        [
          [150, 400],
          [420, 610],
        ],
        70,
        0,
        30,
      ),
      aCrater([850, 500], 70, 9, 4),
      aPit([200, 150, 60, 400], 12),
    );
    const ground = groundOf(plan);
    const field = fieldOf(ground, tableBox(plan.table), 4);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 299 }), fc.integer({ min: 0, max: 199 }), (x, y) => {
        const point = { x: (x + 0.5) * 4, y: (y + 0.5) * 4 };
        expect(field.heightMm[y * 300 + x]).toBeCloseTo(bareAt(ground, point)(point), 3);
      }),
      { numRuns: 400 },
    );
  });
});
