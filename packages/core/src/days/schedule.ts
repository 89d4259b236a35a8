import { listedBy } from '../base/grouping';
import { type Random, seeded } from '../base/random';
import type { Calendar } from '../plan';
import { BenchTime, SLACK_MIN } from './bench-time';
import type { Window } from './calendar';
import type { After, Step, Task } from './step';

/** Why a task starts when it does and not before. */
export type Because =
  /** What comes before it had to dry. */
  | { readonly kind: 'wait'; readonly after: After }
  /** The hands were busy with another task until then. */
  | { readonly kind: 'hands'; readonly taskId: string }
  /** No free bench time before then was long enough. @param after what it would have waited for; null where nothing comes before it */
  | { readonly kind: 'bench'; readonly after: After | null };

/** A task with its place in the days. Times are minutes since midnight before the first day. */
export interface Slot {
  readonly task: Task;
  /** One stretch of work, or several when the task is longer than any evening. */
  readonly stretches: readonly Window[];
  readonly startMin: number;
  readonly endMin: number;
  /** When the next task on the workpiece may start. */
  readonly nextMin: number;
  /** When it is through should nothing follow. */
  readonly curedMin: number;
  readonly because: Because;
}

/** Tasks placed in all orders together: as many orders are tried as keep a drag quick. */
const MOST_PLACED = 1_200;
const MOST_ORDERS = 30;
/** How far chance may move a task ahead or back in the order of work, in steps. */
const STRAY_STEPS = 3;

/** What is placed, as numbers: tasks step by step, each with the tasks it comes after. */
interface Network {
  readonly tasks: readonly Task[];
  readonly workMin: Float64Array;
  readonly cureMin: Float64Array;
  /** Of each task, the tasks it comes after and how long after their end it may start. */
  readonly after: readonly (readonly { readonly index: number; readonly leastMin: number }[])[];
}

/**
 * Places every task at the earliest time that all it comes after allow, the bench is open and the hands are free. Earlier gaps are used. A task is done in
 * one go unless it is longer than the longest evening. One order goes step by step; others let workpieces run ahead of each other, and
 * the plan that is through first is kept: evenings are so coarse that a single order may miss a week-end by minutes.
 * @param seed of the chance by which workpieces run ahead
 * @returns slots in the order placed
 * @source serial schedule generation with one pair of hands from several starts, craft.md §9
 */
export function scheduleSteps(steps: readonly Step[], calendar: Calendar, seed: number): readonly Slot[] {
  const network = networkOf(steps.flatMap(({ tasks }) => tasks));
  const count = network.tasks.length;
  if (count === 0) return [];
  const starts = Math.max(1, Math.min(MOST_ORDERS, Math.floor(MOST_PLACED / count)));
  const random = seeded(seed);
  const bench = new BenchTime(calendar);
  let best: readonly number[] = network.tasks.map((_, i) => i);
  let bestMin = throughMin(network, best, bench);
  for (let start = 1; start < starts; start++) {
    const order = strayOrder(steps, random);
    const ownMin = throughMin(network, order, bench);
    if (ownMin < bestMin - SLACK_MIN) [best, bestMin] = [order, ownMin];
  }
  return placed(network, best, bench);
}

function networkOf(tasks: readonly Task[]): Network {
  const indexOf = new Map(tasks.map(({ id }, i) => [id, i]));
  return {
    tasks,
    workMin: Float64Array.from(tasks, ({ work }) => work.value),
    cureMin: Float64Array.from(tasks, ({ cure }) => cure.value),
    after: tasks.map(({ after }) => after.map(({ taskId, least }) => ({ index: indexOf.get(taskId)!, leastMin: least.value }))),
  };
}

/** When the last thing has cured, tasks placed in an order. */
function throughMin({ workMin, cureMin, after }: Network, order: readonly number[], bench: BenchTime): number {
  bench.clear();
  const ends = new Float64Array(workMin.length);
  let through = 0;
  for (const i of order) {
    let readyMin = 0;
    for (const { index, leastMin } of after[i]!) readyMin = Math.max(readyMin, ends[index]! + leastMin);
    ends[i] = bench.end(i, readyMin, workMin[i]!);
    through = Math.max(through, ends[i] + cureMin[i]!);
  }
  return through;
}

/** The same order told in full, with why each task starts when it does. */
function placed({ tasks, workMin, after }: Network, order: readonly number[], bench: BenchTime): readonly Slot[] {
  bench.clear();
  const ends = new Float64Array(tasks.length);
  return order.map((i) => {
    let readyMin = 0;
    let last: After | null = null;
    after[i]!.forEach(({ index, leastMin }, k) => {
      if (ends[index]! + leastMin < readyMin) return;
      [readyMin, last] = [ends[index]! + leastMin, tasks[i]!.after[k]!];
    });
    const { stretches, behind } = bench.book(i, readyMin, workMin[i]!);
    ends[i] = stretches.at(-1)!.toMin;
    return slotFor(tasks[i]!, stretches, becauseOf(stretches[0]!.fromMin - readyMin, last, behind === null ? null : tasks[behind]!));
  });
}

function becauseOf(gapMin: number, after: After | null, behind: Task | null): Because {
  if (gapMin <= SLACK_MIN && after !== null) return { kind: 'wait', after };
  return behind === null ? { kind: 'bench', after } : { kind: 'hands', taskId: behind.id };
}

/** The order of work with whole workpieces let ahead or held back by chance; on each the order stays. */
function strayOrder(steps: readonly Step[], random: Random): readonly number[] {
  const head = new Map<string, number>();
  let index = 0;
  const all = steps.flatMap(({ tasks }, step) =>
    tasks.map(({ workpieceId }) => {
      if (!head.has(workpieceId)) head.set(workpieceId, random() * STRAY_STEPS);
      return { index: index++, step, at: step + head.get(workpieceId)! };
    }),
  );
  return all.sort((a, b) => a.at - b.at || a.step - b.step).map((one) => one.index);
}

/**
 * The slowest workpiece with the bench all to itself, set-up done by others and every task broken off at will: no order of
 * work can be ready before it.
 * @returns its slots, their tasks without set-up; none without tasks
 */
export function slowestAlone(steps: readonly Step[], calendar: Calendar): readonly Slot[] {
  const bench = new BenchTime(calendar);
  let slowest: readonly Slot[] = [];
  for (const own of listedBy(
    steps.flatMap(({ tasks }) => tasks),
    ({ workpieceId }) => workpieceId,
  ).values()) {
    bench.clear();
    let freeMin = 0;
    const slots = own.map((task, i) => {
      const { stretches } = bench.bookInStretches(i, freeMin, task.alone.value);
      const [after] = task.after;
      const because = becauseOf(stretches[0]!.fromMin - freeMin, after ?? null, null);
      const slot = slotFor({ ...task, work: task.alone }, stretches, because);
      freeMin = slot.nextMin;
      return slot;
    });
    if (curedMin(slots) > curedMin(slowest)) slowest = slots;
  }
  return slowest;
}

const curedMin = (slots: readonly Slot[]): number => slots.reduce((most, slot) => Math.max(most, slot.curedMin), 0);

function slotFor(task: Task, stretches: readonly Window[], because: Because): Slot {
  const startMin = stretches[0]!.fromMin;
  const endMin = stretches.at(-1)!.toMin;
  return { task, stretches, startMin, endMin, nextMin: endMin + task.wait.value, curedMin: endMin + task.cure.value, because };
}
