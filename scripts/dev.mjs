// @ts-check
/**
 * `npm run dev [-- --port 4320]`: the server and the web app with hot reload on the demo data, in a database of its own. A changed source of the server or of
 * core restarts the server; one of the web app or of core is replaced in the page.
 */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { startDatabase } from './database.mjs';
import { ROOT, ensureFolder, ensurePackages, ensureServerBuilt, freePort, say } from './setup.mjs';

const { values } = parseArgs({ options: { port: { type: 'string', default: '4320' } } });
await ensurePackages();
const { createServer } = await import('vite');
const stopping = new AbortController();
const database = await startDatabase('dev', { say, signal: stopping.signal });
const apiPort = await freePort();
const webDir = join(ROOT, 'packages', 'web');

/** @type {import('node:child_process').ChildProcess | null} */
let api = null;
let isStopping = false;
async function startApi() {
  const main = await ensureServerBuilt();
  api = spawn(process.execPath, ['--enable-source-maps', main], {
    // The server stops when its input ends: so it never outlives this script.
    stdio: ['pipe', 'ignore', 'inherit'],
    env: {
      ...process.env,
      DATABASE_URL: database.url,
      PORT: String(apiPort),
      LISTEN: '127.0.0.1',
      WEB_DIR: ensureFolder(join(ROOT, '.local', 'dev-web')),
    },
  });
}
async function restartApi() {
  const old = api;
  await new Promise((resolve) => {
    if (old === null || old.exitCode !== null) return resolve(null);
    old.once('exit', resolve);
    old.kill('SIGTERM');
  });
  await startApi();
  say('Server restarted.');
}

await startApi();
const web = await createServer({
  root: webDir,
  configFile: join(webDir, 'vite.config.ts'),
  server: {
    port: Number(values.port),
    host: '127.0.0.1',
    proxy: { '/api': { target: `http://127.0.0.1:${apiPort}` } },
    fs: { allow: [ROOT] },
  },
});
await web.listen();
/** @type {NodeJS.Timeout | undefined} */
let soon;
web.watcher.add([join(ROOT, 'packages', 'server', 'src'), join(ROOT, 'packages', 'server', 'migrations')]);
web.watcher.on('change', (file) => {
  if (!/packages\/(server|core)\/.*\.ts$/.test(file) || file.endsWith('.test.ts')) return;
  clearTimeout(soon);
  soon = setTimeout(() => void restartApi().catch((error) => say(String(error))), 200);
});
say(`Open ${web.resolvedUrls?.local[0] ?? ''} (Ctrl-C stops everything)`);

async function stop() {
  if (isStopping) return;
  isStopping = true;
  stopping.abort();
  api?.kill('SIGTERM');
  await Promise.all([web.close(), database.stop()]);
  process.exit(0);
}
for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM'])) process.on(signal, () => void stop());
