// @ts-check
/** What every script needs before it can run: packages, PostgreSQL, Chromium. Plain Node, so that it runs on an empty checkout. */
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
/** What is kept for this checkout: its database, backups, certificate. Several may be kept apart, for tests say. */
export const LOCAL = process.env['SPARE_ACRE_HOME'] ?? join(ROOT, '.local');

const isRoot = process.getuid?.() === 0;

/** @param {string} text */
export const say = (text) => void process.stdout.write(`${text}\n`);
// A terminal that is closed takes what is said with it, and nothing else.
for (const out of [process.stdout, process.stderr]) out.on('error', () => undefined);

/** Commands under way, to be ended with the script. @type {Set<import('node:child_process').ChildProcess>} */
const underWay = new Set();
/** Ends whatever {@link run} has under way, and waits until it is gone: half an installation must not go on beside the next one. */
export async function endRuns() {
  for (const child of underWay) {
    const end = (/** @type {NodeJS.Signals} */ signal) => {
      try {
        if (child.pid !== undefined) process.kill(-child.pid, signal);
      } catch {
        // gone already
      }
    };
    const gone = new Promise((resolve) => child.once('close', resolve));
    end('SIGTERM');
    const timer = setTimeout(() => end('SIGKILL'), 5_000);
    if (underWay.has(child)) await gone;
    clearTimeout(timer);
  }
}

/**
 * Runs a command to its end. Its output is shown only when it fails.
 * @param {string} command @param {readonly string[]} args @param {import('node:child_process').SpawnOptions} [options]
 * @returns {Promise<string>} what it printed
 */
export function run(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    // A group of its own, so that what it starts ends with it.
    const child = spawn(command, args, { cwd: ROOT, detached: true, ...options, stdio: ['ignore', 'pipe', 'pipe'] });
    underWay.add(child);
    let [said, complained] = ['', ''];
    child.stdout?.on('data', (chunk) => (said += String(chunk)));
    child.stderr?.on('data', (chunk) => (complained += String(chunk)));
    child.on('error', (error) => reject(new Error(`${command} cannot be run: ${error.message}`)));
    child.on('close', (code, signal) => {
      underWay.delete(child);
      if (code === 0) resolve(said);
      else reject(new Error(`${command} ${args.join(' ')} failed (${code ?? signal}):\n${said}${complained}`));
    });
  });
}

/**
 * Does what two scripts must not do at once, under a lock that goes with whoever holds it.
 * @template T @param {string} name @param {() => Promise<T>} work @returns {Promise<T>}
 */
export async function inTurn(name, work) {
  const file = join(ensureFolder(join(ROOT, '.local')), `${name}.lock`);
  // It holds the lock for as long as its input is open: until it is told, or whoever asked is no more.
  const holder = spawn('flock', [file, 'sh', '-c', 'echo mine; exec cat'], { stdio: ['pipe', 'pipe', 'inherit'] });
  const told = setTimeout(() => say('Waiting for another start to finish its setup …'), 1_500);
  try {
    await new Promise((resolve, reject) => {
      holder.stdout.once('data', resolve);
      holder.once('error', reject).once('exit', () => reject(new Error(`${file} cannot be locked`)));
    });
    clearTimeout(told);
    return await work();
  } finally {
    clearTimeout(told);
    holder.stdin.end();
  }
}

/** Installs the npm packages when they are missing or the lock file changed. */
export async function ensurePackages() {
  const stamp = join(ROOT, 'node_modules', '.installed-from');
  const lock = hashOf([join(ROOT, 'package-lock.json')]);
  const isDone = () => existsSync(stamp) && readFileSync(stamp, 'utf8') === lock;
  if (isDone()) return;
  await inTurn('setup', async () => {
    if (isDone()) return;
    say('Installing packages (about a minute, once) …');
    await run('npm', ['ci', '--no-audit', '--no-fund']);
    writeFileSync(stamp, lock);
  });
}

/** Builds the web app when its sources, the core's or the packages changed since the last build: beside the one that is served, then in its place. */
export async function ensureWebBuilt() {
  const dist = join(ROOT, 'packages', 'web', 'dist');
  const sources = ['packages/web/src', 'packages/core/src', 'packages/web/public'].flatMap((folder) => filesIn(join(ROOT, folder)));
  const settings = ['packages/web/index.html', 'packages/web/vite.config.ts', 'packages/web/package.json', 'package-lock.json'].map(
    (file) => join(ROOT, file),
  );
  const now = hashOf([...sources.filter((file) => !file.endsWith('.test.ts')), ...settings]);
  const isDone = () => existsSync(join(dist, '.built-from')) && readFileSync(join(dist, '.built-from'), 'utf8') === now;
  if (isDone()) return;
  await inTurn('setup', async () => {
    if (isDone()) return;
    say('Building the web app …');
    const [making, old] = [`${dist}.making`, `${dist}.old`];
    for (const folder of [making, old]) rmSync(folder, { recursive: true, force: true });
    // Whoever asks for it: out of a test it would be built as for a test, and kept.
    const env = { ...process.env, NODE_ENV: 'production' };
    await run('npm', ['run', 'build', '--workspace', 'packages/web', '--', '--outDir', making, '--emptyOutDir'], { env });
    writeFileSync(join(making, '.built-from'), now);
    if (existsSync(dist)) renameSync(dist, old);
    renameSync(making, dist);
    rmSync(old, { recursive: true, force: true });
  });
}

/**
 * Bundles the server when its sources changed: so it starts in a fraction of the time that reading a few hundred files of TypeScript takes. Each version has
 * a folder of its own, so that a server that runs finds its parts whatever is built meanwhile.
 * @returns {Promise<string>} the file to run
 */
export async function ensureServerBuilt() {
  const server = join(ROOT, 'packages', 'server');
  const sources = ['src', 'migrations', '../core/src'].flatMap((folder) => filesIn(join(server, folder)));
  const version = hashOf([...sources.filter((file) => !file.endsWith('.test.ts')), join(ROOT, 'package-lock.json')]).slice(0, 12);
  const built = join(server, 'dist', version);
  const main = join(built, 'main.js');
  if (existsSync(main)) return main;
  await inTurn('setup', async () => {
    if (existsSync(main)) return;
    const { build } = await import('esbuild');
    const { dependencies } = JSON.parse(readFileSync(join(server, 'package.json'), 'utf8'));
    const making = `${built}.making`;
    for (const [entry, outfile] of [
      ['src/main.ts', 'main.js'],
      ['src/reading/tasks.ts', 'thread.mjs'],
    ]) {
      await build({
        entryPoints: [join(server, /** @type {string} */ (entry))],
        outfile: join(making, /** @type {string} */ (outfile)),
        bundle: true,
        platform: 'node',
        format: 'esm',
        target: 'node20',
        sourcemap: true,
        external: Object.keys(dependencies).filter((name) => !name.startsWith('@spare-acre/')),
        logLevel: 'silent',
      });
    }
    renameSync(making, built);
  });
  return main;
}

/** PostgreSQL from Debian's packages when there is none. */
export async function ensurePostgres() {
  if (postgresBins().size > 0) return;
  await inTurn('setup', async () => {
    if (postgresBins().size === 0) await installDebian('postgresql', 'PostgreSQL');
  });
  if (postgresBins().size === 0) throw new Error('PostgreSQL was installed, but initdb is not under /usr/lib/postgresql.');
}

/** Without a window Chromium has less to do: its own pages take a sixth of a test's time. */
const CHROMIUMS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];

/** Debian's Chromium for the browser tests and pictures. */
export async function ensureChromium() {
  if (existsSync(chromium())) return;
  await installDebian('chromium-headless-shell', 'Chromium').catch(() => installDebian('chromium', 'Chromium'));
}

/** What puts a certificate into a browser's own store, for the browser tests. */
export async function ensureCertutil() {
  if (!existsSync('/usr/bin/certutil')) await installDebian('libnss3-tools', 'certutil');
}

/** Where it is, or would be. @returns {string} */
export const chromium = () => CHROMIUMS.find((path) => existsSync(path)) ?? String(CHROMIUMS[0]);

/** Folders with PostgreSQL's programs by their version, the newest first. @returns {ReadonlyMap<string, string>} */
export function postgresBins() {
  const home = '/usr/lib/postgresql';
  const versions = existsSync(home) ? readdirSync(home).sort((a, b) => Number(b) - Number(a)) : [];
  const bins = versions.map((version) => /** @type {const} */ ([version, join(home, version, 'bin')]));
  return new Map(bins.filter(([, bin]) => existsSync(join(bin, 'initdb')) && existsSync(join(bin, 'postgres'))));
}

/** @param {string} name @param {string} title */
async function installDebian(name, title) {
  const command = `apt-get update && apt-get install -y --no-install-recommends ${name}`;
  if (!isRoot) throw new Error(`${title} is missing. Install it with:\n\n    sudo sh -c '${command}'\n`);
  say(`Installing ${title} from Debian's packages …`);
  await run('sh', ['-c', command], { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } });
}

/** A port that nobody has, or the one that is wanted. @returns {Promise<number>} @throws where it is taken */
export function freePort(wanted = 0, host = '127.0.0.1') {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.on('error', reject);
    probe.listen(wanted, host, () => {
      const address = probe.address();
      const port = typeof address === 'object' && address !== null ? address.port : 0;
      probe.close(() => resolve(port));
    });
  });
}

/** @param {string} folder @returns {string[]} */
function filesIn(folder) {
  if (!existsSync(folder)) return [];
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .map((name) => join(folder, name))
    .filter((path) => statSync(path).isFile())
    .sort();
}

/** @param {readonly string[]} files */
function hashOf(files) {
  const hash = createHash('sha256');
  for (const file of files) {
    if (existsSync(file)) hash.update(`${file.slice(ROOT.length)}\0`).update(readFileSync(file));
  }
  return hash.digest('hex');
}

/** @param {string} folder */
export function ensureFolder(folder) {
  mkdirSync(folder, { recursive: true });
  return folder;
}
