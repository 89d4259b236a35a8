import { minutesAt } from '../../base/dates';
import { memoize } from '../../base/memory';
import { given, calculate } from '../../base/units';
import type { ArrangedTask } from '../../plan';
import type { DoneTask } from '../../plan/workshop';
import type { Bench } from './hours/bench';
import { type After, NO_WAIT, type Step, type Task } from './step';

/** A task as it is planned: one of several goes where it is split. */
export interface TaskRun extends Task {
  /** The task that it is of: what is arranged is arranged by that. */
  readonly ofTask: string;
  readonly arranged: ArrangedTask | null;
  /** When it was done; null for what is still to do. */
  readonly doneMin: number | null;
  /** How long it really took; null where nobody looked. */
  readonly workedMin: number | null;
  readonly pinnedMin: number | null;
  /** Put off until then; null for any time. */
  readonly notBeforeMin: number | null;
}

/**
 * Tasks with what was arranged and done: those skipped are gone and those after them come after what was before; those split are several; of one that is
 * done in part the rest is left.
 */
export function arrangedTasks(steps: readonly Step[], { calendar, doneTasks }: Pick<Bench, 'calendar' | 'doneTasks'>): readonly TaskRun[] {
  const { tasks: arranged, startsOn } = calendar;
  if (arranged.length === 0 && Object.keys(doneTasks).length === 0) return asTheyAre(steps);
  const byId = new Map(arranged.map((own) => [own.taskId, own]));
  const skipped = new Map<string, readonly After[]>();
  const lastGo = new Map<string, string>();
  const goes: TaskRun[] = [];
  for (const task of steps.flatMap((step) => step.tasks)) {
    const own = byId.get(task.id) ?? null;
    const done = doneTasks[task.id] ?? null;
    const after = task.after.flatMap((one) => skipped.get(one.taskId) ?? [{ ...one, taskId: lastGo.get(one.taskId) ?? one.taskId }]);
    if (own?.isSkipped === true && done === null) {
      skipped.set(task.id, after);
      continue;
    }
    const runs = runsOf({ ...task, after }, own, done, startsOn);
    goes.push(...runs);
    lastGo.set(task.id, runs.at(-1)!.id);
  }
  return goes;
}

/** A task in as many runs as it was split into, one after another; one run where it is done. */
function runsOf(task: Task, own: ArrangedTask | null, done: DoneTask | null, startsOn: string): readonly TaskRun[] {
  const atOf = (at: { readonly day: string; readonly atMin: number } | null | undefined): number | null =>
    at == null ? null : minutesAt(startsOn, at);
  const isDone = done !== null && done.part === null;
  const left = done?.part == null ? task.work : restOf(task, done.part);
  const count = isDone ? 1 : (own?.goes ?? 1);
  const whole: TaskRun = {
    ...task,
    ofTask: task.id,
    work: left,
    arranged: own,
    doneMin: isDone ? atOf(done.at) : null,
    workedMin: isDone ? done.workedMin : null,
    pinnedMin: atOf(own?.pin),
    notBeforeMin: atOf(own?.notBefore),
  };
  if (count === 1) return [whole];
  return Array.from({ length: count }, (_, i) => splitRun(whole, left, i, count));
}
/** One of several runs: only the first comes after other tasks, only the last has to dry. */
function splitRun(whole: TaskRun, work: Task['work'], i: number, count: number): TaskRun {
  const idOf = (k: number): string => (k === 0 ? whole.id : `${whole.id}~${k + 1}`);
  const run = { ...whole, id: idOf(i), work: shareOf(work, i, count) };
  const first =
    i === 0
      ? run
      : { ...run, pinnedMin: null, notBeforeMin: null, after: [{ taskId: idOf(i - 1), wait: NO_WAIT, most: null, orAfter: null }] };
  return i === count - 1 ? first : { ...first, wait: NO_WAIT, cure: NO_WAIT, isFlat: false, weights: null, calls: null };
}
/** Tasks that are left out, as they would be done. */
export function leftOutOf(steps: readonly Step[], { calendar, doneTasks }: Pick<Bench, 'calendar' | 'doneTasks'>): readonly Task[] {
  const skipped = new Set(
    calendar.tasks.flatMap(({ taskId, isSkipped }) => (isSkipped && doneTasks[taskId] === undefined ? [taskId] : [])),
  );
  return skipped.size === 0 ? NONE_LEFT_OUT : steps.flatMap(({ tasks }) => tasks.filter(({ id }) => skipped.has(id)));
}
const NONE_LEFT_OUT: readonly Task[] = [];
/** The same list while the steps are the same: what was made of it stands as well. */
const asTheyAre = memoize((steps: readonly Step[]): readonly TaskRun[] => steps.flatMap(({ tasks }) => tasks.map(asItIs)));
const asItIs = (task: Task): TaskRun => ({
  ...task,
  ofTask: task.id,
  arranged: null,
  doneMin: null,
  workedMin: null,
  pinnedMin: null,
  notBeforeMin: null,
});
const shareOf = (work: Task['work'], i: number, count: number): Task['work'] =>
  calculate(`${work.label}, ${i + 1} of ${count}`, 'min', work, '÷', given('Number of parts', count, '1', 'plan'));
function restOf({ work }: Task, { done, of }: { readonly done: number; readonly of: number }): Task['work'] {
  const left = given(`Remaining: ${of - done} of ${of}`, (of - done) / of, '1', 'logbook');
  return calculate(`${work.label}, remainder`, 'min', work, '×', left);
}
