import { describe, expect, test } from 'vitest';
import { CATALOGUE, aBoard, aPit, aPool, aWall, derived } from '../../testing';
import type { Feature } from '../../plan/features';
import { derivePipeline } from '../../pipeline';
import { contains } from '../../base/geometry';
import { banksOf } from './banks';
import { profileOf, waterLevelMm, waterMm } from './profile';

/** The water over every floor, cell by cell: nothing of the closed forms. */
function poured(features: readonly Feature[], cellMm = 0.5): number {
  const { ground } = derived(aBoard({}, ...features));
  let mm3 = 0;
  for (const land of ground.lands) {
    if (land.role !== 'hole' || waterMm(land) === null) continue;
    const [at, brim] = [profileOf(land), waterLevelMm(land)!];
    for (let x = cellMm / 2; x < 600; x += cellMm)
      for (let y = cellMm / 2; y < 400; y += cellMm)
        if (contains(land.body, { x, y })) mm3 += Math.max(0, brim - at({ x, y })) * cellMm * cellMm;
  }
  return mm3;
}
const roomOf = (...features: Feature[]): number => derived(aBoard({}, ...features)).basins.reduce((sum, { room }) => sum + room.value, 0);
const bowl = (feature: Feature): Feature => ({ ...feature, floor: 'bowl' }) as Feature;

describe('what a basin holds', () => {
  test('a flat one: area × depth', () => expect(roomOf(aPool([50, 50, 211, 93], 9, 4.5))).toBeCloseTo(211 * 93 * 4.5, 3));
  test.each([
    ['an outline', bowl(aPool([40, 60, 173, 119], 12, 7))],
    ['one filled to its brim', bowl(aPool([40, 60, 173, 119], 12, 12))],
    [
      'a crooked one',
      {
        ...bowl(aPool([0, 0, 10, 10], 14, 9)),
        shape: {
          form: 'outline',
          points: [
            { x: 31, y: 22 },
            { x: 241, y: 47 },
            { x: 197, y: 201 },
            { x: 129, y: 98 },
            { x: 44, y: 187 },
          ],
        },
      } as Feature,
    ],
  ])('%s with a bowl for a floor, against the sum of half-millimetre cells: within 0.5 %%', (_, pool) => {
    const cells = poured([pool]);
    expect(cells).toBeGreaterThan(1_000);
    expect(Math.abs(roomOf(pool) / cells - 1)).toBeLessThan(0.005);
  });
  test('a bowl that a later pit cuts into holds only what is left of it', () => {
    const features = [bowl(aPool([40, 60, 173, 119], 12, 7, 'a')), aPit([120, 40, 60, 90], 4, 'b')];
    expect(Math.abs(roomOf(...features) / poured(features) - 1)).toBeLessThan(0.005);
    expect(roomOf(...features)).toBeLessThan(roomOf(features[0]!) * 0.9);
  });
  test('a wall through it takes its place up to the surface', () => {
    const pool = aPool([50, 50, 200, 100], 10, 6);
    const wall = aWall(
      [
        [30, 100],
        [400, 100],
      ],
      8,
      30,
    );
    expect(roomOf(pool) - roomOf(pool, wall)).toBeCloseTo(200 * 8 * 6, 3);
  });
});

describe('banks', () => {
  const banks = (...features: Feature[]) => banksOf({ ground: derived(aBoard({}, ...features)).ground });
  test('a pool over the seam at 600 mm wants a dam on either tile as long as it is there, as high as the water', () => {
    const [bank] = banks(aPool([500, 100, 200, 90], 10, 6));
    expect(bank!.dams.map(({ tileId, side, isSeam, length, height }) => [tileId, side, isSeam, length.value, height.value])).toEqual([
      ['A1', 'right', true, expect.closeTo(90, 1), 6],
      ['B1', 'left', true, expect.closeTo(90, 1), 6],
    ]);
  });
  test('at the table’s end it is no seam', () =>
    expect(banks(aPool([0, 100, 100, 40], 10, 6))[0]!.dams).toMatchObject([{ tileId: 'A1', side: 'left', isSeam: false }]));
  test('a dry pit beside it lets it out, and the mend fills less; apart by 5 mm it holds', () => {
    const pool = aPool([100, 100, 100, 100], 10, 8, 'pool');
    const leaky = derivePipeline()(aBoard({}, pool, aPit([200, 120, 60, 40], 6, 'pit')), CATALOGUE);
    expect(leaky.warnings.filter(({ code }) => code === 'water/leak')).toMatchObject([
      { featureId: 'pool', text: [expect.stringContaining('pit'), { value: expect.closeTo(4, 6) as number }, expect.anything()] },
    ]);
    expect(banks(pool, aPit([205, 120, 60, 40], 6, 'pit'))[0]!.leaks).toEqual([]);
  });
});
