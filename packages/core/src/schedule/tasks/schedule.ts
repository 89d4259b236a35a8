import type { Run } from '../air';
import { memoize } from '../../base/memory';
import { type Link, type Placed, type Problem, type Progress, type Reason, earliestOf, networkOf, quick } from '../solver';
import type { Bench, Never } from './hours/bench';
import type { TaskRun } from './arranged';
import { NOTHING_RELAXED, type Relaxed, type Work, workOf } from './problem';
import type { After, Step } from './step';

/** Slack against the last bits of sums of minutes. */
export const SLACK_MIN = 1e-6;

/** Why a task starts when it does and not before. */
export type Because =
  /** What comes before it had to dry. */
  | { readonly kind: 'wait'; readonly after: After }
  /** The hands were busy with another task until then. */
  | { readonly kind: 'hands'; readonly taskId: string }
  /** No free bench time before then was long enough. @param after what it would have waited for; null where nothing comes before it */
  | { readonly kind: 'bench'; readonly after: After | null }
  /** No room before then: a drying place, weights. */
  | { readonly kind: 'room'; readonly taskId: string; readonly what: string }
  /** The air, the noise, the daylight: not fit before then. */
  | { readonly kind: 'fit'; readonly why: Never; readonly after: After | null }
  /** What it needs comes only then, or the plan was made anew from there. */
  | { readonly kind: 'early' }
  /** It is held back so that what follows comes in time. */
  | { readonly kind: 'follow'; readonly after: After | null }
  | { readonly kind: 'pin' }
  | { readonly kind: 'done' };

/** A task with its place in the days. Times are minutes since midnight before the first day. */
export interface Slot {
  readonly task: TaskRun;
  /** One stretch of work, or several when the task is longer than any evening. */
  readonly stretches: readonly Run[];
  readonly startMin: number;
  readonly endMin: number;
  /** Set-up and clean-up that it carries for its sitting. */
  readonly setUpMin: number;
  /** Who does it. */
  readonly people: readonly string[];
  /** When the next task on the workpiece may start. */
  readonly nextMin: number;
  /** When it is through should nothing follow. */
  readonly curedMin: number;
  /** How much later it could end, hands and hours aside, with all ready as soon. */
  readonly slackMin: number;
  readonly because: Because;
}

/** Tasks placed in all orders together: as many orders are tried as keep a drag quick. */
const MAX_PLACED = 800;
const MAX_ORDERS = 30;
/** Of those, orders by rule. */
const FIRST_ORDERS = 4;
/** So many rules are let go of one after another before the rest is given up. */
const MAX_RELAXED = 12;

/** Task ids in an order that was found before, and whose time was kept in it; none of either for a board not searched. */
export type KeptOrder = Pick<Bench['calendar'], 'order' | 'spared'>;
export const NOTHING_KEPT: KeptOrder = { order: [], spared: [] };

/** A plan of evenings, and what had to be let go of for it. */
export interface Schedule {
  readonly slots: readonly Slot[];
  readonly work: Work;
  readonly relaxed: Relaxed;
}

/**
 * Every task at the earliest time that all it comes after allow, in the best of some good orders. Where a rule leaves no plan at all it is let go of and told: a pin that can not hold, what sets before the next
 * can be done, a task that finds no time.
 * @param kept an order that was found before; tried beside the others
 */
export function scheduleWork(steps: readonly Step[], bench: Bench, kept: KeptOrder, seed: number): Schedule {
  let relaxed = NOTHING_RELAXED;
  for (let round = 0; ; round++) {
    const work = workOf(steps, bench, relaxed);
    const { problem, open } = work;
    const tries = Math.max(0, Math.min(MAX_ORDERS, Math.floor(MAX_PLACED / Math.max(1, open.length))) - FIRST_ORDERS);
    const priority = priorityOf(open, kept.order);
    const spareMin = bench.people.map(({ id }) => kept.spared.find(({ personId }) => personId === id)?.spareMin ?? 0);
    const found = quick(problem, tries, seed, priority === null ? null : { priority, spareMin });
    if (found.best !== null || open.length === 0 || round === MAX_RELAXED)
      return { slots: slotsOf(work, bench, found.best?.placed ?? [], found.best?.reasons ?? []), work, relaxed };
    relaxed = without(relaxed, work, found);
  }
}

/** Lets go of what kept the last order from being planned. */
function without({ pins, waits, blocked }: Relaxed, { open, problem }: Work, { failed }: Progress): Relaxed {
  const { job, why } = failed!;
  const go = open[job]!;
  const pinned = [job, ...problem.links.filter(({ to }) => to === job).map(({ from }) => from)].find(
    (one) => problem.jobs[one]!.pinnedMin !== null,
  );
  if (why === 'pin' && pinned !== undefined) return { pins: new Set([...pins, open[pinned]!.ofTask]), waits, blocked };
  const strict = problem.links.find(({ to, from, mostMin }) => mostMin < Infinity && (to === job || from === job));
  if (strict !== undefined && !waits.has(open[strict.to]!.id)) return { pins, waits: new Set([...waits, open[strict.to]!.id]), blocked };
  return { pins, waits, blocked: new Map([...blocked, [go.id, 'none-free' as const]]) };
}

/** How early each job has its turn in a kept order; what that does not name comes as soon as what it comes after. Null without one. */
function priorityOf(goes: readonly TaskRun[], kept: readonly string[]): readonly number[] | null {
  if (kept.length === 0) return null;
  const rankOf = new Map(kept.map((id, rank) => [id, rank]));
  const ranks = new Map<string, number>();
  // What a task comes after stands before it in the list.
  for (const { id, after } of goes)
    ranks.set(
      id,
      after.reduce((last, { taskId }) => Math.max(last, (ranks.get(taskId) ?? -1) + 1e-6), rankOf.get(id) ?? -1),
    );
  return goes.map(({ id }) => -ranks.get(id)!);
}

/** A plan as it is told: what was done first, then what is planned, in the order of its starts. @param among the jobs to tell of, without their slack; all when left out */
export function slotsOf(
  work: Work,
  { people }: Bench,
  placed: readonly Placed[],
  reasons: readonly Reason[],
  among: ReadonlySet<number> | null = null,
): readonly Slot[] {
  const { open, done, problem, stepOf } = work;
  const past = done.map((task): Slot => {
    const endMin = task.doneMin!;
    const startMin = endMin - (task.workedMin ?? task.work.value);
    return {
      task,
      stretches: [{ fromMin: startMin, toMin: endMin }],
      startMin,
      endMin,
      setUpMin: 0,
      people: [],
      ...waitsOf(task, endMin),
      slackMin: 0,
      because: { kind: 'done' },
    };
  });
  const slack = among === null ? slackOf(problem, placed) : [];
  const endOf = new Map(open.map(({ id }, i) => [id, placed[i]?.endMin ?? NaN]));
  const told = among === null ? placed.map((_, i) => i) : [...among];
  const coming = told.map((i): Slot => {
    const { startMin, endMin, stretches, people: by } = placed[i]!;
    const task = open[i]!;
    const workedMin = stretches.reduce((sum, { fromMin, toMin }) => sum + toMin - fromMin, 0);
    return {
      task,
      stretches,
      startMin,
      endMin,
      setUpMin: workedMin > task.work.value + SLACK_MIN ? stepOf.get(task.stepId)!.setUp.value : 0,
      people: by.map((person) => people[person]!.id),
      ...waitsOf(task, endMin),
      slackMin: slack[i] ?? 0,
      because: becauseOf(i, startMin, reasons[i]!, work, endOf),
    };
  });
  return [...past, ...coming].sort((a, b) => a.startMin - b.startMin);
}
const waitsOf = ({ wait, cure }: TaskRun, endMin: number): Pick<Slot, 'nextMin' | 'curedMin'> => ({
  nextMin: wait.pace.after(endMin, wait.stated.value),
  curedMin: cure.pace.after(endMin, cure.stated.value),
});

/** From the end of everything back: the latest end of each that lets what follows be as early as it must, hands and hours aside. */
function slackOf({ jobs, links }: Problem, placed: readonly Placed[]): readonly number[] {
  if (placed.length === 0) return [];
  const through = Math.max(...placed.map(({ endMin }, i) => jobs[i]!.curePace.after(endMin, jobs[i]!.cureMin)));
  const due = jobs.map(({ cureMin, curePace }) => curePace.before(through, cureMin));
  // Links lead on in the list.
  for (const { from, to, leastMin, pace } of fromBehind(links)) {
    const startBy = due[to]! - (placed[to]!.endMin - placed[to]!.startMin);
    due[from] = Math.min(due[from]!, pace.before(startBy, leastMin));
  }
  return placed.map(({ endMin }, i) => Math.max(0, due[i]! - endMin));
}

/** Links from the last job to the first. */
const fromBehind = memoize((links: readonly Link[]): readonly Link[] => links.toSorted((a, b) => b.from - a.from || b.to - a.to));

function becauseOf(job: number, startMin: number, { kind, by }: Reason, work: Work, endOf: ReadonlyMap<string, number>): Because {
  const { open, problem, storeNames, why } = work;
  const { after } = open[job]!;
  const dryAt = (one: After): number => {
    const endMin = endOf.get(one.taskId);
    return endMin === undefined ? -Infinity : one.wait.pace.after(endMin, one.wait.stated.value);
  };
  const last = after.reduce<After | null>((best, one) => (best === null || dryAt(one) >= dryAt(best) ? one : best), null);
  const waited = last === null || dryAt(last) === -Infinity ? null : last;
  switch (kind) {
    case 'pin':
      return { kind: 'pin' };
    case 'early':
      return { kind: 'early' };
    case 'follow':
      return { kind: 'follow', after: waited };
    case 'wait': {
      const one = after.find(({ taskId }) => taskId === open[by]?.id);
      return one === undefined ? { kind: 'bench', after: waited } : { kind: 'wait', after: one };
    }
    case 'hands':
      return { kind: 'hands', taskId: open[by]!.id };
    case 'store':
      return by < 0
        ? { kind: 'bench', after: waited }
        : {
            kind: 'room',
            taskId: open[by]!.id,
            what: storeNames[
              problem.jobs[job]!.holds.find(({ store }) => problem.jobs[by]!.holds.some((one) => one.store === store))?.store ?? 0
            ]!,
          };
    default: {
      const runs = problem.jobs[job]!.open;
      const isFit = runs !== null && runs.some(({ fromMin }) => Math.abs(fromMin - startMin) < 1);
      return isFit ? { kind: 'fit', why: why[job]!, after: waited } : { kind: 'bench', after: waited };
    }
  }
}

/**
 * No order of work is through before: each task at its earliest with everybody free, set-up done by others.
 * @returns of the last to be through, and of what made it so late, their slots; none for no work
 */
export function earliestAlone(work: Work, bench: Bench): readonly Slot[] {
  const { problem } = work;
  if (problem.jobs.length === 0) return [];
  const network = networkOf(problem);
  const { startMin, endMin } = earliestOf(problem, network);
  const placed = problem.jobs.map((_, i): Placed => ({
    startMin: startMin[i]!,
    endMin: endMin[i]!,
    stretches: [{ fromMin: startMin[i]!, toMin: endMin[i]! }],
    people: [],
  }));
  const dryMin = ({ from, leastMin, pace }: Link): number => pace.after(endMin[from]!, leastMin);
  const reasons = placed.map((own, i): Reason => {
    const into = network.into[i]!.find((link) => Math.abs(dryMin(link) - own.startMin) < SAME_MIN);
    return into === undefined ? { kind: 'hours', by: -1 } : { kind: 'wait', by: into.from };
  });
  const throughMin = problem.jobs.map(({ curePace, cureMin }, i) => curePace.after(endMin[i]!, cureMin));
  const chain = new Set([throughMin.reduce((last, min, i) => (min > throughMin[last]! ? i : last), 0)]);
  for (const job of chain) {
    const dry = network.into[job]!.map(dryMin);
    const last = Math.max(...dry);
    network.into[job]!.forEach(({ from }, k) => dry[k]! > last - SAME_MIN && chain.add(from));
  }
  return slotsOf(work, bench, placed, reasons, chain);
}
/** Times that are one but for the last bits. */
const SAME_MIN = 1e-3;
