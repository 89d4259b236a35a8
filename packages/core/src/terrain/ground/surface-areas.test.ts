import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { CATALOGUE, aBoard, aMound, aPatch, aPool, aTrack, derived } from '../../testing';
import type { Feature } from '../../plan/features';
import { type Plan, starterSurface } from '../../plan';
import { contains } from '../../base/geometry';
import { namedSurface } from '../../plan/surfaces';

const MUD = starterSurface(
  CATALOGUE.starter.surfaces.find(({ id }) => id === 'mud')!,
  CATALOGUE.patterns,
  1 / 60,
);
const TURF = starterSurface(
  CATALOGUE.starter.surfaces.find(({ id }) => id === 'turf')!,
  CATALOGUE.patterns,
  1 / 60,
);
const board = (...features: Feature[]): Plan => {
  const plan = aBoard({}, ...features);
  return { ...plan, surfaces: [...plan.surfaces, MUD, TURF] };
};
const areaOf = (plan: Plan, id: string): number =>
  derived(plan).areas.list.find(({ surfaceId }) => surfaceId === namedSurface(id))!.surface.value;

describe('what the ground wears', () => {
  test('a patch of mud takes its area from open ground, and not from water', () => {
    const plan = board(aPool([100, 100, 100, 100], 8, 4), aPatch([150, 150, 200, 100], 'mud'));
    const patchMm2 = 200 * 100 - 50 * 50;
    expect(areaOf(plan, 'mud')).toBeCloseTo(patchMm2, 0);
    expect(areaOf(plan, 'packed-earth')).toBeCloseTo(1200 * 800 - 100 * 100 - patchMm2, 0);
    expect(areaOf(plan, 'still-water')).toBeCloseTo(100 * 100, 0);
  });
  test('over raised ground and a track it covers both; of two patches the later shows', () => {
    const plan = board(
      aMound([0, 0, 300, 300], 20),
      aTrack(
        [
          [0, 400],
          [600, 400],
        ],
        40,
      ),
      aPatch([200, 200, 200, 300], 'mud', 'p1'),
      aPatch([300, 200, 100, 300], 'turf', 'p2'),
    );
    expect(areaOf(plan, 'mud')).toBeCloseTo(100 * 300, 0);
    expect(areaOf(plan, 'turf')).toBeCloseTo(100 * 300, 0);
    expect(areaOf(plan, 'rock-face')).toBeCloseTo(300 * 300 - 100 * 100, 0);
    expect(areaOf(plan, 'flagstone')).toBeCloseTo(600 * 40 - 200 * 40, 0);
  });
  test('a feature that wears another surface takes its faces with it', () => {
    const mound = { ...aMound([100, 100, 200, 100], 20), surfaceId: 'mud' };
    const { areas } = derived(board(mound));
    expect(areas.list.find(({ name }) => name === 'Mud')!.coated.value).toBeCloseTo((200 * 100 + 2 * 300 * 20) / 1e6, 9);
    expect(areas.list.find(({ name }) => name === 'Rock face')!.coated.value).toBe(0);
  });
  test('mud over turf changes what is mixed, what is bought and when it is ready', () => {
    const plain = { ...board(), wears: { ...board().wears, open: 'turf' } };
    const muddy = { ...plain, features: [aPatch([100, 100, 400, 400], 'mud')] };
    const [before, after] = [derived(plain), derived(muddy)];
    const need = (of: typeof before, id: string): number => of.supplies.rows.find((row) => row.id === id)?.need.value ?? 0;
    expect(need(after, 'static-grass') / need(before, 'static-grass')).toBeCloseTo(1 - (400 * 400) / (1200 * 800), 6);
    expect(need(before, 'stuff sieved-soil')).toBe(0);
    expect(need(after, 'stuff sieved-soil')).toBeGreaterThan(300);
    expect(after.days.handsOn.value).not.toBeCloseTo(before.days.handsOn.value, 1);
  });
  test('all surfaces together are the table, on the board and on every tile, wherever patches lie', () => {
    const place = fc.tuple(
      fc.integer({ min: 0, max: 1000 }),
      fc.integer({ min: 0, max: 700 }),
      fc.integer({ min: 20, max: 300 }),
      fc.integer({ min: 20, max: 300 }),
    );
    fc.assert(
      fc.property(place, place, place, place, (a, b, c, d) => {
        const plan = board(aMound(a, 20), aPool(b, 8, 4), aPatch(c, 'mud', 'p1'), aPatch(d, 'turf', 'p2'));
        const { areas, ground } = derived(plan);
        expect(Math.abs(areas.list.reduce((sum, { surface }) => sum + surface.value, 0) - 1200 * 800)).toBeLessThan(30);
        for (const { id, box } of ground.tiles) {
          const all = areas.onTile.get(id)!.reduce((sum, { surfaceMm2 }) => sum + surfaceMm2, 0);
          expect(Math.abs(all - (box.right - box.left) * (box.bottom - box.top))).toBeLessThan(30);
        }
      }),
      { numRuns: 40 },
    );
  });
  test('regions lie where their areas say, and none on another', () => {
    const { areas } = derived(board(aMound([0, 0, 300, 300], 20), aPool([500, 300, 150, 120], 8, 4), aPatch([200, 200, 400, 300], 'mud')));
    for (let x = 7; x < 1200; x += 37)
      for (let y = 5; y < 800; y += 41) {
        const here = areas.list.filter(({ stretches }) => stretches.some(({ region }) => contains(region(), { x, y })));
        expect(here.length, `${x}, ${y}`).toBe(1);
      }
  });
});
