import { aBoard, aMound, aPool, aTrack, aWall, derived, mended } from '../../testing';
import { describe, expect, test } from 'vitest';
import type { Feature } from '../../plan/features';
import type { Plan } from '../../plan';
import { edgeOf, mates, mismatches } from './edge';

/** Two tiles of 400, a channel on each that meets the other at the seam x = 400. */
const twoChannels = (offsetMm: number, change: Partial<{ widthMm: number; depthMm: number }> = {}): Plan => {
  const channel = (id: string, from: readonly [number, number], to: readonly [number, number], own: object): Feature =>
    ({
      ...aPool([0, 0, 1, 1], 8, 4, id),
      shape: { form: 'strip', points: [from, to].map(([x, y]) => ({ x, y })), widthMm: 60, bendMm: 0 },
      ...own,
    }) as Feature;
  const { widthMm = 60, depthMm = 8 } = change;
  const west = channel('west', [0, 200], [400, 200], {});
  const east = channel('east', [400, 200 + offsetMm], [800, 200 + offsetMm], { depthMm });
  const wide = east.shape.form === 'strip' ? ({ ...east, shape: { ...east.shape, widthMm } } as Feature) : east;
  return aBoard({ widthMm: 800, depthMm: 400, columns: 2, rows: 1 }, west, wide);
};
const seamOf = (plan: Plan) => derived(plan).seams[0]!;
const faults = (plan: Plan) => seamOf(plan).crossings.map(({ kind, fault, sizeMm }) => [kind, fault, sizeMm]);
const codes = (plan: Plan): string[] => derived(plan).warnings.map(({ code }) => code);

test('an edge is read clockwise: the channel leaves A1 on its right side, 170 to 230 mm down', () => {
  const { ground } = derived(twoChannels(0));
  const right = edgeOf(ground.tiles[0]!, 'right', ground);
  expect(right.stretches.map(({ kind, fromMm, toMm, fromLevelMm }) => [kind, Math.round(fromMm), Math.round(toMm), fromLevelMm])).toEqual([
    ['open', 0, 170, 0],
    ['water', 170, 230, -8],
    ['open', 230, 400, 0],
  ]);
  // The other tile's left side is walked upwards; reversed it is the same.
  expect(mates(right, edgeOf(ground.tiles[1]!, 'left', ground))).toBe(true);
});

test('a wall across the joint stands on both edges; one that ends short of it on neither', () => {
  const reading = (toX: number) => {
    const wall = aWall(
      [
        [200, 120],
        [toX, 120],
      ],
      20,
      30,
    );
    const { ground } = derived(aBoard({ widthMm: 800, depthMm: 400, columns: 2, rows: 1 }, wall));
    return [edgeOf(ground.tiles[0]!, 'right', ground), edgeOf(ground.tiles[1]!, 'left', ground)].map(({ stretches }) =>
      stretches
        .filter(({ kind }) => kind === 'wall')
        .map(({ fromMm, toMm, fromLevelMm }) => [Math.round(fromMm), Math.round(toMm), fromLevelMm]),
    );
  };
  expect(reading(600)).toEqual([[[110, 130, 30]], [[270, 290, 30]]]);
  expect(reading(380)).toEqual([[], []]);
});

describe('a seam', () => {
  test('agrees where the channels meet', () => {
    expect(faults(twoChannels(0))).toEqual([['water', null, 0]]);
    expect(codes(twoChannels(0))).not.toContain('seam/place');
  });
  test('a channel 5 mm off its partner is 5 mm apart, warned of on both tiles, and either of two mends restores it', () => {
    const plan = twoChannels(5);
    expect(faults(plan)).toEqual([['water', 'place', 5]]);
    const warning = derived(plan).warnings.find(({ code }) => code === 'seam/place')!;
    expect(warning.title).toBe('Seam A1 | B1');
    expect(warning.text.filter((piece) => typeof piece === 'string').join('')).toContain('A1 meets B1');
    expect(warning.text).toContainEqual(expect.objectContaining({ value: 5, unit: 'mm' }));
    expect(warning.mends.map(({ label }) => label)).toEqual(['Move east 5 mm', 'Move west 5 mm']);
    for (const mend of warning.mends) expect(codes(mended(plan, mend))).not.toContain('seam/place');
  });
  test('2 mm along and 1 mm in height are within tolerance, a tenth more is not', () => {
    expect(codes(twoChannels(2))).not.toContain('seam/place');
    expect(codes(twoChannels(2.1))).toContain('seam/place');
    expect(codes(twoChannels(0, { depthMm: 9 }))).not.toContain('seam/level');
    expect(codes(twoChannels(0, { depthMm: 9.1 }))).toContain('seam/level');
  });
  test('a bed 4 mm deeper beyond the joint: each side can be brought to the other', () => {
    const plan = twoChannels(0, { depthMm: 12 });
    const warning = derived(plan).warnings.find(({ code }) => code === 'seam/level')!;
    expect(warning.mends.map(({ label }) => label)).toEqual(['Sink east 8 mm', 'Sink west 12 mm']);
    for (const mend of warning.mends) expect(codes(mended(plan, mend))).not.toContain('seam/level');
  });
  test('a channel that widens at the joint', () => {
    const plan = twoChannels(0, { widthMm: 80 });
    const warning = derived(plan).warnings.find(({ code }) => code === 'seam/width')!;
    expect(warning.mends.map(({ label }) => label)).toEqual(['Make east 60 mm wide', 'Make west 80 mm wide']);
    for (const mend of warning.mends) expect(codes(mended(plan, mend))).not.toContain('seam/width');
  });
  test('a track that stops at the joint is told of; a mound may end there', () => {
    const board = { widthMm: 800, depthMm: 400, columns: 2, rows: 1 };
    expect(
      codes(
        aBoard(
          board,
          aTrack(
            [
              [0, 200],
              [400, 200],
            ],
            40,
          ),
        ),
      ),
    ).toContain('seam/ends');
    expect(codes(aBoard(board, aMound([200, 100, 200, 100], 20)))).toEqual([]);
  });
  test('a channel that crosses the joint aslant agrees with itself', () => {
    const plan = aBoard(
      { widthMm: 800, depthMm: 400, columns: 2, rows: 1 },
      aTrack(
        [
          [100, 40],
          [700, 370],
        ],
        50,
      ),
    );
    expect(faults(plan)).toEqual([['route', null, 0]]);
    const [a, b] = [
      edgeOf(derived(plan).ground.tiles[0]!, 'right', derived(plan).ground),
      edgeOf(derived(plan).ground.tiles[1]!, 'left', derived(plan).ground),
    ];
    expect(mismatches(a, b)).toEqual([]);
  });
});

describe('what breaks beside a joint', () => {
  const board = { widthMm: 800, depthMm: 400, columns: 2, rows: 1 };
  const mendsWork = (plan: Plan, code: string): void => {
    const warning = derived(plan).warnings.find((one) => one.code === code)!;
    expect(warning.mends.length).toBeGreaterThan(0);
    for (const mend of warning.mends)
      expect(
        derived(mended(plan, mend)).warnings.map(({ id }) => id),
        mend.label,
      ).not.toContain(warning.id);
  };
  test('a pit that leaves 6 mm of foam beside the seam, where 10 mm hold', () => {
    const plan = aBoard(board, aPool([200, 100, 194, 100], 8, 4));
    expect(codes(plan)).toEqual(['seam/pit-edge']);
    mendsWork(plan, 'seam/pit-edge');
    expect(codes(aBoard(board, aPool([200, 100, 190, 100], 8, 4)))).toEqual([]);
  });
  test('a pool that reaches 4 mm onto the next tile leaves a sliver', () => {
    const plan = aBoard(board, aPool([200, 100, 204, 100], 8, 4));
    expect(codes(plan)).toEqual(['seam/sliver']);
    mendsWork(plan, 'seam/sliver');
  });
});

describe('fixings', () => {
  const magnets = (...features: Feature[]): Plan => {
    const plan = aBoard({ widthMm: 800, depthMm: 400, columns: 2, rows: 1 }, ...features);
    return { ...plan, table: { ...plan.table, join: { methodId: 'magnets', offsetMm: 120 } } };
  };
  test('a magnet’s pocket where the channel leaves is told of', () => {
    expect(codes(magnets())).toEqual([]);
    // Magnets sit 120 mm either side of the middle, at 80 and 320 mm down: a pool from 60 to 100 mm meets one on either tile.
    expect(codes(magnets(aPool([300, 60, 200, 40], 8, 4)))).toEqual(['join/pocket-in-hole', 'join/pocket-in-hole']);
  });
  test('a pocket deeper than the rim, and fixings beyond the end of an edge', () => {
    const plan = magnets();
    const rimmed = { ...plan, table: { ...plan.table, rim: { materialId: 'mdf', thicknessMm: 2, heightMm: 36 } } };
    expect(codes(rimmed)).toContain('join/pocket-through-rim');
    const far = { ...plan, table: { ...plan.table, join: { methodId: 'magnets', offsetMm: 250 } } };
    const warning = derived(far).warnings.find(({ code }) => code === 'join/off-edge')!;
    for (const mend of warning.mends) expect(codes(mended(far, mend))).not.toContain('join/off-edge');
  });
});

test('channels of two widths: level along one side they are out of place, about one middle they differ in width; marked half-way between', () => {
  const aside = seamOf(twoChannels(-10, { widthMm: 40 })).crossings[0]!;
  expect([aside.fault, aside.sizeMm, aside.at.y]).toEqual(['place', 10, 195]);
  const centred = seamOf(twoChannels(0, { widthMm: 40 })).crossings[0]!;
  expect([centred.fault, centred.sizeMm, centred.at.y]).toEqual(['width', 20, 200]);
});
