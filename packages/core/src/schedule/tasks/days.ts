import { memoize } from '../../base/memory';
import { type Figure, given, calculate, total } from '../../base/units';
import { boundOf, networkOf } from '../solver';
import { momentText } from '../../base/dates';
import { leftOutOf } from './arranged';
import type { Bench } from './hours/bench';
import { type Late, lateOf } from './late';
import { type Blocked, type Relaxed, workOf } from './problem';
import { type Ready, readyOf } from './ready';
import { type Slot, earliestAlone, scheduleWork } from './schedule';
import type { Step, Task } from './step';

/** The plan of evenings. */
export interface Days {
  readonly slots: readonly Slot[];
  readonly handsOn: Figure<'min'>;
  /** null for a board with nothing to do, and for one that never is through as things are. */
  readonly ready: Ready | null;
  /** No order of work can beat this. */
  readonly bound: Ready | null;
  /** By how much it misses the day it is wanted for; null where it does not. */
  readonly late: Late | null;
  /** What can not be done as things are. */
  readonly blocked: readonly Blocked[];
  /** What somebody chose to leave out. */
  readonly leftOut: readonly Task[];
  /** Rules that had to be let go of. */
  readonly relaxed: Relaxed;
}

interface DayInputs extends Bench {
  readonly steps: readonly Step[];
  readonly seed: number;
}

/** Steps into bench hours. */
export const planDays = (inputs: DayInputs): Days => planned(inputs, true);
/** The same without the earliest day that there could be, for many ways weighed against each other. */
export const planWithoutBound = (inputs: DayInputs): Days => planned(inputs, false);

function planned({ steps, seed, ...bench }: DayInputs, hasBound: boolean): Days {
  const { calendar } = bench;
  const { slots, work, relaxed } = scheduleWork(steps, bench, calendar, seed);
  const isWhole = work.blocked.length === 0;
  const ready = isWhole ? readyOf(slots, calendar) : null;
  const bound = isWhole && hasBound ? readyOf(earliestAlone(work, bench), calendar) : null;
  const leftOut = leftOutOf(steps, bench);
  const handsOn = handsOnOf(steps, slots, new Set(leftOut));
  return { slots, handsOn, ready, bound, late: lateOf(ready, bound, calendar), blocked: work.blocked, leftOut, relaxed };
}

/** Work, what is set up for it once a sitting, and calls back to what dries; nothing of what is left out. */
function handsOnOf(all: readonly Step[], slots: readonly Slot[], leftOut: ReadonlySet<Task>): Figure<'min'> {
  const steps = leftOut.size === 0 ? all : all.flatMap((step) => lessOf(step, leftOut));
  const sittings = new Map<string, number>();
  for (const { task, setUpMin } of slots) if (setUpMin > 0) sittings.set(task.stepId, (sittings.get(task.stepId) ?? 0) + 1);
  return total(
    'Hands-on',
    'min',
    steps.map((step) => handsOnIn(step, sittings.get(step.id) ?? 0)),
  );
}
function lessOf(step: Step, leftOut: ReadonlySet<Task>): readonly Step[] {
  const tasks = step.tasks.filter((task) => !leftOut.has(task));
  return tasks.length === step.tasks.length ? [step] : tasks.length === 0 ? [] : [{ ...step, tasks }];
}
const handsOnIn = memoize(({ name, tasks, setUp }: Step, count: number): Figure<'min'> => {
  const parts = [
    ...tasks.map(({ work }) => work),
    ...tasks.flatMap(({ calls }) => calls ?? []),
    ...(count === 0 ? [] : [calculate(`${name}, set up`, 'min', setUp, '×', given('Sessions', count, '1', 'calendar'))]),
  ];
  return parts.length === 1 ? parts[0]! : total(name, 'min', parts);
});

/** A time that no order of work beats, more closely than the slowest chain tells. */
export interface Floor {
  readonly at: Figure<'min'>;
  readonly text: string;
}
const BY: Readonly<Record<string, string>> = {
  chain: 'the longest chain of work and drying',
  hands: 'the hours of the people who can do the tasks due by then',
  store: 'the room for everything that has to dry by then',
  none: 'nothing to do',
};
/** Null where nothing is planned, or something never is through. */
export function lowerBoundOf({ steps, days, ...bench }: Bench & { readonly steps: readonly Step[]; readonly days: Days }): Floor | null {
  if (days.ready === null) return null;
  const { problem } = workOf(steps, bench, days.relaxed);
  const doneMin = days.slots.reduce((most, { because, curedMin }) => (because.kind === 'done' ? Math.max(most, curedMin) : most), 0);
  const { throughMin, by } = boundOf(problem, networkOf(problem), days.ready.at.value);
  const atMin = Math.max(doneMin, throughMin);
  return { at: given('Earliest possible', atMin, 'min', 'calendar', BY[by]!), text: momentText(bench.calendar.startsOn, atMin) };
}
