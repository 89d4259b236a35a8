import type { Pack } from '../catalogue';
import { type Drawn, enoughIn } from '../sure';
import { type PackChoice, cheapestPacks } from './packs';

/** What to buy so that it is enough in so many of a hundred. */
export interface Enough {
  readonly ofHundred: number;
  /** The need that is not gone beyond so often, in the unit of the packs. */
  readonly need: number;
  readonly choice: PackChoice;
}

/** Packages for a need that is drawn, as sure as is asked. @param ofHundred how often of a hundred it is to be enough */
export function enoughOf(drawn: Drawn, sizes: readonly Pack[], ofHundred: number): Enough {
  const need = enoughIn(drawn, ofHundred / 100);
  return { ofHundred, need, choice: cheapestPacks(need, sizes) };
}

/** What the packages for each drawn need cost. Whatever is enough for a larger one is as cheap as can be for all between that it holds, so few are chosen anew. */
export function costsOf(drawn: Float64Array, sizes: readonly Pack[]): Float64Array {
  const turn = Array.from(drawn, (_, i) => i).sort((a, b) => drawn[a]! - drawn[b]!);
  const costs = new Float64Array(drawn.length);
  let [holds, costMinor] = [-1, 0];
  for (const i of turn) {
    if (drawn[i]! > holds) ({ amount: holds, costMinor } = cheapestPacks(drawn[i]!, sizes));
    costs[i] = costMinor;
  }
  return costs;
}
