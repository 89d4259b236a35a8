import { type Random, seeded } from '../../base/random';
import { borrowed, givenBack } from './buffers';

/** Cells a side of every grid of a swatch; its edges meet, so that it can be laid side by side. */
export const CELLS = 512;
const MASK = CELLS - 1;

/** Smooth chance over the swatch, 0 to 1, in waves of so many cells; its edges meet. @param waveCells rounded to what divides the swatch */
export function noise(waveCells: number, seed: number): Float32Array {
  const field = borrowed();
  waved(field, waveCells, seed, 1, true);
  return field;
}

/** Waves on waves, each half as long and so much weaker; 0 to 1. */
export function rough(waveCells: number, octaves: number, fades: number, seed: number): Float32Array {
  const all = Array.from({ length: octaves }, (_, octave) => fades ** octave).reduce((sum, weight) => sum + weight, 0);
  const field = borrowed();
  for (let octave = 0; octave < octaves; octave++)
    waved(field, waveCells / 2 ** octave, seed * 31 + octave, fades ** octave / all, octave === 0);
  return field;
}

/** Writes waves of one length into a field, or adds them to what is there. */
function waved(field: Float32Array, waveCells: number, seed: number, weight: number, isFirst: boolean): void {
  const knots = 2 ** Math.max(1, Math.min(9, Math.round(Math.log2(CELLS / waveCells))));
  const random: Random = seeded(seed);
  const lattice = new Float32Array(knots * knots);
  for (let k = 0; k < lattice.length; k++) lattice[k] = random() * weight;
  // Along one row the knots and their weights are the same for every row.
  const step = knots / CELLS;
  const left = new Int32Array(CELLS);
  const ease = new Float32Array(CELLS);
  for (let x = 0; x < CELLS; x++) {
    const at = x * step;
    left[x] = Math.floor(at);
    const t = at - Math.floor(at);
    ease[x] = t * t * (3 - 2 * t);
  }
  // Each row of knots is drawn out to a row of cells once; between two of them every cell is one step.
  const drawn = (k: number, out: Float32Array): void => {
    const row = k * knots;
    for (let x = 0; x < CELLS; x++) {
      const from = lattice[row + left[x]!]!;
      out[x] = from + (lattice[row + ((left[x]! + 1) & (knots - 1))]! - from) * ease[x]!;
    }
  };
  let [top, bottom] = [new Float32Array(CELLS), new Float32Array(CELLS)];
  drawn(0, bottom);
  const each = CELLS / knots;
  for (let k = 0; k < knots; k++) {
    [top, bottom] = [bottom, top];
    drawn((k + 1) & (knots - 1), bottom);
    for (let y = k * each; y < (k + 1) * each; y++) {
      const v = ease[y]!;
      const row = y * CELLS;
      if (isFirst) for (let x = 0; x < CELLS; x++) field[row + x] = top[x]! + (bottom[x]! - top[x]!) * v;
      else for (let x = 0; x < CELLS; x++) field[row + x] = field[row + x]! + top[x]! + (bottom[x]! - top[x]!) * v;
    }
  }
}

/** The mean over a square round each cell, twice over, which comes near to a bell; edges meet. */
export function blurred(field: Float32Array, radius: number): Float32Array {
  const r = Math.max(1, Math.min(CELLS / 2 - 1, Math.round(radius)));
  const [across, down] = [borrowed(), borrowed()];
  rowsBlurred(field, r, across);
  columnsBlurred(across, r, down);
  rowsBlurred(down, r, across);
  columnsBlurred(across, r, down);
  givenBack(across);
  return down;
}
function rowsBlurred(field: Float32Array, r: number, out: Float32Array): void {
  const share = 1 / (2 * r + 1);
  for (let y = 0; y < CELLS; y++) {
    const row = y * CELLS;
    let sum = 0;
    for (let x = -r; x <= r; x++) sum += field[row + (x & MASK)]!;
    for (let x = 0; x < CELLS; x++) {
      out[row + x] = sum * share;
      sum += field[row + ((x + r + 1) & MASK)]! - field[row + ((x - r) & MASK)]!;
    }
  }
}
/** Row by row, with a running sum for every column: down the columns the cache would be missed at every cell. */
function columnsBlurred(field: Float32Array, r: number, out: Float32Array): void {
  const share = 1 / (2 * r + 1);
  const sums = new Float64Array(CELLS);
  for (let y = -r; y <= r; y++) {
    const row = (y & MASK) * CELLS;
    for (let x = 0; x < CELLS; x++) sums[x] = sums[x]! + field[row + x]!;
  }
  for (let y = 0; y < CELLS; y++) {
    const row = y * CELLS;
    const coming = ((y + r + 1) & MASK) * CELLS;
    const going = ((y - r) & MASK) * CELLS;
    for (let x = 0; x < CELLS; x++) {
      out[row + x] = sums[x]! * share;
      sums[x] = sums[x]! + field[coming + x]! - field[going + x]!;
    }
  }
}
