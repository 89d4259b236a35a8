import { expect, test } from 'vitest';
import { seeded } from '../../base/random';
import { CATALOGUE, aBoard, aPool, derived } from '../../testing';
import { EMPTY_WORKSHOP } from '../../plan/workshop';
import {
  AIMS,
  asSeen,
  type Axis,
  type Way,
  type Weighed,
  type Weight,
  beats,
  combinationsOf,
  frontOf,
  keepsTo,
  limitsFrom,
  scalesFor,
  weighed,
  withAnswers,
} from './index';

const last = <W extends Weight>(all: Iterable<Weighed<W>>): Weighed<W> => [...all].at(-1)!;
const PLAN = aBoard({}, aPool([300, 300, 190, 130], 8, 4, 'pool'));

test('on a small plan the front is what reckoning every way finds, and each point is what taking it gives', () => {
  const { axes: all, weigh } = scalesFor(PLAN, CATALOGUE, EMPTY_WORKSHOP);
  const axes = all.filter(({ id }) => ['edges', 'adhesive', 'water'].includes(id));
  const { front, own, reckoned, of, isWhole } = last(weighed(PLAN, axes, weigh));
  expect([reckoned, isWhole, of >= 30]).toEqual([of, true, true]);
  const every = [...combinationsOf(axes)].map((combination) => {
    const { tally, days } = derived(withAnswers(PLAN, axes, combination).plan, EMPTY_WORKSHOP);
    const weight = asSeen({
      costMinor: tally.cost.value,
      handsOnMin: tally.handsOn.value,
      readyMin: days.ready?.at.value ?? Infinity,
      massG: tally.mass.value,
    });
    return { combination, weight };
  });
  const keyOf = ({ weight }: Way): string => AIMS.map((aim) => weight[aim].toFixed(6)).join();
  expect(front.map(keyOf).sort()).toEqual(frontOf(every).map(keyOf).sort());
  expect(keyOf(own)).toBe(keyOf(every[0]!));
  expect(front.length).toBeGreaterThan(1);
});

/** Questions that only name their answers, and ways whose parts get in each other's way a little. */
function aPuzzle(seed: number): { axes: readonly Axis[]; weightOf: (combination: readonly number[]) => Weight } {
  const random = seeded(seed);
  const counts = [2, 3, 6, 5, 4, 2, 2];
  const effects = counts.map((count) => Array.from({ length: count }, (_, at) => AIMS.map(() => (at === 0 ? 0 : (random() - 0.45) * 100))));
  const pairs = Array.from({ length: 40 }, () => ({
    i: Math.floor(random() * 7),
    j: Math.floor(random() * 7),
    k: Math.floor(random() * 4),
    by: (random() - 0.5) * 20,
  }));
  const axes = counts.map((count, i) => ({
    id: `q${i}`,
    name: `q${i}`,
    options: Array.from({ length: count }, (_, at) => ({
      id: `a${at}`,
      name: `a${at}`,
      edit: at === 0 ? null : (plan: typeof PLAN) => ({ code: 'board/rename' as const, name: `${plan.name} ${i}:${at}`.slice(-79) }),
    })),
  }));
  const weightOf = (combination: readonly number[]): Weight => {
    const sums = AIMS.map((_, k) => 1_000 + combination.reduce((sum, at, i) => sum + effects[i]![at]![k]!, 0));
    for (const { i, j, k, by } of pairs) if (combination[i]! > 0 && combination[j]! > 1) sums[k]! += by;
    return { costMinor: sums[0]!, handsOnMin: sums[1]!, readyMin: Math.ceil(sums[2]! / 40) * 40, massG: sums[3]! };
  };
  return { axes, weightOf };
}

test('of thousands of ways most of the front is found by reckoning a small part of them, and nothing in it is beaten', () => {
  let [found, there] = [0, 0];
  for (const seed of [1, 2]) {
    const { axes, weightOf } = aPuzzle(seed);
    const plan = { ...PLAN, name: '-' };
    const answersOf = (name: string): readonly number[] => axes.map((_, i) => Number(new RegExp(` ${i}:(\\d)`).exec(name)?.[1] ?? 0));
    const { front, reckoned, of, isWhole } = last(weighed(plan, axes, ({ name }) => weightOf(answersOf(name))));
    expect([of, isWhole]).toEqual([2_880, false]);
    expect(reckoned).toBeLessThan(of * 0.75);
    const best = frontOf([...combinationsOf(axes)].map((combination) => ({ combination, weight: weightOf(combination) })));
    const keys = new Set(best.map(({ combination }) => combination.join()));
    found += front.filter(({ combination }) => keys.has(combination.join())).length;
    there += best.length;
    for (const a of front) expect(front.some((b) => beats(b.weight, a.weight))).toBe(false);
  }
  expect(found / there).toBeGreaterThan(0.8);
});

test('the plan as it is comes first, and a taken way is one edit', () => {
  const { axes, weigh } = scalesFor(PLAN, CATALOGUE, EMPTY_WORKSHOP);
  expect(axes.length).toBeGreaterThan(3);
  const first = weighed(PLAN, axes, weigh).next().value as Weighed;
  expect(first.own.combination.every((at) => at === 0)).toBe(true);
  const { edit, names, plan } = withAnswers(
    PLAN,
    axes,
    axes.map((_, i) => (i < 2 ? 1 : 0)),
  );
  expect([edit.code, names.length]).toEqual(['together', 2]);
  expect(plan.stack).not.toEqual(PLAN.stack);
});

test('limits as they are typed', () => {
  const read = limitsFrom('under 120 EUR, ready by 19 Dec; under 30 h, under 12.5 kg, no resin, nice', 'EUR', '2026-11-30');
  expect(read.most).toEqual({ costMinor: 12_000, readyMin: 19 * 1_440 + 1_439, handsOnMin: 1_800, massG: 12_500 });
  expect([read.without, read.unread]).toEqual([['resin'], ['nice']]);
  expect(limitsFrom('by 2 Jan', 'EUR', '2026-11-30').most.readyMin).toBe(33 * 1_440 + 1_439);
  expect(limitsFrom('under 5 USD', 'EUR', '2026-11-30').unread).toEqual(['under 5 USD']);
  const way = { costMinor: 11_000, handsOnMin: 1_000, readyMin: 100, massG: 9_000 };
  expect(keepsTo(read, way, ['White glue'])).toBe(true);
  expect(keepsTo(read, way, ['Resin'])).toBe(false);
  expect(keepsTo(read, { ...way, costMinor: 12_001 }, [])).toBe(false);
});
