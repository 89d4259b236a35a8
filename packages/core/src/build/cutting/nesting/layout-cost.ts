import type { Aim, Layout, PlacedSheet } from './layout';
import { costOf } from './stock';

/** What the sheets of a layout cost together. */
export const layoutCost = (sheets: readonly Pick<PlacedSheet, 'stock'>[], aim: Aim): number =>
  sheets.reduce((sum, { stock }) => sum + costOf(stock, aim), 0);

/** Fewer parts left out, then cheaper or fewer sheets, then a larger piece left over. */
export const isBetterLayout = (a: Layout, b: Layout, aim: Aim): boolean =>
  a.tooLarge.length === b.tooLarge.length ? isBetter(a.sheets, b.sheets, aim) : a.tooLarge.length < b.tooLarge.length;

/** Weights this near are the same. */
export const SAME_COST = 1e-9;

export function isBetter(a: readonly PlacedSheet[], b: readonly PlacedSheet[], aim: Aim): boolean {
  const [aWeight, bWeight] = [layoutCost(a, aim), layoutCost(b, aim)];
  if (Math.abs(aWeight - bWeight) > SAME_COST) return aWeight < bWeight;
  return largestRestMm2(a) > largestRestMm2(b) + 1e-6;
}

export const largestRestMm2 = (sheets: readonly PlacedSheet[]): number =>
  Math.max(0, ...sheets.map(({ rest }) => rest.widthMm * rest.depthMm));
