import { type Catalogue, rangesOf } from '../../../catalogue';
import { given, calculate } from '../../../base/units';
import { Draws, Redrawn, quantile } from '../../../learning/uncertainty';
import type { SafetyStock } from '../supplies';

/** Fewer chances than for bands: it is reckoned at every change of a board that asks for it. */
const CHANCES = 500;

/** Needs made so large that they are enough in so many of a hundred chances. @param seed of the plan: the same chances at every change */
export function safetyStockFor(seed: number, catalogue: Catalogue): SafetyStock {
  const names = rangesOf(catalogue);
  const redrawn = new Redrawn(new Draws(CHANCES, seed, (range) => names.get(range)));
  return (need, ofHundred) => {
    const enough = quantile(redrawn.of(need), ofHundred / 100);
    if (need.value <= 0 || enough <= need.value) return need;
    const more = given('Safety factor', enough / need.value, '1', 'catalogue', `in ${ofHundred} of 100 simulations this amount is enough`);
    return calculate(`${need.label}, enough ${ofHundred} times in 100`, need.unit, need, '×', more);
  };
}
