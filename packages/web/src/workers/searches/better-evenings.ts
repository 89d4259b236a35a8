import { type Evenings, betterEvenings as searched } from '@spare-acre/core/schedule/tasks';
import type { BoardCopy } from '../board-copy';

/** Evenings are searched for this long unless stopped, and shown this often. */
const SEARCH_MS = 15_000;
const TELL_MS = 150;

/** Goes on looking for an order of tasks that is through earlier until told to stop, nothing can be better, or the time is up. */
export async function betterEvenings(board: BoardCopy, onStep: (step: Evenings) => boolean | Promise<boolean>): Promise<void> {
  const { steps, spots } = board.derived();
  const bench = { ...board.plan, ...board.shop, spots, catalogue: board.catalogue };
  const until = performance.now() + SEARCH_MS;
  let toldAt = 0;
  for (const step of searched(steps, bench, board.plan.seed)) {
    const now = performance.now();
    if (now - toldAt < TELL_MS && now < until && !step.isProven) continue;
    toldAt = now;
    if (!(await onStep(step)) || now >= until) return;
  }
}
