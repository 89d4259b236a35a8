import type { Knex } from 'knex';
import type { OwnEntry } from '@spare-acre/core/catalogue/editing';

/** Keeps an entry; figures that were set one by one at its place are in it by now. */
export async function setEntry(trx: Knex, { kind, id, body }: OwnEntry): Promise<void> {
  await trx('own_entries')
    .insert({ kind, id, body: JSON.stringify(body), set_at: trx.fn.now() })
    .onConflict(['kind', 'id'])
    .merge();
  await trx('own_values')
    .whereRaw('starts_with(path, ?)', [`${kind}.${id}.`])
    .delete();
}
/** False where there was none. */
export const dropEntry = async (trx: Knex, kind: string, id: string): Promise<boolean> =>
  (await trx('own_entries').where({ kind, id }).delete()) > 0;

export const setInUse = async (trx: Knex, path: string, isInUse: boolean): Promise<void> =>
  void (await (isInUse ? trx('out_of_use').where({ path }).delete() : trx('out_of_use').insert({ path }).onConflict('path').ignore()));

/** Names of boards whose plan or record speaks of an id. */
export const boardsWith = async (db: Knex, id: string): Promise<readonly string[]> =>
  (
    await db<{ name: string }>('boards')
      .select('name')
      .whereRaw('strpos(plan::text, ?) > 0', [`"${id}"`])
      .orderBy('name')
  ).map(({ name }) => name);
