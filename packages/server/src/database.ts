import knex, { type Knex } from 'knex';
import { fileURLToPath } from 'node:url';

/** Opens the pool. @param url `postgres://…` on loopback */
export function openDatabase(url: string): Knex {
  return knex({
    client: 'pg',
    connection: url,
    pool: { min: 0, max: 8 },
    acquireConnectionTimeout: 5_000,
    migrations: { directory: fileURLToPath(new URL('../migrations', import.meta.url)), extension: 'ts', loadExtensions: ['.ts'] },
  });
}

/** Brings the schema up to date, under the migration lock. */
export async function migrate(db: Knex): Promise<void> {
  await db.migrate.latest();
}
