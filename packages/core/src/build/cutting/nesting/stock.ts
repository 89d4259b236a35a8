import { ceilTolerant } from '../../../base/units';
import { FIT_MM } from './guillotine/cut-tree';
import type { Aim, Blank, Stock } from './layout';

/** A sheet counts a little even where it is free, and money a little even where only sheets are counted: so ties are broken. */
const TIE = 1e-7;

/** What taking a sheet costs; offcuts are taken for nothing. */
export const costOf = ({ offcutId, priceMinor }: Stock, aim: Aim): number =>
  offcutId !== null ? 0 : aim === 'cheapest' ? priceMinor + TIE : 1 + priceMinor * TIE;

export const isNew = ({ offcutId }: Stock): boolean => offcutId === null;

/** Room for parts that each carry a kerf on two sides; one kerf may hang over the trim. */
export const roomOf = ({ widthMm, depthMm, trim }: Stock, kerfMm: number): { readonly w: number; readonly h: number } => ({
  w: widthMm - trim.leftMm - trim.rightMm + kerfMm,
  h: depthMm - trim.topMm - trim.bottomMm + kerfMm,
});

/** Whether a part goes on a sheet at all. */
export function fitsOn({ widthMm, depthMm, mayTurn }: Blank, stock: Stock, kerfMm: number): boolean {
  const { w, h } = roomOf(stock, kerfMm);
  const fits = (a: number, b: number): boolean => a + kerfMm <= w + FIT_MM && b + kerfMm <= h + FIT_MM;
  return fits(widthMm, depthMm) || (mayTurn && fits(depthMm, widthMm));
}

/** What all parts take with their kerf, mm². */
export const takenMm2 = (blanks: readonly Blank[], kerfMm: number): number =>
  blanks.reduce((sum, { widthMm, depthMm }) => sum + (widthMm + kerfMm) * (depthMm + kerfMm), 0);

/** Sets of new sheets looked at for a bound or a target, at most. */
const MAX_SETS = 4_000;

/** Counts of each kind of new sheet. */
export interface SheetSet {
  readonly counts: readonly number[];
  readonly cost: number;
  readonly areaMm2: number;
}

/**
 * Sets of new sheets that have the area for what is to be laid and cost less than a limit, the most area first.
 * @param kinds new sheets; @param needMm2 area that offcuts leave to be laid
 */
export function setsUnder(kinds: readonly Stock[], needMm2: number, limit: number, kerfMm: number, aim: Aim): readonly SheetSet[] {
  const rows = kinds.map((kind) => {
    const { w, h } = roomOf(kind, kerfMm);
    return { areaMm2: w * h, cost: costOf(kind, aim) };
  });
  const found: SheetSet[] = [];
  const add = (from: number, counts: readonly number[], cost: number, areaMm2: number): void => {
    if (found.length >= MAX_SETS) return;
    if (from === rows.length) {
      if (areaMm2 >= needMm2 - FIT_MM) found.push({ counts, cost, areaMm2 });
      return;
    }
    const row = rows[from]!;
    for (let count = 0; ; count++) {
      const next = cost + count * row.cost;
      if (next >= limit) break;
      add(from + 1, [...counts, count], next, areaMm2 + count * row.areaMm2);
    }
  };
  add(0, [], 0, 0);
  return found.sort((a, b) => b.areaMm2 - a.areaMm2 || a.cost - b.cost);
}

/** Tells whether every part goes on some sheet of a set, or of what is there anyway, one at a time. */
export function placesAll(
  blanks: readonly Blank[],
  kinds: readonly Stock[],
  there: readonly Stock[],
  kerfMm: number,
): (set: Pick<SheetSet, 'counts'>) => boolean {
  const needs = blanks
    .filter((blank) => !there.some((one) => fitsOn(blank, one, kerfMm)))
    .map((blank) => kinds.map((kind) => fitsOn(blank, kind, kerfMm)));
  const unlike = [...new Map(needs.map((need) => [need.join(), need])).values()];
  return ({ counts }) => unlike.every((need) => counts.some((count, k) => count > 0 && need[k]!));
}

/** The area bound: what new sheets must cost at least, whatever the layout of boxes. 0 where the offcuts have area enough. */
export const leastCost = (blanks: readonly Blank[], stock: readonly Stock[], kerfMm: number, aim: Aim): number =>
  leastByArea(takenMm2(blanks, kerfMm), stock, kerfMm, aim);

/** The same for an area to be laid. */
export function leastByArea(areaMm2: number, stock: readonly Stock[], kerfMm: number, aim: Aim): number {
  const offcutsMm2 = stock
    .filter((one) => !isNew(one))
    .reduce((sum, one) => {
      const { w, h } = roomOf(one, kerfMm);
      return sum + w * h;
    }, 0);
  const needMm2 = areaMm2 - offcutsMm2;
  const kinds = stock.filter(isNew);
  return needMm2 <= FIT_MM || kinds.length === 0 ? 0 : leastCostFor(needMm2, kinds, kerfMm, aim);
}

/** The lightest set of new sheets, at least one kind, that has an area. */
export function leastCostFor(needMm2: number, kinds: readonly Stock[], kerfMm: number, aim: Aim): number {
  const upTo = (kind: Stock): number => {
    const { w, h } = roomOf(kind, kerfMm);
    return costOf(kind, aim) * ceilTolerant(needMm2 / (w * h));
  };
  // The best of one kind alone says how far the exact count has to look.
  const upper = Math.min(...kinds.map(upTo));
  return setsUnder(kinds, needMm2, upper + TIE / 2, kerfMm, aim).reduce((least, { cost }) => Math.min(least, cost), upper);
}
