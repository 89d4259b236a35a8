import type { Knex } from 'knex';
import type { OwnEntry } from '@spare-acre/core/catalogue/editing';
import { noSuchPicture } from '../pictures/pictures';

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

/** Gives an entry a picture, or takes it away. @throws HttpProblem 404 for a picture that is not kept */
export async function setPicture(trx: Knex, { kind, id }: Pick<OwnEntry, 'kind' | 'id'>, pictureId: string | null): Promise<void> {
  if (pictureId === null) return void (await trx('entry_pictures').where({ kind, id }).delete());
  if ((await trx('pictures').first('id').where({ id: pictureId })) === undefined) throw noSuchPicture();
  await trx('entry_pictures').insert({ kind, id, picture_id: pictureId }).onConflict(['kind', 'id']).merge();
}

/** Names of boards whose plan or record speaks of an id. */
export const boardsWith = async (db: Knex, id: string): Promise<readonly string[]> =>
  (
    await db<{ name: string }>('boards')
      .select('name')
      .whereRaw('strpos(plan::text, ?) > 0', [`"${id}"`])
      .orderBy('name')
  ).map(({ name }) => name);
