import type { HeightField } from '../ground';
import type { PlayRules } from '../../plan';

/** Over how many cells a slope is measured: a single step a figure can climb must not look steep. */
const SLOPE_CELLS = 4;

/**
 * Cells that touch something a base cannot cross: a drop or rise higher than a step, ground steeper than can be walked, or something standing.
 * 1: ground with such an edge beside it, half a cell off; 2: the thing itself, all of the cell.
 */
export function barrierCells({ cols, rows, cellMm, walkMm, topMm }: HeightField, { stepUpMm, walkDeg }: PlayRules): Uint8Array {
  const marks = new Uint8Array(cols * rows);
  const steepMm = Math.tan((walkDeg * Math.PI) / 180) * SLOPE_CELLS * cellMm;
  for (let y = 0; y < rows; y++) {
    for (let x = 0; x < cols; x++) {
      const i = y * cols + x;
      if (topMm[i]! > walkMm[i]!) {
        marks[i] = 2;
        continue;
      }
      const h = walkMm[i]!;
      if (x + 1 < cols) edge(i, i + 1, h);
      if (y + 1 < rows) edge(i, i + cols, h);
      if (x + SLOPE_CELLS < cols) slope(i, 1);
      if (y + SLOPE_CELLS < rows) slope(i, cols);
    }
  }
  return marks;

  function edge(i: number, j: number, h: number): void {
    if (Math.abs(walkMm[j]! - h) <= stepUpMm + 1e-4) return;
    if (marks[i] === 0) marks[i] = 1;
    if (marks[j] === 0) marks[j] = 1;
  }
  /** A run of cells that rises too much in all, though by no step too high: one that is stands as an edge already, and is no wider than it is. */
  function slope(i: number, along: number): void {
    const rise = Math.abs(walkMm[i + SLOPE_CELLS * along]! - walkMm[i]!);
    if (rise <= steepMm + 1e-4 || rise <= stepUpMm + 1e-4) return;
    for (let k = 0; k < SLOPE_CELLS; k++) if (Math.abs(walkMm[i + (k + 1) * along]! - walkMm[i + k * along]!) > stepUpMm + 1e-4) return;
    const middle = i + (SLOPE_CELLS / 2) * along;
    if (marks[middle] === 0) marks[middle] = 1;
  }
}
