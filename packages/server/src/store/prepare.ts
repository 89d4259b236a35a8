import type { Knex } from 'knex';
import pg from 'pg';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { MIGRATIONS } from '../../migrations';
import { type DemoMode, loadDemo } from '../boards/demo';
import { isAway } from './away';
import { backUp } from './backup';
import { settleCatalogue } from './catalogue';
import { openDatabase } from './database';

export interface Preparation {
  readonly url: string;
  readonly demo: DemoMode;
  /** Where what is there is copied to before it is changed; null to change it without. */
  readonly backupDir: string | null;
}

/** A database that was just started may still be on its way. */
const PATIENCE_MS = 30_000;
const AGAIN_MS = 250;
/** Any number: servers that start at once on one database prepare it one after another. */
const PREPARING = 4_116;

/**
 * Brings a database to where this version can serve from it: schema, catalogue, demo. Whatever was cut short before is begun again.
 * @throws Error where there is no database, it cannot be backed up first, or its catalogue is not sound
 */
export async function prepareDatabase({ url, demo, backupDir }: Preparation): Promise<Catalogue> {
  const turn = await takeTurn(url);
  const db = openDatabase(url, 'as long as it takes');
  try {
    await migrate(db, url, backupDir);
    const catalogue = await settleCatalogue(db);
    await loadDemo(db, catalogue, demo);
    return catalogue;
  } finally {
    await db.destroy();
    await turn.end();
  }
}

/** A connection that holds the lock until it ends; it is lost with whoever is killed. */
async function takeTurn(url: string): Promise<pg.Client> {
  for (const end = Date.now() + PATIENCE_MS; ; await new Promise((done) => setTimeout(done, AGAIN_MS))) {
    const turn = new pg.Client({ connectionString: url, connectionTimeoutMillis: 3_000 });
    turn.on('error', () => undefined);
    try {
      await turn.connect();
      await turn.query('select pg_advisory_lock($1)', [PREPARING]);
      return turn;
    } catch (error) {
      await turn.end().catch(() => undefined);
      if (!isAway(error)) throw error;
      if (Date.now() > end) throw new Error('no database answers at the given address', { cause: error });
    }
  }
}

async function migrate(db: Knex, url: string, backupDir: string | null): Promise<void> {
  const isThere = await db.schema.hasTable('knex_migrations');
  const done = isThere ? ((await db('knex_migrations').select('name').orderBy('id')) as { readonly name: string }[]) : [];
  const ours = new Set(MIGRATIONS.map(({ name }) => name));
  const newer = done.find(({ name }) => !ours.has(name));
  if (newer !== undefined)
    throw new Error(
      `the database was changed by a newer version (${newer.name} is not known here). Start that version, or restore an older backup`,
    );
  if (done.length === MIGRATIONS.length) return;
  if (done.length > 0 && backupDir !== null) await backUp(url, backupDir, 'before-migration');
  // Whose turn it is says the lock above; one left in the table is of somebody who was killed.
  await db.migrate.forceFreeMigrationsLock();
  await db.migrate.latest();
}
