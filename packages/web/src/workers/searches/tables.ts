import { seeded } from '@spare-acre/core/base/random';
import { type EdgeFix, edgeFixes } from '@spare-acre/core/advice/checks';
import {
  type Arrangement,
  type Count,
  type FailingSeam,
  type Puzzle,
  browseTables,
  countTables,
  edgeLetters,
  failingSeams,
  poseOf,
  puzzleOf,
} from '@spare-acre/core/terrain/tiling';
import type { BoardCopy } from '../board-copy';
import type { OnProgress } from './progress';

/** Tables laid out to browse through. */
const MAX_BROWSED = 200;

/** The puzzle of a table: how often it can be laid, and what to do about edges that fit nowhere. */
export interface TablesAnswer {
  readonly kinds: number;
  /** The letter of each tile's back, right, near and left edge as drawn. */
  readonly letters: Readonly<Record<string, readonly string[]>>;
  readonly mends: readonly EdgeFix[];
}
/** What a seam of a forced table shows on either side, in words. */
export interface ForcedAnswer {
  readonly failing: readonly FailingSeam[];
}
/** Tiles held on their cells, by cell. */
export type Locks = readonly (Arrangement[number] | null)[];

const puzzleFor = (board: BoardCopy): Puzzle => puzzleOf(board.derived().ground);
const posesOf = (puzzle: Puzzle, locks: Locks): (number | null)[] =>
  locks.map((lock) => (lock === null ? null : poseOf(puzzle, lock.tileId, lock.turns)));

export function tables(board: BoardCopy): TablesAnswer {
  const { ground } = board.derived();
  const puzzle = puzzleOf(ground);
  const all = edgeLetters(puzzle);
  const letters = ground.tiles.map(({ id }) => [id, puzzle.poses[poseOf(puzzle, id, 0)]!.edges.map((edge) => all[edge]!)] as const);
  return { kinds: puzzle.kinds.length, letters: Object.fromEntries(letters), mends: edgeFixes(puzzle, board.plan, ground) };
}

export async function count(board: BoardCopy, locks: Locks, onProgress: OnProgress): Promise<Count | null> {
  const puzzle = puzzleFor(board);
  for (const search = countTables(puzzle, posesOf(puzzle, locks)); ;) {
    const step = search.next();
    if (step.done) return step.value;
    if (!(await onProgress(step.value.cells, step.value.of))) return null;
  }
}

/** @param seed null: the first tables in order; a number: one table drawn by chance */
export async function browse(
  board: BoardCopy,
  locks: Locks,
  seed: number | null,
  onProgress: OnProgress,
): Promise<readonly Arrangement[] | null> {
  const puzzle = puzzleFor(board);
  const found: Arrangement[] = [];
  const wanted = seed === null ? MAX_BROWSED : 1;
  for (const table of browseTables(puzzle, posesOf(puzzle, locks), seed === null ? null : seeded(seed))) {
    if (table !== null) found.push(table);
    else if (!(await onProgress(found.length, wanted))) return null;
    if (found.length >= wanted) break;
  }
  return found;
}

export const forced = (board: BoardCopy, arrangement: Arrangement): ForcedAnswer => ({
  failing: failingSeams(puzzleFor(board), arrangement),
});
