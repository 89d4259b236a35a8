import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';
import { loadCatalogue } from '@spare-acre/core/catalogue/load';
import type { LogEntry } from '@spare-acre/core/learning/logbook';
import { openDatabase } from '../src/store/database';
import { prepareDatabase } from '../src/store/prepare';
import { restore } from '../src/store/restore';
import { aPlan, aServer } from './server';

/** Files that builders kept on 1 December 2026, written by the program of that day (`67d9db2`). They are never made anew: what changes migrates them. */
const KEPT = fileURLToPath(new URL('kept/', import.meta.url));
const keptIn = <T>(name: string): T => JSON.parse(readFileSync(`${KEPT}${name}.json`, 'utf8')) as T;
interface BoardFile {
  readonly name: string;
  readonly cutting: object;
  readonly record: { readonly doneTasks: Readonly<Record<string, { readonly by: string }>> };
}

const { call, db, url } = aServer();

test.each(['brinefold', 'larkstone', 'loose-lot'])(
  'the file of %s opens as it was, ticks and all, and goes out again as it came',
  async (name) => {
    const file = keptIn<BoardFile>(name);
    const { status, body } = await call('POST', '/boards/import', file);
    expect(status).toBe(201);
    const { id } = body as { id: string };
    const { record: kept, ...plan } = file;
    const { record, ...now } = (await call('GET', `/boards/${id}/export`)).body as BoardFile;
    expect(Object.keys(plan).length).toBeGreaterThan(20);
    // Its trim stays as it was stated, and nothing is joined to save sheets; since versions 13 and 14 a job may have its own trim and way of cutting equal parts.
    expect(now).toEqual({ ...plan, version: 14, cutting: { ...plan.cutting, trims: [], batches: [], keptWhole: [] } });
    const ticks = ({ doneTasks }: BoardFile['record']) => Object.entries(doneTasks).map(([task, { by }]) => [task, by]);
    expect(ticks(record)).toEqual(ticks(kept));
  },
);

test('its log is taken as it stands', async () => {
  const { id } = (await call('POST', '/boards', { plan: aPlan() })).body as { id: string };
  const { entries } = keptIn<{ entries: readonly LogEntry[] }>('log');
  expect((await call('POST', `/boards/${id}/log`, { entries })).status).toBe(201);
  expect((await call('GET', `/boards/${id}/log`)).body).toMatchObject({ entries });
});

test('its catalogue, with an own price and an own value in it, is read without a fault', () => {
  const { catalogue } = keptIn<{ catalogue: { sheets: { priceMinor: number }[] } }>('catalogue');
  // Ways and paces that it lacks are as shipped.
  expect(loadCatalogue(catalogue)).toMatchObject({ ok: true, value: { ...catalogue, batchWays: [{ id: 'marked' }, {}, {}, {}] } });
  expect(catalogue.sheets[0]!.priceMinor).toBe(99);
});

test('its backup is restored and brought up to date: boards, ticks, log, rack, own values and own entries', async () => {
  const name = `place_${randomUUID().replaceAll('-', '')}`;
  await db().raw(`create database ${name}`);
  const address = url().replace(/[^/]*$/, name);
  try {
    await restore(address, `${KEPT}all.dump`, null);
    await prepareDatabase({ url: address, demo: 'none', backupDir: null });
    const place = openDatabase(address);
    const counted = async (table: string): Promise<number> => Number((await place(table).count({ n: '*' }))[0]!['n']);
    const counts = Object.fromEntries(
      await Promise.all(
        ['boards', 'log_entries', 'deeds', 'shelf_moves', 'offcuts', 'own_entries'].map(
          async (table) => [table, await counted(table)] as const,
        ),
      ),
    );
    const [{ plan }] = (await place('boards')
      .select('plan')
      .where({ name: keptIn<BoardFile>('brinefold').name })) as [{ plan: unknown }];
    await place.destroy();
    const entries = keptIn<{ entries: unknown[] }>('log').entries.length;
    expect(counts).toEqual({ boards: 3, log_entries: entries, deeds: 1, shelf_moves: 1, offcuts: 1, own_entries: 1 });
    expect(typeof plan === 'string' ? JSON.parse(plan) : plan).toEqual(
      (({ record: _, ...brinefold }) => brinefold)(keptIn<BoardFile>('brinefold')),
    );
  } finally {
    await db().raw(`drop database if exists ${name} with (force)`);
  }
});
