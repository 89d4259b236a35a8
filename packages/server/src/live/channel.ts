import pg from 'pg';
import type { Logger } from 'pino';
import { CHANNEL, type Told } from './tell';

/** This server's ear in the database: what any server on it tells, itself included. */
export interface Channel {
  readonly close: () => Promise<void>;
}

const RETRY_MS = 500;

/**
 * Listens until it is closed, on a connection of its own that is opened again whenever it is lost.
 * @param again what was told in between may have been missed: called after every new start
 */
export function listenTo(url: string, log: Logger, { heard, again }: { heard: (told: Told) => void; again: () => void }): Channel {
  let client: pg.Client | null = null;
  let timer: NodeJS.Timeout | null = null;
  let isClosed = false;

  async function open(): Promise<void> {
    timer = null;
    const own = new pg.Client({ connectionString: url, keepAlive: true, connectionTimeoutMillis: 3_000 });
    client = own;
    own.on('notification', ({ payload }) => heard(JSON.parse(payload ?? 'null') as Told));
    // Both come when it is lost, and the second error must find somebody listening.
    own.on('error', () => lost(own));
    own.on('end', () => lost(own));
    try {
      await own.connect();
      await own.query(`listen ${CHANNEL}`);
      again();
    } catch (error) {
      log.debug(error);
      lost(own);
    }
  }

  function lost(own: pg.Client): void {
    if (client !== own) return;
    client = null;
    void own.end().catch(() => undefined);
    if (!isClosed) timer = setTimeout(() => void open(), RETRY_MS);
  }

  void open();
  return {
    async close() {
      isClosed = true;
      if (timer !== null) clearTimeout(timer);
      const own = client;
      client = null;
      await own?.end().catch(() => undefined);
    },
  };
}
