import { momentText } from '../../../base/dates';
import { type Plan, improved } from '../../solver';
import type { Bench } from './bench';
import { workOf } from '../problem';
import { NOTHING_KEPT, scheduleWork } from '../schedule';
import type { Step } from '../step';

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
  /** Whose time is kept for what only they may do, and by how much. */
  readonly spared: Bench['calendar']['spared'];
}

/** Looks for the order of tasks that is through first, from better to better; without end but where none can be better. None for a board with nothing to do. */
export function* betterEvenings(steps: readonly Step[], bench: Bench, seed: number): Generator<Evenings, void, void> {
  const { relaxed } = scheduleWork(steps, bench, NOTHING_KEPT, seed);
  const { problem, open } = workOf(steps, bench, relaxed);
  if (open.length === 0) return;
  for (const { best, bound, tries, isProven } of improved(problem, seed))
    if (best !== null) yield told(best, bound.throughMin, tries, isProven);
  function told(best: Plan, boundMin: number, tries: number, isProven: boolean): Evenings {
    const { order, throughMin, spareMin } = best;
    const spared = bench.people.flatMap(({ id }, i) => (spareMin[i]! > 0 ? [{ personId: id, spareMin: spareMin[i]! }] : []));
    const { startsOn } = bench.calendar;
    const [text, boundText] = [momentText(startsOn, throughMin), momentText(startsOn, boundMin)];
    return { throughMin, text, boundMin, boundText, tries, isProven, order: order.map((i) => open[i]!.id), spared };
  }
}
