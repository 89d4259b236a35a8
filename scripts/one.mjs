// @ts-check
/** `npm run one -- packages/server/test/boards.test.ts [-t "name"]`: one test file, with a throw-away database where it needs one. */
import { spawn } from 'node:child_process';
import { startDatabase } from './database.mjs';
import { ROOT, ensurePackages, say } from './setup.mjs';

const args = process.argv.slice(2);
const file = args[0];
if (file === undefined) {
  say('npm run one -- FILE: name a test file, such as packages/server/test/boards.test.ts.');
  process.exit(2);
}
await ensurePackages();
const isBrowser = file.startsWith('e2e/');
const database =
  isBrowser || file.includes('packages/server/') || file.startsWith('scripts/')
    ? await startDatabase(`one-${process.pid}`, { forTests: true })
    : null;
const runner = isBrowser ? ['playwright', 'test', '--config', 'e2e/playwright.config.ts'] : ['vitest', 'run'];
const child = spawn('npx', [...runner, ...args], {
  cwd: ROOT,
  stdio: 'inherit',
  env: { ...process.env, ...(database === null ? {} : { TEST_DATABASE_URL: database.url }) },
});
child.on('exit', async (code) => {
  await database?.stop();
  process.exit(code ?? 1);
});
