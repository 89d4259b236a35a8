import type { Pack } from '../catalogue';
import { wholeUp } from '../units';

/** How many of each package, dearest combinations left out. */
export interface PackChoice {
  readonly packs: readonly { readonly pack: Pack; readonly count: number }[];
  readonly costMinor: number;
  readonly amount: number;
}

/**
 * The cheapest packages that hold at least `need`; of equal cost the most. Exact: every count of the larger sizes is
 * tried, the smallest size fills up.
 * @param need in the unit of the packs' amounts; 0 buys nothing
 */
export function cheapestPacks(need: number, sizes: readonly Pack[]): PackChoice {
  const sorted = [...sizes].sort((a, b) => b.amount - a.amount);
  let best: PackChoice | null = null;
  const search = (i: number, chosen: PackChoice['packs'], costMinor: number, amount: number): void => {
    const left = Math.max(0, need - amount);
    const pack = sorted[i]!;
    const enough = left === 0 ? 0 : wholeUp(left / pack.amount);
    const counts = i === sorted.length - 1 ? [enough] : Array.from({ length: enough + 1 }, (_, n) => n);
    for (const count of counts) {
      const cost = costMinor + count * pack.priceMinor;
      if (best !== null && cost > best.costMinor) break;
      const next = count === 0 ? chosen : [...chosen, { pack, count }];
      const nextAmount = amount + count * pack.amount;
      if (i < sorted.length - 1) search(i + 1, next, cost, nextAmount);
      else if (best === null || cost < best.costMinor || nextAmount > best.amount)
        best = { packs: next, costMinor: cost, amount: nextAmount };
    }
  };
  search(0, [], 0, 0);
  return best!;
}
