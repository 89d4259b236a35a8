import type { Pack } from '../../../catalogue';
import { type Drawn, quantile } from '../../../learning/uncertainty';
import { type PackChoice, cheapestPacks } from '../packs';

/** What to buy so that it is enough in so many of a hundred. */
export interface Enough {
  readonly ofHundred: number;
  /** The need that is not gone beyond so often, in the unit of the packs. */
  readonly need: number;
  readonly choice: PackChoice;
}

/** Packages for a need that is drawn, as sure as is asked. @param ofHundred how often of a hundred it is to be enough */
export function enoughOf(drawn: Drawn, sizes: readonly Pack[], ofHundred: number): Enough {
  const need = quantile(drawn, ofHundred / 100);
  return { ofHundred, need, choice: cheapestPacks(need, sizes) };
}

/** What of the money for each drawn need goes in: packages bought, and the share of them that is used. */
export function usedOf(drawn: Float64Array, sizes: readonly Pack[]): Float64Array {
  const used = new Float64Array(drawn.length);
  eachChosen(drawn, sizes, (i, { costMinor, amount }) => (used[i] = amount > 0 ? (costMinor * drawn[i]!) / amount : 0));
  return used;
}

/** What the packages for each drawn need cost. */
export function costsOf(drawn: Float64Array, sizes: readonly Pack[]): Float64Array {
  const costs = new Float64Array(drawn.length);
  eachChosen(drawn, sizes, (i, { costMinor }) => (costs[i] = costMinor));
  return costs;
}

/** Packages for each drawn need. Whatever is enough for a larger one is as cheap as can be for all between that it holds, so few are chosen anew. */
function eachChosen(drawn: Float64Array, sizes: readonly Pack[], then: (i: number, choice: PackChoice) => void): void {
  const turn = Array.from(drawn, (_, i) => i).sort((a, b) => drawn[a]! - drawn[b]!);
  let choice: PackChoice | null = null;
  for (const i of turn) {
    if (choice === null || drawn[i]! > choice.amount) choice = cheapestPacks(drawn[i]!, sizes);
    then(i, choice);
  }
}
