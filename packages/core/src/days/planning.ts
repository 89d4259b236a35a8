import { DAY_MIN } from '../base/units';
import type { Calendar } from '../plan';
import { type Plan, type Problem, type Window, improved } from '../planner';
import { momentText, windowsOf } from './calendar';
import type { Step, Task } from './step';

/** How far a search for better evenings has come. */
export interface Evenings {
  /** When all is through in the best order found, and in words. */
  readonly throughMin: number;
  readonly text: string;
  /** No order can be through before. */
  readonly boundMin: number;
  readonly boundText: string;
  readonly tries: number;
  /** It cannot be better. */
  readonly isProven: boolean;
  /** Tasks in that order, by their ids. */
  readonly order: readonly string[];
}

/** Looks for the order of tasks that is through first, from better to better; without end but where none can be better. None for a board with nothing to do. */
export function* betterEvenings(steps: readonly Step[], calendar: Calendar, seed: number): Generator<Evenings, void, void> {
  const tasks = steps.flatMap((step) => step.tasks);
  if (tasks.length === 0) return;
  const problem = problemOf(tasks, calendar);
  for (const { best, bound, tries, isProven } of improved(problem, seed))
    if (best !== null) yield told(best, bound.throughMin, tries, isProven);
  function told(best: Plan, boundMin: number, tries: number, isProven: boolean): Evenings {
    const { order, throughMin } = best;
    const text = momentText(calendar.startsOn, throughMin);
    const boundText = momentText(calendar.startsOn, boundMin);
    return { throughMin, text, boundMin, boundText, tries, isProven, order: order.map((i) => tasks[i]!.id) };
  }
}

/** Tasks and bench hours as a planner takes them: one pair of hands. */
export function problemOf(tasks: readonly Task[], calendar: Calendar): Problem {
  const indexOf = new Map(tasks.map(({ id }, i) => [id, i]));
  const links = tasks.flatMap(({ after }, to) =>
    after.map(({ taskId, least, most }) => ({
      from: indexOf.get(taskId)!,
      to,
      leastMin: least.value,
      mostMin: most?.value ?? Infinity,
      orAfterMin: Infinity,
    })),
  );
  const jobs = tasks.map(({ work, cure }) => ({
    workMin: work.value,
    cureMin: cure.value,
    hands: 1,
    may: [0],
    holds: [],
    open: null,
    notBeforeMin: 0,
    pinnedMin: null,
  }));
  const horizonMin = horizonFor(tasks, calendar);
  return { people: [{ windows: windowsUntil(calendar, horizonMin) }], stores: [], jobs, links, horizonMin };
}

/** Time enough for all of it one after another, and as much again: a plan that needs more is none. */
function horizonFor(tasks: readonly Task[], calendar: Calendar): number {
  const weekMin = calendar.hours.reduce((sum, { fromMin, toMin }) => sum + toMin - fromMin, 0);
  const workMin = tasks.reduce((sum, { work }) => sum + work.value, 0);
  const waitMin = tasks.reduce((sum, { wait }) => sum + wait.value, 0);
  // A task that does not fit the rest of an evening leaves it: half of all time at the worst.
  const weeks = Math.ceil((2 * workMin) / Math.max(1, weekMin)) + 2;
  return Math.min(MOST_DAYS * DAY_MIN, weeks * 7 * DAY_MIN + waitMin + calendar.daysOff.length * DAY_MIN);
}
/** Ten years. */
const MOST_DAYS = 3_650;

function windowsUntil(calendar: Calendar, horizonMin: number): readonly Window[] {
  const windows: Window[] = [];
  for (const window of windowsOf(calendar)) {
    if (window.fromMin >= horizonMin) return windows;
    windows.push(window);
  }
  return windows;
}
