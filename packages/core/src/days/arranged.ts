import { minutesAt } from '../base/dates';
import { given, reckon } from '../base/units';
import type { ArrangedTask, Calendar } from '../plan';
import { type After, NO_WAIT, type Step, type Task } from './step';

/** A task as it is planned: one of several goes where it is split. */
export interface Go extends Task {
  /** The task that it is of: what is arranged is arranged by that. */
  readonly ofTask: string;
  readonly arranged: ArrangedTask | null;
  /** When it was done; null for what is still to do. */
  readonly doneMin: number | null;
  readonly pinnedMin: number | null;
}

/** Tasks with what was arranged: those skipped are gone and those after them come after what was before; those split are several. */
export function arrangedTasks(steps: readonly Step[], { tasks: arranged, startsOn }: Calendar): readonly Go[] {
  if (arranged.length === 0) return steps.flatMap(({ tasks }) => tasks.map(asItIs));
  const byId = new Map(arranged.map((own) => [own.taskId, own]));
  const skipped = new Map<string, readonly After[]>();
  const lastGo = new Map<string, string>();
  const goes: Go[] = [];
  for (const task of steps.flatMap((step) => step.tasks)) {
    const own = byId.get(task.id) ?? null;
    const after = task.after.flatMap((one) => skipped.get(one.taskId) ?? [{ ...one, taskId: lastGo.get(one.taskId) ?? one.taskId }]);
    if (own?.isSkipped === true) {
      skipped.set(task.id, after);
      continue;
    }
    const pinnedMin = own?.pin == null ? null : minutesAt(startsOn, own.pin);
    const doneMin = own?.done == null ? null : minutesAt(startsOn, own.done);
    const count = doneMin === null ? (own?.goes ?? 1) : 1;
    for (let i = 0; i < count; i++) {
      const id = i === 0 ? task.id : `${task.id}~${i + 1}`;
      const isLast = i === count - 1;
      const share = count === 1 ? task.work : shareOf(task, i, count);
      goes.push({
        ...task,
        id,
        ofTask: task.id,
        work: share,
        wait: isLast ? task.wait : NO_WAIT,
        cure: isLast ? task.cure : NO_WAIT,
        isFlat: isLast && task.isFlat,
        weights: isLast ? task.weights : null,
        calls: isLast ? task.calls : null,
        after: i === 0 ? after : [{ taskId: goes.at(-1)!.id, wait: NO_WAIT, most: null, orAfter: null }],
        arranged: own,
        doneMin,
        pinnedMin: i === 0 ? pinnedMin : null,
      });
      lastGo.set(task.id, id);
    }
  }
  return goes;
}
const asItIs = (task: Task): Go => ({ ...task, ofTask: task.id, arranged: null, doneMin: null, pinnedMin: null });
const shareOf = ({ work }: Task, i: number, count: number): Task['work'] =>
  reckon(`${work.label}, ${i + 1} of ${count}`, 'min', work, '÷', given('In so many goes', count, '1', 'plan'));
