import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, test, vi } from 'vitest';
import { MIGRATIONS } from '../migrations';
import { backUpTo } from '../src/store/backup';
import { openDatabase } from '../src/store/database';
import { prepareDatabase } from '../src/store/prepare';
import { restore } from '../src/store/restore';
import { aPlan, aServer } from './server';

const { call, db, url } = aServer();
const folder = mkdtempSync(join(tmpdir(), 'spare-acre-backup-'));
const file = join(folder, 'all.dump');
afterAll(() => rmSync(folder, { recursive: true }));

/** Another database on the same cluster, with nothing in it. */
async function anEmptyPlace(): Promise<{ address: string; drop: () => Promise<void> }> {
  const name = `place_${randomUUID().replaceAll('-', '')}`;
  await db().raw(`create database ${name}`);
  const address = url().replace(/[^/]*$/, name);
  return { address, drop: async () => void (await db().raw(`drop database if exists ${name} with (force)`)) };
}
const everything = async (from: string): Promise<string> => {
  const place = openDatabase(from);
  const rows = await place.raw<{ rows: unknown[] }>(`
    select (select json_agg(b order by id)::text from boards b) as boards, (select json_agg(r order by board_id, revision)::text from board_revisions r) as history,
      (select json_agg(c order by board_id, id)::text from cut_sheets c) as cut, (select json_agg(o order by id)::text from offcuts o) as rack,
      (select json_agg(p order by id)::text from pictures p) as pictures, (select body::text from catalogue) as catalogue`);
  await place.destroy();
  return JSON.stringify(rows.rows);
};

test('a backup put into an empty place is the same, byte for byte, in every table', async () => {
  const { id } = (await call('POST', '/boards', { plan: aPlan('Kept') })).body as { id: string };
  await call('PUT', `/boards/${id}/plan`, { revision: 1, plan: aPlan('Kept, again'), changes: ['Rename'] });
  await call('POST', '/rack', { materialId: 'xps-foam', thicknessMm: 20, widthMm: 480, depthMm: 190, from: null });
  await db()('pictures').insert({ id: randomUUID(), media_type: 'image/png', width_px: 1, height_px: 1, body: Buffer.from([0, 255, 10]) });
  await backUpTo(url(), file);
  const { address, drop } = await anEmptyPlace();
  const before = await everything(url());
  expect(await restore(address, file, null)).toBeGreaterThan(0);
  expect(await everything(address)).toBe(before);
  await drop();
});

test('boards that are there are not replaced unless that is said, nor under somebody who uses them, nor by a file that is none', async () => {
  const { address, drop } = await anEmptyPlace();
  const replacing = vi.fn(() => Promise.resolve());
  await prepareDatabase({ url: address, demo: 'once', backupDir: null });
  const demo = await everything(address);
  await expect(restore(address, file, null)).rejects.toThrow('The database already has 3 boards. Use --replace');
  const user = openDatabase(address);
  await user.raw('select 1');
  await expect(restore(address, file, replacing)).rejects.toThrow('using this database');
  await user.destroy();
  expect(replacing).not.toHaveBeenCalled(); // nothing is copied for a restore that cannot be
  const broken = join(folder, 'broken.dump');
  writeFileSync(broken, readFileSync(file).subarray(0, 2_000));
  await expect(restore(address, broken, replacing)).rejects.toThrow('pg_restore failed');
  expect(await everything(address)).toBe(demo);
  expect(await restore(address, file, replacing)).toBeGreaterThan(0);
  expect(await everything(address)).not.toBe(demo);
  await drop();
});

test('an older database is copied before it is changed, and a new one is not', async () => {
  const { address, drop } = await anEmptyPlace();
  const backups = join(folder, 'backups');
  await prepareDatabase({ url: address, demo: 'once', backupDir: backups });
  const place = openDatabase(address);
  await place.migrate.down();
  await place.destroy();
  await prepareDatabase({ url: address, demo: 'once', backupDir: backups });
  expect(readdirSync(backups)).toEqual([expect.stringMatching(/^spare-acre-\d{8}-\d{6}-before-migration\.dump$/)]);
  await drop();
});

test('a database that a newer version has changed is left alone, and told', async () => {
  const { address, drop } = await anEmptyPlace();
  await prepareDatabase({ url: address, demo: 'none', backupDir: null });
  const place = openDatabase(address);
  await place('knex_migrations').insert({ name: '20991231000000_moon_bases', batch: 9, migration_time: new Date() });
  await place.destroy();
  await expect(prepareDatabase({ url: address, demo: 'once', backupDir: null })).rejects.toThrow(
    'newer version (20991231000000_moon_bases',
  );
  await drop();
});

test('servers that start at once on an empty database, one of them after somebody was killed in the middle, prepare it once', async () => {
  const { address, drop } = await anEmptyPlace();
  const place = openDatabase(address);
  await place.migrate.up();
  await place('knex_migrations_lock').update({ is_locked: 1 });
  await Promise.all(Array.from({ length: 3 }, () => prepareDatabase({ url: address, demo: 'once', backupDir: null })));
  expect(await place('knex_migrations').count({ n: '*' })).toEqual([{ n: String(MIGRATIONS.length) }]);
  expect(((await place('boards').select('name').orderBy('name')) as { name: string }[]).map(({ name }) => name)).toEqual([
    'Brinefold Saltworks',
    'Larkstone Terraces',
    'Loose lot for the club night',
  ]);
  await place.destroy();
  await drop();
});
