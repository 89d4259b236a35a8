import { describe, expect, test } from 'vitest';
import { applied } from '../../../plan/edits';
import { CATALOGUE, aBoard, derived } from '../../../testing';
import type { Catalogue, Cladding } from '../../../catalogue';
import type { Piece } from '../../../plan';
import { type FamilyName, makePiece, newPiece, unitsFrom, unitsFromEach } from '..';
import { type CladEdge, laidOn } from './courses';
import { cladSurfaces } from './surface';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const BRICK = { longMm: 10, highMm: 4, jointMm: 0.5, lapMm: 0, sideLapMm: 0, bond: 'running', startsDouble: false } as const;
const clad = (shows: string, claddingId: string, layingId: string): Piece['cladding'][number] => ({ shows, claddingId, layingId });
function aPiece(family: FamilyName, settings: Piece['settings'], own: Partial<Piece>): Piece {
  const fresh = newPiece(family, 'one', SCALE, [], CATALOGUE);
  return { ...fresh, ...own, settings: { ...fresh.settings, ...settings } };
}
const cladOf = (piece: Piece, catalogue: Catalogue = CATALOGUE) => makePiece(piece, SCALE, catalogue).clads;

type Box = readonly [left: number, low: number, right: number, high: number];
const edgesOf = ([left, low, right, high]: Box, ends: Partial<Record<'left' | 'right', CladEdge['beyondMm']>> = {}): CladEdge[] => [
  { from: [left, low], to: [right, low], beyondMm: [0, 0] },
  { from: [right, low], to: [right, high], beyondMm: ends.right ?? [0, 0] },
  { from: [right, high], to: [left, high], beyondMm: [0, 0] },
  { from: [left, high], to: [left, low], beyondMm: ends.left ?? [0, 0] },
];

/**
 * The same wall brick by brick: each brick of the bond is laid down by itself, cut by the ends of its course and by every opening it meets, and what is
 * left of it is told by its corners. Boxes only, so that no line is ever shared with the way it is counted elsewhere.
 */
function brickByBrick(
  wall: Box,
  openings: readonly Box[],
  ends: { readonly left: readonly [number, number]; readonly right: readonly [number, number] },
) {
  const { longMm, highMm, jointMm } = BRICK;
  const sum = { whole: 0, cut: 0, halves: 0 };
  for (let course = 0, low = wall[1]; low < wall[3]; course++, low += highMm + jointMm) {
    const [from, to] = [wall[0] - ends.left[course % 2]!, wall[2] + ends.right[course % 2]!];
    const high = Math.min(low + highMm, wall[3]);
    for (let left = wall[0] - (course % 2) * 5.25 - 42; left < to; left += longMm + jointMm) {
      const [a, b] = [Math.max(left, from), Math.min(left + longMm, to)];
      if (b - a < 0.2) continue;
      const met = openings.filter((hole) => hole[0] < b && hole[2] > a && hole[1] < high && hole[3] > low);
      // An opening as high as the course parts the brick; one that is not notches it.
      const parting = met.filter((hole) => hole[1] <= low && hole[3] >= high);
      let pieces: [number, number][] = [[a, b]];
      for (const hole of parting)
        pieces = pieces.flatMap(([p, q]): [number, number][] =>
          hole[0] >= q || hole[2] <= p
            ? [[p, q]]
            : [[p, Math.min(q, hole[0])] as [number, number], [Math.max(p, hole[2]), q] as [number, number]].filter(
                ([x, y]) => y - x >= 0.2,
              ),
        );
      for (const [p, q] of pieces) {
        const isNotched = met.some((hole) => !parting.includes(hole) && hole[0] < q && hole[2] > p);
        if (q - p <= 4.95) sum.halves++;
        else if (q - p > 9.8 && !isNotched && high - low > 3.8) sum.whole++;
        else sum.cut++;
      }
    }
  }
  return sum;
}

describe('bricks counted in courses', () => {
  test('a wall with two openings and both corners: as brick by brick', () => {
    const wall: Box = [0, 0, 183.7, 61.3];
    const openings: Box[] = [
      [31.4, 0, 58.9, 37.2],
      [101.3, 20.6, 131.8, 43.1],
    ];
    const ends = { left: [2.5, 0], right: [0, 2.5] } as const;
    const edges = [...edgesOf(wall, ends), ...openings.flatMap((hole) => edgesOf(hole))];
    const { courses, ...laid } = laidOn(edges, BRICK, 0, 0);
    expect(courses).toBe(14);
    expect(laid).toEqual(brickByBrick(wall, openings, ends));
    // Both corners matter, and so does each opening.
    expect(laid).not.toEqual(brickByBrick(wall, openings, { left: [0, 0], right: [0, 0] }));
    expect(laid).not.toEqual(brickByBrick(wall, openings.slice(1), ends));
  });

  test('sizes of chance: as brick by brick', () => {
    let tried = 0;
    for (let n = 1; n <= 2_000; n++) {
      const at = (k: number): number => Math.round(((n * 7919 * k + k * 104_729) % 1_000) * 1.37) / 10;
      const wall: Box = [0, 0, 60 + at(1), 20 + at(2) / 2];
      const left = 6 + at(3) * 0.2;
      const hole: Box = [left, 4 + at(4) * 0.03, left + 7.3 + at(5) * 0.1, 9.7 + at(6) * 0.07];
      const ends = { left: [2.5, 0], right: [0, 2.5] } as const;
      const { courses: _, ...laid } = laidOn([...edgesOf(wall, ends), ...edgesOf(hole)], BRICK, 0, 0);
      const wanted = brickByBrick(wall, [hole], ends);
      // Within a sliver of a limit either may be right: those sizes are left out.
      const near = (at: number, pitch: number, limits: readonly number[]): boolean =>
        limits.some((limit) => Math.abs(((((at - limit) % pitch) + 1.5 * pitch) % pitch) - pitch / 2) < 0.25);
      const isNear =
        [hole[1], hole[3], wall[3]].some((high) => near(high, 4.5, [0, 4])) ||
        [hole[0], hole[2], wall[2], wall[2] + 2.5].some((end) => near(end, 5.25, [0, 4.75, 4.95, 5.05, 0.3, 0.5, 10.3]));
      if (isNear) continue;
      tried++;
      expect(laid, JSON.stringify({ wall, hole })).toEqual(wanted);
    }
    expect(tried).toBeGreaterThan(100);
  });

  test('a gable: bricks its slopes go through are cut', () => {
    const slope: CladEdge[] = [
      { from: [0, 0], to: [100, 0], beyondMm: [0, 0] },
      { from: [100, 0], to: [50, 50], beyondMm: [0, 0] },
      { from: [50, 50], to: [0, 0], beyondMm: [0, 0] },
    ];
    const laid = laidOn(slope, { ...BRICK, bond: 'stacked' }, 0, 0);
    // The lowest course is 100 long under its bricks and 92 over them: the first and the last of its ten are cut.
    expect(
      laidOn(
        slope.map((edge) => edge),
        { ...BRICK, bond: 'stacked', highMm: 49.9 },
        0,
        0,
      ).whole,
    ).toBe(0);
    expect(laid.courses).toBe(12);
    expect(laid.whole + laid.cut + Math.ceil(laid.halves / 2)).toBeGreaterThan((100 * 50) / 2 / (10.5 * 4.5));
  });

  test('headers every other course: two come from one brick', () => {
    const wall = edgesOf([0, 0, 104.5, 8.5]);
    expect(laidOn(wall, { ...BRICK, bond: 'english' }, 0, 0)).toEqual({ courses: 2, whole: 10, cut: 0, halves: 20 });
  });

  test('slates lap: the lowest course lies double, each shows less than its height', () => {
    const roof = edgesOf([0, 0, 84, 70]);
    const slate = { longMm: 8, highMm: 14, jointMm: 0.4, lapMm: 7, sideLapMm: 0, bond: 'stacked', startsDouble: true } as const;
    // 84 ÷ 8.4 = 10 in a course; 70 ÷ 7.4 = 10 courses, the first twice
    expect(laidOn(roof, slate, 0, 0)).toEqual({ courses: 10, whole: 100, cut: 10, halves: 0 });
  });
});

describe('a clad shed', () => {
  const shed = aPiece(
    'shed',
    { roof: 'flat', seat: 'on-walls', windowsFront: 0, windowsBack: 0, windowsEnds: 0, corners: 'mitre' },
    { cladding: [clad('walls', 'small-bricks', 'one-by-one')] },
  );

  test('courses turn its corners: every course is as long as the walls and four bricks on edge', () => {
    const [walls] = cladOf(shed);
    // mitred: out to out 77 + 10 by 52 + 10, and 2.5 over at each corner in turn
    const { deepMm, longMm, jointMm } = walls!.cladding;
    const { area, laid } = walls!;
    const round = 2 * (87 + 62) + 4 * deepMm;
    const perCourse = round / (longMm + jointMm);
    const bricks = laid.whole + laid.cut + laid.halves;
    expect(bricks).toBeGreaterThan(laid.courses * (perCourse - 1) * (area.value / (round * laid.courses * 4.5)) * 0.9);
    expect(laid.whole).toBeGreaterThan(laid.cut);
  });

  test.each(['mitre', 'butt'])('%s: even courses and odd ones run once over each of the four corners, from out to out', (corners) => {
    const { objects } = makePiece({ ...shed, settings: { ...shed.settings, corners } }, SCALE, CATALOGUE);
    const surfaces = cladSurfaces(objects[0]!, 'walls', 2.5, false);
    for (const parity of [0, 1] as const) {
      const runs = surfaces.map(({ edges }) => {
        const ends = edges.map(({ from }) => from[0]);
        return Math.max(...ends) - Math.min(...ends) + edges.reduce((sum, { beyondMm }) => sum + beyondMm[parity], 0);
      });
      // 77 × 52 inside walls of 5 mm, and a brick on edge at each corner
      expect(runs.reduce((sum, mm) => sum + mm, 0)).toBeCloseTo(2 * (87 + 62) + 4 * 2.5, 6);
    }
    const turned = surfaces.flatMap(({ edges }) => edges.filter(({ beyondMm }) => beyondMm[0] !== beyondMm[1]));
    expect(turned).toHaveLength(8);
  });

  test('inside a room the courses of one wall stop short of what is laid on the next', () => {
    const { objects } = makePiece(shed, SCALE, CATALOGUE);
    const surfaces = cladSurfaces(objects[0]!, 'inside', 2.5, false);
    const even = surfaces.map(({ edges }) => {
      const ends = edges.map(({ from }) => from[0]);
      return Math.max(...ends) - Math.min(...ends) + edges.reduce((sum, { beyondMm }) => sum + beyondMm[0], 0);
    });
    expect(even.reduce((sum, mm) => sum + mm, 0)).toBeCloseTo(2 * (77 + 52) - 4 * 2.5, 6);
  });

  test('butt or mitred, the same bricks go round the same outside', () => {
    const settings = { ...shed.settings, corners: 'butt' };
    const [mitred, butted] = [cladOf(shed)[0]!, cladOf({ ...shed, settings })[0]!];
    expect(butted.laid).toEqual(mitred.laid);
  });

  test('a window takes its bricks away, a wider shed needs more, two sheds twice as many', () => {
    const count = (piece: Piece): number => cladOf(piece)[0]!.units.value;
    const with1 = { ...shed, settings: { ...shed.settings, windowsBack: 1 } };
    expect(count(with1)).toBeLessThan(count(shed));
    expect(count({ ...shed, settings: { ...shed.settings, basesWide: 4 } })).toBeGreaterThan(count(shed));
    const two = cladOf({ ...shed, count: 2 })[0]!.laid;
    const one = cladOf(shed)[0]!.laid;
    expect([two.whole, two.cut, two.halves]).toEqual([one.whole * 2, one.cut * 2, one.halves * 2]);
  });

  test('four ways side by side: hours by count or by area; nothing is bought for what is rolled or scored', () => {
    const [{ ways, units, area }] = cladOf(shed) as [ReturnType<typeof cladOf>[number]];
    const [single, paper, rolled, scored] = ways;
    expect(single!.time.value).toBeCloseTo((units.value / 150) * 60 + 8, 6);
    expect(paper!.time.value).toBeCloseTo((units.value / 320) * 60 + 12, 6);
    expect(rolled!.time.value).toBeCloseTo((area.value / 1e6 / 0.35) * 60 + 8, 6);
    expect(scored!.time.value).toBeCloseTo((area.value / 1e6 / 0.12) * 60 + 5, 6);
    expect([rolled, scored].map((way) => [way!.cost.value, way!.mass.value, way!.count])).toEqual([
      [0, 0, 0],
      [0, 0, 0],
    ]);
    expect(single!.mass.value).toBeCloseTo(area.value * 2.5 * 33e-6, 6);
  });

  test('on the buy list, in the glue and in the days; gone when it is rolled', () => {
    const board = applied({ plan: aBoard(), record: { cutSheets: [], offcuts: [] } } as never, {
      code: 'pieces/add',
      pieces: [shed],
      why: 'Add',
    }).plan;
    const laid = derived(board);
    const row = laid.supplies.rows.find(({ group }) => group === 'cladding')!;
    expect(row.need.value).toBe(cladOf(shed)[0]!.toBuy.value);
    expect(laid.days.slots.some(({ task }) => task.id === 'clad-pieces-one')).toBe(true);
    const rolled = derived({ ...board, pieces: [{ ...shed, cladding: [clad('walls', 'small-bricks', 'rolled')] }] });
    expect(rolled.supplies.rows.some(({ group }) => group === 'cladding')).toBe(false);
    expect(rolled.days.slots.some(({ task }) => task.id === 'clad-pieces-one')).toBe(true);
    const glue = (all: typeof laid): number => all.supplies.rows.find(({ id }) => id === 'white-glue')!.need.value;
    expect(glue(laid)).toBeGreaterThan(glue(rolled));
  });

  test('thousands by hand are warned of; every mend that is offered is faster and clears it or is faster still', () => {
    const big = aPiece('shed', { basesWide: 12, basesDeep: 8 }, { cladding: [clad('walls', 'small-bricks', 'one-by-one')] });
    const board = { ...aBoard(), pieces: [big] };
    const warning = derived(board).warnings.find(({ code }) => code === 'piece/tedious')!;
    expect(warning.mends.map(({ label }) => label)).toContain('Rolled or stamped');
    const rolling = warning.mends.find(({ label }) => label === 'Rolled or stamped')!;
    const mended = applied({ plan: board, record: { cutSheets: [], offcuts: [] } } as never, rolling.edit).plan;
    expect(derived(mended).warnings.some(({ code }) => code === 'piece/tedious')).toBe(false);
  });
});

test('a tower of eight sides is clad all round, and a roof by itself', () => {
  const tower = aPiece(
    'tower',
    { sides: 8, top: 'pitched' },
    { cladding: [clad('walls', 'small-bricks', 'on-paper'), clad('roof', 'slates', 'on-paper')] },
  );
  const [walls, cap] = cladOf(tower);
  expect(walls!.area.value / ((walls!.laid.whole + walls!.laid.cut + walls!.laid.halves / 2) * 10.5 * 4.5)).toBeGreaterThan(0.7);
  expect(cap!.laid.courses).toBeGreaterThan(2);
});

test('upright boards run up the wall: fewer of them in a higher wall of the same width', () => {
  const at = (wallMm: number) =>
    cladOf(
      aPiece(
        'shed',
        { roof: 'flat', wallMm, windowsBack: 0, windowsFront: 0, windowsEnds: 0 },
        { cladding: [clad('walls', 'boards', 'in-courses')] },
      ),
    )[0]!;
  expect(at(60).laid.courses).toBe(at(45).laid.courses);
});

test('an offcut gives as many as fit in strips, turned where that is more', () => {
  const brick = CATALOGUE.claddings.find(({ id }) => id === 'small-bricks') as Cladding;
  expect(unitsFrom(brick, 100, 40, 0)).toBe(100);
  expect(unitsFrom(brick, 43, 21, 1)).toBe(Math.max(4 * 4, 8 * 2));
});

test('offcuts at hand are listed by what they give, without those too small for one', () => {
  const brick = { longMm: 10, highMm: 4 };
  const rack = [
    { id: 'small', widthMm: 20, depthMm: 8 },
    { id: 'none', widthMm: 9, depthMm: 3 },
    { id: 'large', widthMm: 100, depthMm: 40 },
  ];
  expect(unitsFromEach(brick, rack).map(({ offcut, units }) => [offcut.id, units])).toEqual([
    ['large', 100],
    ['small', 4],
  ]);
});
