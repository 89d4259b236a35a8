import type { HeightField } from '../ground';
import type { PlayRules } from '../../plan';

/** A stretch of near-level ground that joins up. */
export interface Level {
  /** Over the ground, mm, at its middle height. */
  readonly heightMm: number;
  readonly areaMm2: number;
  /** A cell of it, for a label. */
  readonly cell: number;
}
export interface Levels {
  readonly levels: readonly Level[];
  /** The level each cell belongs to, −1 for none. */
  readonly of: Int16Array;
}

/** Ground that differs less than this from cell to cell is one level. */
const LEVEL_MM = 0.75;
/** Levels no larger than a few bases are ledges. */
const MIN_BASES = 2;

/** Splits the table into its levels, the largest first; slopes, walls and ledges belong to none. */
export function levelsOf({ cols, rows, cellMm, walkMm, topMm }: HeightField, { baseMm }: PlayRules): Levels {
  const of = new Int16Array(cols * rows).fill(-1);
  const seen = new Uint8Array(cols * rows);
  const found: { cells: number[]; level: Level }[] = [];
  const least = (MIN_BASES * baseMm * baseMm) / (cellMm * cellMm);
  for (let start = 0; start < seen.length; start++) {
    if (seen[start] === 1 || topMm[start]! > walkMm[start]!) continue;
    const cells: number[] = [];
    const stack = [start];
    seen[start] = 1;
    while (stack.length > 0) {
      const cell = stack.pop()!;
      cells.push(cell);
      const x = cell % cols;
      for (const next of [x > 0 ? cell - 1 : -1, x < cols - 1 ? cell + 1 : -1, cell - cols, cell + cols]) {
        if (next < 0 || next >= seen.length || seen[next] === 1 || topMm[next]! > walkMm[next]!) continue;
        // Measured from the level's own start, so that a ramp does not creep from one level into the next.
        if (Math.abs(walkMm[next]! - walkMm[start]!) > LEVEL_MM) continue;
        seen[next] = 1;
        stack.push(next);
      }
    }
    if (cells.length >= least) {
      found.push({ cells, level: { heightMm: walkMm[start]!, areaMm2: cells.length * cellMm * cellMm, cell: cells[cells.length >> 1]! } });
    }
  }
  found.sort((a, b) => b.cells.length - a.cells.length);
  found.forEach(({ cells }, i) => cells.forEach((cell) => (of[cell] = i)));
  return { levels: found.map(({ level }) => level), of };
}
