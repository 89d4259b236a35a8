import { wrap } from 'comlink';
import { type LayoutProgress, isBetterLayout } from '@spare-acre/core/build/cutting/nesting';
import type { BoardCopy } from '../board-copy';
import type { LayoutHelper } from '../layout.worker';
import { LayoutSlices } from './layout-slices';

/** A layout is searched for this long unless stopped, and shown this often. */
const SEARCH_MS = 15_000;
const TELL_MS = 150;
/** Restarts know nothing of each other: as many go on beside this one as the machine has room for, the page's own thread left out. */
const MAX_HELPERS = 3;
const helpersHere = (): number => Math.max(0, Math.min(MAX_HELPERS, (navigator.hardwareConcurrency || 1) - 1));

/** Goes on laying out one job until told to stop, nothing can be better, or the time is up. */
export async function betterLayout(
  board: BoardCopy,
  jobKey: string,
  onStep: (step: LayoutProgress) => boolean | Promise<boolean>,
): Promise<void> {
  const job = board.derived().jobs.find(({ key }) => key === jobKey);
  if (job === undefined || job.stock.length === 0) return;
  const { catalogue, plan } = board;
  const until = performance.now() + SEARCH_MS;
  const own = new LayoutSlices();
  own.begin(job, catalogue, plan.seed);
  const workers = Array.from(
    { length: helpersHere() },
    () => new Worker(new URL('../layout.worker.ts', import.meta.url), { type: 'module' }),
  );
  try {
    const helpers = workers.map((worker) => wrap<LayoutHelper>(worker));
    for (const [i, helper] of helpers.entries()) void helper.begin(job, catalogue, plan.seed + i + 1);
    for (;;) {
      const asked = helpers.map((helper) => helper.goOn(TELL_MS));
      const told = [own.goOn(TELL_MS), ...(await Promise.all(asked))];
      const best = bestOf(told, job.aim);
      if (best === null || !(await onStep(best)) || own.isEnded || performance.now() >= until) return;
    }
  } finally {
    for (const worker of workers) worker.terminate();
  }
}

/** The best of several searches, of equal ones the first; moves of all of them. */
export function bestOf(told: readonly (LayoutProgress | null)[], aim: Parameters<typeof isBetterLayout>[2]): LayoutProgress | null {
  const heard = told.filter((one) => one !== null);
  const best = heard.reduce<LayoutProgress | null>((a, b) => (a === null || isBetterLayout(b.layout, a.layout, aim) ? b : a), null);
  return best === null ? null : { ...best, moves: heard.reduce((sum, { moves }) => sum + moves, 0) };
}
