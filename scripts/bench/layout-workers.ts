import { availableParallelism } from 'node:os';
import { buildSync } from 'esbuild';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { LayoutTask, Shaped } from '@spare-acre/core/build/cutting/nesting';
import type { Asked, Told } from './layout.worker';

/** As many as the app starts on this machine: one, and up to three helpers. */
export const WORKERS = Math.min(4, availableParallelism());

/** Bundled: a thread of its own does not read TypeScript. */
const SCRIPT = buildSync({
  entryPoints: [fileURLToPath(new URL('./layout.worker.ts', import.meta.url))],
  bundle: true,
  platform: 'node',
  format: 'cjs',
  write: false,
}).outputFiles[0]!.text;

/** Workers that are kept, so that none of a job's time goes to starting them. */
export class LayoutWorkers {
  private readonly workers = Array.from({ length: WORKERS }, () => new Worker(SCRIPT, { eval: true }));

  /** @returns the best of all searches after a time, or as soon as one has found enough */
  async search(task: LayoutTask, { seed, ms, enough, shapes = null }: Search): Promise<Told> {
    const stop = new SharedArrayBuffer(4);
    const answers = this.workers.map(async (worker, i) => {
      const asked: Asked = { task, shapes, seed: seed + i, ms, enough, stop };
      worker.postMessage(asked);
      return ((await once(worker, 'message')) as [Told])[0];
    });
    const told = await Promise.all(answers);
    return told.reduce((a, b) => (b.cost < a.cost || (b.cost === a.cost && b.atMs < a.atMs) ? b : a));
  }
  async end(): Promise<void> {
    await Promise.all(this.workers.map((worker) => worker.terminate()));
  }
}
interface Search {
  readonly seed: number;
  readonly ms: number;
  readonly enough: number;
  readonly shapes?: readonly Shaped[] | null;
}
