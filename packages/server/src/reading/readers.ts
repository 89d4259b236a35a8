import { Piscina } from 'piscina';
import type { CatalogueKeeper } from '../own/keeper';
import { HttpProblem, busy } from '../problems';
import type * as work from './work';
import type { Outcome } from './work';

type Work = typeof work;
/** Functions of {@link work} that a thread can be asked for. */
type Task = { [K in keyof Work]: Work[K] extends (given: never) => Outcome<unknown> | Promise<Outcome<unknown>> ? K : never }[keyof Work];
type Value<K extends Task> = Extract<Awaited<ReturnType<Work[K]>>, { ok: true }>['value'];

/** Threads that read what comes in, so that a plan of a thousand corners holds nobody else up. */
export interface Readers {
  /** @throws HttpProblem where what was given cannot be used, and 503 where too much is waiting or it takes too long */
  readonly read: <K extends Task>(task: K, given: Parameters<Work[K]>[0]) => Promise<Value<K>>;
  readonly close: () => Promise<void>;
}

/** Waiting for longer than a page waits for its answer helps nobody. */
const MAX_WAIT_MS = 20_000;
const MAX_WAITING = 64;

export function startReaders(keeper: CatalogueKeeper): Readers {
  const pool = new Piscina({
    filename: new URL('./thread.mjs', import.meta.url).href,
    minThreads: 1,
    maxThreads: 2,
    idleTimeout: 30_000,
    maxQueue: MAX_WAITING,
    resourceLimits: { maxOldGenerationSizeMb: 768 },
    workerData: { ours: keeper.ours },
  });
  return {
    async read<K extends Task>(task: K, given: Parameters<Work[K]>[0]): Promise<Value<K>> {
      const { edition, own } = await keeper.now();
      const answer = (await pool
        .run({ given, kept: { edition, own } }, { name: task, signal: AbortSignal.timeout(MAX_WAIT_MS) })
        .catch((error: Error) => {
          throw isCrowded(error) ? busy() : error;
        })) as Outcome<Value<K>>;
      if (answer.ok) return answer.value;
      const { status, title, detail, issues } = answer.problem;
      throw new HttpProblem(status, title, detail, issues === undefined ? {} : { issues });
    },
    close: () => pool.destroy(),
  };
}

/** Too many waiting, or one that took too long, ran out of room or was stopped. */
const isCrowded = ({ name, message, ...more }: Error & { code?: unknown }): boolean =>
  name === 'AbortError' || more.code === 'ERR_WORKER_OUT_OF_MEMORY' || /queue is at limit|terminat/i.test(message);
