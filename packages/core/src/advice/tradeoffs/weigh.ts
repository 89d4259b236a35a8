import type { Plan } from '../../plan';
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

const [QUARTER_MIN, DAY_MIN, MASS_STEP_G] = [15, 1_440, 50];
/** As a person tells ways apart: by the day, the quarter of an hour and fifty grams. */
export const asSeen = ({ costMinor, handsOnMin, readyMin, massG }: Weight): Weight => ({
  costMinor: Math.round(costMinor),
  handsOnMin: Math.ceil(handsOnMin / QUARTER_MIN) * QUARTER_MIN,
  readyMin: Number.isFinite(readyMin) ? Math.ceil(readyMin / DAY_MIN) * DAY_MIN - 1 : Infinity,
  massG: Math.ceil(massG / MASS_STEP_G) * MASS_STEP_G,
});

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
  /** Every way was reckoned, not only those that looked as if nothing would beat them. */
  readonly isWhole: boolean;
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

/** So few are all reckoned. */
const FEW = 300;
/** Of many it is enough when so many, one after another, were beaten by what was there. */
const BEATEN_ENOUGH = 48;

/**
 * Weighs combinations of answers. What each answer alone changes is reckoned first and gives a guess for every combination; then the most promising are reckoned in full, one after
 * another, until dozens in a row are beaten by what is there. With few combinations every one is reckoned, and the front is exact.
 * @param weigh reckons a plan in full
 * @source main effects, as in an experiment of one factor at a time
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
  const progress = (): Weighed<W> => ({ own, front, reckoned: known.size, of: all.length, isWhole: known.size === all.length });
  const take = (way: Way<W>): boolean => {
    if (
      front.some(
        ({ combination, weight }) =>
          combination !== way.combination && (beats(weight, way.weight) || AIMS.every((aim) => weight[aim] === way.weight[aim])),
      )
    )
      return false;
    front = [...front.filter(({ weight }) => !beats(way.weight, weight)), way];
    return true;
  };
  const effects = axes.map(({ options }, i) =>
    options.map((_, at): readonly number[] => {
      if (at === 0) return AIMS.map(() => 0);
      const way = reckon(axes.map((_axis, j) => (j === i ? at : 0)));
      take(way);
      return AIMS.map((aim) => changeOf(way.weight[aim], own.weight[aim]));
    }),
  );
  yield progress();
  const guesses = all
    .filter((combination) => !known.has(combination.join()))
    .map((combination) => ({
      combination,
      guess: AIMS.map((aim, k) => combination.reduce((sum, at, i) => sum + effects[i]![at]![k]!, Math.min(own.weight[aim], NEVER))),
    }));
  let waiting = guesses;
  for (let beaten = 0; waiting.length > 0 && (all.length <= FEW || beaten < BEATEN_ENOUGH);) {
    const spans = AIMS.map((aim) => spanOf([...known.values()].map(({ weight }) => Math.min(weight[aim], NEVER))));
    const ranked = waiting.map((one) => ({ one, by: -gainOf(one.guess, front, spans) })).sort((a, b) => a.by - b.by);
    for (const { one } of ranked.slice(0, BATCH)) beaten = take(reckon(one.combination)) ? 0 : beaten + 1;
    waiting = ranked.slice(BATCH).map(({ one }) => one);
    yield progress();
  }
  return progress();
}
/** So much at least a guess would win on every way of the front in one aim or another, in shares of their ranges; below nothing where one of them beats it. */
function gainOf(guess: readonly number[], front: readonly Way[], spans: readonly number[]): number {
  return Math.min(
    ...front.map(({ weight }) => Math.max(...AIMS.map((aim, k) => (Math.min(weight[aim], NEVER) - guess[k]!) / (spans[k]! || 1)))),
  );
}
const BATCH = 8;
/** Stands for a day that never comes. */
const NEVER = 1e9;
const changeOf = (to: number, from: number): number => Math.min(to, NEVER) - Math.min(from, NEVER);
const spanOf = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);
