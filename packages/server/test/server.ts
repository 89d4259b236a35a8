import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import pino from 'pino';
import { afterAll, beforeAll, beforeEach } from 'vitest';
import { aBoard } from '@spare-acre/core/testing';
import type { Plan } from '@spare-acre/core/plan';
import { makeApp } from '../src/app';
import type { Access } from '../src/access/sessions';
import { openHub } from '../src/live/hub';
import { keepCatalogue } from '../src/own/keeper';
import { type Readers, startReaders } from '../src/reading/readers';
import { openDatabase } from '../src/store/database';
import { prepareDatabase } from '../src/store/prepare';

const SILENT = pino({ level: 'silent' });

/** A server on a real PostgreSQL with a database of its own for each file, empty before each test. `npm test` starts the cluster and says where it is. */
export interface Running {
  readonly db: () => Knex;
  readonly port: () => number;
  /** The address of its database. */
  readonly url: () => string;
  /** Threads of its own that read plans. */
  readonly readers: () => Readers;
  readonly call: (
    method: string,
    path: string,
    body?: unknown,
    headers?: Record<string, string>,
  ) => Promise<{ status: number; body: never; type: string; headers: Headers }>;
  readonly raw: (
    method: string,
    path: string,
    body: string | null,
    headers: Record<string, string>,
  ) => Promise<{ status: number; body: never }>;
}

export const aServer = (access?: Access): Running => served(null, access);
/** A second server on the database of the first. */
export const anotherServer = (first: Running): Running => served(first);

function served(first: Running | null, access: Access = { isBeyond: false, isSecure: false }): Running {
  const url = process.env['TEST_DATABASE_URL'];
  if (url === undefined) throw new Error('TEST_DATABASE_URL is not set: run these tests with npm test');
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  const own = first?.url() ?? url.replace(/[^/]*$/, name);
  let admin: Knex;
  let db: Knex;
  let base = '';
  let port = 0;
  let close: () => Promise<void>;
  let readers: Readers;

  beforeAll(async () => {
    admin = openDatabase(url);
    if (first === null) await admin.raw(`create database ${name}`);
    const catalogue = await prepareDatabase({ url: own, demo: 'none', backupDir: null });
    db = openDatabase(own);
    const keeper = keepCatalogue(db, catalogue);
    readers = startReaders(keeper);
    const hub = openHub(db, own, SILENT);
    const app = makeApp({
      db,
      keeper,
      readers,
      hub,
      access,
      reach: { addresses: [], fingerprint: null, authorityUrls: [] },
      webDir: null,
      log: SILENT,
    });
    const server = app.listen(0, '127.0.0.1');
    await new Promise((done) => server.once('listening', done));
    port = (server.address() as AddressInfo).port;
    base = `http://127.0.0.1:${port}/api`;
    close = async () => {
      await hub.close();
      await new Promise((done) => server.close(done));
      await readers.close();
    };
  });
  if (first === null) {
    beforeEach(async () => {
      await db('boards').delete();
    });
  }
  afterAll(async () => {
    await close();
    await db.destroy();
    if (first === null) await admin.raw(`drop database ${name} with (force)`);
    await admin.destroy();
  });

  async function raw(
    method: string,
    path: string,
    body: string | null,
    headers: Record<string, string>,
  ): Promise<{ status: number; body: never; type: string; headers: Headers }> {
    const answer = await fetch(`${base}${path}`, { method, headers, ...(body === null ? {} : { body }) });
    const text = await answer.text();
    return {
      status: answer.status,
      body: (text === '' ? null : JSON.parse(text)) as never,
      type: answer.headers.get('content-type') ?? '',
      headers: answer.headers,
    };
  }
  return {
    db: () => db,
    port: () => port,
    url: () => own,
    readers: () => readers,
    raw,
    call: (method, path, body, headers = {}) =>
      raw(method, path, body === undefined ? null : JSON.stringify(body), { 'Content-Type': 'application/json', ...headers }),
  };
}

/** A plan as it would arrive: plain JSON. */
export const aPlan = (name = 'Test board'): Plan => JSON.parse(JSON.stringify(aBoard({ name }))) as Plan;
