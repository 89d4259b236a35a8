import { describe, expect, test } from 'vitest';
import { type Region, areaMm2, intersection, regionOf } from '../../base/geometry';
import { seeded } from '../../base/random';
import { CATALOGUE, aBoard, aTrack, derived } from '../../testing';
import type { Feature } from '../../plan/features';
import { type Laid, laidIn } from '../../plan';
import { coloured, sharesOf } from './colour';
import { layUnits } from './lay';

const CROOKED: Region = regionOf([
  { x: 13, y: 7 },
  { x: 311, y: 41 },
  { x: 283, y: 221 },
  { x: 147, y: 163 },
  { x: 29, y: 207 },
]);
const laid = (patternId: string, change: Partial<Laid> = {}): Laid => ({
  ...laidIn(
    CATALOGUE.patterns.find(({ id }) => id === patternId)!,
    1 / 60,
  ),
  longMm: 11.3,
  wideMm: 7.7,
  jointMm: 0.6,
  ...change,
});
const lay = (patternId: string, region = CROOKED, change: Partial<Laid> = {}) => {
  const made = layUnits({
    pattern: CATALOGUE.patterns.find(({ id }) => id === patternId)!,
    laid: laid(patternId, change),
    region,
    extent: { fromMm: 0, toMm: 330, leftMm: 0, rightMm: 230 },
    at: (x, y) => ({ x, y }),
    seed: 4,
  });
  if (!made.ok) throw new Error(made.problem.code);
  return made.value;
};

/** A track with its bends rounded. */
const bent = (points: Parameters<typeof aTrack>[0], widthMm: number): Feature => {
  const track = aTrack(points, widthMm);
  return { ...track, shape: { ...track.shape, bendMm: 100 } } as Feature;
};

describe('ground laid in units', () => {
  test('squares of 20 with 1 of joint on 210 × 105: ten by five whole ones and none cut', () => {
    const units = lay(
      'squares',
      regionOf([
        { x: 0, y: 0 },
        { x: 210, y: 0 },
        { x: 210, y: 105 },
        { x: 0, y: 105 },
      ]),
      { longMm: 20, wideMm: 20, jointMm: 1 },
    );
    expect(units).toHaveLength(50);
    expect(units.filter(({ isCut }) => isCut)).toEqual([]);
  });
  test.each(CATALOGUE.patterns.map(({ id }) => [id]))('%s: none over another, none beyond the ground, most of it covered', (id) => {
    const units = lay(id);
    const regions = units.map(({ rings }): Region => ({ rings }));
    const all = regions.reduce((sum, region) => sum + areaMm2(region), 0);
    expect(all).toBeLessThan(areaMm2(CROOKED));
    expect(all).toBeGreaterThan(areaMm2(CROOKED) * 0.55);
    units.forEach(({ beside }, i) =>
      beside.forEach((j) => expect(areaMm2(intersection(regions[i]!, regions[j]!)), `${i} on ${j}`).toBeLessThan(0.05)),
    );
    for (const region of regions.filter((_, i) => units[i]!.isCut))
      expect(areaMm2(intersection(region, CROOKED))).toBeCloseTo(areaMm2(region), 1);
    for (const region of regions.filter((_, i) => !units[i]!.isCut))
      expect(areaMm2(intersection(region, CROOKED))).toBeCloseTo(areaMm2(region), 1);
  });
  test('cut ones are those that the edge runs through', () => {
    const units = lay('setts');
    expect(units.filter(({ isCut }) => isCut).length).toBeGreaterThan(40);
    expect(units.filter(({ isCut }) => !isCut).length).toBeGreaterThan(300);
  });
  test('a floor of too many says so', () => {
    const many = layUnits({
      pattern: CATALOGUE.patterns[0]!,
      laid: laid('cobbles', { longMm: 0.5, wideMm: 0.5, jointMm: 0 }),
      region: CROOKED,
      extent: { fromMm: 0, toMm: 330, leftMm: 0, rightMm: 230 },
      at: (x, y) => ({ x, y }),
      seed: 1,
    });
    expect(many).toMatchObject({ ok: false, problem: { code: 'pattern/too-many' } });
  });
  test('along a track the courses follow its bend', () => {
    const plan = aBoard(
      {},
      bent(
        [
          [100, 100],
          [400, 100],
          [400, 400],
        ],
        50,
      ),
    );
    const [floor] = derived({
      ...plan,
      surfaces: plan.surfaces.map((one) => (one.id === plan.wears.route ? { ...one, laid: laid('setts') } : one)),
    }).floors;
    const covered = floor!.units.reduce((sum, { rings }) => sum + areaMm2({ rings }), 0);
    const track = derived(plan).ground.lands[0]!.shows;
    expect(covered).toBeGreaterThan(areaMm2(track) * 0.7);
    expect(floor!.whole).toBeGreaterThan(floor!.cut);
  });
});

describe('no two neighbours alike', () => {
  const expectProper = (beside: readonly (readonly number[])[], tintOf: Uint8Array): void =>
    beside.forEach((own, i) => own.forEach((j) => expect(tintOf[i]).not.toBe(tintOf[j])));
  test.each([
    ['squares', [1, 1]],
    ['squares', [3, 2, 1]],
    ['setts', [1, 1, 1, 1]],
    ['cobbles', [4, 3, 3, 2, 2]],
    ['flags', [2, 2, 1, 1]],
    ['fans', [1, 1, 1, 1, 1]],
  ] as const)('%s in parts %o', (id, parts) => {
    const beside = lay(id).map((unit) => unit.beside);
    const made = coloured(beside, parts, seeded(11));
    if (!made.ok) throw new Error(JSON.stringify(made.problem));
    expectProper(beside, made.value.tintOf);
    const counts = made.value.counts.map((_, tint) => made.value.tintOf.filter((one) => one === tint).length);
    expect(counts).toEqual(made.value.counts);
    const all = parts.reduce<number>((sum, part) => sum + part, 0);
    if (made.value.isAsAsked)
      counts.forEach((count, i) => expect(Math.abs(count - (beside.length * parts[i]!) / all)).toBeLessThanOrEqual(1));
  });
  test.each(CATALOGUE.patterns.map(({ id }) => [id]))('%s in three, three, two and two parts: shares to within one unit', (id) => {
    const beside = lay(id).map((unit) => unit.beside);
    const made = coloured(beside, [3, 3, 2, 2], seeded(5));
    if (!made.ok) throw new Error(JSON.stringify(made.problem));
    expectProper(beside, made.value.tintOf);
    expect(made.value.isAsAsked).toBe(true);
    [3, 3, 2, 2].forEach((parts, tint) => {
      const count = made.value.tintOf.filter((one) => one === tint).length;
      expect(Math.abs(count - (beside.length * parts) / 10)).toBeLessThanOrEqual(1);
    });
  });
  test.each([
    ['flags', 1],
    ['flags', 9],
    ['boards', 25],
    ['boards', 101],
  ])('%s of seed %i, where units run out of tints on the way, come out proper too', (id, seed) => {
    const pattern = CATALOGUE.patterns.find((one) => one.id === id)!;
    const made = layUnits({
      pattern,
      laid: laid(id),
      region: CROOKED,
      extent: { fromMm: 0, toMm: 330, leftMm: 0, rightMm: 230 },
      at: (x, y) => ({ x, y }),
      seed,
    });
    if (!made.ok) throw new Error(made.problem.code);
    const beside = made.value.map((unit) => unit.beside);
    const tints = coloured(beside, [3, 3, 2, 2], seeded(seed));
    if (!tints.ok) throw new Error(`${tints.problem.alike} found none`);
    expectProper(beside, tints.value.tintOf);
  });
  test('a tint that is asked for more often than units lie apart is brought down, and it is said', () => {
    const beside = lay('setts').map((unit) => unit.beside);
    const made = coloured(beside, [6, 2, 1, 1], seeded(2));
    if (!made.ok) throw new Error('none');
    expect(made.value.isAsAsked).toBe(false);
    expectProper(beside, made.value.tintOf);
  });
  test('two tints cannot part three that meet', () =>
    expect(
      coloured(
        [
          [1, 2],
          [0, 2],
          [0, 1],
        ],
        [1, 1],
        seeded(1),
      ),
    ).toMatchObject({ ok: false, problem: { code: 'colours/too-few' } }));
  test('shares: largest remainders first, all of them given out', () => {
    expect(sharesOf(10, [1, 1, 1])).toEqual([4, 3, 3]);
    expect(sharesOf(7, [2, 1])).toEqual([5, 2]);
  });
});
