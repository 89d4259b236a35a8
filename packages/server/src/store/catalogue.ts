import type { Knex } from 'knex';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { loadCatalogue } from '@spare-acre/core/catalogue/load';
import { WORKSHOP_CATALOGUE } from '@spare-acre/core/catalogue/workshop';

/**
 * Stores the catalogue that ships and reads it back, checked.
 * @throws Error naming every bad entry: a server without a sound catalogue must not start
 */
export async function settleCatalogue(db: Knex): Promise<Catalogue> {
  await db('catalogue')
    .insert({ id: 1, body: JSON.stringify(WORKSHOP_CATALOGUE) })
    .onConflict('id')
    .merge();
  const row = await db<{ id: number; body: unknown }>('catalogue').first('body').where('id', 1);
  const loaded = loadCatalogue(row?.body);
  if (loaded.ok) return loaded.value;
  throw new Error(`the catalogue has errors:\n${loaded.problem.issues.map(({ path, message }) => `${path}: ${message}`).join('\n')}`);
}
