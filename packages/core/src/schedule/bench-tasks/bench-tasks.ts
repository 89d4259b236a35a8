import type { Figure } from '../../base/units';
import type { Slot, Step } from '../tasks';
import type { BoardRecord } from '../../plan/workshop';

/** What a task comes after, and when that is dry. */
export interface Before {
  readonly name: string;
  readonly workpieceId: string;
  readonly isDone: boolean;
  /** In the plan's minutes; null for what never dries as things are. */
  readonly dryMin: number | null;
}
/** A task that is still to do, as it stands among the others. */
export interface BenchTask {
  readonly taskId: string;
  /** The task that it is a go of. */
  readonly ofTask: string;
  readonly stepId: string;
  readonly name: string;
  readonly workpieceId: string;
  readonly work: Figure<'min'>;
  readonly setUpMin: number;
  readonly people: readonly string[];
  readonly startMin: number;
  readonly endMin: number;
  readonly before: readonly Before[];
  readonly part: { readonly done: number; readonly of: number } | null;
  /** Dries by itself so long once it is done; null for ever. */
  readonly driesMin: number | null;
}
/** How a move stands at a moment. */
export type Standing = 'ready' | 'drying' | 'after';

interface MoveInputs {
  readonly slots: readonly Slot[];
  readonly steps: readonly Step[];
  readonly doneTasks: BoardRecord['doneTasks'];
}

/** Everything still to do, in the order in which it is planned. */
export function benchTasksOf({ slots, steps, doneTasks }: MoveInputs): readonly BenchTask[] {
  const stepOf = new Map(steps.map((step) => [step.id, step]));
  const byTask = new Map(slots.map((slot) => [slot.task.id, slot]));
  const finite = (min: number): number | null => (Number.isFinite(min) ? min : null);
  return slots
    .filter(({ because }) => because.kind !== 'done')
    .map(({ task, startMin, endMin, nextMin, setUpMin, people }): BenchTask => ({
      taskId: task.id,
      ofTask: task.ofTask,
      stepId: task.stepId,
      name: stepOf.get(task.stepId)!.name,
      workpieceId: task.workpieceId,
      work: task.work,
      setUpMin,
      people,
      startMin,
      endMin,
      before: task.after.flatMap(({ taskId, wait }) => {
        const slot = byTask.get(taskId);
        if (slot === undefined) return [];
        const dryMin = finite(wait.pace.after(slot.endMin, wait.stated.value));
        return [
          { name: stepOf.get(slot.task.stepId)!.name, workpieceId: slot.task.workpieceId, isDone: slot.because.kind === 'done', dryMin },
        ];
      }),
      part: doneTasks[task.ofTask]?.part ?? null,
      driesMin: finite(nextMin - endMin),
    }));
}

/** Whether a move can be made now. */
export function standingOf({ before }: Pick<BenchTask, 'before'>, nowMin: number): Standing {
  if (before.some(({ isDone }) => !isDone)) return 'after';
  return before.every(({ dryMin }) => dryMin !== null && dryMin <= nowMin) ? 'ready' : 'drying';
}

/** What of a sitting is still to come. */
export interface Sitting<M> {
  /** In the order in which it is planned. */
  readonly moves: readonly M[];
  readonly fromMin: number;
  readonly untilMin: number;
  /** Time for work is over then: what is left of the sitting goes into clearing up. */
  readonly clearUpFromMin: number;
  /** What dries the longest of it: best done last, to dry overnight. */
  readonly lastId: string | null;
}
/** Of what is set up and cleared away once a sitting, the share that comes last. */
const CLEAR_UP_SHARE = 0.5;
/**
 * The sitting that a moment lies in, or the next one.
 * @param sittings when somebody is at the bench, in the plan's minutes, in order
 */
export function sittingAt<M extends Pick<BenchTask, 'taskId' | 'startMin' | 'setUpMin' | 'driesMin'>>(
  moves: readonly M[],
  sittings: readonly { readonly fromMin: number; readonly toMin: number }[],
  nowMin: number,
): Sitting<M> | null {
  const own = sittings.find(({ toMin }) => toMin > nowMin);
  if (own === undefined) return null;
  const here = moves.filter(({ startMin }) => startMin < own.toMin);
  const clearUpMin = CLEAR_UP_SHARE * Math.max(0, ...here.map(({ setUpMin }) => setUpMin));
  const dries = here.filter(({ driesMin }) => driesMin !== null && driesMin > 0);
  const last = dries.length === 0 ? null : dries.reduce((most, move) => (move.driesMin! > most.driesMin! ? move : most));
  return { moves: here, fromMin: own.fromMin, untilMin: own.toMin, clearUpFromMin: own.toMin - clearUpMin, lastId: last?.taskId ?? null };
}
