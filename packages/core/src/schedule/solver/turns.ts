import type { Network } from './network';
import type { Problem } from './problem';

/** How wide a drift is, in steps, and how far it goes at most. */
const WIDTH_STEPS = 2;
const REACH_STEPS = 4;

/**
 * Turns as numbers, the higher the earlier: a group's is how far along its work it is. So the same step of several workpieces comes together and its set-up
 * is shared; and whole workpieces, or a stretch of one, can be let ahead of the others or behind without the rest changing its turn.
 * @source random keys: Bean 1994
 */
export class Turns {
  /** All workpieces go step in step. */
  readonly first: Float64Array;
  private readonly lines: Int32Array;
  private readonly lineCount: number;

  constructor(problem: Problem, network: Network) {
    this.first = Float64Array.from(stepOf(problem, network), (step) => -step);
    this.lines = Int32Array.from(linesOf(network));
    this.lineCount = this.lines.reduce((most, line) => Math.max(most, line + 1), 0);
  }

  /** Turns that come out as an order, with the gaps that there were. */
  asOrdered(order: readonly number[], keys: Float64Array): Float64Array {
    const sorted = keys.toSorted().reverse();
    const own = new Float64Array(keys.length);
    order.forEach((group, i) => (own[group] = sorted[i]!));
    return own;
  }

  /** Lets some lines ahead or behind, or a stretch of one, or shuffles all that have their turn at about the same time. @param keys changed in place */
  drift(keys: Float64Array, random: () => number): void {
    const reach = REACH_STEPS * (random() < 0.5 ? 1 : 0.3);
    const width = WIDTH_STEPS * (0.5 + random());
    const by = (): number => reach * (random() - 0.5);
    const kind = random();
    if (kind < 0.2) {
      const share = Math.max(0.3, 1 / this.lineCount);
      const leads = Array.from({ length: this.lineCount }, () => (random() < share ? by() : 0));
      for (let group = 0; group < keys.length; group++) keys[group]! += leads[this.lines[group]!]!;
    } else if (kind < 0.4) {
      const line = Math.floor(random() * this.lineCount);
      const middle = this.first[Math.floor(random() * keys.length)]!;
      const lead = by();
      for (let group = 0; group < keys.length; group++)
        if (this.lines[group] === line) keys[group]! += lead * Math.exp(-(((this.first[group]! - middle) / width) ** 2));
    } else {
      const middle = keys[Math.floor(random() * keys.length)]!;
      for (let group = 0; group < keys.length; group++) if (Math.abs(keys[group]! - middle) < width && random() < 0.5) keys[group]! += by();
    }
  }
}

/** How far along each group is: jobs that share a set-up all stand at the mean of their places, so that they come together. */
function stepOf({ jobs }: Problem, { groups, before }: Network): readonly number[] {
  const depth: number[] = [];
  for (const own of before) depth.push(own.reduce((most, group) => Math.max(most, (depth[group] ?? 0) + 1), 0));
  const ofFamily = new Map<number, { sum: number; count: number }>();
  groups.forEach(([job], group) => {
    const { family, setUpMin } = jobs[job!]!;
    if (setUpMin === 0) return;
    const own = ofFamily.get(family) ?? { sum: 0, count: 0 };
    ofFamily.set(family, { sum: own.sum + depth[group]!, count: own.count + 1 });
  });
  return groups.map(([job], group) => {
    const own = jobs[job!]!.setUpMin === 0 ? undefined : ofFamily.get(jobs[job!]!.family);
    return own === undefined ? depth[group]! : own.sum / own.count;
  });
}
/** Groups that follow one another as the steps of a workpiece do: each goes on with the first it comes after, while nothing else has. */
function linesOf({ before }: Network): readonly number[] {
  const line: number[] = [];
  const last: number[] = [];
  before.forEach((own, group) => {
    const from = own.find((one) => last[line[one]!] === one);
    line.push(from === undefined ? last.push(group) - 1 : line[from]!);
    last[line[group]!] = group;
  });
  return line;
}

/** Groups by priority, each after those it comes after. */
export function orderBy(priority: ArrayLike<number>, { before, after }: Network): readonly number[] {
  const open = Int32Array.from(before, (own) => own.length);
  const heap: number[] = [];
  const isFirst = (a: number, b: number): boolean => priority[a]! > priority[b]! || (priority[a]! === priority[b]! && a < b);
  const push = (group: number): void => {
    let i = heap.push(group) - 1;
    for (let up = (i - 1) >> 1; i > 0 && isFirst(heap[i]!, heap[up]!); up = (i - 1) >> 1) {
      [heap[i], heap[up]] = [heap[up]!, heap[i]!];
      i = up;
    }
  };
  const pop = (): number => {
    const top = heap[0]!;
    const last = heap.pop()!;
    if (heap.length === 0) return top;
    heap[0] = last;
    for (let i = 0; ;) {
      let next = 2 * i + 1;
      if (next >= heap.length) return top;
      if (next + 1 < heap.length && isFirst(heap[next + 1]!, heap[next]!)) next++;
      if (!isFirst(heap[next]!, heap[i]!)) return top;
      [heap[i], heap[next]] = [heap[next]!, heap[i]!];
      i = next;
    }
  };
  for (let group = 0; group < open.length; group++) if (open[group] === 0) push(group);
  const order: number[] = [];
  while (heap.length > 0) {
    const group = pop();
    order.push(group);
    for (const next of after[group]!) if (--open[next]! === 0) push(next);
  }
  return order;
}
