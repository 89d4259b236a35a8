import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { sweepInvitations } from './access/people';
import { sweepRecord } from './access/record';
import { sweepSessions } from './access/sessions';
import { thinRevisions } from './boards/revisions';
import { sweepDeleted } from './deleted/deleted';
import { sweepPresence } from './live/presence';
import { sweepEditions } from './own/editions';
import { sweepPictures } from './pictures/pictures';

const EVERY_MS = 6 * 3_600_000;

/** Takes out what nobody needs any more: now, and every few hours. @returns what ends it */
export function keepHouse(db: Knex, log: Logger): () => void {
  let isEnded = false;
  const sweep = async (): Promise<void> => {
    try {
      await thinRevisions(db);
      await sweepPictures(db);
      await sweepSessions(db);
      await sweepInvitations(db);
      await sweepRecord(db);
      await sweepDeleted(db);
      await sweepPresence(db);
      await sweepEditions(db);
    } catch (error) {
      // The next time will do as well.
      if (!isEnded) log.warn(error);
    }
  };
  void sweep();
  const timer = setInterval(() => void sweep(), EVERY_MS);
  return () => {
    isEnded = true;
    clearInterval(timer);
  };
}
