import pg from 'pg';
import { runTool } from './backup';

/** What stands in the way of a restore, in words. */
export class CannotRestore extends Error {}

/**
 * Puts a backup in the place of a database. It is read into a database beside it first, and takes its name when all of it is there: a file that cannot be
 * read, or a restore cut short, changes nothing.
 * @param replace null where nothing that is there may go; else what is done with it first
 * @returns how many boards there are now
 * @throws CannotRestore where boards are there, or somebody is using them
 */
export async function restore(url: string, file: string, replace: (() => Promise<void>) | null): Promise<number> {
  const name = decodeURIComponent(new URL(url).pathname.slice(1));
  const beside = `${name}_restoring`;
  const admin = new pg.Client({ connectionString: withName(url, 'postgres') });
  await admin.connect();
  const refuseUsed = async (): Promise<void> => {
    const { rows } = await admin.query('select 1 from pg_stat_activity where datname = $1', [name]);
    if (rows.length > 0) throw new CannotRestore('Spare Acre is using this database. Stop it first, then restore.');
  };
  try {
    const there = await boardsIn(url);
    if (there > 0 && replace === null)
      throw new CannotRestore(`The database already has ${there} boards. Use --replace to replace them with the backup.`);
    await refuseUsed();
    if (there > 0) await replace?.();
    await admin.query(`drop database if exists ${quoted(beside)} with (force)`);
    await admin.query(`create database ${quoted(beside)} template template0 encoding 'UTF8'`);
    await runTool('pg_restore', withName(url, beside), [
      '--no-owner',
      '--no-acl',
      '--exit-on-error',
      '--single-transaction',
      `--dbname=${beside}`,
      file,
    ]);
    const boards = await boardsIn(withName(url, beside));
    await refuseUsed();
    await admin.query(`drop database ${quoted(name)}`);
    await admin.query(`alter database ${quoted(beside)} rename to ${quoted(name)}`);
    return boards;
  } finally {
    await admin.query(`drop database if exists ${quoted(beside)} with (force)`).catch(() => undefined);
    await admin.end();
  }
}

async function boardsIn(url: string): Promise<number> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    const { rows } = await client.query<{ there: string | null }>("select to_regclass('public.boards') as there");
    if (rows[0]!.there === null) return 0;
    return Number((await client.query<{ n: string }>('select count(*) as n from boards')).rows[0]!.n);
  } finally {
    await client.end();
  }
}

function withName(url: string, name: string): string {
  const other = new URL(url);
  other.pathname = `/${name}`;
  return other.href;
}
const quoted = (name: string): string => pg.escapeIdentifier(name);
