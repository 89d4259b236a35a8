import knex, { type Knex } from 'knex';
import { MIGRATIONS } from '../migrations';

/** Hands knex the migrations as they are imported, so that no folder is searched and no file extension matters. */
const SOURCE: Knex.MigrationSource<(typeof MIGRATIONS)[number]> = {
  getMigrations: () => Promise.resolve([...MIGRATIONS]),
  getMigrationName: ({ name }) => name,
  getMigration: ({ migration }) => Promise.resolve(migration),
};

/** Opens the pool. @param url `postgres://…` on loopback */
export function openDatabase(url: string): Knex {
  return knex({
    client: 'pg',
    connection: url,
    pool: { min: 0, max: 8 },
    acquireConnectionTimeout: 5_000,
    migrations: { migrationSource: SOURCE },
  });
}

/** Brings the schema up to date, under the migration lock. */
export async function migrate(db: Knex): Promise<void> {
  await db.migrate.latest();
}
