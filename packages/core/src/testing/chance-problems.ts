import { type Random, seeded } from '../base/random';
import { CLOCK, type DayOfAir, type Pace, daily, hourlyPace } from '../schedule/air';
import { type Job, type Link, type Placed, type Problem, type Window, breachesOf } from '../schedule/solver';

const DAY_MIN = 1_440;
/** Starts and lengths of small problems are whole multiples of this, so that all plans can be counted out. */
export const GRID_MIN = 10;

type Evening = { readonly fromMin: number; readonly longMin: number };
type Week = readonly (Evening | null)[];
/** The chance that a workshop is made of, in whole numbers and in minutes. */
class Dice {
  readonly random: Random;
  /** Drawn apart, so that workshops without set-ups are what they were. */
  readonly extra: Random;
  constructor(
    seed: number,
    readonly isSmall: boolean,
    readonly isPlain: boolean,
  ) {
    this.random = seeded(seed);
    this.extra = seeded(seed + 7_919);
  }
  whole(least: number, most: number): number {
    return least + Math.floor(this.random() * (most - least + 1));
  }
  min(least: number, most: number): number {
    const min = least + this.random() * (most - least);
    return this.isSmall ? onGrid(min) : min;
  }
}
const onGrid = (min: number): number => Math.max(GRID_MIN, Math.round(min / GRID_MIN) * GRID_MIN);

/** A builder with most evenings, helpers with one or two of them. */
function peopleBy(dice: Dice, days: number): Problem['people'] {
  const { random, isSmall } = dice;
  const evening = (): Evening => ({ fromMin: 60 * dice.whole(17, 19), longMin: isSmall ? 60 * dice.whole(1, 3) : dice.min(80, 200) });
  const week = Array.from({ length: 7 }, (): Evening | null => (random() < 0.7 ? evening() : null));
  const always = dice.whole(0, 6);
  week[always] = week[always] ?? { fromMin: 600, longMin: 240 };
  const helping = (): Week => {
    const own = week.map((one): Evening | null =>
      one !== null && random() < 0.35 ? { fromMin: one.fromMin + (random() < 0.5 ? 0 : 30), longMin: one.longMin } : null,
    );
    if (!own.some((one) => one !== null)) own[always] = week[always]!;
    return own;
  };
  const windowsOf = (own: Week): readonly Window[] =>
    Array.from({ length: days }, (_, day) => ({ day, one: own[day % 7]! })).flatMap(({ day, one }) =>
      one === null ? [] : [{ fromMin: day * DAY_MIN + one.fromMin, toMin: day * DAY_MIN + one.fromMin + one.longMin }],
    );
  return Array.from({ length: isSmall ? dice.whole(1, 2) : dice.whole(2, 3) }, (_, i) => ({
    windows: windowsOf(i === 0 ? week : helping()),
  }));
}

/** Drying goes on by day and hardly by night, in a garage of chance. */
const garagePace = (): Pace => {
  const hours: DayOfAir = Array.from({ length: 24 }, (_, hour) => ({
    airC: 12 + 6 * Math.sin(((hour - 9) / 24) * 2 * Math.PI),
    humidityPct: 60,
  }));
  return hourlyPace(daily(hours), ({ airC }) => Math.max(0, (airC - 8) / 6), '', '');
};

interface Bench {
  readonly people: number;
  readonly daytime: readonly Window[];
  readonly garage: Pace;
}
/** One step of one workpiece. @param setUpMin before it, once for all that are done together */
function jobBy(dice: Dice, { people, daytime, garage }: Bench, step: number, setUpMin: number): Job {
  const { random, extra, isSmall, isPlain } = dice;
  const both = people > 1 && random() < 0.08;
  // The builder may do all but a little; helpers keep off more.
  const may = Array.from({ length: people }, (_, i) => i).filter((i) => both || random() < (i === 0 ? 0.92 : 0.7));
  const pace = !isPlain && extra() < 0.3 ? garage : CLOCK;
  const waitMin = random() < 0.25 ? 0 : dice.min(30, isSmall ? 900 : 1_600);
  return {
    holds: holdsBy(dice, waitMin, pace),
    workMin: dice.min(10, isSmall ? 60 : 55),
    cureMin: waitMin * (1 + Math.floor(random() * 2)),
    curePace: pace,
    setUpMin,
    family: step,
    hands: both ? 2 : 1,
    may: may.length === 0 ? [dice.whole(0, people - 1)] : may,
    open: random() < 0.08 ? daytime : null,
    notBeforeMin: random() < 0.06 ? (isSmall ? onGrid(random() * 2 * DAY_MIN) : random() * 4 * DAY_MIN) : 0,
    pinnedMin: null,
  };
}
/** What a workpiece takes up while it waits: a drying place, weights, or both. */
function holdsBy(dice: Dice, waitMin: number, pace: Pace): Job['holds'] {
  const kind = dice.random();
  if (waitMin === 0) return [];
  return [
    ...(kind < 0.5 ? [{ store: 0, amount: 1, afterMin: waitMin, pace }] : []),
    ...(kind > 0.4 && kind < 0.6 ? [{ store: 1, amount: dice.whole(4, 20), afterMin: Math.min(waitMin, 300), pace: CLOCK }] : []),
  ];
}

/** Joins a step to the one before it: wet on wet, by a window with a second chance, or dry as it comes. */
function linkBy(dice: Dice, jobs: Job[], job: number): Link {
  const chance = dice.random();
  const before = jobs[job - 1]!;
  const least = holdsLongest(before);
  const ends = { from: job - 1, to: job };
  if (chance >= 0.22) return { ...ends, leastMin: least, mostMin: Infinity, orAfterMin: Infinity, pace: jobs[job]!.curePace };
  if (chance >= 0.12) return { ...ends, leastMin: least / 4, mostMin: least / 4 + 60, orAfterMin: Math.max(least, DAY_MIN), pace: CLOCK };
  const link = { ...ends, leastMin: 0, mostMin: dice.min(20, 90), orAfterMin: Infinity, pace: CLOCK };
  // A larger workshop is one that can be done: whoever did the first is there for the second, and both fit into an evening with their set-ups.
  if (!dice.isSmall) {
    const { may, hands, open } = before;
    jobs[job - 1] = { ...before, workMin: dice.min(10, 25), holds: [] };
    jobs[job] = { ...jobs[job]!, workMin: dice.min(10, 25), may, hands, open, holds: [], notBeforeMin: 0 };
  }
  return link;
}

/** A workshop of chance: one to three people in the evenings, drying places, weights, windows, arrivals, pins, waits at least and at most. @param isSmall on the grid, few jobs, a few days; @param isPlain without set-ups, and waits by the clock alone */
export function chanceProblem(seed: number, workpieces: number, steps: number, isSmall = false, isPlain = false): Problem {
  const dice = new Dice(seed, isSmall, isPlain);
  const { random, extra } = dice;
  const days = isSmall ? 5 : 30 + workpieces * steps * 2;
  const people = peopleBy(dice, days);
  const stores = [
    { capacity: isSmall ? dice.whole(1, 2) : Math.max(2, Math.ceil(workpieces * 0.6)) },
    { capacity: 20 + 10 * dice.whole(0, 3) },
  ];
  const setUps = Array.from({ length: steps }, () =>
    isPlain || extra() < (isSmall ? 0.75 : 0.5) ? 0 : isSmall ? GRID_MIN : 5 + 7 * extra(),
  );
  const daytime = Array.from({ length: days }, (_, day) => ({ fromMin: day * DAY_MIN + 600, toMin: day * DAY_MIN + 1_200 }));
  const bench: Bench = { people: people.length, daytime, garage: garagePace() };
  const jobs: Job[] = [];
  const links: Link[] = [];
  for (let piece = 0; piece < workpieces; piece++)
    for (let step = 0; step < steps; step++) {
      const job = jobs.push(jobBy(dice, bench, step, setUps[step]!)) - 1;
      if (step > 0) links.push(linkBy(dice, jobs, job));
    }
  // Now and then two become one.
  for (let piece = 1; piece < workpieces; piece++)
    if (random() < 0.3)
      links.push({ from: piece * steps - 1, to: jobs.length - 1, leastMin: 0, mostMin: Infinity, orAfterMin: Infinity, pace: CLOCK });
  const tidy = links.filter(({ from, to }) => from < to);
  return { people, stores, jobs, links: isSmall ? tidy.map(gridded) : tidy, horizonMin: days * DAY_MIN };
}
const holdsLongest = ({ holds, cureMin }: Job): number =>
  Math.max(0, ...holds.map(({ afterMin }) => afterMin), holds.length === 0 ? cureMin / 2 : 0);
const gridded = (link: Link): Link => ({
  ...link,
  leastMin: Math.ceil(link.leastMin / GRID_MIN) * GRID_MIN,
  mostMin: Math.floor(link.mostMin / GRID_MIN) * GRID_MIN,
  orAfterMin: Math.ceil(link.orAfterMin / GRID_MIN) * GRID_MIN,
});

/** Who may do a job: one alone, or two together. */
const setsOf = (may: readonly number[], hands: number): readonly (readonly number[])[] =>
  hands === 1 ? may.map((one) => [one]) : may.flatMap((a, i) => may.slice(i + 1).map((b) => [a, b]));
const isThere = (windows: readonly Window[], atMin: number, workMin: number): boolean =>
  windows.some(({ fromMin, toMin }) => fromMin <= atMin && toMin >= atMin + workMin);

/** Asked so often at most: more is called not counted out. */
const MAX_ASKED = 400_000;
/**
 * Counts out every plan on the grid that is through earlier than a time: every start, everyone who may, rule by rule. For a few jobs only.
 * @returns the earliest there is, null for none, undefined when it was too much to count
 */
export function countedOut(problem: Problem, before: number): number | null | undefined {
  const { jobs, people, links } = problem;
  const tail = jobs.map(({ cureMin, curePace }) => cureMin * curePace.least);
  for (let job = jobs.length - 1; job >= 0; job--)
    for (const { from, to, leastMin, pace } of links)
      if (to === job) tail[from] = Math.max(tail[from]!, leastMin * pace.least + jobs[job]!.workMin + tail[job]!);
  const placed: Placed[] = [];
  let best = before;
  let asked = 0;
  const on = (): void => {
    if (asked > MAX_ASKED) return;
    const job = placed.length;
    if (job === jobs.length) {
      if (breachesOf(problem, placed).length === 0)
        best = Math.min(best, Math.max(...placed.map(({ endMin }, i) => jobs[i]!.curePace.after(endMin, jobs[i]!.cureMin))));
      return;
    }
    const { setUpMin, hands, may, notBeforeMin, pinnedMin } = jobs[job]!;
    let from = Math.max(0, notBeforeMin);
    for (const link of links) if (link.to === job) from = Math.max(from, link.pace.after(placed[link.from]!.endMin, link.leastMin));
    const part = { ...problem, jobs: jobs.slice(0, job + 1), links: links.filter(({ to }) => to <= job) };
    const sets = setsOf(may, hands);
    // Somebody may have set up before: who, is asked when all is placed.
    const lengths = setUpMin === 0 ? [jobs[job]!.workMin] : [jobs[job]!.workMin, jobs[job]!.workMin + setUpMin];
    for (let at = pinnedMin ?? Math.ceil(from / GRID_MIN) * GRID_MIN; at + lengths[0]! + tail[job]! < best; at += GRID_MIN) {
      for (const [own, workMin] of sets.flatMap((set) => lengths.map((length) => [set, length] as const))) {
        if (pinnedMin === null && !own.every((person) => isThere(people[person]!.windows, at, workMin))) continue;
        asked++;
        placed.push({ startMin: at, endMin: at + workMin, stretches: [{ fromMin: at, toMin: at + workMin }], people: own });
        if (breachesOf(part, placed).every(({ code }) => code === 'work')) on();
        placed.pop();
      }
      if (pinnedMin !== null || at > problem.horizonMin) break;
    }
  };
  on();
  return asked > MAX_ASKED ? undefined : best < before ? best : null;
}
