import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { areaMm2 } from '../../base/geometry';
import type { Feature } from '../../plan/features';
import type { Plan } from '../../plan';
import { aBoard, aMound, aPit, aPool, aTrack } from '../../testing';
import { landAt, shownAt } from './level';
import { layGround } from './ground';
import { tilesOf } from './tiles';
import { zonesOf } from './zones';

const groundOf = (plan: Plan) => layGround(plan);
const bodies = (...features: Feature[]): number[] => groundOf(aBoard({}, ...features)).lands.map(({ body }) => Math.round(areaMm2(body)));
const shown = (...features: Feature[]): number[] => groundOf(aBoard({}, ...features)).lands.map(({ shows }) => Math.round(areaMm2(shows)));

test('tiles are lettered across and numbered down; half the seam allowance comes off inner sides only', () => {
  const tiles = tilesOf({ ...aBoard().table, columnWidthsMm: [600, 500], rowDepthsMm: [400], seamAllowanceMm: 2 });
  expect(tiles.map(({ id }) => id)).toEqual(['A1', 'B1']);
  expect(tiles[0]!.cutBox).toEqual({ left: 0, top: 0, right: 599, bottom: 400 });
  expect(tiles[1]!.cutBox).toEqual({ left: 601, top: 0, right: 1100, bottom: 400 });
});

describe('overlaps are settled', () => {
  test('a pit cuts through raised ground: 100 × 100 of mound loses the 50 × 100 the pit takes', () => {
    expect(bodies(aMound([0, 0, 100, 100], 20), aPit([50, 0, 100, 100], 8))).toEqual([5_000, 10_000]);
  });

  test('of two mounds that overlap the higher counts, whichever was drawn first', () => {
    expect(bodies(aMound([0, 0, 100, 100], 20, 'low'), aMound([50, 0, 100, 100], 40, 'high'))).toEqual([5_000, 10_000]);
    expect(bodies(aMound([50, 0, 100, 100], 40, 'high'), aMound([0, 0, 100, 100], 20, 'low'))).toEqual([10_000, 5_000]);
  });

  test('a higher mound wholly within a lower one stands on it: the lower stays whole underneath', () => {
    const ground = groundOf(aBoard({}, aMound([0, 0, 300, 300], 20, 'low'), aMound([100, 100, 100, 100], 50, 'high')));
    expect(ground.lands.map(({ baseMm, levelMm }) => [baseMm, levelMm])).toEqual([
      [0, 20],
      [20, 50],
    ]);
    expect(ground.lands.map(({ body }) => Math.round(areaMm2(body)))).toEqual([90_000, 10_000]);
    expect(ground.lands.map(({ shows }) => Math.round(areaMm2(shows)))).toEqual([80_000, 10_000]);
  });

  test('a track takes its width of the mound it crosses and stops at a pit', () => {
    expect(
      shown(
        aMound([100, 0, 200, 200], 20),
        aTrack(
          [
            [0, 100],
            [600, 100],
          ],
          50,
        ),
        aPit([400, 0, 100, 200], 8),
      ),
    ).toEqual([200 * 200 - 200 * 50, (600 - 100) * 50, 20_000]);
  });

  test('of two pits the later counts', () => {
    expect(bodies(aPit([0, 0, 100, 100], 8, 'a'), aPool([50, 0, 100, 100], 12, 5, 'b'))).toEqual([5_000, 10_000]);
  });

  test('what hangs over the table is not on it', () => {
    expect(bodies(aMound([-50, 0, 100, 100], 20), aMound([2_000, 0, 50, 50], 20, 'away'))).toEqual([5_000, 0]);
  });
});

test('heights at a point: the mound on the mound, the pit before both, open ground elsewhere', () => {
  const ground = groundOf(
    aBoard({}, aMound([0, 0, 300, 300], 20, 'low'), aMound([100, 100, 100, 100], 50, 'high'), aPit([140, 140, 20, 20], 8)),
  );
  expect(landAt(ground, { x: 50, y: 50 })?.levelMm).toBe(20);
  expect(landAt(ground, { x: 120, y: 120 })?.levelMm).toBe(50);
  expect(landAt(ground, { x: 150, y: 150 })?.levelMm).toBe(-8);
  expect(landAt(ground, { x: 800, y: 700 })).toBeNull();
  expect(shownAt(ground, { x: 150, y: 150 })?.zone).toBe('pit');
});

test('a pool of 300 × 200, 8 mm deep, across a seam: banks are counted where there is ground beside them', () => {
  const zones = zonesOf({ ground: groundOf(aBoard({}, aPool([450, 100, 300, 200], 8, 4))) });
  expect(zones.byKind.water.coated.value).toBeCloseTo((300 * 200 + 2 * (300 + 200) * 8) / 1e6, 9);
  const onA1 = zones.byTile.find(({ tileId, kind }) => tileId === 'A1' && kind === 'water')!;
  expect(onA1.surfaceMm2).toBeCloseTo(150 * 200, 3);
  expect(onA1.coatedMm2).toBeCloseTo(150 * 200 + (150 + 200 + 150) * 8, 1); // the side on the seam is no bank
});

/** Features anywhere on and off the table, of any kind and size. */
const anyFeatures = fc.array(
  fc.record({
    kind: fc.constantFrom('raised', 'pit', 'water', 'route'),
    place: fc.tuple(
      fc.integer({ min: -200, max: 1100 }),
      fc.integer({ min: -200, max: 700 }),
      fc.integer({ min: 5, max: 500 }),
      fc.integer({ min: 5, max: 400 }),
    ),
    height: fc.integer({ min: 1, max: 6 }),
  }),
  { maxLength: 9 },
);

test('whatever lies over whatever, surfaces of all kinds add up to the table, on the board and on every tile', () => {
  fc.assert(
    fc.property(anyFeatures, (drawn) => {
      const features = drawn.map(({ kind, place, height }, i): Feature => {
        const id = `f${i}`;
        if (kind === 'raised') return aMound(place, height * 10, id);
        if (kind === 'pit') return aPit(place, height * 2, id);
        if (kind === 'water') return aPool(place, height * 2, height, id);
        return aTrack(
          [
            [place[0], place[1]],
            [place[0] + place[2], place[1] + place[3]],
          ],
          30,
          id,
        );
      });
      const zones = zonesOf({ ground: groundOf(aBoard({}, ...features)) });
      const whole = Object.values(zones.byKind).reduce((sum, { surface }) => sum + surface.value, 0);
      expect(Math.abs(whole - 1200 * 800)).toBeLessThan(20);
      for (const tileId of ['A1', 'B1', 'A2', 'B2']) {
        const onTile = zones.byTile.filter((zone) => zone.tileId === tileId).reduce((sum, { surfaceMm2 }) => sum + surfaceMm2, 0);
        expect(Math.abs(onTile - 600 * 400)).toBeLessThan(20);
      }
      const byTiles = zones.byTile.filter(({ kind }) => kind === 'water').reduce((sum, { surfaceMm2 }) => sum + surfaceMm2, 0);
      expect(Math.abs(byTiles - zones.byKind.water.surface.value)).toBeLessThan(20);
    }),
    { numRuns: 150 },
  );
});
