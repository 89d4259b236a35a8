import { hash, verify } from '@node-rs/argon2';
import type { Knex } from 'knex';
import { MAX_PASSPHRASE, MIN_PASSPHRASE } from '@spare-acre/core/io/wire';
import { tell } from '../live/tell';

/** Whether this store has a passphrase. */
export const hasPassphrase = async (db: Knex): Promise<boolean> => (await db('passphrase').first('id')) !== undefined;

/** Sets the passphrase of the server (argon2id) and ends every session that was begun with the one before; people with their own go on. @throws RangeError for one too short or too long */
export async function setPassphrase(db: Knex, passphrase: string): Promise<void> {
  if (passphrase.length < MIN_PASSPHRASE || passphrase.length > MAX_PASSPHRASE)
    throw new RangeError(`passphrase: got ${passphrase.length} characters. Enter ${MIN_PASSPHRASE} to ${MAX_PASSPHRASE}`);
  const hashed = await hash(passphrase);
  await db.transaction(async (trx) => {
    await trx('passphrase').insert({ id: 1, hash: hashed, set_at: trx.fn.now() }).onConflict('id').merge();
    await trx('sessions').whereNull('person_id').delete();
    await trx('sign_in_attempts').delete();
    await tell(trx, { board: null, kind: 'signed-out' });
  });
}

/** Whether this is the passphrase. */
export async function isPassphrase(db: Knex, given: string): Promise<boolean> {
  const row = await db<{ id: number; hash: string }>('passphrase').first('hash');
  return row !== undefined && (await verify(row.hash, given));
}
