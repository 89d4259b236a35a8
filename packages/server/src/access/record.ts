import type { Knex } from 'knex';
import type { AccessRecord, Recorded } from '@spare-acre/core/io/wire';
import type { z } from 'zod';
import { cutText } from '@spare-acre/core/base/text';

/** Days that the record of access is kept. */
const RECORD_DAYS = 400;
const MAX_SHOWN = 500;
const MAX_ABOUT = 200;

/** Writes down who came in, or what was taken away or out. */
export async function record(
  db: Knex,
  what: Recorded,
  { person = null, about = '', address = '' }: { readonly person?: string | null; readonly about?: string; readonly address?: string },
): Promise<void> {
  await db('access_record').insert({ what, person, about: cutText(about, MAX_ABOUT), address });
}

/** The last of it, the newest first. */
export async function listRecord(db: Knex): Promise<z.infer<typeof AccessRecord>['entries']> {
  const rows = (await db('access_record').select('at', 'what', 'person', 'about', 'address').orderBy('id', 'desc').limit(MAX_SHOWN)) as {
    at: Date;
    what: Recorded;
    person: string | null;
    about: string;
    address: string;
  }[];
  return rows.map(({ at, ...row }) => ({ ...row, at: at.toISOString() }));
}

/** Whether somebody has come in from an address before, not long ago. */
export const hasComeFrom = async (db: Knex, person: string, address: string): Promise<boolean> =>
  (await db('access_record')
    .first('id')
    .where({ what: 'signed-in', address })
    .whereRaw('lower(person) = lower(?)', [person])
    .whereRaw("at > now() - interval '30 days'")) !== undefined;

export const sweepRecord = (db: Knex): Promise<number> =>
  db('access_record').whereRaw(`at < now() - interval '${RECORD_DAYS} days'`).delete();
