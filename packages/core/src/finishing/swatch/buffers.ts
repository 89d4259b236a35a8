/** Cells of a swatch, all of them. */
const SIZE = 512 * 512;
/** Arrays to be used again: a fresh megabyte costs more in page faults than most passes over it. */
const FREE: Float32Array[] = [];
const FREE_TONES: Uint32Array[] = [];
const FREE_SHARES: Uint8Array[] = [];
const MAX_FREE = 40;

/** A grid of numbers with anything in it: whoever takes it writes every cell. */
export const borrowed = (): Float32Array => FREE.pop() ?? new Float32Array(SIZE);
/** Nobody reads it any more. */
export function givenBack(...grids: readonly Float32Array[]): void {
  for (const grid of grids) if (FREE.length < MAX_FREE) FREE.push(grid);
}
export const borrowedTones = (): Uint32Array => FREE_TONES.pop() ?? new Uint32Array(SIZE);
export function tonesGivenBack(grid: Uint32Array): void {
  if (FREE_TONES.length < MAX_FREE) FREE_TONES.push(grid);
}
/** A grid of shares in bytes. */
export const borrowedShares = (): Uint8Array => FREE_SHARES.pop() ?? new Uint8Array(SIZE);
export function sharesGivenBack(...grids: readonly Uint8Array[]): void {
  for (const grid of grids) if (FREE_SHARES.length < MAX_FREE) FREE_SHARES.push(grid);
}
