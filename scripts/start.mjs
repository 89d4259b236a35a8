// @ts-check
/** `npm start`: everything from an empty checkout to a served app. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { LOCAL, ROOT, ensureFolder, ensurePackages, ensureWebBuilt, say } from './setup.mjs';

const HELP = `Spare Acre

  npm start                    set up what is missing, start, and print the address
  npm start -- --port 5000     serve on that port (default: 4310, or the next free one)
  npm start -- --fresh-demo    add the demo boards afresh, beside what is there
  npm start -- --no-demo       start with an empty shelf of boards
  npm start -- --help          this text

Ctrl-C stops the server and its database. Boards stay in .local/ (or, for a checkout that
PostgreSQL's own user may not enter, under /var/tmp).`;

const FIRST_PORT = 4310;

function readFlags() {
  try {
    const { values } = parseArgs({
      options: {
        port: { type: 'string' },
        'fresh-demo': { type: 'boolean' },
        'no-demo': { type: 'boolean' },
        help: { type: 'boolean', short: 'h' },
      },
    });
    const port = values.port === undefined ? null : Number(values.port);
    if (port !== null && !(Number.isInteger(port) && port >= 1 && port <= 65_535))
      throw new Error(`--port: got “${values.port}”; 1 to 65535 would do`);
    if (values['fresh-demo'] && values['no-demo']) throw new Error('--fresh-demo and --no-demo: one or the other');
    return { port, demo: values['fresh-demo'] ? 'fresh' : values['no-demo'] ? 'none' : 'once', help: values.help === true };
  } catch (error) {
    say(`${/** @type {Error} */ (error).message}\n\n${HELP}`);
    process.exit(2);
  }
}

/** @param {number | null} wanted @param {(port: number) => Promise<number>} probe */
async function pickPort(wanted, probe) {
  if (wanted !== null) {
    try {
      return await probe(wanted);
    } catch {
      say(`--port: ${wanted} is taken on 127.0.0.1; another would do.`);
      process.exit(2);
    }
  }
  for (let port = FIRST_PORT; port < FIRST_PORT + 50; port++) {
    try {
      return await probe(port);
    } catch {
      // taken: the next one
    }
  }
  return probe(0);
}

const flags = readFlags();
if (flags.help) {
  say(HELP);
  process.exit(0);
}

try {
  ensureFolder(LOCAL);
  ensurePackages();
  ensureWebBuilt();
  const { freePort, startDatabase } = await import('./database.mjs');
  const port = await pickPort(flags.port, freePort);
  const database = await startDatabase('main');
  const server = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'packages/server/src/main.ts')], {
    cwd: ROOT,
    stdio: ['pipe', 'pipe', 'inherit'],
    env: { ...process.env, DATABASE_URL: database.url, PORT: String(port), DEMO: flags.demo },
    // Its own group: a Ctrl-C reaches only this script, which then stops the server before the database.
    detached: true,
  });
  server.stdout.on('data', (chunk) => say(String(chunk).trim().replace('serving', 'Spare Acre is open at')));
  let isStopping = false;
  const stop = () => {
    if (isStopping) return;
    isStopping = true;
    say('\nStopping …');
    server.kill('SIGTERM');
  };
  for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM', 'SIGHUP'])) process.on(signal, stop);
  server.on('exit', (code) => {
    database.stop();
    process.exit(isStopping ? 0 : (code ?? 1));
  });
  process.on('exit', () => {
    if (server.exitCode === null) server.kill('SIGKILL');
  });
} catch (error) {
  say(/** @type {Error} */ (error).message);
  process.exit(1);
}
