// @ts-check
/** `npm run backup`, `restore`, `passphrase`: one of the server's commands on the database that `npm start` uses, running or not. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { LOCAL, ROOT, ensurePackages, postgresBins, say } from './setup.mjs';

const [command = '', ...args] = process.argv.slice(2);
/** @type {import('./database.mjs').Running | null} */
let database = null;
let code = 1;
try {
  await ensurePackages();
  const { startDatabase } = await import('./database.mjs');
  if (process.env['DATABASE_URL'] === undefined) database = await startDatabase('main', { say });
  const bin = [...postgresBins().values()][0];
  const child = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'packages/server/src/commands', `${command}.ts`), ...args], {
    cwd: ROOT,
    stdio: 'inherit',
    env: {
      ...process.env,
      DATABASE_URL: process.env['DATABASE_URL'] ?? database?.url,
      BACKUP_DIR: join(LOCAL, 'backups'),
      CALLED_FROM: process.env['INIT_CWD'] ?? process.cwd(),
      ...(bin === undefined ? {} : { PG_BIN: bin }),
    },
  });
  // It gets what the terminal sends; this only waits for it.
  for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM'])) process.on(signal, () => void child.kill(signal));
  code = await new Promise((resolve) => child.on('exit', (status) => resolve(status ?? 1)));
} catch (error) {
  say(/** @type {Error} */ (error).message);
}
await database?.stop();
process.exit(code);
