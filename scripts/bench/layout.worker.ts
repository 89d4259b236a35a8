import { parentPort } from 'node:worker_threads';
import { seeded } from '@spare-acre/core/base/random';
import { type LayoutTask, type Shaped, improveFreeform, improveLayout } from '@spare-acre/core/build/cutting/nesting';

/** One of several searches for one layout, as they run in the app. */
export interface Asked {
  readonly task: LayoutTask;
  /** Outlines, where they are laid by them; null for boxes with straight cuts. */
  readonly shapes: readonly Shaped[] | null;
  readonly seed: number;
  readonly ms: number;
  /** So many sheets are enough. */
  readonly enough: number;
  /** Not 0: another search has found enough. */
  readonly stop: SharedArrayBuffer;
}
export interface Told {
  readonly sheets: number;
  readonly cost: number;
  readonly bound: number;
  readonly isProven: boolean;
  /** When so many sheets as that were found first. */
  readonly atMs: number;
}

parentPort!.on('message', ({ task, shapes, seed, ms, enough, stop }: Asked) => {
  const flag = new Int32Array(stop);
  const from = performance.now();
  let told: Told = { sheets: Infinity, cost: Infinity, bound: 0, isProven: false, atMs: 0 };
  const search = shapes === null ? improveLayout(task, seeded(seed)) : improveFreeform(task, shapes, true, seeded(seed));
  for (const { layout, cost, bound, isProven } of search) {
    const sheets = layout.sheets.length;
    const atMs = sheets < told.sheets ? performance.now() - from : told.atMs;
    told = { sheets, cost, bound, isProven, atMs };
    if (sheets <= enough || isProven) Atomics.store(flag, 0, 1);
    if (Atomics.load(flag, 0) !== 0 || performance.now() - from > ms) break;
  }
  parentPort!.postMessage(told);
});
