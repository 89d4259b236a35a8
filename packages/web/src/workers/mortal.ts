import { type Remote, wrap } from 'comlink';

/** The worker crashed, ran out of memory, or never came up. */
export class WorkerDied extends Error {
  constructor() {
    super('The background calculation stopped unexpectedly. Nothing is lost; try again, or reload the page.');
  }
}

/** A worker whose end is noticed. */
export interface Mortal<Offers> {
  readonly worker: Worker;
  /** Each call rejects with {@link WorkerDied} where the worker ends over it, instead of waiting for ever. */
  readonly remote: Remote<Offers>;
}

/** Wraps a worker so that whoever asks it something hears of its end. @param ended called once, when it has died */
export function wrapMortal<Offers>(worker: Worker, ended: () => void = () => undefined): Mortal<Offers> {
  let end = (_error: WorkerDied): void => undefined;
  const death = new Promise<never>((_, reject) => (end = reject));
  // Heard only by those who ask something at the time.
  death.catch(() => undefined);
  for (const event of ['error', 'messageerror'])
    worker.addEventListener(event, () => {
      end(new WorkerDied());
      ended();
    });
  const own = wrap<Offers>(worker) as unknown as Record<string, (...given: readonly unknown[]) => Promise<unknown>>;
  const remote = new Proxy(own, {
    get:
      (_, name: string) =>
      (...given: readonly unknown[]) =>
        Promise.race([own[name]!(...given), death]),
  });
  return { worker, remote: remote as unknown as Remote<Offers> };
}
