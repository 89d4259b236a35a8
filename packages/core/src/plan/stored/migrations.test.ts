import { describe, expect, test } from 'vitest';
import { CATALOGUE, aBoard } from '../../testing';
import { brinefold } from '../../demo';
import { rectangle } from '../shapes';
import { checkPlan } from './file';

/** The one air that there was up to version 8. */
const AIR = { airC: 14, humidityPct: 65, airId: 'fan' };

/** A board as version 2 wrote it down. */
const version2 = () => {
  const { cutting, surfaces, wears: _wears, paints: _paints, testPieces: _testPieces, ...plan } = aBoard();
  const old = surfaces[0]!.coats.map(({ id, methodId, coatingId, filmMm }) => ({ id, methodId, filmMm, stuffId: coatingId }));
  return {
    ...plan,
    climate: AIR,
    coats: { open: old, raised: old, route: old, pit: old, water: old, plot: old, field: old },
    version: 2,
    stack: {
      substrate: { materialId: 'mdf', thicknessMm: 6 },
      ground: [{ id: 'ground', materialId: 'xps-foam', thicknessMm: 30, glueBelowId: 'white-glue' }],
      raised: { materialId: 'xps-foam', glueId: 'foam-safe-construction' },
    },
    cutting: {
      trimMm: cutting.trimMm,
      kept: [
        {
          jobKey: 'mdf-6',
          sheetWidthMm: 1220,
          sheetDepthMm: 610,
          sheets: [[{ blankId: 'A1-substrate-0', xMm: 5, yMm: 5, turned: false }], []],
        },
      ],
    },
  };
};

describe('a plan of version 2', () => {
  test('is brought forward: every joint over its whole face, nothing sealed, its kept layouts on sheets of their size', () => {
    const checked = checkPlan(version2(), CATALOGUE);
    if (!checked.ok) throw new Error(JSON.stringify(checked.problem.issues));
    const { version, stack, cutting } = checked.value;
    expect(version).toBe(14);
    expect(cutting).toMatchObject({ joints: 'laid', withoutSheetIds: [] });
    expect(stack.substrate).toEqual({ materialId: 'mdf', thicknessMm: 6, sealed: 'none', grain: null });
    expect(stack.ground[0]).toMatchObject({ spread: 'full', sealed: 'none', grain: null });
    expect(stack).toMatchObject({ edges: 'cut-first', battens: null, weighed: false, raised: { crossGrain: true, picks: [] } });
    expect(cutting.saved).toEqual([
      {
        jobKey: 'mdf-6',
        sheets: [
          {
            widthMm: 1220,
            depthMm: 610,
            offcutId: null,
            places: [{ blankId: 'A1-substrate-0', xMm: 5, yMm: 5, turned: false, half: false, pinned: false }],
          },
          { widthMm: 1220, depthMm: 610, offcutId: null, places: [] },
        ],
      },
    ]);
  });
  test('one that is broken is refused by the same paths as ever', () => {
    const bad = version2();
    const stack = { ...bad.stack, ground: [{ ...bad.stack.ground[0]!, thicknessMm: -4 }] };
    expect(checkPlan({ ...bad, stack }, CATALOGUE)).toMatchObject({
      ok: false,
      problem: { issues: [{ path: 'stack.ground.0.thicknessMm' }] },
    });
    expect(checkPlan({ ...bad, stack: 'none' }, CATALOGUE)).toMatchObject({ ok: false, problem: { issues: [{ path: 'stack' }] } });
    expect(checkPlan({ ...bad, cutting: null }, CATALOGUE)).toMatchObject({ ok: false, problem: { issues: [{ path: 'cutting' }] } });
  });
});

describe('a plan of version 1', () => {
  const { rim: _rim, join: _join, passages: _passages, ...table } = aBoard().table;
  const { plot: _plot, field: _field, ...coats } = version2().coats;
  const { underlay: _underlay, play: _play, ...rest } = version2();
  const shape = rectangle({ x: 100, y: 100 }, { x: 200, y: 180 });
  const old = {
    ...rest,
    version: 1,
    table,
    coats,
    features: [
      { id: 'm', name: 'Mound', kind: 'raised', shape, heightMm: 20 },
      { id: 'p', name: 'Pool', kind: 'water', shape, depthMm: 8, waterMm: 4, cutThrough: false },
      { id: 't', name: 'Track', kind: 'route', shape },
    ],
  };
  test('is brought forward: sheer sides, flat floors, plain routes, no rim, loose tiles', () => {
    const checked = checkPlan(old, CATALOGUE);
    if (!checked.ok) throw new Error(JSON.stringify(checked.problem.issues));
    expect(checked.value.buying).toEqual({ ofHundred: null, own: [] });
    expect(checked.value.calendar.spared).toEqual([]);
    expect(checked.value).toMatchObject({ version: 14, underlay: null, table: { rim: null, join: { methodId: 'loose' } } });
    expect(checked.value.features).toMatchObject([
      { steps: 1, stepInMm: 0, locked: false },
      { floor: 'flat', hidden: false },
      { lanes: 1, kerbMm: 0, junctionMm: 0 },
    ]);
  });
  test('one that is broken is refused by the same paths as ever', () => {
    const bad = { ...old, table: { ...table, columnWidthsMm: [-5] } };
    expect(checkPlan(bad, CATALOGUE)).toMatchObject({ ok: false, problem: { issues: [{ path: 'table.columnWidthsMm.0' }] } });
  });
});

describe('a plan of version 4', () => {
  const plan = checkPlan({ ...brinefold(CATALOGUE), climate: AIR, version: 7 }, CATALOGUE);
  if (!plan.ok) throw new Error('the demo is sound');
  const { pieces: _pieces, ...rest } = plan.value;
  const features = plan.value.features.map((feature) => {
    if (!('pieceId' in feature)) return feature;
    const { pieceId: _pieceId, pieceTurnDeg: _turn, ...plot } = feature;
    return plot;
  });

  test('is brought forward: nothing stands on it, and its plots are empty', () => {
    const checked = checkPlan({ ...rest, climate: AIR, version: 4, features }, CATALOGUE);
    if (!checked.ok) throw new Error(JSON.stringify(checked.problem.issues));
    expect(checked.value.pieces).toEqual([]);
    const plots = checked.value.features.filter((feature) => feature.kind === 'plot');
    expect(plots.length).toBeGreaterThan(0);
    expect(plots.every(({ pieceId, pieceTurnDeg }) => pieceId === null && pieceTurnDeg === 0)).toBe(true);
  });
});

test('a plan of version 5 is brought forward: its pieces are bare, and every copy is made by hand', () => {
  const plan = brinefold(CATALOGUE);
  const pieces = plan.pieces.map(({ coats: _coats, castingId: _casting, ...rest }) => rest);
  const checked = checkPlan({ ...plan, climate: AIR, version: 5, pieces }, CATALOGUE);
  if (!checked.ok) throw new Error(JSON.stringify(checked.problem.issues));
  expect(checked.value.pieces.length).toBeGreaterThan(0);
  expect(checked.value.pieces.every(({ coats, castingId }) => coats.length === 0 && castingId === null)).toBe(true);
});

test('a plan of version 6: each kind of ground becomes a surface with its coats, features and pieces wear the usual, bases get a colour', () => {
  const { surfaces, wears, paints: _paints, testPieces: _tests, play, features, pieces, ...plan } = brinefold(CATALOGUE);
  const coats = Object.fromEntries(
    Object.entries(wears).map(([kind, worn]) => [
      kind,
      surfaces.find(({ id }) => id === worn)!.coats.map(({ id, coatingId, methodId, filmMm }) => ({ id, coatingId, methodId, filmMm })),
    ]),
  );
  const without = ({ surfaceId: _own, ...one }: (typeof features)[number]): object => one;
  const bare = ({ surfaceId: _own, faces: _faces, coats: own, ...piece }: (typeof pieces)[number]): object => ({
    ...piece,
    coats: own.map(({ id, coatingId, methodId, filmMm }) => ({ id, coatingId, methodId, filmMm })),
  });
  const { baseHex: _hex, ...rules } = play;
  const old = { ...plan, climate: AIR, version: 6, coats, play: rules, features: features.map(without), pieces: pieces.map(bare) };
  const checked = checkPlan(old, CATALOGUE);
  if (!checked.ok) throw new Error(JSON.stringify(checked.problem.issues));
  expect(checked.value.wears).toMatchObject({ open: 'open', water: 'water' });
  expect(checked.value.surfaces.find(({ id }) => id === 'open')).toMatchObject({ name: 'Open ground', relief: 'earth', laid: null });
  const first = coats['open']![0]!;
  expect(checked.value.surfaces.find(({ id }) => id === 'open')!.coats[0]).toEqual({
    ...first,
    tint: [],
    before: 'dry',
    coverPct: 100,
    goes: 1,
    thin: 0,
    strewn: null,
  });
  expect(checked.value.features.every(({ surfaceId }) => surfaceId === null)).toBe(true);
});

test('a plan of version 8: its one air is that of a room, one builder is at the bench, and nothing is pinned, ordered or too loud', () => {
  const { places: _places, drying: _drying, driedAt: _driedAt, people: _people, kit: _kit, calendar, ...plan } = brinefold(CATALOGUE);
  const { startsOn, hours, daysOff, deadline, order } = calendar;
  const checked = checkPlan({ ...plan, version: 8, climate: AIR, calendar: { startsOn, hours, daysOff, deadline, order } }, CATALOGUE);
  if (!checked.ok) throw new Error(JSON.stringify(checked.problem.issues));
  const { places, drying, people, calendar: now } = checked.value;
  expect(places).toMatchObject([{ air: { by: 'typed', airC: 14, humidityPct: 65 }, spells: [] }]);
  expect(drying).toEqual({ placeId: places[0]!.id, on: 'shelf', lies: 'flat', airId: 'fan' });
  expect(people).toHaveLength(1);
  expect(now).toMatchObject({ noise: null, notBefore: null, arrivals: [], busy: [], tasks: [], hours });
});

test('a place that is named and is not there is refused by its place', () => {
  const plan = aBoard();
  const bad = { ...plan, drying: { ...plan.drying, placeId: 'attic' }, driedAt: [{ ...plan.drying, workpieceId: 'A1', placeId: 'moon' }] };
  const checked = checkPlan(bad, CATALOGUE);
  expect(checked.ok ? [] : checked.problem.issues.map(({ path }) => path)).toEqual(['drying.placeId', 'driedAt.0.placeId']);
});
test('a spell that ends before it begins is refused', () => {
  const plan = aBoard();
  const [first, ...others] = plan.places;
  const spells = [{ id: 'a', from: '2026-12-09', to: '2026-12-02', airC: 6, humidityPct: 80 }];
  const checked = checkPlan({ ...plan, places: [{ ...first!, spells }, ...others] }, CATALOGUE);
  expect(checked.ok ? [] : checked.problem.issues.map(({ path }) => path)).toEqual(['places.0.spells.0']);
});

test('a surface or a paint that is named and is not there is refused by its place', () => {
  const plan = aBoard();
  const [first, ...others] = plan.surfaces;
  const [coat, ...rest] = first!.coats;
  const bad = {
    ...plan,
    wears: { ...plan.wears, open: 'moon' },
    surfaces: [{ ...first!, coats: [{ ...coat!, tint: [{ paintId: 'sky', parts: 1 }] }, ...rest] }, ...others],
  };
  const checked = checkPlan(bad, CATALOGUE);
  expect(checked.ok ? [] : checked.problem.issues.map(({ path }) => path)).toEqual(['wears.open', 'surfaces.0.coats.0.tint.0.paintId']);
});

test.each([
  [{ coverPct: 0 }, 'coverPct'],
  [{ goes: 1.5 }, 'goes'],
  [{ filmMm: -1 }, 'filmMm'],
  [{ tint: [{ paintId: 'bog-oak', parts: 0 }] }, 'tint.0.parts'],
] as const)('a coat with %o is refused at its field', (change, path) => {
  const plan = aBoard();
  const [first, ...others] = plan.surfaces;
  const [coat, ...rest] = first!.coats;
  const checked = checkPlan({ ...plan, surfaces: [{ ...first!, coats: [{ ...coat!, ...change }, ...rest] }, ...others] }, CATALOGUE);
  expect(checked.ok ? [] : checked.problem.issues.map((issue) => issue.path)).toEqual([`surfaces.0.coats.0.${path}`]);
});
test('a colour that is none is refused with one that would do', () => {
  const plan = aBoard();
  const checked = checkPlan({ ...plan, paints: [{ id: 'a', name: 'Mine', hex: 'greenish', tintingStrength: 1 }] }, CATALOGUE);
  expect(checked.ok ? [] : checked.problem.issues).toEqual([
    { path: 'paints.0.hex', message: 'got "greenish". Enter a colour such as #7a6f52' },
  ]);
});
