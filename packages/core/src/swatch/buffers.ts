/** Cells of a swatch, all of them. */
const SIZE = 512 * 512;
/** Arrays to be used again: a fresh megabyte costs more in page faults than most passes over it (12 of 18 ms of laying one coat over another). */
const FREE: Float32Array[] = [];
const FREE_TONES: Uint16Array[] = [];
const MOST_FREE = 40;

/** A grid of numbers with anything in it: whoever takes it writes every cell. */
export const borrowed = (): Float32Array => FREE.pop() ?? new Float32Array(SIZE);
/** Nobody reads it any more. */
export function givenBack(...grids: readonly Float32Array[]): void {
  for (const grid of grids) if (FREE.length < MOST_FREE) FREE.push(grid);
}
export const borrowedTones = (): Uint16Array => FREE_TONES.pop() ?? new Uint16Array(SIZE);
export function tonesGivenBack(...grids: readonly Uint16Array[]): void {
  for (const grid of grids) if (FREE_TONES.length < MOST_FREE) FREE_TONES.push(grid);
}
