import { seeded } from '@spare-acre/core/base/random';
import { leastCost } from '@spare-acre/core/procurement/buying';
import { WORKSHOP_CATALOGUE as catalogue } from '@spare-acre/core/catalogue/workshop';
import { brinefold } from '@spare-acre/core/demo';
import { EMPTY_WORKSHOP } from '@spare-acre/core/plan/workshop';
import { anErrand, bestOfAll } from '@spare-acre/core/testing';
import { combinationsOf, frontOf, scalesFor, weighed, withAnswers } from '@spare-acre/core/advice/tradeoffs';
import { ms } from './timed';

/** Small errands, each against every basket that there is: how many come to the same money and the same left over. */
export function exactRow(cases: number): string {
  let [same, unmet] = [0, 0];
  for (let seed = 1; seed <= cases; seed++) {
    const errand = anErrand(seeded(seed), 1 + (seed % 3), 1 + (seed % 4), 3 + (seed % 3));
    const best = bestOfAll(errand);
    const { cheapest } = leastCost(errand.wants, errand.shops, errand.offers);
    if (best === null) unmet += 1;
    else if (cheapest.totalMinor === best.totalMinor && Math.abs(cheapest.leftMinor - best.leftMinor) < 1e-3) same += 1;
  }
  return `${same} of ${cases - unmet} the same, ${unmet} that no shop could meet`;
}

/** Errands of 60 things at 6 shops with 200 offers: the whole wait, and what is proven of the answer. */
export function errandRows(seeds: readonly number[]): string[][] {
  return seeds.map((seed) => {
    const { wants, shops, offers } = anErrand(seeded(seed), 60, 6, 200);
    const from = performance.now();
    const { cheapest, isProven, boundMinor } = leastCost(wants, shops, offers);
    const took = performance.now() - from;
    const gap = boundMinor > 0 ? `${((100 * (cheapest.totalMinor - boundMinor)) / boundMinor).toFixed(2)} %` : 'not known';
    return [String(seed), ms(took), isProven ? 'proven' : `at most ${gap} over`];
  });
}

/** Brinefold's ways: until the first front, until it has settled, and how much of it is right where every way of fewer questions is reckoned. */
export function weighingRows(): string[][] {
  const plan = brinefold(catalogue);
  const from = performance.now();
  const { axes, weigh } = scalesFor(plan, catalogue, EMPTY_WORKSHOP);
  let first = 0;
  let last = null;
  for (const now of weighed(plan, axes, weigh)) {
    first ||= performance.now() - from;
    last = now;
  }
  const whole = performance.now() - from;
  const few = axes.filter(({ id }) => ['edges', 'adhesive', 'water', 'texture', 'colour'].includes(id));
  const every = [...combinationsOf(few)].map((combination) => ({ combination, weight: weigh(withAnswers(plan, few, combination).plan) }));
  const best = new Set(frontOf(every).map(({ weight }) => JSON.stringify(weight)));
  const found = [...weighed(plan, few, weigh)].at(-1)!.front.filter(({ weight }) => best.has(JSON.stringify(weight))).length;
  return [
    [
      String(last!.of),
      String(last!.reckoned),
      ms(first),
      ms(whole),
      `${found} of ${best.size} points where all ${every.length} of fewer questions were calculated`,
    ],
  ];
}
