// @ts-check
/**
 * Keeps one private PostgreSQL for all who want it: a process of its own, which makes the cluster when there is none, starts the database, starts it again
 * when it dies, and stops it when the last who holds a connection to this process has gone, however they went. Whoever runs it holds a lock (`flock`), so
 * there is one of them for a cluster.
 *
 *   keeper.mjs NAME [--for-tests]
 */
import { randomBytes } from 'node:crypto';
import { chownSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import pg from 'pg';
import { DATABASE, USER, ensureChecksums, ensureCluster, placesOf, postgresOn, spawnPostgres } from './cluster.mjs';
import { freePort } from './setup.mjs';

/** Who starts this connects at once; without anybody there is nothing to keep. */
const ALONE_MS = 15_000;
/** How long a database may take to stop before it is asked less politely. */
const STOP_MS = 15_000;
const ABORT_MS = 5_000;
const START_MS = 60_000;

/** @typedef {{ said: string } | { url: string } | { failed: string }} State */

const [name = '', ...flags] = process.argv.slice(2);
const forTests = flags.includes('--for-tests');
const places = placesOf(name);
const secret = randomBytes(24).toString('hex');
/** @type {Set<import('node:net').Socket>} */
const holders = new Set();
/** @type {State} */
let state = { said: 'Starting the database …' };
let isStopping = false;
/** @type {import('node:child_process').ChildProcess | null} */
let postgres = null;

for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM', 'SIGHUP'])) process.on(signal, () => void stop());

const door = createServer((socket) => {
  socket.on('error', () => undefined);
  const lines = createInterface({ input: socket });
  lines.on('error', () => undefined);
  lines.once('line', (line) => {
    if (line !== secret || isStopping) return void socket.destroy();
    holders.add(socket);
    socket.on('close', () => left(socket));
    tell(socket);
    // Says that it goes, to learn when the database is down.
    lines.on('line', () => left(socket));
  });
});
door.listen(0, '127.0.0.1', () => {
  const address = /** @type {import('node:net').AddressInfo} */ (door.address());
  const making = `${places.control}.${process.pid}`;
  writeFileSync(making, JSON.stringify({ port: address.port, secret }), { mode: 0o600 });
  renameSync(making, places.control);
});
setTimeout(() => holders.size === 0 && void stop(), ALONE_MS);
void keep();

/** @param {import('node:net').Socket} socket */
function tell(socket) {
  socket.write(`${JSON.stringify(state)}\n`);
}
/** @param {State} now */
function become(now) {
  state = now;
  holders.forEach(tell);
}

/** @type {Set<import('node:net').Socket>} */
const leaving = new Set();
/** @param {import('node:net').Socket} socket */
function left(socket) {
  if (!holders.delete(socket)) return;
  if (holders.size > 0 || isStopping) return void socket.end();
  leaving.add(socket);
  void stop();
}

/** Starts the database, and again whenever it ends by itself. */
async function keep() {
  try {
    if (!existsSync(places.home)) become({ said: 'Making the database (a moment, once) …' });
    const bin = await ensureCluster(places, { forTests });
    await endLeftOver();
    if (!forTests) await ensureChecksums(bin, places);
    for (let failures = 0; !isStopping;) {
      const began = Date.now();
      await runOnce(bin);
      if (isStopping) return;
      // Processes of one that was killed may hold its memory for a moment longer.
      failures = Date.now() - began > 10_000 ? 0 : failures + 1;
      if (Date.now() - began > START_MS || failures > 100) throw new Error(`PostgreSQL keeps stopping. Details are in ${places.log}.`);
      await pause(Math.min(2_000, 50 * 1.2 ** failures));
    }
  } catch (error) {
    become({ failed: /** @type {Error} */ (error).message });
  }
}

/** One life of the database. @param {string} bin */
async function runOnce(bin) {
  rmSync(join(places.dataDir, 'postmaster.pid'), { force: true });
  const port = await usualPort();
  const logDir = join(places.home, 'log');
  const child = spawnPostgres(bin, [
    ...['-D', places.dataDir, '-h', '127.0.0.1', '-p', String(port), '-c', 'unix_socket_directories='],
    ...(forTests ? ['fsync=off', 'full_page_writes=off', 'synchronous_commit=off'] : dailyLog(logDir)).flatMap((setting) => [
      '-c',
      setting,
    ]),
  ]);
  postgres = child;
  const ended = new Promise((resolve) => child.once('exit', resolve).once('error', resolve));
  const url = `postgres://${USER}:${readFileSync(places.password, 'utf8').trim()}@127.0.0.1:${port}`;
  if (await Promise.race([answers(url, () => postgres === child), ended.then(() => false)])) become({ url: `${url}/${DATABASE}` });
  await ended;
  postgres = null;
}

/** A week of logs, a file a day, each written over when its day comes again. @param {string} folder */
function dailyLog(folder) {
  if (!existsSync(folder)) {
    mkdirSync(folder, { mode: 0o700 });
    const owner = statSync(places.dataDir);
    chownSync(folder, owner.uid, owner.gid);
  }
  return [
    'logging_collector=on',
    `log_directory=${folder}`,
    'log_filename=postgresql-%a.log',
    'log_truncate_on_rotation=on',
    'log_rotation_age=1d',
    'log_rotation_size=0',
  ];
}

/** The port of before, as long as it is free: who is connected finds the database again where it was. */
async function usualPort() {
  const known = existsSync(places.port) ? Number(readFileSync(places.port, 'utf8')) : 0;
  const port = await freePort(known).catch(() => freePort());
  if (port !== known) writeFileSync(places.port, String(port));
  return port;
}

/** Waits for the database and for the one in it that is ours. @param {string} url @param {() => boolean} isWanted @returns {Promise<boolean>} */
async function answers(url, isWanted) {
  for (const end = Date.now() + START_MS; isWanted() && !isStopping && Date.now() < end; await pause(40)) {
    const client = new pg.Client({ connectionString: `${url}/postgres`, connectionTimeoutMillis: 2_000 });
    client.on('error', () => undefined);
    try {
      await client.connect();
      const { rows } = await client.query('select 1 from pg_database where datname = $1', [DATABASE]);
      if (rows.length === 0) await client.query(`create database ${DATABASE}`);
      return true;
    } catch {
      // not yet
    } finally {
      await client.end().catch(() => undefined);
    }
  }
  return false;
}

/** Ends a database that one like this left behind when it was killed. */
async function endLeftOver() {
  const pid = postgresOn(places.dataDir);
  if (pid === null) return;
  const isGone = () => postgresOn(places.dataDir) !== pid;
  await endKindly((signal) => process.kill(pid, signal), isGone);
}

async function stop() {
  if (isStopping) return;
  isStopping = true;
  door.close();
  rmSync(places.control, { force: true });
  const child = postgres;
  if (child !== null)
    await endKindly(
      (signal) => child.kill(signal),
      () => child.exitCode !== null || child.signalCode !== null,
    );
  if (forTests) {
    for (const path of [places.home, places.log, places.lock]) rmSync(path, { recursive: true, force: true });
  }
  for (const socket of [...leaving, ...holders]) socket.end();
  setTimeout(() => process.exit(0), 100);
}

/** First without new work, then at once, then by force. @param {(signal: NodeJS.Signals) => void} send @param {() => boolean} isGone */
async function endKindly(send, isGone) {
  for (const [signal, patience] of /** @type {const} */ ([
    ['SIGINT', STOP_MS],
    ['SIGQUIT', ABORT_MS],
    ['SIGKILL', ABORT_MS],
  ])) {
    try {
      send(signal);
    } catch {
      return; // gone already
    }
    for (const end = Date.now() + patience; Date.now() < end; await pause(20)) if (isGone()) return;
  }
}

/** @param {number} ms */
function pause(ms) {
  return new Promise((resolve) => setTimeout(resolve, ms));
}
