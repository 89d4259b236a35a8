import type { HeightField } from '../ground';
import type { PlayRules } from '../../plan';
import { distanceCells } from './grid';

/** What a hand gets at: 0 within reach, 1 too far from every side of the table, 2 too narrow for the hand to get down to. */
export interface Reach {
  readonly trouble: Uint8Array;
  readonly farShare: number;
  readonly narrowShare: number;
}

/** Things lower than this beside it do not keep a hand out. */
const LOW_MM = 30;

/**
 * Reach from the nearest side of the table, and corners that a hand of stated width cannot get into: places that no disc of the hand's
 * width covers without touching something tall.
 * @source craft.md §11
 */
export function reachMap({ cols, rows, cellMm, walkMm, topMm }: HeightField, { reachMm, handMm }: PlayRules): Reach {
  const size = cols * rows;
  const trouble = new Uint8Array(size);
  const tall = new Uint8Array(size);
  for (let i = 0; i < size; i++) tall[i] = Number(topMm[i]! - walkMm[i]! >= LOW_MM);
  const toTall = distanceCells(tall, cols, rows);
  const handCells = handMm / 2 / cellMm;
  const roomy = new Uint8Array(size);
  for (let i = 0; i < size; i++) roomy[i] = Number(toTall[i]! - 0.5 >= handCells);
  const toRoomy = distanceCells(roomy, cols, rows);
  let [far, narrow] = [0, 0];
  for (let y = 0; y < rows; y++) {
    for (let x = 0; x < cols; x++) {
      const i = y * cols + x;
      const edgeMm = (Math.min(x, y, cols - 1 - x, rows - 1 - y) + 0.5) * cellMm;
      if (edgeMm > reachMm) {
        trouble[i] = 1;
        far += 1;
      } else if (tall[i] === 0 && toRoomy[i]! > handCells) {
        trouble[i] = 2;
        narrow += 1;
      }
    }
  }
  return { trouble, farShare: far / size, narrowShare: narrow / size };
}
