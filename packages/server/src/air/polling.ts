import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { poll } from './sensors';

const EVERY_MS = 10 * 60_000;

/** Asks the thermo-hygrometers every few minutes; one that does not answer is asked the next time. @returns what ends it */
export function keepPolling(db: Knex, log: Logger): () => void {
  let isEnded = false;
  const ask = (): void => {
    poll(db, Date.now()).catch((error: unknown) => {
      if (!isEnded) log.warn(error);
    });
  };
  ask();
  const timer = setInterval(ask, EVERY_MS);
  return () => {
    isEnded = true;
    clearInterval(timer);
  };
}
