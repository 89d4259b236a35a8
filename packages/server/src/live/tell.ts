import type { Knex } from 'knex';

/** The one channel on which servers hear of each other's changes. */
export const CHANNEL = 'spare_acre_boards';

/** What changed on a board: its plan was saved, something was ticked off or back, it was put away or brought back, someone opened or left it. */
export type Told =
  | { readonly board: string; readonly kind: 'plan'; readonly revision: number; readonly by: string | null }
  | { readonly board: string; readonly kind: 'record' | 'away' | 'back' | 'here' }
  /** The passphrase was changed: whoever listens has to sign in again. */
  | { readonly board: null; readonly kind: 'signed-out' }
  /** One session is over: what it listens to ends. */
  | { readonly board: null; readonly kind: 'session-ended'; readonly session: string };

/** Tells every server on this database, once the transaction is through. */
export async function tell(trx: Knex, told: Told): Promise<void> {
  await trx.raw('select pg_notify(?, ?)', [CHANNEL, JSON.stringify(told)]);
}
