import type { AddressInfo } from 'node:net';
import pino from 'pino';
import { expect, test } from 'vitest';
import { makeApp } from '../src/app';
import { openHub } from '../src/live/hub';
import { isAway } from '../src/store/away';
import { openDatabase } from '../src/store/database';
import { keepCatalogue } from '../src/own/keeper';
import { settleCatalogue } from '../src/store/catalogue';
import { aPlan, aServer } from './server';

const { call, db, readers } = aServer();
const cut = (): Promise<unknown> =>
  db().raw('select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()');

test('connections that the database drops are taken up again, and nothing is told as lost or kept that may not be', async () => {
  const { id } = (await call('POST', '/boards', { plan: aPlan() })).body as { id: string };
  for (let revision = 1; revision <= 12;) {
    const [saved] = await Promise.all([
      call('PUT', `/boards/${id}/plan`, { revision, plan: aPlan(`Take ${revision}`) }),
      cut().catch(() => null),
    ]);
    if (saved.status === 200) revision += 1;
    else if (saved.status === 409) revision = (saved.body as { stored: { revision: number } }).stored.revision;
    else expect(saved).toMatchObject({ status: 503, body: { title: 'The database is not reachable' } });
  }
  expect((await call('GET', `/boards/${id}/history`)).status).toBe(200);
});

test('no database at all is a 503 that names it, and says when to ask again; what does not need it is answered', async () => {
  const nowhere = 'postgres://nobody:x@127.0.0.1:1/none';
  const away = openDatabase(nowhere);
  const log = pino({ level: 'silent' });
  const hub = openHub(away, nowhere, log);
  const parts = { keeper: keepCatalogue(away, await settleCatalogue(db())), readers: readers(), hub, webDir: null, log };
  const app = makeApp({
    ...parts,
    db: away,
    access: { isBeyond: false, isSecure: false },
    reach: { addresses: [], fingerprint: null, authorityUrls: [] },
  });
  const server = app.listen(0, '127.0.0.1');
  await new Promise((done) => server.once('listening', done));
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`;
  const answer = await fetch(`${base}/boards`);
  expect([answer.status, answer.headers.get('retry-after')]).toEqual([503, '1']);
  const { title, detail } = (await answer.json()) as { title: string; detail: string };
  expect(title).toBe('The database is not reachable');
  expect(detail).toContain('may not be saved');
  expect(detail).not.toMatch(/127\.0\.0\.1|ECONN|was not changed/);
  // Figures of the builder's own are in the database: without them the catalogue would be another.
  expect((await fetch(`${base}/catalogue`)).status).toBe(503);
  expect((await fetch(`${base}/reach`)).status).toBe(200);
  await hub.close();
  await new Promise((done) => server.close(done));
  await away.destroy();
});

test.each([
  [{ code: 'ECONNREFUSED' }, true],
  [{ code: '57P01' }, true],
  [{ code: '57P03' }, true],
  [{ code: '08006' }, true],
  [{ code: '53100' }, true],
  [{ message: 'Connection terminated unexpectedly' }, true],
  [{ name: 'KnexTimeoutError' }, true],
  [{ code: '23505' }, false],
  [{ message: 'x is not a function' }, false],
])('%j is the database being away: %s', (what, is) => {
  expect(isAway(Object.assign(new Error(''), what))).toBe(is);
});
