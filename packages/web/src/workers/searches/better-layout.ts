import { seeded } from '@spare-acre/core/base/random';
import { searchJob } from '@spare-acre/core/cutting/job';
import type { LayoutProgress } from '@spare-acre/core/cutting/nesting';
import type { BoardCopy } from '../board-copy';

/** A layout is searched for this long unless stopped, and shown this often. */
const SEARCH_MS = 15_000;
const TELL_MS = 150;

/** Goes on laying out one job until told to stop, nothing can be better, or the time is up. */
export async function betterLayout(
  board: BoardCopy,
  jobKey: string,
  onStep: (step: LayoutProgress) => boolean | Promise<boolean>,
): Promise<void> {
  const job = board.derived().jobs.find(({ key }) => key === jobKey);
  if (job === undefined || job.stock.length === 0) return;
  const until = performance.now() + SEARCH_MS;
  let toldAt = 0;
  for (const step of searchJob(job, board.catalogue, seeded(board.plan.seed))) {
    const now = performance.now();
    if (now - toldAt < TELL_MS && now < until) continue;
    toldAt = now;
    if (!(await onStep(step)) || now >= until) return;
  }
}
