// @ts-check
/** `npm run screenshots`: one picture of each main view, made from the demo board, into docs/screenshots/. */
import { spawnSync } from 'node:child_process';
import { ROOT, ensureChromium, ensurePackages, ensureServerBuilt, ensureWebBuilt, say } from './setup.mjs';

await ensurePackages();
await ensureChromium();
await ensureWebBuilt();
await ensureServerBuilt();
const { startDatabase } = await import('./database.mjs');
const database = await startDatabase(`pictures-${process.pid}`, { forTests: true });
const done = spawnSync('npx', ['playwright', 'test', '--config', 'e2e/screenshots.config.ts'], {
  cwd: ROOT,
  stdio: 'inherit',
  env: { ...process.env, TEST_DATABASE_URL: database.url },
});
await database.stop();
say(done.status === 0 ? 'Pictures are in docs/screenshots/.' : 'The pictures could not be created.');
process.exit(done.status ?? 1);
