import { type FeatureKind, copyOf, FEATURE_KINDS, freshStrip, newFeature } from './features';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { CATALOGUE, aBoard, aMound, aPool, aTrack } from '../testing';
import { tableDepthMm, tableWidthMm } from './plan';
import {
  type Shape,
  fittedTo,
  movedBy,
  rectangle,
  shapeBox,
  shapeRegion,
  widthHandle,
  widthThrough,
  withoutPoint,
  withPointAfter,
} from './shapes';
import { evenSplit } from './new-plan';
import { MAX_FEATURES } from './fields';
import { mergePlans } from './stored/merge';
import { snapLines, snapped } from './snap';
import { areaMm2 } from '../base/geometry';
import { checkPlan } from './stored/file';

describe('a new board', () => {
  test('1200 × 800 mm in 2 × 2 tiles: four tiles of 600 × 400', () => {
    const { table } = aBoard();
    expect([table.columnWidthsMm, table.rowDepthsMm]).toEqual([
      [600, 600],
      [400, 400],
    ]);
  });

  test('an even split always adds up, to the thousandth', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 500, max: 12_000 }), (count, lengthMm) => {
        expect(evenSplit(lengthMm, count).reduce((a, b) => a + b, 0)).toBeCloseTo(lengthMm, 6);
      }),
    );
  });

  test('each kind of feature is drawn sound, under a name that counts on', () => {
    const shape = rectangle({ x: 10, y: 10 }, { x: 200, y: 90 });
    let plan = aBoard();
    const along = {
      form: 'strip',
      points: [
        { x: 10, y: 10 },
        { x: 300, y: 60 },
      ],
      widthMm: 40,
      bendMm: 0,
    } as const;
    const shapes: Partial<Record<FeatureKind, Shape>> = {
      bank: along,
      ramp: along,
      wall: along,
      light: along,
      crater: { form: 'round', centre: { x: 90, y: 90 }, radiusMm: 40 },
    };
    for (const kind of FEATURE_KINDS)
      plan = { ...plan, features: [...plan.features, newFeature(plan, kind, shapes[kind] ?? shape, kind, CATALOGUE)] };
    expect(checkPlan(plan, CATALOGUE)).toMatchObject({ ok: true });
    expect(newFeature(plan, 'pit', shape, 'x', CATALOGUE).name).toBe('Pit 2');
    expect(copyOf(plan, plan.features[0]!, shape, 'y').name).toBe('Raised ground 2');
    expect(freshStrip('water').widthMm).toBeGreaterThan(0);
  });
});

describe('shapes under the hand', () => {
  const square = rectangle({ x: 100, y: 100 }, { x: 200, y: 180 });

  test('moved, stretched, given and robbed of a corner', () => {
    expect(shapeBox(movedBy(square, 10, -20))).toEqual({ left: 110, top: 80, right: 210, bottom: 160 });
    expect(areaMm2(shapeRegion(fittedTo(square, { left: 0, top: 0, right: 50, bottom: 40 })))).toBeCloseTo(2000, 6);
    const five = withPointAfter(square, 0);
    expect(five.form === 'outline' && five.points[1]).toEqual({ x: 150, y: 100 });
    const three = withoutPoint(withoutPoint(five, 0), 0);
    expect(withoutPoint(three, 0)).toBe(three); // a triangle keeps its corners
  });

  test('a channel of 62 mm is pulled by its edge: the handle lies on 62 mm, 40 mm from the middle makes 80', () => {
    const channel = {
      form: 'strip',
      points: [
        { x: 0, y: 100 },
        { x: 500, y: 100 },
      ],
      widthMm: 62,
      bendMm: 0,
    } as const;
    expect(widthHandle(channel)).toEqual({ x: 250, y: 131 });
    expect(widthThrough(channel, widthHandle(channel))).toBe(62);
    expect(widthThrough(channel, { x: 300, y: 140 })).toBe(80);
  });

  test('a point 4 mm off a seam comes to rest on it; free of all lines on the grid of 5 mm', () => {
    const lines = snapLines(aBoard(), null);
    expect(snapped({ x: 596, y: 203 }, lines, 6, 5)).toEqual({ point: { x: 600, y: 205 }, onX: 'seam', onY: 'grid' });
    expect(snapped({ x: 3, y: 798 }, lines, 6, 5)).toMatchObject({ point: { x: 0, y: 800 }, onX: 'edge', onY: 'edge' });
    expect(snapLines(aBoard({}, aMound([111, 0, 50, 50], 20)), 'mound').x).toEqual(lines.x); // never its own corners
  });
});

describe('two versions of one plan', () => {
  const base = aBoard(
    {},
    aMound([0, 0, 100, 100], 20, 'a'),
    aTrack(
      [
        [0, 300],
        [500, 300],
      ],
      60,
      'b',
    ),
  );
  const withHeight = (heightMm: number) => ({ ...base, features: [aMound([0, 0, 100, 100], heightMm, 'a'), base.features[1]!] });

  test('changes to different things go together with no clash', () => {
    const mine = withHeight(30);
    const theirs = { ...base, name: 'Renamed', features: [...base.features, aPool([200, 0, 90, 90], 8, 4, 'c')] };
    const { plan, clashes } = mergePlans(base, mine, theirs);
    expect(clashes).toEqual([]);
    expect(plan.name).toBe('Renamed');
    expect(plan.features.map(({ id }) => id)).toEqual(['a', 'b', 'c']);
    expect(plan.features[0]).toMatchObject({ heightMm: 30 });
  });

  test('the same thing changed two ways is a clash, and mine stays', () => {
    const { plan, clashes } = mergePlans(base, withHeight(30), withHeight(40));
    expect(clashes).toEqual(['a']);
    expect(plan.features[0]).toMatchObject({ heightMm: 30 });
  });

  test('what one side removed goes, unless the other side changed it', () => {
    const without = { ...base, features: [base.features[1]!] };
    expect(mergePlans(base, without, base).plan.features.map(({ id }) => id)).toEqual(['b']);
    expect(mergePlans(base, base, without).plan.features.map(({ id }) => id)).toEqual(['b']);
    const kept = mergePlans(base, without, withHeight(40));
    expect(kept.plan.features.map(({ id }) => id).sort()).toEqual(['a', 'b']);
    expect(kept.clashes).toEqual(['a']);
  });

  test('more together than a plan may hold is told with what each side added, and only an added one can be left out', () => {
    const many = (count: number, name: string) => Array.from({ length: count }, (_, i) => aMound([i, 0, 9, 9], 20, `${name}${i}`));
    const full = { ...base, features: many(MAX_FEATURES - 1, 'old') };
    const [mine, theirs] = [many(1, 'mine'), many(2, 'theirs')].map((more) => ({ ...full, features: [...full.features, ...more] }));
    const { tooMany, plan } = mergePlans(full, mine!, theirs!);
    expect(tooMany).toMatchObject({ count: MAX_FEATURES + 2, most: MAX_FEATURES });
    expect(tooMany!.added.map(({ id, by }) => `${id} ${by}`)).toEqual(['mine0 mine', 'theirs0 theirs', 'theirs1 theirs']);
    expect(plan.features).toHaveLength(MAX_FEATURES + 2);
    const fitting = mergePlans(full, mine!, theirs!, new Set(['mine0', 'theirs1', 'old3']));
    expect(fitting.plan.features.map(({ id }) => id).slice(-2)).toEqual([`old${MAX_FEATURES - 2}`, 'theirs0']);
    expect(fitting.tooMany!.count).toBe(MAX_FEATURES);
    expect(mergePlans(full, mine!, full).tooMany).toBeNull();
  });

  test('without the plan both grew from every difference is a clash, and what only one side has comes along', () => {
    const [mine, theirs] = [withHeight(30), { ...withHeight(40), name: 'Renamed', features: [withHeight(40).features[0]!] }];
    const { plan, clashes } = mergePlans(null, mine, theirs);
    expect([...clashes].sort()).toEqual(['a', 'name']);
    expect(plan.features.map(({ id }) => id)).toEqual(['a', 'b']);
    expect(mergePlans(null, mine, mine).clashes).toEqual([]);
  });

  test('merging with an unchanged other gives mine, the table size too', () => {
    const mine = aBoard({ widthMm: 900 });
    const merged = mergePlans(base, mine, base).plan;
    expect([tableWidthMm(merged.table), tableDepthMm(merged.table)]).toEqual([900, 800]);
  });
});
