import { createHash } from 'node:crypto';
import type { Knex } from 'knex';
import type { Catalogue } from '@spare-acre/core/catalogue';

/** A catalogue that a board was reckoned with, and since when. */
export interface Remembered {
  readonly since: string;
  /** Null where it is the present one. */
  readonly catalogue: Catalogue | null;
}

const HASHES = new WeakMap<Catalogue, string>();
/** One name for all catalogues that say the same. */
function editionOf(catalogue: Catalogue): string {
  let hash = HASHES.get(catalogue);
  if (hash === undefined) HASHES.set(catalogue, (hash = createHash('sha256').update(JSON.stringify(catalogue)).digest('hex').slice(0, 32)));
  return hash;
}

/** The catalogue that a board was reckoned with; one that remembers none yet takes the present one. @returns null where there is no such board */
export async function remembered(db: Knex, boardId: string, present: Catalogue): Promise<Remembered | null> {
  const row = await db('boards').first('edition_id', 'edition_since').where({ id: boardId }).whereNull('removed_at');
  const { edition_id: id, edition_since: since } = (row ?? {}) as { edition_id?: string | null; edition_since?: Date | null };
  if (row === undefined) return null;
  if (id === null || id === undefined || since === null || since === undefined) return takeNote(db, boardId, present);
  if (id === editionOf(present)) return { since: since.toISOString(), catalogue: null };
  const kept = await db('editions').first('catalogue').where({ id });
  return { since: since.toISOString(), catalogue: (kept as { catalogue: Catalogue }).catalogue };
}

/** The board is reckoned with the present catalogue from now on. @returns null where there is no such board */
export async function takeNote(db: Knex, boardId: string, present: Catalogue): Promise<Remembered | null> {
  const id = editionOf(present);
  return db.transaction(async (trx) => {
    await trx('editions')
      .insert({ id, catalogue: JSON.stringify(present) })
      .onConflict('id')
      .ignore();
    const [row] = (await trx('boards')
      .where({ id: boardId })
      .whereNull('removed_at')
      .update({ edition_id: id, edition_since: trx.fn.now() })
      .returning('edition_since')) as { edition_since: Date }[];
    return row === undefined ? null : { since: row.edition_since.toISOString(), catalogue: null };
  });
}

/** Takes out catalogues that no board was reckoned with. */
export const sweepEditions = (db: Knex): Promise<number> =>
  db('editions')
    .whereNotExists(db('boards').select(db.raw('1')).whereRaw('boards.edition_id = editions.id'))
    .where('at', '<', db.raw("now() - interval '1 day'"))
    .delete();
