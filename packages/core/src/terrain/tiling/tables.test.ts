import { aBoard, aMound, aPool, CATALOGUE, mended } from '../../testing';
import { describe, expect, test } from 'vitest';
import { derivePipeline } from '../../pipeline';
import type { Feature } from '../../plan/features';
import type { Plan } from '../../plan';
import { type Random, seeded } from '../../base/random';
import { edgeFixes } from '../../advice/checks';
import { type Arrangement, type Puzzle, puzzleOf } from './puzzle';
import { browseTables, failingSeams, poseOf } from './browse';
import { edgeLetters } from './letters';
import { countTables } from './count';
import { turnedFilling } from './filling';

const groundOf = (plan: Plan) => derivePipeline()(plan, CATALOGUE).ground;
const puzzle = (plan: Plan): Puzzle => puzzleOf(groundOf(plan));
function count(of: Puzzle, locks: readonly (number | null)[] = []) {
  const search = countTables(of, locks);
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
  }
}
const all = (of: Puzzle, locks: readonly (number | null)[] = []): Arrangement[] =>
  [...browseTables(of, locks, null)].filter((table) => table !== null);

/** A puzzle of made-up edges: each tile four edges of a few classes that mate with their own; tiles may be alike. */
function randomPuzzle(columns: number, rows: number, classes: number, random: Random): Puzzle {
  const tiles = Array.from({ length: columns * rows }, () => Array.from({ length: 4 }, () => Math.floor(random() * classes)));
  const kinds: { tileIds: string[]; offsets: number[]; turns: number[]; sides: number[] }[] = [];
  const turned = (sides: number[], by: number): number[] => sides.map((_, side) => sides[(side - by + 4) % 4]!);
  tiles.forEach((sides, i) => {
    for (const kind of kinds) {
      const offset = [0, 1, 2, 3].find((by) => turned(kind.sides, by).join() === sides.join());
      if (offset === undefined) continue;
      kind.tileIds.push(`t${i}`);
      kind.offsets.push(offset);
      return;
    }
    const period = [1, 2].find((by) => turned(sides, by).join() === sides.join()) ?? 4;
    kinds.push({ tileIds: [`t${i}`], offsets: [0], turns: [0, 1, 2, 3].filter((by) => by < period), sides });
  });
  const edgeCount = kinds.length * 4;
  const classOf = kinds.flatMap(({ sides }) => sides);
  const mate = new Uint8Array(edgeCount * edgeCount);
  for (let a = 0; a < edgeCount; a++) for (let b = 0; b < edgeCount; b++) mate[a * edgeCount + b] = Number(classOf[a] === classOf[b]);
  const poses = kinds.flatMap(({ turns }, kind) =>
    turns.map((by) => ({ kind, turns: by, edges: [0, 1, 2, 3].map((side) => kind * 4 + ((side - by + 4) % 4)) as never })),
  );
  const every = poses.map((_, i) => i);
  const at = (c: number, r: number, by: number): number => {
    let [x, y, w, h] = [c, r, columns, rows];
    for (let i = 0; i < by; i++) [x, y, w, h] = [h - 1 - y, x, h, w];
    return y * columns + x;
  };
  const tableTurns = [0, 1, 2, 3].map((by) =>
    by % 2 === 1 && columns !== rows ? [] : tiles.map((_, i) => at(i % columns, Math.floor(i / columns), by)),
  );
  return { columns, rows, kinds, poses, posesOn: tiles.map(() => every), mate, edgeCount, edges: [], tableTurns };
}

/** Every filling there is, tried one by one; turned twins struck out. */
function byBruteForce(of: Puzzle): number {
  const cells = of.columns * of.rows;
  const found = new Set<string>();
  const left = of.kinds.map(({ tileIds }) => tileIds.length);
  const filling: number[] = [];
  const fits = (cell: number, other: number, own: number, its: number): boolean =>
    of.mate[of.poses[filling[cell]!]!.edges[own]! * of.edgeCount + of.poses[filling[other]!]!.edges[its]!] === 1;
  const lay = (cell: number): void => {
    if (cell === cells) {
      const twins = of.tableTurns.flatMap((to, by) => (to.length === 0 ? [] : [turnedFilling.whole(of, filling, by).join(' ')]));
      found.add(twins.sort()[0]!);
      return;
    }
    of.poses.forEach(({ kind }, pose) => {
      if (left[kind] === 0) return;
      filling[cell] = pose;
      const isMated = (cell % of.columns === 0 || fits(cell, cell - 1, 3, 1)) && (cell < of.columns || fits(cell, cell - of.columns, 0, 2));
      if (isMated) {
        left[kind] = left[kind]! - 1;
        lay(cell + 1);
        left[kind] = left[kind]! + 1;
      }
      filling.length = cell;
    });
  };
  lay(0);
  return found.size;
}

describe('counted as brute force counts', () => {
  for (const [columns, rows, classes, rounds] of [
    [2, 2, 2, 25],
    [2, 2, 3, 25],
    [2, 3, 2, 8],
    [3, 2, 3, 12],
    [2, 3, 4, 12],
  ] as const) {
    test(`${rounds} random sets of ${columns} × ${rows} tiles, ${classes} sorts of edge, seeds 1 to ${rounds}`, () => {
      for (let seed = 1; seed <= rounds; seed++) {
        const set = randomPuzzle(columns, rows, classes, seeded(seed * 7919));
        const tables = byBruteForce(set);
        expect(count(set), `seed ${seed}`).toEqual({ known: 'exact', tables });
        expect(all(set), `seed ${seed}`).toHaveLength(tables);
      }
    });
  }
});

describe('tables read off the drawing', () => {
  test('four bare tiles are one table, however they are shuffled and turned', () => {
    expect(count(puzzle(aBoard({ widthMm: 800, depthMm: 800 })))).toEqual({ known: 'exact', tables: 1 });
  });
  test('four square tiles with one mound in the middle of one: it can lie in any corner, which is one table turned', () => {
    const plan = aBoard({ widthMm: 800, depthMm: 800 }, aMound([150, 150, 100, 100], 20));
    expect(puzzle(plan).kinds.map(({ tileIds, turns }) => [tileIds.length, turns.length])).toEqual([
      [1, 1],
      [3, 1],
    ]);
    expect(count(puzzle(plan))).toEqual({ known: 'exact', tables: 1 });
  });
  test('an oblong tile takes two turns: a mound to the left of one of two tiles faces in or out', () => {
    const plan = aBoard({ widthMm: 1000, depthMm: 300, columns: 2, rows: 1 }, aMound([50, 100, 100, 100], 20));
    expect(count(puzzle(plan))).toEqual({ known: 'exact', tables: 2 });
  });
  test('a tile that is another turned is of its kind', () => {
    const plan = aBoard(
      { widthMm: 800, depthMm: 400, columns: 2, rows: 1 },
      aMound([50, 100, 60, 200], 20, 'west'),
      aMound([690, 100, 60, 200], 20, 'east'),
    );
    expect(puzzle(plan).kinds).toMatchObject([{ tileIds: ['A1', 'B1'], offsets: [0, 2] }]);
  });
  test('nine square tiles, all different, with bare edges: far over a million', () => {
    const marks = Array.from({ length: 9 }, (_, i): Feature =>
      aMound([(i % 3) * 400 + 120 + i * 5, Math.floor(i / 3) * 400 + 90 + i * 3, 60 + i * 8, 50], 20, `m${i}`),
    );
    expect(count(puzzle(aBoard({ widthMm: 1200, depthMm: 1200, columns: 3, rows: 3 }, ...marks)))).toEqual({
      known: 'over',
      tables: 1_000_000,
    });
  });
});

/** A channel straight across the back row of 2 × 2 square tiles, off the middle. */
const crossed = (yMm: number): Plan => aBoard({ widthMm: 800, depthMm: 800 }, { ...aPool([0, yMm - 20, 800, 40], 8, 4, 'channel') });

test('edges have letters: bare ones one, the channel’s two ends a letter and its primed partner, off the middle as they are', () => {
  const set = puzzle(crossed(200));
  const byTile = (tile: number): string[] => edgeLetters(set).slice(tile * 4, tile * 4 + 4) as string[];
  const [back, right, near, left] = byTile(0);
  expect(back).toBe(near);
  expect(right).not.toBe(back);
  // In the middle of a tile of 400 the channel is the same both ways round: one letter, no prime.
  expect(left).toBe(right);
  const off = puzzle(crossed(160));
  const [, east, , west] = edgeLetters(off);
  expect([east, west].sort()).toEqual([east!.replace('′', ''), `${east!.replace('′', '')}′`]);
});

describe('laid by hand', () => {
  test('as drawn every seam mates; with two tiles changed the failing seams are named', () => {
    const set = puzzle(crossed(200));
    const drawn: Arrangement = ['A1', 'B1', 'A2', 'B2'].map((tileId) => ({ tileId, turns: 0 }));
    expect(failingSeams(set, drawn)).toEqual([]);
    const forced: Arrangement = [drawn[2]!, drawn[1]!, drawn[0]!, drawn[3]!];
    expect(failingSeams(set, forced).map(({ first, second }) => [first, second])).toEqual([
      [0, 1],
      [2, 3],
    ]);
  });
  test('every table browsed mates throughout, and a locked tile stays', () => {
    const set = puzzle(crossed(200));
    const lock = poseOf(set, 'B1', 0);
    const tables = all(set, [null, lock, null, null]);
    expect(tables.length).toBeGreaterThan(0);
    for (const table of tables) {
      expect(failingSeams(set, table)).toEqual([]);
      expect(poseOf(set, table[1]!.tileId, table[1]!.turns)).toBe(lock);
    }
  });
  test('another table by chance is valid, and the same for the same seed', () => {
    const set = puzzle(crossed(200));
    const draw = (seed: number): Arrangement => [...browseTables(set, [], seeded(seed))].find((table) => table !== null)!;
    expect(failingSeams(set, draw(3))).toEqual([]);
    expect(draw(3)).toEqual(draw(3));
  });
});

test('a channel off the middle of its edges: centring it is offered, smallest first, and lets the edges meet themselves', () => {
  const plan = aBoard({ widthMm: 800, depthMm: 400, columns: 2, rows: 1 }, {
    ...aPool([0, 0, 1, 1], 8, 4, 'channel'),
    shape: {
      form: 'strip',
      points: [
        { x: 0, y: 160 },
        { x: 800, y: 160 },
      ],
      widthMm: 40,
      bendMm: 0,
    },
  } as Feature);
  const before = puzzle(plan);
  const mends = edgeFixes(before, plan, groundOf(plan));
  expect(mends[0]).toMatchObject({ sizeMm: 40, mend: { edit: { featureId: 'channel' } } });
  const sizes = mends.map(({ sizeMm }) => sizeMm);
  expect(sizes).toEqual([...sizes].sort((a, b) => a - b));
  const centred = mends.filter(({ mend }) => mend.edit.code === 'feature/point').reduce((now, { mend }) => mended(now, mend), plan);
  const meets = (of: Puzzle): number => of.mate.reduce((sum, does) => sum + does, 0);
  expect(meets(puzzle(centred))).toBeGreaterThan(meets(before));
});
