import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { makeApp } from '../src/app';
import { loadDemo } from '../src/boards/demo';
import { openHub } from '../src/live/hub';
import { keepCatalogue } from '../src/own/keeper';
import { settleCatalogue } from '../src/store/catalogue';
import { aServer } from './server';

const { db, call, readers, url } = aServer();
const SILENT = pino({ level: 'silent' });

describe('the built app is served with the rules that keep it to itself', () => {
  let base = '';
  let close: () => Promise<void>;
  const webDir = mkdtempSync(join(tmpdir(), 'spare-acre-web-'));

  beforeAll(async () => {
    mkdirSync(join(webDir, 'assets'));
    writeFileSync(join(webDir, 'index.html'), '<title>Spare Acre</title>');
    writeFileSync(join(webDir, 'mark.svg'), '<svg xmlns="http://www.w3.org/2000/svg"/>');
    writeFileSync(join(webDir, 'assets', 'index-abc.js'), 'export {};');
    const hub = openHub(db(), url(), SILENT);
    const app = makeApp({
      db: db(),
      keeper: keepCatalogue(db(), await settleCatalogue(db())),
      readers: readers(),
      hub,
      access: { isBeyond: false, isSecure: false },
      reach: { addresses: [], fingerprint: null, authorityUrls: [] },
      webDir,
      log: SILENT,
    });
    const server = app.listen(0, '127.0.0.1');
    await new Promise((done) => server.once('listening', done));
    base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    close = async () => {
      await hub.close();
      await new Promise((done) => server.close(done));
    };
  });
  afterAll(async () => {
    await close();
    rmSync(webDir, { recursive: true });
  });

  test.each(['/', '/boards/3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111/ground', '/no/such/view'])(
    '%s is the page, asked for anew each time',
    async (path) => {
      const answer = await fetch(base + path);
      expect([answer.status, await answer.text()]).toEqual([200, '<title>Spare Acre</title>']);
      expect(answer.headers.get('cache-control')).toBe('no-cache');
    },
  );

  test('a built file is kept for a year; one that is gone is a 404, not the page', async () => {
    const kept = await fetch(`${base}/assets/index-abc.js`);
    expect(kept.headers.get('cache-control')).toBe('public, max-age=31536000, immutable');
    for (const gone of ['index-old.js', '..%2findex-old.js', 'a/b.js']) {
      const answer = await fetch(`${base}/assets/${gone}`);
      expect(answer.status).toBeGreaterThanOrEqual(403);
      expect(answer.status).toBeLessThan(500);
      const said = await answer.text();
      expect(said).toContain('"detail"');
      // Where it lies on this machine is nobody's business.
      expect(said).not.toContain(webDir);
      expect(said).not.toContain('ENOENT');
    }
    expect((await fetch(`${base}/mark.svg`)).headers.get('content-type')).toContain('image/svg+xml');
  });

  test('nothing outside is allowed in, no frame around it, no word of what serves it', async () => {
    const { headers } = await fetch(base);
    const policy = headers.get('content-security-policy')!;
    for (const rule of ["default-src 'none'", "script-src 'self'", "connect-src 'self'", "frame-ancestors 'none'", "base-uri 'none'"])
      expect(policy).toContain(rule);
    expect(policy).not.toContain('http');
    expect(headers.get('x-powered-by')).toBeNull();
    expect(headers.get('x-content-type-options')).toBe('nosniff');
  });

  test('an unknown path of the API is a problem, not the page', async () => {
    const answer = await fetch(`${base}/api/nothing`);
    expect([answer.status, answer.headers.get('content-type')]).toEqual([404, 'application/problem+json; charset=utf-8']);
  });

  test('no file outside the folder is reached by climbing', async () => {
    for (const path of ['/assets/..%2f..%2f..%2fetc/passwd', '/..%2f..%2fetc%2fpasswd'])
      expect(await (await fetch(base + path)).text()).not.toContain('root:');
  });
});

describe('the demo', () => {
  const names = async (): Promise<string[]> =>
    ((await call('GET', '/boards')).body as { boards: { name: string }[] }).boards.map(({ name }) => name);

  test('is loaded once into an empty store, and not again', async () => {
    const catalogue = await settleCatalogue(db());
    await loadDemo(db(), catalogue, 'once');
    await loadDemo(db(), catalogue, 'once');
    expect(await names()).toEqual(['Brinefold Saltworks', 'Larkstone Terraces', 'Loose lot for the club night']);
  });

  test('stays away from a store whose boards were put away', async () => {
    const catalogue = await settleCatalogue(db());
    await loadDemo(db(), catalogue, 'once');
    const { boards } = (await call('GET', '/boards')).body as { boards: { id: string }[] };
    for (const { id } of boards) await call('PUT', `/boards/${id}/put-away`);
    await loadDemo(db(), catalogue, 'once');
    expect(await names()).toEqual([]);
  });

  test('comes afresh beside what is there when asked for, and not at all when told so', async () => {
    const catalogue = await settleCatalogue(db());
    await loadDemo(db(), catalogue, 'none');
    expect(await names()).toEqual([]);
    await loadDemo(db(), catalogue, 'fresh');
    await loadDemo(db(), catalogue, 'fresh');
    expect(await names()).toHaveLength(6);
  });
});

test('a catalogue spoiled in the database is put right when the server starts', async () => {
  await db()('catalogue').update({ body: '{"version":1}' });
  expect((await settleCatalogue(db())).materials.length).toBeGreaterThan(10);
});
