import { createServer as createPlainServer } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import pino from 'pino';
import { z } from 'zod';
import { hasPassphrase } from './access/passphrase';
import { hostsOf, isLoopback } from './addresses';
import { keepPolling } from './air/polling';
import { makeApp } from './app';
import { readAuthority, readCertificate } from './certificate';
import { keepHouse } from './housekeeping';
import { openHub } from './live/hub';
import { keepCatalogue } from './own/keeper';
import { startReaders } from './reading/readers';
import { keepAsking } from './shops/polling';
import { openDatabase } from './store/database';
import { prepareDatabase } from './store/prepare';
import { type Welcome, openWelcome } from './welcome/welcome';

/** The server process: settings from the environment, one line on standard output when it serves, or one on what stands in the way. */
const Settings = z.object({
  DATABASE_URL: z.string().startsWith('postgres'),
  PORT: z.coerce.number().int().min(0).max(65_535),
  LISTEN: z.string().default('127.0.0.1'),
  TLS_CERT: z.string().optional(),
  TLS_KEY: z.string().optional(),
  /** The certificate of the authority of our own that issued it, for devices to trust. */
  TLS_AUTHORITY: z.string().optional(),
  /** Where the built pages are. */
  WEB_DIR: z.string(),
  BACKUP_DIR: z.string().optional(),
  DEMO: z.enum(['once', 'fresh', 'none']).default('once'),
  LOG_LEVEL: z.enum(['debug', 'info', 'warn', 'error']).default('warn'),
});

/** Answers on their way when it stops are given so long. */
const FINISH_MS = 5_000;

const settings = Settings.parse(process.env);
const log = pino({ level: settings.LOG_LEVEL }, pino.destination(2));
/** How to end: at once, until there is something to finish. */
let end = (): void => process.exit(0);
// Whoever started this holds the other end of standard input: should it be killed outright, this stops too.
process.stdin.on('end', () => end()).resume();
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => end());

/** Ends with one sentence. Exit code 3 says that trying again would change nothing. */
function give(up: string): never {
  process.stdout.write(`cannot start: ${up}\n`);
  process.exit(3);
}
const certificate =
  settings.TLS_CERT !== undefined && settings.TLS_KEY !== undefined
    ? withTimeout(() => readCertificate(settings.TLS_CERT!, settings.TLS_KEY!))
    : null;
function withTimeout<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    return give(error instanceof Error ? error.message : String(error));
  }
}

const authority = settings.TLS_AUTHORITY === undefined ? null : withTimeout(() => readAuthority(settings.TLS_AUTHORITY!));

const catalogue = await prepareDatabase({ url: settings.DATABASE_URL, demo: settings.DEMO, backupDir: settings.BACKUP_DIR ?? null }).catch(
  (error: unknown) => give(error instanceof Error ? error.message : String(error)),
);
const db = openDatabase(settings.DATABASE_URL);
const isBeyond = !isLoopback(settings.LISTEN);
if (isBeyond && !(await hasPassphrase(db)))
  give(`--listen: ${settings.LISTEN} can be reached from other machines, but there is no passphrase yet. Set one with npm run passphrase`);

const keeper = keepCatalogue(db, catalogue);
const readers = startReaders(keeper);
const hub = openHub(db, settings.DATABASE_URL, log);
const reach = { addresses: [] as string[], fingerprint: authority?.fingerprint ?? null, authorityUrls: [] as string[] };
const app = makeApp({
  db,
  keeper,
  readers,
  hub,
  access: { isBeyond, isSecure: certificate !== null },
  reach,
  webDir: settings.WEB_DIR,
  log,
});
const server = certificate === null ? createPlainServer(app) : withTimeout(() => createTlsServer(certificate, app));
server.on('error', (error: NodeJS.ErrnoException) =>
  give(error.code === 'EADDRINUSE' ? `--port: ${settings.PORT} is already in use on ${settings.LISTEN}` : error.message),
);
let welcome: Welcome | null = null;
const endHousekeeping = keepHouse(db, log);
const endPolling = keepPolling(db, log);
const endAsking = keepAsking(db, keeper, log);
server.listen(settings.PORT, settings.LISTEN, async () => {
  const address = server.address();
  const port = typeof address === 'object' && address !== null ? address.port : settings.PORT;
  const scheme = certificate === null ? 'http' : 'https';
  const addresses = hostsOf(settings.LISTEN).map((host) => `${scheme}://${host}:${port}`);
  if (isBeyond) reach.addresses = addresses;
  if (authority !== null && isBeyond) {
    welcome = await openWelcome(authority, settings.LISTEN, port, addresses);
    reach.authorityUrls = hostsOf(settings.LISTEN).map((host) => `http://${host}:${welcome!.port}`);
    process.stdout.write(`welcome ${reach.authorityUrls.join(' ')}\n`);
  }
  process.stdout.write(`serving ${addresses.join(' ')}\n`);
});

let isStopping = false;
async function stop(): Promise<void> {
  if (isStopping) return;
  isStopping = true;
  endHousekeeping();
  endPolling();
  endAsking();
  const closed = new Promise((done) => server.close(done));
  server.closeIdleConnections();
  welcome?.close();
  const patience = setTimeout(() => server.closeAllConnections(), FINISH_MS);
  await hub.close();
  await closed;
  clearTimeout(patience);
  await readers.close();
  await db.destroy();
  process.exit(0);
}
end = () => void stop();
