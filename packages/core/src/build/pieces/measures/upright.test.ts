import { describe, expect, test } from 'vitest';
import type { Feature } from '../../../plan/features';
import { type HeightField, cellIndex, fieldOf, standAmong, tableBox } from '../../../terrain/ground';
import { clearanceMap, sightMap, widestBase } from '../../../terrain/play';
import type { Piece, Plan } from '../../../plan';
import { tableSolids } from '../../mesh';
import { heightsIn } from '../../stack';
import { CATALOGUE, aBoard, aPit, aPlot, derived } from '../../../testing';
import { type Body, plumbThrough } from '../../shell';
import { solidsOf } from '../making/solids';
import { type FamilyName, makePiece, newPiece } from '../index';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const aPiece = (family: FamilyName, settings: Piece['settings'] = {}): Piece => {
  const fresh = newPiece(family, 'one', SCALE, [], CATALOGUE);
  return { ...fresh, settings: { ...fresh.settings, ...settings } };
};
const PLOT = [500, 300, 200, 200] as const;
const MIDDLE = { x: 600, y: 400 };
function standing(
  piece: Piece,
  turnDeg = 0,
  ...under: Parameters<typeof aBoard>[1][]
): { plan: Plan; field: HeightField; of: ReturnType<typeof derived> } {
  const plot = { ...aPlot([...PLOT], 60), pieceId: piece.id, pieceTurnDeg: turnDeg } as never;
  const plan = { ...aBoard({}, ...under, plot), pieces: [piece] };
  const of = derived(plan);
  return { plan, of, field: fieldOf(of.ground, tableBox(plan.table), 2, undefined, { list: of.uprights, figureMm: 28 }) };
}
/** A room of three bases by two with a wide door in its front. */
const SHED = {
  roof: 'flat',
  seat: 'on-walls',
  windowsFront: 0,
  windowsBack: 0,
  windowsEnds: 0,
  doorOffMm: 0,
  wallMm: 45,
  doorHeightMm: 36,
  doorWidthMm: 32,
};

const solids = (bodies: readonly Body[]) => solidsOf({ bodies, loose: [] });
describe('plumb lines', () => {
  const { bodies } = makePiece(aPiece('shed', SHED), SCALE, CATALOGUE).objects[0]!;
  const thickMm = (x: number, y: number): number =>
    plumbThrough(solids(bodies))({ x, y }).reduce((sum, { fromMm, toMm }) => sum + toMm - fromMm, 0);
  const roof = bodies.find(({ id }) => id === 'roof')!;
  test('through the room: a floor of 5 and a roof of 2; through a wall all of it; beside the shed nothing', () => {
    expect(thickMm(20, 20)).toBeCloseTo(5 + 2, 6);
    // wall from under the floor to the roof, and the roof
    expect(thickMm(20, -2)).toBeCloseTo(5 + 45 + (plumbThrough(solids([roof]))({ x: 20, y: -2 }).length > 0 ? 2 : 0), 6);
    expect(thickMm(-200, 20)).toBe(0);
  });
  test('what they meet over a whole body comes to its volume', () => {
    const wall = bodies.find(({ id }) => id === 'left')!;
    const plumb = plumbThrough(solids([wall]));
    let mm3 = 0;
    for (let x = -20; x < 120; x += 0.25)
      for (let y = -20; y < 120; y += 0.25) for (const { fromMm, toMm } of plumb({ x, y })) mm3 += (toMm - fromMm) * 0.0625;
    expect(Math.abs(mm3 / (52 * 50 * 5) - 1)).toBeLessThan(0.02);
  });
});

describe('where a figure of 28 mm stands', () => {
  const at = (spans: readonly (readonly [number, number])[], more: Partial<Parameters<typeof standAmong>[0]> = {}) =>
    standAmong({
      spans: spans.map(([fromMm, toMm]) => ({ fromMm, toMm })),
      groundMm: 0,
      figureMm: 28,
      isLevel: () => false,
      isWalkedOver: false,
      ...more,
    });
  test('under a lintel that leaves it room, on the ground, and the lintel hides what is behind it', () => {
    expect(at([[30, 40]])).toEqual({ walkMm: 0, topMm: 0, over: { fromMm: 30, toMm: 40 } });
  });
  test('not under one that does not; over a sill it sees through the window', () => {
    expect(at([[20, 40]])).toEqual({ walkMm: null, topMm: 40, over: null });
    expect(
      at([
        [0, 12],
        [30, 45],
      ]),
    ).toEqual({ walkMm: null, topMm: 12, over: { fromMm: 30, toMm: 45 } });
  });
  test('on a floor that is meant for it, the lowest; two parts that touch are one', () => {
    const isLevel = (upMm: number): boolean => upMm === 5 || upMm === 50;
    expect(
      at(
        [
          [0, 3],
          [3.1, 5],
          [45, 50],
        ],
        { isLevel },
      ).walkMm,
    ).toBe(5);
  });
  test('on top of what is walked over, though there is room under it', () => {
    expect(at([[40, 43]], { isLevel: () => true, isWalkedOver: true }).walkMm).toBe(43);
    expect(at([[40, 43]], { isLevel: () => true }).walkMm).toBe(0);
  });
});

describe('a shed on a plot, as it plays', () => {
  const heights = (field: HeightField, x: number, y: number): readonly [number, number] => {
    const i = cellIndex(field, { x, y });
    return [field.walkMm[i]!, field.topMm[i]!];
  };
  test('ground round it stays open, its floor is stood on, its walls stand', () => {
    const { field } = standing(aPiece('shed', SHED));
    expect(heights(field, 510, 310)).toEqual([0, 0]);
    expect(heights(field, MIDDLE.x, MIDDLE.y)).toEqual([5, 5]);
    const [walk, top] = heights(field, MIDDLE.x - 30, 400 + 26 + 2.5);
    expect([walk, top]).toEqual([0, 50 + (top > 50 ? 2 : 0)]);
  });
  test('a base gets in by the door and not through the wall: into a room without one it does not', () => {
    const rules = { baseHex: '#4a4034', baseMm: 25, tiltDeg: 12, stepUpMm: 6, walkDeg: 30, reachMm: 600, handMm: 90 };
    const open = standing(aPiece('shed', SHED)).field;
    const narrow = standing(aPiece('shed', { ...SHED, doorWidthMm: 15 })).field;
    const roomAt = (field: HeightField, x: number, y: number): number => clearanceMap(field, rules).clearMm[cellIndex(field, { x, y })]!;
    // 32 mm of door less half a cell at either side
    expect(2 * roomAt(open, MIDDLE.x, 428)).toBeGreaterThan(25);
    expect(2 * roomAt(narrow, MIDDLE.x, 428)).toBeLessThan(17);
    expect(widestBase(open, rules, 'left', 'right').baseMm).toBeGreaterThan(25);
  });
  test('turned by a quarter the door looks to the side', () => {
    const { field } = standing(aPiece('shed', SHED), 90);
    // The front looked to the viewer: a quarter clockwise on the plan it looks to the left.
    expect(heights(field, MIDDLE.x - 22, MIDDLE.y)).toEqual([5, 5]);
    expect(heights(field, MIDDLE.x, 400 + 41)[1]).toBeGreaterThan(40);
  });
  test('one looks in by the door, and not through the wall beside it', () => {
    const seenFrom = (turnDeg: number): number => {
      const { field } = standing(aPiece('shed', SHED), turnDeg);
      const search = sightMap(field, 28, ['near']);
      for (;;) {
        const step = search.next();
        if (step.done) return step.value[0]!.seenBy[cellIndex(field, { x: MIDDLE.x, y: MIDDLE.y + 10 })]!;
      }
    };
    expect(seenFrom(0)).toBeGreaterThan(0);
    expect(seenFrom(180)).toBe(0);
  });
});

test('a footbridge over a pit is walked over; without it the pit is what one walks in', () => {
  const pit = aPit([560, 200, 80, 400], 30);
  const { field } = standing(aPiece('footbridge', { deck: 'flat', spanMm: 150 }), 0, pit as never);
  expect(field.walkMm[cellIndex(field, { x: 600, y: 400 })]).toBeGreaterThanOrEqual(0);
  expect(field.walkMm[cellIndex(field, { x: 600, y: 300 })]).toBe(-30);
});

describe('the section through a shed', () => {
  const through = (y: number) => {
    const plot = { ...aPlot([...PLOT], 60), pieceId: 'one' } as never;
    const plan = { ...aBoard({}, plot), pieces: [aPiece('shed', SHED)], section: { from: { x: 0, y }, to: { x: 1200, y } } };
    return derived(plan).section!;
  };
  test('walls, floor and roof as they are cut, standing on the ground', () => {
    const { slabs, highMm } = through(400);
    const cut = slabs.filter(({ what }) => what === 'piece');
    expect(cut.map(({ name }) => name).sort()).toEqual([
      'Shed or hut: floor',
      'Shed or hut: left wall',
      'Shed or hut: right wall',
      'Shed or hut: roof',
    ]);
    const wall = cut.find(({ name }) => name === 'Shed or hut: left wall')!;
    expect(wall.toMm - wall.fromMm).toBeCloseTo(5, 0);
    expect(wall.topMm - wall.bottomMm).toBeCloseTo(50, 6);
    const ground = Math.max(...slabs.filter(({ what }) => what === 'layer').map(({ topMm }) => topMm));
    expect(Math.min(...cut.map(({ bottomMm }) => bottomMm))).toBeCloseTo(ground, 6);
    expect(highMm).toBeCloseTo(ground + 52, 6);
  });
  test('beside it nothing of it', () => {
    expect(through(320).slabs.some(({ what }) => what === 'piece')).toBe(false);
  });
});

test('in the round the shed stands as it is built: closed, right side out, as heavy in volume as its parts', () => {
  const { plan, of } = standing(aPiece('shed', SHED), 33);
  const solids = tableSolids(of.ground, tableBox(plan.table), heightsIn(of.stack), 30, of.uprights).standing;
  expect(solids.map(({ what }) => what)).toEqual(['loose']);
  const { positions: p, indices } = solids[0]!.solid;
  let mm3 = 0;
  for (let t = 0; t < indices.length; t += 3) {
    const [a, b, c] = [indices[t]! * 3, indices[t + 1]! * 3, indices[t + 2]! * 3];
    mm3 +=
      (p[a]! * (p[b + 1]! * p[c + 2]! - p[b + 2]! * p[c + 1]!) +
        p[a + 1]! * (p[b + 2]! * p[c]! - p[b]! * p[c + 2]!) +
        p[a + 2]! * (p[b]! * p[c + 1]! - p[b + 1]! * p[c]!)) /
      6;
  }
  // floor 77 × 52 × 5; walls 50 high and 5 thick, 87 and 52 long; less the door through its wall
  const walls = 5 * 50 * 2 * (87 + 52);
  expect(mm3).toBeGreaterThan(walls * 0.9);
  expect(mm3).toBeLessThan(walls + 77 * 52 * 5 + 100 * 80 * 3);
});

describe('what hangs over the ground hides what is behind it', () => {
  /** A wall of 30 mm across the table, beyond it something that hangs, behind that a terrace of 40 mm; looked at from the left. */
  function seenBehind(overFromMm: number | null): boolean {
    const [cols, rows, cellMm] = [40, 13, 4];
    const flat = (at: (x: number) => number): Float32Array => Float32Array.from({ length: cols * rows }, (_, i) => at(i % cols));
    const walkMm = flat((x) => (x >= 28 ? 40 : 0));
    const over = overFromMm === null ? null : { fromMm: flat((x) => (x === 20 ? overFromMm : 0)), toMm: flat((x) => (x === 20 ? 90 : 0)) };
    const topMm = flat((x) => (x === 10 ? 30 : x >= 28 ? 40 : 0));
    const field: HeightField = {
      cols,
      rows,
      cellMm,
      heightMm: walkMm,
      walkMm,
      topMm,
      waterMm: flat(() => 0),
      zone: new Uint8Array(cols * rows),
      over,
    };
    const search = sightMap(field, 28, ['left']);
    for (;;) {
      const step = search.next();
      if (step.done) return step.value[0]!.seenBy[6 * cols + 32]! > 0;
    }
  }
  test('where sight over the wall meets it; under what hangs higher one sees through', () => {
    expect(seenBehind(null)).toBe(true);
    expect(seenBehind(60)).toBe(true);
    expect(seenBehind(33)).toBe(false);
  });
});

describe('ways in on the plan', () => {
  const ways = (pieceTurnDeg: number) => {
    const plot = { ...aPlot([100, 100, 200, 200], 0), pieceId: 'one', pieceTurnDeg } as Feature;
    return derived({ ...aBoard({}, plot), pieces: [aPiece('shed', SHED)] }).pieces.standing[0]!.ways;
  };
  test('a door in the front lies towards the viewer, as wide as it is, and is gone into away from him', () => {
    const [{ threshold, inwards }] = ways(0) as readonly [ReturnType<typeof ways>[number]];
    const [a, b] = threshold;
    expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeCloseTo(32, 6);
    expect(a.y).toBeCloseTo(b.y, 6);
    expect(a.y).toBeGreaterThan(200);
    expect(inwards[1].y).toBeLessThan(inwards[0].y);
    expect(inwards[1].x).toBeCloseTo((a.x + b.x) / 2, 6);
  });
  test('turned with its plot by a quarter it lies to the left', () => {
    const [{ threshold, inwards }] = ways(90) as readonly [ReturnType<typeof ways>[number]];
    expect(threshold[0].x).toBeCloseTo(threshold[1].x, 6);
    expect(threshold[0].x).toBeLessThan(200);
    expect(inwards[1].x).toBeGreaterThan(inwards[0].x);
  });
});
