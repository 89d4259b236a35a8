// @ts-check
/** A private PostgreSQL on loopback for as long as somebody holds it. */
import { spawn } from 'node:child_process';
import { closeSync, existsSync, openSync, readFileSync, statSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { ClusterProblem, placesOf } from './cluster.mjs';
import { ROOT, ensurePostgres } from './setup.mjs';

/**
 * @typedef {{
 *   url: string,
 *   stop: () => Promise<boolean>,
 * }} Running `stop` lets go of it, and comes back when the database is down or somebody else has it; false where it takes too long
 * @typedef {{ forTests?: boolean, say?: (text: string) => void, moved?: (url: string) => void, signal?: AbortSignal }} Options
 *   `forTests` trades safety for speed, and leaves nothing behind; `moved` is told of another address after a restart
 */

const PATIENCE_MS = 90_000;
/** So long a stopping database is waited for: what is left to do then goes on without anybody. */
const STOP_MS = 12_000;
const MAX_LOG_BYTES = 1_000_000;
const KEEPER = join(ROOT, 'scripts', 'keeper.mjs');

/**
 * Holds the cluster called `name`: the first to ask starts it, the last to let go stops it. Should its keeper be killed, another is started.
 * @param {string} name @param {Options} [options]
 * @returns {Promise<Running>}
 * @throws ClusterProblem in a sentence
 */
export async function startDatabase(name, options = {}) {
  await ensurePostgres();
  const places = placesOf(name);
  let isLeaving = false;
  let held = await hold(places, name, options);
  watch();

  function watch() {
    const own = held;
    own.socket.once('close', async () => {
      if (isLeaving) return;
      try {
        const next = await hold(places, name, options);
        if (next.url !== held.url) options.moved?.(next.url);
        held = next;
        watch();
      } catch (error) {
        options.say?.(/** @type {Error} */ (error).message);
      }
    });
  }

  return {
    url: held.url,
    stop: () =>
      new Promise((resolve) => {
        isLeaving = true;
        const { socket } = held;
        if (socket.destroyed) return resolve(true);
        const timer = setTimeout(() => {
          socket.destroy();
          resolve(false);
        }, STOP_MS);
        socket.once('close', () => {
          clearTimeout(timer);
          resolve(true);
        });
        socket.write('leave\n');
      }),
  };
}

/**
 * @param {import('./cluster.mjs').Places} places @param {string} name @param {Options} options
 * @returns {Promise<{ url: string, socket: import('node:net').Socket }>}
 */
async function hold(places, name, options) {
  const { forTests = false, signal } = options;
  let askedAt = 0;
  for (const end = Date.now() + PATIENCE_MS; Date.now() < end;) {
    if (signal?.aborted) throw new ClusterProblem('stopped');
    const held = await knock(places, options);
    if (held !== null) return held;
    // One keeper at a time: where another is just ending, the lock makes this one give way, and it is asked again.
    if (Date.now() - askedAt > 500) {
      askedAt = Date.now();
      summon(places, name, forTests);
    }
    await new Promise((done) => setTimeout(done, 30));
  }
  throw new ClusterProblem(`The database does not start. Details are in ${places.log}.`);
}

/** @param {import('./cluster.mjs').Places} places @param {string} name @param {boolean} forTests */
function summon({ lock, log }, name, forTests) {
  const out = openSync(log, existsSync(log) && statSync(log).size < MAX_LOG_BYTES ? 'a' : 'w', 0o600);
  const args = ['-n', '-E', '75', lock, process.execPath, KEEPER, name, ...(forTests ? ['--for-tests'] : [])];
  // A session of its own: no terminal that is closed and no Ctrl-C ends it before its time.
  const keeper = spawn('flock', args, { cwd: '/', detached: true, stdio: ['ignore', out, out] });
  keeper.on('error', () => undefined);
  keeper.unref();
  closeSync(out);
}

/**
 * @param {import('./cluster.mjs').Places} places @param {Options} options
 * @returns {Promise<{ url: string, socket: import('node:net').Socket } | null>} null where there is no keeper, or one that is just ending
 */
function knock({ control }, { say = () => undefined, moved = () => undefined, signal }) {
  /** @type {{ port: number, secret: string }} */
  let door;
  try {
    door = JSON.parse(readFileSync(control, 'utf8'));
  } catch {
    return Promise.resolve(null);
  }
  return new Promise((resolve, reject) => {
    let url = '';
    const socket = connect(door.port, '127.0.0.1');
    const abort = () => socket.destroy();
    signal?.addEventListener('abort', abort, { once: true });
    socket.on('error', () => undefined);
    socket.on('close', () => {
      signal?.removeEventListener('abort', abort);
      resolve(null);
    });
    socket.on('connect', () => socket.write(`${door.secret}\n`));
    createInterface({ input: socket })
      .on('error', () => undefined)
      .on('line', (line) => {
        const state = JSON.parse(line);
        if ('said' in state) say(state.said);
        else if ('failed' in state) {
          socket.destroy();
          reject(new ClusterProblem(state.failed));
        } else {
          signal?.removeEventListener('abort', abort);
          if (url !== '' && url !== state.url) moved(state.url);
          url = state.url;
          resolve({ url, socket });
        }
      });
  });
}
