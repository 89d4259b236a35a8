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
  /** From the end of each task to when the last that follows from it has cured, with the bench always open and free. */
  readonly tailMin: Float64Array;
}

/**
 * Places every task at the earliest time that all it comes after allow, the bench is open and the hands are free. Earlier gaps are used. A task is done in
 * one go unless it is longer than the longest evening. One order goes step by step; others let workpieces run ahead of each other, and
 * the plan that is through first is kept: evenings are so coarse that a single order may miss a week-end by minutes.
 * @param orders tried, see {@link ordersOf}; where two are as good the earlier stays
 * @returns slots in the order placed
 * @source serial schedule generation with one pair of hands from several starts, craft.md §9
 */
export function scheduleSteps(steps: readonly Step[], calendar: Calendar, orders: readonly Order[]): readonly Slot[] {
  if (orders.length === 0) return [];
  const network = networkOf(steps.flatMap(({ tasks }) => tasks));
  const bench = new BenchTime(calendar);
  let [best, bestMin] = [orders[0]!, Infinity];
  for (const order of orders) {
    const ownMin = throughMin(network, order, bench, bestMin - SLACK_MIN);
    if (ownMin < bestMin - SLACK_MIN) [best, bestMin] = [order, ownMin];
  }
  return placed(network, best, bench);
}

/** An order in which tasks are placed: their places in the list of all tasks, step by step. */
export type Order = readonly number[];

/** All that orders of work depend on: what the tasks are done on, step by step, and a seed. */
export interface OrderInputs {
  /** Of workpieces that become one, the same for all of them. */
  readonly workpieceIds: readonly string[];
  /** Tasks of each step. */
  readonly counts: readonly number[];
  /** An order that was kept, in places of the list of all tasks; none where none was. */
  readonly kept: Order;
  readonly seed: number;
}
/** What of steps the orders depend on. */
export function orderInputs(steps: readonly Step[], seed: number, keptIds: readonly string[]): OrderInputs {
  const tasks = steps.flatMap((step) => step.tasks);
  const ones = joinedAs(tasks);
  return {
    workpieceIds: tasks.map(({ workpieceId }) => ones.get(workpieceId) ?? workpieceId),
    counts: steps.map((step) => step.tasks.length),
    kept: keptOrder(tasks, keptIds),
    seed,
  };
}

/** A kept order of tasks as the tasks are now: what it does not name comes as soon as what it comes after has its turn. */
function keptOrder(tasks: readonly Task[], keptIds: readonly string[]): Order {
  if (keptIds.length === 0) return [];
  const rankOf = new Map(keptIds.map((id, rank) => [id, rank]));
  const ranks = new Map<string, number>();
  // What a task comes after stands before it in the list.
  for (const { id, after } of tasks)
    ranks.set(
      id,
      after.reduce((last, { taskId }) => Math.max(last, ranks.get(taskId)! + 1e-6), rankOf.get(id) ?? -1),
    );
  const at = tasks.map(({ id }) => ranks.get(id)!);
  return tasks.map((_, i) => i).sort((a, b) => at[a]! - at[b]! || a - b);
}

/** Workpieces that become one with others, each with what stands for all of them: an order that let one run ahead of another would break the work. */
function joinedAs(tasks: readonly Task[]): ReadonlyMap<string, string> {
  const ones = new Map<string, string>();
  const oneOf = (id: string): string => {
    const up = ones.get(id);
    return up === undefined || up === id ? id : oneOf(up);
  };
  for (const { workpieceId, joins } of tasks) for (const joined of joins) ones.set(oneOf(joined), oneOf(workpieceId));
  return new Map([...ones.keys()].map((id) => [id, oneOf(id)]));
}

/** The orders that are tried: step by step, then as many by chance as keep a drag quick; none without tasks. */
export function ordersOf({ workpieceIds, counts, kept, seed }: OrderInputs): readonly Order[] {
  const count = workpieceIds.length;
  if (count === 0) return [];
  const tries = Math.max(1, Math.min(MOST_ORDERS, Math.floor(MOST_PLACED / count)));
  const random = seeded(seed);
  const inSteps = workpieceIds.map((_, i) => i);
  const stepOf = counts.flatMap((own, step) => Array.from({ length: own }, () => step));
  const tried = Array.from({ length: tries }, (_, i) => (i === 0 ? inSteps : strayOrder(workpieceIds, stepOf, random)));
  // Where another is as good the kept one is told: it was asked for.
  return kept.length === 0 ? tried : [kept, ...tried];
}

function networkOf(tasks: readonly Task[]): Network {
  const indexOf = new Map(tasks.map(({ id }, i) => [id, i]));
  const workMin = Float64Array.from(tasks, ({ work }) => work.value);
  const after = tasks.map((own) => own.after.map(({ taskId, least }) => ({ index: indexOf.get(taskId)!, leastMin: least.value })));
  const cureMin = Float64Array.from(tasks, ({ cure }) => cure.value);
  const tailMin = Float64Array.from(cureMin);
  // What a task comes after stands before it in the list.
  for (let i = tasks.length - 1; i >= 0; i--)
    for (const { index, leastMin } of after[i]!) tailMin[index] = Math.max(tailMin[index]!, leastMin + workMin[i]! + tailMin[i]!);
  return { tasks, workMin, cureMin, after, tailMin };
}

/** When the last thing has cured, tasks placed in an order; endless as soon as that is sure to be no earlier than `enoughMin`. */
function throughMin({ workMin, cureMin, after, tailMin }: Network, order: Order, bench: BenchTime, enoughMin: number): number {
  bench.clear();
  const ends = new Float64Array(workMin.length);
  let through = 0;
  for (const i of order) {
    let readyMin = 0;
    for (const { index, leastMin } of after[i]!) readyMin = Math.max(readyMin, ends[index]! + leastMin);
    ends[i] = bench.end(i, readyMin, workMin[i]!);
    if (ends[i] + tailMin[i]! > enoughMin + SLACK_MIN) return Infinity;
    through = Math.max(through, ends[i] + cureMin[i]!);
  }
  return through;
}

/** The same order told in full, with why each task starts when it does. */
function placed({ tasks, workMin, after }: Network, order: Order, bench: BenchTime): readonly Slot[] {
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
function strayOrder(workpieceIds: readonly string[], stepOf: readonly number[], random: Random): Order {
  const head = new Map<string, number>();
  const at = workpieceIds.map((id, i) => {
    if (!head.has(id)) head.set(id, random() * STRAY_STEPS);
    return stepOf[i]! + head.get(id)!;
  });
  return workpieceIds.map((_, i) => i).sort((a, b) => at[a]! - at[b]! || stepOf[a]! - stepOf[b]!);
}

/**
 * The slowest workpiece with the bench all to itself, set-up done by others and every task broken off at will: no order of
 * work can be ready before it.
 * @returns its slots, their tasks without set-up; none without tasks
 */
export function slowestAlone(steps: readonly Step[], calendar: Calendar): readonly Slot[] {
  const bench = new BenchTime(calendar);
  let [slowest, slowestMin]: [readonly Task[], number] = [[], -1];
  for (const own of listedBy(
    steps.flatMap(({ tasks }) => tasks),
    ({ workpieceId }) => workpieceId,
  ).values()) {
    bench.clear();
    let [freeMin, through] = [0, 0];
    own.forEach(({ alone, wait, cure }, i) => {
      const endMin = bench.endInStretches(i, freeMin, alone.value);
      freeMin = endMin + wait.value;
      through = Math.max(through, endMin + cure.value);
    });
    if (through > slowestMin) [slowest, slowestMin] = [own, through];
  }
  bench.clear();
  let freeMin = 0;
  return slowest.map((task, i) => {
    const { stretches } = bench.bookInStretches(i, freeMin, task.alone.value);
    const before = slowest[i - 1];
    const because = becauseOf(stretches[0]!.fromMin - freeMin, task.after.find(({ taskId }) => taskId === before?.id) ?? null, null);
    const slot = slotFor({ ...task, work: task.alone }, stretches, because);
    freeMin = slot.nextMin;
    return slot;
  });
}

function slotFor(task: Task, stretches: readonly Window[], because: Because): Slot {
  const startMin = stretches[0]!.fromMin;
  const endMin = stretches.at(-1)!.toMin;
  return { task, stretches, startMin, endMin, nextMin: endMin + task.wait.value, curedMin: endMin + task.cure.value, because };
}
