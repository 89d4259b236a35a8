/** A number to so many decimals. @param decimals 0 to 6 */
export function rounded(value: number, decimals: number): number {
  const factor = 10 ** decimals;
  return Math.round(value * factor) / factor;
}
/** mm to a hundredth: what is typed, dragged or moved, kept clean in the document. */
export const tidyMm = (mm: number): number => rounded(mm, 2);
/** mm to a thousandth: what the polygon clipper works to, and so do cut sizes. */
export const cutMm = (mm: number): number => rounded(mm, 3);
