import type { Puzzle } from './puzzle';

/** A pose for every cell, −1 where nothing lies yet. */
export type Filling = number[];

/** Whether what lies on a cell mates with every neighbour that lies already. */
export function fits(puzzle: Puzzle, filling: readonly number[], cell: number): boolean {
  return neighbours(puzzle, cell).every(([other, own, its]) => {
    const pose = filling[other]!;
    return pose < 0 || puzzle.mate[puzzle.poses[filling[cell]!]!.edges[own]! * puzzle.edgeCount + puzzle.poses[pose]!.edges[its]!] === 1;
  });
}

/** Cells beside a cell: which, by which of its own sides, and by which of theirs. */
export function neighbours({ columns, rows }: Puzzle, cell: number): readonly (readonly [number, 0 | 1 | 2 | 3, 0 | 1 | 2 | 3])[] {
  const [column, row] = [cell % columns, Math.floor(cell / columns)];
  return [
    ...(row > 0 ? [[cell - columns, 0, 2] as const] : []),
    ...(column < columns - 1 ? [[cell + 1, 1, 3] as const] : []),
    ...(row < rows - 1 ? [[cell + columns, 2, 0] as const] : []),
    ...(column > 0 ? [[cell - 1, 3, 1] as const] : []),
  ];
}

/** Turns of the table that still count as the same table: with a tile locked none but no turn. */
export function turnsLeft(puzzle: Puzzle, locks: readonly (number | null)[]): readonly number[] {
  if (locks.some((lock) => lock !== null && lock !== undefined)) return [0];
  return [0, 1, 2, 3].filter((turns) => puzzle.tableTurns[turns]!.length > 0);
}

/** A pose, or a whole filling, turned clockwise by quarter turns with the table. */
export const turnedFilling = {
  pose(puzzle: Puzzle, pose: number, turns: number): number {
    const { kind, turns: own } = puzzle.poses[pose]!;
    const period = puzzle.kinds[kind]!.turns.length;
    return puzzle.poses.findIndex((other) => other.kind === kind && other.turns === (own + turns) % period);
  },
  whole(puzzle: Puzzle, filling: readonly number[], turns: number): Filling {
    const to = puzzle.tableTurns[turns]!;
    const turned: Filling = Array<number>(filling.length).fill(-1);
    filling.forEach((pose, cell) => (turned[to[cell]!] = this.pose(puzzle, pose, turns)));
    return turned;
  },
};

/** Whether a filling is the one that stands for all its turned twins: the first of them in the order of its poses. */
export function isFirstOfTurns(puzzle: Puzzle, filling: readonly number[], turns: readonly number[]): boolean {
  return turns.every((turn) => {
    if (turn === 0) return true;
    const other = turnedFilling.whole(puzzle, filling, turn);
    const i = filling.findIndex((pose, cell) => pose !== other[cell]);
    return i < 0 || filling[i]! < other[i]!;
  });
}
