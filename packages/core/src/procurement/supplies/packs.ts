import type { Pack } from '../../catalogue';
import { ceilTolerant } from '../../base/units';

/** How many of each package, dearest combinations left out. */
export interface PackChoice {
  readonly packs: readonly { readonly pack: Pack; readonly count: number }[];
  readonly costMinor: number;
  readonly amount: number;
}

/** Money and what it buys: of two offers the cheaper wins, of equal ones the larger. */
interface Offer {
  readonly costMinor: number;
  readonly amount: number;
  /** How many of each size, as the sizes are given. */
  readonly counts: readonly number[];
}

/**
 * The cheapest packages that hold at least `need`; of equal cost the most. Exact.
 * @param need in the unit of the packs' amounts; 0 buys nothing
 * @source a knapsack that has to be covered: sizes in turn, from all offers only those kept that no other beats in both money and amount; of every size but the one with the
 * cheapest gram fewer are bought than would make up a whole number of that one
 */
export function cheapestPacks(need: number, sizes: readonly Pack[]): PackChoice {
  if (sizes.length === 0) return { packs: [], costMinor: 0, amount: 0 };
  const sorted = [...sizes].sort((a, b) => b.amount - a.amount);
  const fill = sorted.reduce((best, size) => (size.priceMinor * best.amount < best.priceMinor * size.amount ? size : best));
  const at = sorted.indexOf(fill);
  const gramMinor = fill.priceMinor / fill.amount;
  let offers: readonly Offer[] = [{ costMinor: 0, amount: 0, counts: sorted.map(() => 0) }];
  let dearest = filledUp(offers[0]!, fill, at, need).costMinor;
  for (const [i, size] of sorted.entries()) {
    if (size === fill) continue;
    // What is left costs no less than at the cheapest gram: an offer dearer than a whole one found leads nowhere.
    const mayWin = ({ costMinor, amount }: Offer): boolean => costMinor + Math.max(0, need - amount) * gramMinor <= dearest + 1e-6;
    offers = unbeaten(offers.flatMap((offer) => withMore(offer, size, i, { need, fill })).filter(mayWin));
    dearest = Math.min(dearest, ...offers.map((offer) => filledUp(offer, fill, at, need).costMinor));
  }
  const best = offers.map((offer) => filledUp(offer, fill, at, need)).reduce((a, b) => (isBetter(b, a) ? b : a));
  return {
    packs: sorted.flatMap((pack, i) => (best.counts[i]! > 0 ? [{ pack, count: best.counts[i]! }] : [])),
    costMinor: best.costMinor,
    amount: best.amount,
  };
}

const isBetter = (a: Offer, b: Offer): boolean => a.costMinor < b.costMinor || (a.costMinor === b.costMinor && a.amount > b.amount);

/** Offers that no other beats in both money and amount, the cheapest first. */
function unbeaten(offers: readonly Offer[]): readonly Offer[] {
  const sorted = [...offers].sort((a, b) => a.costMinor - b.costMinor || b.amount - a.amount);
  let most = -1;
  return sorted.filter(({ amount }) => amount > most && ((most = amount), true));
}

/** An offer with none, one, two and more of a size: as many as there is need for, but fewer than would make up whole packages of the fill. */
function withMore(offer: Offer, size: Pack, index: number, { need, fill }: { readonly need: number; readonly fill: Pack }): Offer[] {
  const left = Math.max(0, need - offer.amount);
  const enough = left === 0 ? 0 : ceilTolerant(left / size.amount);
  const most = Math.min(enough, wholesIn(fill.amount, size.amount) - 1);
  return Array.from({ length: most + 1 }, (_, n) => plus(offer, index, n, size));
}

/** How many of one amount first come to a whole number of another; without end where they never do within a thousandth. */
function wholesIn(whole: number, part: number): number {
  const [a, b] = [whole * 1000, part * 1000].map(Math.round);
  return Math.abs(a! - whole * 1000) > 1e-6 || Math.abs(b! - part * 1000) > 1e-6 ? Infinity : a! / greatestCommon(a!, b!);
}
const greatestCommon = (a: number, b: number): number => (b === 0 ? a : greatestCommon(b, a % b));

function filledUp(offer: Offer, size: Pack, index: number, need: number): Offer {
  const left = Math.max(0, need - offer.amount);
  return plus(offer, index, left === 0 ? 0 : ceilTolerant(left / size.amount), size);
}

const plus = ({ costMinor, amount, counts }: Offer, index: number, count: number, size: Pick<Pack, 'amount' | 'priceMinor'>): Offer => ({
  costMinor: costMinor + count * size.priceMinor,
  amount: amount + count * size.amount,
  counts: count === 0 ? counts : counts.with(index, counts[index]! + count),
});
