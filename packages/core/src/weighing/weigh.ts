import type { Plan } from '../plan';
import { type Axis, type Combination, withAnswers } from './axes';

/** What a way to build a board comes to, by what is wanted least of each. */
export interface Weight {
  readonly costMinor: number;
  readonly handsOnMin: number;
  /** From midnight of the first day; without end where it never is. */
  readonly readyMin: number;
  readonly massG: number;
}
export const AIMS = ['costMinor', 'handsOnMin', 'readyMin', 'massG'] as const satisfies readonly (keyof Weight)[];
export type Aim = (typeof AIMS)[number];

/** One way, with what it comes to. */
export interface Way<Known extends Weight = Weight> {
  readonly combination: Combination;
  readonly weight: Known;
}
/** How far the weighing is. */
export interface Weighed<Known extends Weight = Weight> {
  /** Ways that nothing beats, among those reckoned so far, with the plan as it is at the head. */
  readonly own: Way<Known>;
  readonly front: readonly Way<Known>[];
  readonly reckoned: number;
  /** Ways that there are. */
  readonly of: number;
  /** Ways still to be reckoned; 0 when it is done. */
  readonly left: number;
}

/** Whether one is no worse in anything, and better in something. */
export const beats = (a: Weight, b: Weight): boolean => AIMS.every((aim) => a[aim] <= b[aim]) && AIMS.some((aim) => a[aim] < b[aim]);

/** Ways that nothing beats; of equals the first. */
export function frontOf<W extends Weight>(ways: readonly Way<W>[]): readonly Way<W>[] {
  return ways.filter(
    ({ weight }, i) =>
      !ways.some((other, j) => beats(other.weight, weight) || (j < i && AIMS.every((aim) => other.weight[aim] === weight[aim]))),
  );
}

/** Every combination of answers, the plan as it is first. */
export function* combinationsOf(axes: readonly Axis[]): Generator<Combination, void, void> {
  const at = axes.map(() => 0);
  for (;;) {
    yield [...at];
    let i = axes.length - 1;
    while (i >= 0 && ++at[i]! === axes[i]!.options.length) at[i--] = 0;
    if (i < 0) return;
  }
}

/** So far a guess may be off beside the most that any guess was off: what is worse by more is not reckoned. */
const ROOM = 1;
/** Guesses are trusted once so many have been looked at. */
const LEAST_LOOKED_AT = 24;

/**
 * Weighs every combination of answers, and reckons those in full that may be in the front. What each answer alone changes is reckoned first and gives a guess for every combination; then
 * the most promising are reckoned one after another, each of which tells how far guesses are off, until all that is left is worse than something reckoned by more than any guess was off.
 * @param weigh reckons a plan in full
 * @source main effects, as in an experiment of one factor at a time; with few combinations every one is reckoned and the front is exact
 */
export function* weighed<W extends Weight>(
  plan: Plan,
  axes: readonly Axis[],
  weigh: (plan: Plan) => W,
): Generator<Weighed<W>, Weighed<W>, void> {
  const all = [...combinationsOf(axes)];
  const known = new Map<string, Way<W>>();
  const reckon = (combination: Combination): Way<W> => {
    const key = combination.join();
    let way = known.get(key);
    if (way === undefined) known.set(key, (way = { combination, weight: weigh(withAnswers(plan, axes, combination).plan) }));
    return way;
  };
  const own = reckon(all[0]!);
  let front: readonly Way<W>[] = [own];
  const progress = (left: number): Weighed<W> => ({ own, front, reckoned: known.size, of: all.length, left });
  const take = (way: Way<W>): void => {
    if (
      front.some(
        ({ combination, weight }) =>
          combination !== way.combination && (beats(weight, way.weight) || AIMS.every((aim) => weight[aim] === way.weight[aim])),
      )
    )
      return;
    front = [...front.filter(({ weight }) => !beats(way.weight, weight)), way];
  };
  const effects = axes.map(({ options }, i) =>
    options.map((_, at): readonly number[] => {
      if (at === 0) return AIMS.map(() => 0);
      const way = reckon(axes.map((_axis, j) => (j === i ? at : 0)));
      take(way);
      return AIMS.map((aim) => changeOf(way.weight[aim], own.weight[aim]));
    }),
  );
  yield progress(all.length - known.size);
  const guesses = all
    .filter((combination) => !known.has(combination.join()))
    .map((combination) => ({
      combination,
      guess: AIMS.map((aim, k) => combination.reduce((sum, at, i) => sum + effects[i]![at]![k]!, Math.min(own.weight[aim], 1e9))),
    }));
  // How far guesses were off to the better, and over the whole range of each aim, so that aims can be set beside one another.
  const off = AIMS.map(() => 0);
  let spans: readonly number[] = [];
  const rank = (guess: readonly number[]): number =>
    Math.min(
      Infinity,
      ...front.map(({ weight }) => -Math.max(...AIMS.map((aim, k) => (Math.min(weight[aim], 1e9) - guess[k]!) / (spans[k] || 1)))),
    );
  let waiting = guesses;
  let lookedAt = 0;
  while (waiting.length > 0) {
    spans = AIMS.map((aim) => spanOf([...known.values()].map(({ weight }) => Math.min(weight[aim], 1e9))));
    const ranked = waiting.map((one) => ({ one, by: rank(one.guess) })).sort((a, b) => a.by - b.by);
    const batch = ranked.slice(0, BATCH);
    for (const { one } of batch) {
      const way = reckon(one.combination);
      take(way);
      for (const [k, aim] of AIMS.entries()) off[k] = Math.max(off[k]!, one.guess[k]! - Math.min(way.weight[aim], 1e9));
    }
    lookedAt += batch.length;
    const rest = ranked.slice(BATCH).map(({ one }) => one);
    const mayWin = (guess: readonly number[]): boolean =>
      !front.some(({ weight }) => AIMS.every((aim, k) => Math.min(weight[aim], 1e9) <= guess[k]! - ROOM * off[k]!));
    waiting = lookedAt < LEAST_LOOKED_AT ? rest : rest.filter(({ guess }) => mayWin(guess));
    yield progress(waiting.length);
  }
  return progress(0);
}
const BATCH = 8;
const changeOf = (to: number, from: number): number => Math.min(to, 1e9) - Math.min(from, 1e9);
const spanOf = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);
