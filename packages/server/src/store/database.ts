import knex, { type Knex } from 'knex';
import { MIGRATIONS } from '../../migrations';

/** Hands knex the migrations as they are imported, so that no folder is searched and no file extension matters. */
const SOURCE: Knex.MigrationSource<(typeof MIGRATIONS)[number]> = {
  getMigrations: () => Promise.resolve([...MIGRATIONS]),
  getMigrationName: ({ name }) => name,
  getMigration: ({ migration }) => Promise.resolve(migration),
};

/** A page gives up on its answer after ten seconds: nothing goes on for it much longer. */
const MAX_QUERY_MS = 15_000;
/** The second limit is this end's own, for a database that hangs. */
const HURRIED = { statement_timeout: MAX_QUERY_MS, query_timeout: MAX_QUERY_MS + 1_000 };

const nothing = (): void => undefined;
const QUIET: Knex.Logger = { warn: nothing, error: nothing, debug: nothing, deprecate: nothing };

/** Opens a pool. @param url `postgres://…` @param takes `as long as it takes` for what must not be broken off, such as migrations */
export function openDatabase(url: string, takes: 'a moment' | 'as long as it takes' = 'a moment'): Knex {
  return knex({
    client: 'pg',
    connection: { connectionString: url, connectionTimeoutMillis: 3_000, ...(takes === 'a moment' ? HURRIED : {}) },
    pool: { min: 0, max: 8 },
    acquireConnectionTimeout: 4_000,
    migrations: { migrationSource: SOURCE },
    // What goes wrong is told to whoever asked.
    log: QUIET,
  });
}
