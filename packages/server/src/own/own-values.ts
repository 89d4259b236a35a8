import type { Knex } from 'knex';
import type { OwnValue, OwnValues } from '@spare-acre/core/catalogue';

interface Row extends OwnValue {
  readonly path: string;
}

/** All figures of the builder's own, by their places. */
export async function listOwn(db: Knex): Promise<OwnValues> {
  const rows = await db<Row>('own_values').select('path', 'value', 'low', 'high').orderBy('path');
  return Object.fromEntries(rows.map(({ path, ...own }) => [path, own]));
}
export const setOwn = async (db: Knex, path: string, own: OwnValue): Promise<void> =>
  void (await db<Row>('own_values')
    .insert({ path, ...own })
    .onConflict('path')
    .merge());
/** False where there was none. */
export const dropOwn = async (db: Knex, path: string): Promise<boolean> => (await db<Row>('own_values').where({ path }).delete()) > 0;
