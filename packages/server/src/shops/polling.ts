import type { Knex } from 'knex';
import type { Logger } from 'pino';
import type { CatalogueKeeper } from '../own/keeper';
import { askShops } from './shops';

const EVERY_MS = 60 * 60_000;

/** Asks the shops for their prices every hour. @returns what ends it */
export function keepAsking(db: Knex, keeper: CatalogueKeeper, log: Logger): () => void {
  let isEnded = false;
  const ask = async (): Promise<void> => {
    try {
      await askShops(db, (await keeper.now()).catalogue, Date.now());
    } catch (error) {
      if (!isEnded) log.warn(error);
    }
  };
  void ask();
  const timer = setInterval(() => void ask(), EVERY_MS);
  return () => {
    isEnded = true;
    clearInterval(timer);
  };
}
