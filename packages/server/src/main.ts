import { fileURLToPath } from 'node:url';
import pino from 'pino';
import { z } from 'zod';
import { makeApp } from './app';
import { settleCatalogue } from './catalogue';
import { migrate, openDatabase } from './database';
import { loadDemo } from './demo';

/** The server process: settings from the environment, one line on standard output when it serves. */
const Settings = z.object({
  DATABASE_URL: z.string().startsWith('postgres'),
  PORT: z.coerce.number().int().min(0).max(65_535),
  DEMO: z.enum(['once', 'fresh', 'none']).default('once'),
  LOG_LEVEL: z.enum(['debug', 'info', 'warn', 'error']).default('warn'),
});

const settings = Settings.parse(process.env);
const log = pino({ level: settings.LOG_LEVEL }, pino.destination(2));
const db = openDatabase(settings.DATABASE_URL);
await migrate(db);
const catalogue = await settleCatalogue(db);
await loadDemo(db, catalogue, settings.DEMO);
const app = makeApp({ db, catalogue, webDir: fileURLToPath(new URL('../../web/dist', import.meta.url)), log });

// Loopback only: there is no sign-in, so no other address is ever bound.
const server = app.listen(settings.PORT, '127.0.0.1', (error?: Error) => {
  if (error !== undefined) {
    log.error(error);
    process.exit(1);
  }
  const address = server.address();
  const port = typeof address === 'object' && address !== null ? address.port : settings.PORT;
  process.stdout.write(`serving http://127.0.0.1:${port}\n`);
});

let isStopping = false;
async function stop(): Promise<void> {
  if (isStopping) return;
  isStopping = true;
  server.closeAllConnections();
  await new Promise((done) => server.close(done));
  await db.destroy();
  process.exit(0);
}
// Whoever started this holds the other end of standard input: should it be killed outright, this stops too.
process.stdin.on('end', () => void stop()).resume();
process.on('SIGTERM', () => void stop());
process.on('SIGINT', () => void stop());
