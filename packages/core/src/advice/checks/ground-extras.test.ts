import { aBoard, aClearing, aHill, aMound, aPlot, aPool, aTrack, CATALOGUE, mended, someLights } from '../../testing';
import { describe, expect, test } from 'vitest';
import { derivePipeline, splitAdvice } from '../../pipeline';
import type { Feature } from '../../plan/features';
import type { Plan } from '../../plan';

const derived = (plan: Plan) => derivePipeline()(plan, CATALOGUE);
const codes = (plan: Plan): string[] => derived(plan).warnings.map(({ code }) => code);
const withMends = (plan: Plan, code: string): void => {
  const warning = derived(plan).warnings.find((one) => one.code === code)!;
  expect(warning.mends.length).toBeGreaterThan(0);
  for (const mend of warning.mends) expect(codes(mended(plan, mend)), mend.label).not.toContain(code);
};

describe('small lights', () => {
  const line = [
    [100, 100],
    [400, 100],
  ] as const;
  const lights = (change: object = {}): Feature => ({ ...someLights(line, 3), ...change }) as Feature;
  test('three lamps of 10 mA at 2.9 V on 3 V: 10 Ω each, and 1000 mAh last 33 hours', () => {
    const { figures } = derived(aBoard({}, lights())).needs[0]!;
    const value = (label: string): number => figures.find((figure) => figure.label === label)!.value;
    expect(value('Resistor at each lamp')).toBeCloseTo(0.1 / 0.01, 6);
    expect(value('Runs for')).toBeCloseTo(1000 / 30, 6);
    expect(value('Cable groove')).toBe(300);
    expect([value('Foam under the groove'), value('Foam under the battery box')]).toEqual([25, 14]);
    expect(codes(aBoard({}, lights()))).toEqual([]);
  });
  test('a box of 16 mm goes through 10 mm of foam; a flatter holder mends it', () => {
    const thin = aBoard({}, lights());
    const plan = { ...thin, stack: { ...thin.stack, ground: [{ ...thin.stack.ground[0]!, thicknessMm: 10 }] } };
    expect(codes(plan)).toContain('light/pocket');
    withMends(plan, 'light/pocket');
  });
  test('a groove of 25 mm in 30 leaves too little foam', () => {
    const plan = aBoard({}, lights({ grooveMm: 25 }));
    expect(codes(plan)).toEqual(['light/groove']);
    withMends(plan, 'light/groove');
  });
  test('a cable led through a pool is told of', () => {
    expect(codes(aBoard({}, lights(), aPool([200, 60, 80, 80], 8, 4)))).toEqual(['light/in-hole']);
  });
});

describe('open space and plots', () => {
  test('a mound on ground kept clear is told of, a track over it is not', () => {
    const plan = aBoard({}, aClearing([100, 100, 200, 200]), aMound([250, 150, 100, 100], 20));
    expect(codes(plan)).toEqual(['clear/taken']);
    withMends(plan, 'clear/taken');
    expect(
      codes(
        aBoard(
          {},
          aClearing([100, 100, 200, 200]),
          aTrack(
            [
              [0, 200],
              [500, 200],
            ],
            40,
          ),
        ),
      ),
    ).toEqual([]);
  });
  test('a building half on a mound rocks; wholly on it stands', () => {
    expect(codes(aBoard({}, aMound([100, 100, 200, 200], 20), aPlot([250, 150, 100, 100], 60)))).toEqual(['plot/uneven']);
    expect(codes(aBoard({}, aMound([100, 100, 200, 200], 20), aPlot([150, 150, 100, 100], 60)))).toEqual([]);
  });
});

describe('hills from stock', () => {
  test('steps of 12 mm are not to be had: steps of 10 are', () => {
    const plan = aBoard({}, aHill([100, 100, 300, 300], 12, [0, 60]));
    const warning = derived(plan).warnings.find(({ code }) => code === 'raised/no-such-height')!;
    expect(warning.mends.map(({ label }) => label)).toEqual(['Make each step 10 mm']);
    withMends(plan, 'raised/no-such-height');
  });
  test('a hill of two contours is cut as two layers, each to its own outline', () => {
    const { parts } = derived(aBoard({}, aHill([100, 100, 300, 300], 10, [0, 60]))).partList;
    const raised = parts.filter(({ stage }) => stage === 'raised');
    expect(raised.map(({ name, widthMm }) => [name, widthMm])).toEqual([
      ['A1 hill, step 1', 300],
      ['A1 hill, step 2', 180],
    ]);
  });
});

describe('tiles as they are carried', () => {
  test('the tiles’ masses add up to the board’s, joints aside', () => {
    const plan = aBoard({}, aMound([100, 100, 300, 200], 40), aPool([700, 100, 200, 200], 8, 4));
    const { tiles, tally } = derived(plan);
    const sum = tiles.reduce((mass, tile) => mass + tile.mass.value, 0);
    expect(sum / tally.mass.value).toBeCloseTo(1, 1);
  });
  test('600 × 400 × 36 mm through a door of 760 × 1960, four flat in a shelf of 780 × 360 × 560 that takes 39 mm each', () => {
    const [tile] = derived(aBoard()).tiles;
    expect(tile!.tall.value).toBe(36);
    expect(tile!.carry.value).toBeCloseTo(Math.hypot(600, 400), 6);
    const byName = Object.fromEntries(tile!.fittings.map(({ passage, fits, stacked }) => [passage.name, [fits, stacked]]));
    expect(byName['Room door']).toEqual([true, null]);
    expect(byName['Shelf bay']).toEqual([true, Math.floor((360 + 3) / (36 + 3))]);
  });
  test('a rim of 6 mm takes 12 mm off both sides of every layer', () => {
    const plan = aBoard();
    const rimmed = { ...plan, table: { ...plan.table, rim: { materialId: 'mdf', thicknessMm: 6, heightMm: 36 } } };
    const base = derived(rimmed).partList.parts.filter(({ stage }) => stage === 'base');
    expect(base.find(({ name }) => name === 'A1 ground')).toMatchObject({ widthMm: 588, depthMm: 388 });
    const strips = derived(rimmed).partList.parts.filter(({ stage }) => stage === 'rim');
    expect(strips).toHaveLength(16);
    expect(strips.slice(0, 4).map(({ widthMm, depthMm }) => [widthMm, depthMm])).toEqual([
      [600, 36],
      [600, 36],
      [388, 36],
      [388, 36],
    ]);
  });
  test('magnets on three inner edges’ worth of tiles are counted, bought and weighed', () => {
    const plan = aBoard();
    const joined = { ...plan, table: { ...plan.table, join: { methodId: 'magnets', offsetMm: 100 } } };
    // Four tiles in a square: two inner sides each, two magnets a side.
    const row = derived(joined).supplies.rows.find(({ group }) => group === 'fixings')!;
    expect(row.need.value).toBe(16);
    expect(row.packs.map(({ count, amount }) => [count, amount.value])).toEqual([[2, 10]]);
  });
});

test('ways to split a table of 1200 × 800: the drawn one among them, fewest tiles first, each reckoned through', () => {
  const search = splitAdvice(aBoard({}, aPool([550, 350, 100, 100], 8, 4)), CATALOGUE);
  const steps = [...search];
  expect(steps.map(({ done }) => done)).toEqual(steps.map((_, i) => i + 1));
  const { options } = steps.at(-1)!;
  const by = (columns: number, rows: number) => options.find((option) => option.columns === columns && option.rows === rows)!;
  expect(by(2, 2).isAsDrawn).toBe(true);
  const tiles = options.map((option) => option.tiles.value);
  expect(tiles).toEqual([...tiles].sort((a, b) => a - b));
  // The pool lies over the middle: a seam down the middle crosses it, seams at thirds and none across do not.
  expect([by(2, 2).crossed.value, by(3, 1).crossed.value]).toEqual([1, 0]);
  expect(by(3, 2).heaviest.value).toBeLessThan(by(2, 2).heaviest.value);
});
