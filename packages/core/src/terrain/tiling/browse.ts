import type { Random } from '../../base/random';
import type { Arrangement, Puzzle } from './puzzle';
import { type Filling, fits, isFirstOfTurns, neighbours, turnsLeft } from './filling';

/** Ways of going on looked at between two yields. */
const STRIDE = 20_000;

/**
 * Lays out valid tables one after another, each once whichever way the table is turned. The next cell is always the one with the fewest tiles
 * that still fit it. Yields null now and then, so that the caller can stop.
 * @param random shuffles the tiles tried; null keeps their order
 */
export function* browseTables(
  puzzle: Puzzle,
  locks: readonly (number | null)[],
  random: Random | null,
): Generator<Arrangement | null, void, void> {
  const cells = puzzle.columns * puzzle.rows;
  const group = turnsLeft(puzzle, locks);
  const filling: Filling = Array<number>(cells).fill(-1);
  const left = puzzle.kinds.map(({ tileIds }) => tileIds.length);
  const order = random === null ? null : shuffledIndex(puzzle.poses.length, random);
  let looked = 0;
  yield* fill(0);

  function* fill(laid: number): Generator<Arrangement | null, void, void> {
    if (laid === cells) {
      if (isFirstOfTurns(puzzle, filling, group)) yield asLaid(puzzle, filling);
      return;
    }
    let best: { cell: number; poses: number[] } | null = null;
    for (let cell = 0; cell < cells; cell++) {
      if (filling[cell]! >= 0) continue;
      // Cells with nothing beside them are as free as can be: look at them only when nothing else is open.
      if (laid > 0 && best !== null && !neighbours(puzzle, cell).some(([other]) => filling[other]! >= 0)) continue;
      const poses = possible(cell);
      if (best === null || poses.length < best.poses.length) best = { cell, poses };
      if (poses.length === 0) return;
    }
    const { cell, poses } = best!;
    if (order !== null) poses.sort((a, b) => order[a]! - order[b]!);
    for (const pose of poses) {
      if (++looked % STRIDE === 0) yield null;
      const { kind } = puzzle.poses[pose]!;
      filling[cell] = pose;
      left[kind] = left[kind]! - 1;
      yield* fill(laid + 1);
      left[kind] = left[kind]! + 1;
      filling[cell] = -1;
    }
  }

  function possible(cell: number): number[] {
    const lock = locks[cell];
    const candidates = lock === null || lock === undefined ? puzzle.posesOn[cell]! : [lock];
    const fitting = candidates.filter((pose) => {
      if (left[puzzle.poses[pose]!.kind]! === 0) return false;
      filling[cell] = pose;
      const does = fits(puzzle, filling, cell);
      filling[cell] = -1;
      return does;
    });
    return fitting;
  }
}

/** Names a tile for every pose, alike tiles in their own order. */
export function asLaid(puzzle: Puzzle, filling: readonly number[]): Arrangement {
  const used = puzzle.kinds.map(() => 0);
  return filling.map((index) => {
    const { kind, turns } = puzzle.poses[index]!;
    const nth = used[kind]!++;
    const { tileIds, offsets, turns: different } = puzzle.kinds[kind]!;
    const period = different.length;
    return { tileId: tileIds[nth]!, turns: (((turns - offsets[nth]!) % period) + period) % period };
  });
}

/** The pose a named tile has when it lies turned. */
export function poseOf(puzzle: Puzzle, tileId: string, turns: number): number {
  const kind = puzzle.kinds.findIndex(({ tileIds }) => tileIds.includes(tileId));
  const { tileIds, offsets, turns: different } = puzzle.kinds[kind]!;
  const own = (turns + offsets[tileIds.indexOf(tileId)]!) % different.length;
  return puzzle.poses.findIndex((pose) => pose.kind === kind && pose.turns === own);
}

/** A seam of a laid table whose two edges do not mate, by the cells on either side. */
export interface FailingSeam {
  readonly first: number;
  readonly second: number;
  readonly firstEdge: number;
  readonly secondEdge: number;
}

/** The seams that fail when tiles are laid so, whatever the builder forces. */
export function failingSeams(puzzle: Puzzle, arrangement: Arrangement): readonly FailingSeam[] {
  const poses = arrangement.map(({ tileId, turns }) => puzzle.poses[poseOf(puzzle, tileId, turns)]!);
  return poses.flatMap((pose, cell) =>
    neighbours(puzzle, cell)
      .filter(([other]) => other > cell)
      .flatMap(([other, own, its]): FailingSeam[] => {
        const [a, b] = [pose.edges[own], poses[other]!.edges[its]];
        return puzzle.mate[a * puzzle.edgeCount + b] === 1 ? [] : [{ first: cell, second: other, firstEdge: a, secondEdge: b }];
      }),
  );
}

function shuffledIndex(count: number, random: Random): number[] {
  const order = Array.from({ length: count }, (_, i) => i);
  for (let i = count - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [order[i], order[j]] = [order[j]!, order[i]!];
  }
  return order;
}
