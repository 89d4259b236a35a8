import type { Calendar } from '../plan';
import { type Random, seeded } from '../random';
import { type Window, windowsOf } from './calendar';
import type { Step, Task } from './step';

/** A task with its place in the days. Times are minutes since midnight before the first day. */
export interface Slot {
  readonly task: Task;
  /** One stretch of work, or several when the task is longer than any evening. */
  readonly stretches: readonly Window[];
  readonly startMin: number;
  readonly endMin: number;
  /** When the next task on the tile may start. */
  readonly nextMin: number;
  /** When it is through should nothing follow. */
  readonly curedMin: number;
}

/** Tasks placed in all orders together: as many orders are tried as keep a drag quick. */
const MOST_PLACED = 1_200;
const MOST_ORDERS = 30;
/** How far chance may move a task ahead or back in the order of work, in steps. */
const STRAY_STEPS = 3;

/**
 * Places every task at the earliest time its tile is dry, the bench is open and the hands are free. Earlier gaps are used. A task is done in
 * one go unless it is longer than the longest evening. One order goes step by step; others let tiles run ahead of each other, and
 * the plan that is through first is kept: evenings are so coarse that a single order may miss a week-end by minutes.
 * @returns slots in the order placed
 * @source serial schedule generation with one pair of hands from several starts, craft.md §9
 */
export function scheduleSteps(steps: readonly Step[], calendar: Calendar): readonly Slot[] {
  const count = steps.reduce((sum, { tasks }) => sum + tasks.length, 0);
  const starts = Math.max(1, Math.min(MOST_ORDERS, Math.floor(MOST_PLACED / Math.max(1, count))));
  const random = seeded(1);
  let best: readonly Slot[] = placeInOrder(
    steps.flatMap(({ tasks }) => tasks),
    calendar,
  );
  for (let start = 1; start < starts; start++) {
    const slots = placeInOrder(strayOrder(steps, random), calendar);
    if (curedMin(slots) < curedMin(best) - SLACK_MIN) best = slots;
  }
  return best;
}

function placeInOrder(tasks: readonly Task[], calendar: Calendar): readonly Slot[] {
  const bench = new Bench(calendar);
  const tileFreeMin = new Map<string, number>();
  return tasks.map((task) => {
    const slot = slotFor(task, bench.book(tileFreeMin.get(task.tileId) ?? 0, task.work.value));
    tileFreeMin.set(task.tileId, slot.nextMin);
    return slot;
  });
}

/** The order of work with whole tiles let ahead or held back by chance; on each tile the order stays. */
function strayOrder(steps: readonly Step[], random: Random): readonly Task[] {
  const head = new Map<string, number>();
  const placed = steps.flatMap(({ tasks }, step) =>
    tasks.map((task) => {
      if (!head.has(task.tileId)) head.set(task.tileId, random() * STRAY_STEPS);
      return { task, step, at: step + head.get(task.tileId)! };
    }),
  );
  return placed.sort((a, b) => a.at - b.at || a.step - b.step).map(({ task }) => task);
}

/**
 * The slowest tile with the bench all to itself, set-up done by others and every task broken off at will: no order of
 * work can be ready before it.
 * @returns that tile's slots, their tasks without set-up; none without tasks
 */
export function slowestAlone(steps: readonly Step[], calendar: Calendar): readonly Slot[] {
  const tasks = steps.flatMap((step) => step.tasks).map((task) => ({ ...task, work: task.alone }));
  const tiles = new Set(tasks.map(({ tileId }) => tileId));
  let slowest: readonly Slot[] = [];
  for (const tileId of tiles) {
    const bench = new Bench(calendar);
    let freeMin = 0;
    const slots = tasks
      .filter((task) => task.tileId === tileId)
      .map((task) => {
        const slot = slotFor(task, bench.bookInStretches(freeMin, task.work.value));
        freeMin = slot.nextMin;
        return slot;
      });
    if (curedMin(slots) > curedMin(slowest)) slowest = slots;
  }
  return slowest;
}

const curedMin = (slots: readonly Slot[]): number => Math.max(0, ...slots.map((slot) => slot.curedMin));

function slotFor(task: Task, stretches: readonly Window[]): Slot {
  const startMin = stretches[0]!.fromMin;
  const endMin = stretches.at(-1)!.toMin;
  return { task, stretches, startMin, endMin, nextMin: endMin + task.wait.value, curedMin: endMin + task.cure.value };
}

/** Slack against the last bits of sums of minutes. */
const SLACK_MIN = 1e-6;

/** The free bench time: windows less what is booked, kept sorted, drawn from the endless calendar as needed. */
class Bench {
  private readonly free: Window[] = [];
  private readonly coming: Generator<Window, never, void>;
  private readonly longestMin: number;

  constructor(calendar: Calendar) {
    this.coming = windowsOf(calendar);
    this.longestMin = Math.max(...calendar.hours.map(({ fromMin, toMin }) => toMin - fromMin));
  }

  /** Books work at the earliest time from `readyMin` on. */
  book(readyMin: number, workMin: number): Window[] {
    if (workMin > this.longestMin) return this.bookInStretches(readyMin, workMin);
    for (let i = this.firstEndingAfter(readyMin); ; i++) {
      const { fromMin, toMin } = this.at(i);
      const start = Math.max(fromMin, readyMin);
      if (toMin - start >= workMin - SLACK_MIN) return [this.take(i, start, Math.min(toMin, start + workMin))];
    }
  }

  /** Books work from `readyMin` on, broken off wherever the free time ends. */
  bookInStretches(readyMin: number, workMin: number): Window[] {
    const stretches: Window[] = [];
    let left = workMin;
    while (left > SLACK_MIN) {
      const i = this.firstEndingAfter(stretches.at(-1)?.toMin ?? readyMin);
      const { fromMin, toMin } = this.at(i);
      const start = Math.max(fromMin, readyMin);
      const end = Math.min(toMin, start + left);
      stretches.push(this.take(i, start, end));
      left -= end - start;
    }
    return stretches;
  }

  private at(i: number): Window {
    while (i >= this.free.length) this.free.push(this.coming.next().value);
    return this.free[i]!;
  }

  private firstEndingAfter(timeMin: number): number {
    while ((this.free.at(-1)?.toMin ?? -1) <= timeMin) this.free.push(this.coming.next().value);
    let low = 0;
    let high = this.free.length - 1;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.free[middle]!.toMin > timeMin + SLACK_MIN) high = middle;
      else low = middle + 1;
    }
    return low;
  }

  private take(i: number, fromMin: number, toMin: number): Window {
    const whole = this.free[i]!;
    const rests = [
      { fromMin: whole.fromMin, toMin: fromMin },
      { fromMin: toMin, toMin: whole.toMin },
    ];
    this.free.splice(i, 1, ...rests.filter((rest) => rest.toMin - rest.fromMin > SLACK_MIN));
    return { fromMin, toMin };
  }
}
