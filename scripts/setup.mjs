// @ts-check
/** What every script needs before it can run: packages, PostgreSQL, Chromium. Plain Node, so that it runs on an empty checkout. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
export const LOCAL = join(ROOT, '.local');

const isRoot = process.getuid?.() === 0;

/** @param {string} text */
export const say = (text) => process.stdout.write(`${text}\n`);

/**
 * Runs a command to its end. Its output is shown only when it fails.
 * @param {string} command @param {readonly string[]} args @param {import('node:child_process').SpawnSyncOptions} [options]
 */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: ROOT, encoding: 'utf8', maxBuffer: 1 << 28, ...options });
  if (done.status === 0) return String(done.stdout ?? '');
  throw new Error(`${command} ${args.join(' ')} failed (${done.status ?? done.error?.message}):\n${done.stdout ?? ''}${done.stderr ?? ''}`);
}

/** Installs the npm packages when they are missing or the lock file changed. */
export function ensurePackages() {
  const stamp = join(ROOT, 'node_modules', '.installed-from');
  const lock = hashOf([join(ROOT, 'package-lock.json')]);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  say('Installing packages (about a minute, once) …');
  run('npm', ['ci', '--no-audit', '--no-fund']);
  writeFileSync(stamp, lock);
}

/** Builds the web app when its sources, the core's or the packages changed since the last build. */
export function ensureWebBuilt() {
  const stamp = join(ROOT, 'packages', 'web', 'dist', '.built-from');
  const sources = ['packages/web/src', 'packages/core/src', 'packages/web/public'].flatMap((folder) => filesIn(join(ROOT, folder)));
  const settings = ['packages/web/index.html', 'packages/web/vite.config.ts', 'packages/web/package.json', 'package-lock.json'].map(
    (file) => join(ROOT, file),
  );
  const now = hashOf([...sources.filter((file) => !file.endsWith('.test.ts')), ...settings]);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
  say('Building the web app …');
  run('npm', ['run', 'build', '--workspace', 'packages/web']);
  writeFileSync(stamp, now);
}

/** Folder with PostgreSQL's programs, from Debian's packages when there are none. */
export function ensurePostgres() {
  const found = postgresBin();
  if (found !== null) return found;
  installDebian('postgresql', 'PostgreSQL');
  const installed = postgresBin();
  if (installed === null) throw new Error('PostgreSQL was installed, but initdb is not under /usr/lib/postgresql.');
  return installed;
}

/** Debian's Chromium for the browser tests and pictures. */
export function ensureChromium() {
  if (!existsSync('/usr/bin/chromium')) installDebian('chromium', 'Chromium');
}

function postgresBin() {
  const home = '/usr/lib/postgresql';
  if (!existsSync(home)) return null;
  const versions = readdirSync(home).sort((a, b) => Number(b) - Number(a));
  const bins = versions.map((version) => join(home, version, 'bin'));
  return bins.find((bin) => existsSync(join(bin, 'initdb')) && existsSync(join(bin, 'pg_ctl'))) ?? null;
}

/** @param {string} name @param {string} title */
function installDebian(name, title) {
  const command = `apt-get update && apt-get install -y --no-install-recommends ${name}`;
  if (!isRoot) throw new Error(`${title} is missing. Install it with:\n\n    sudo sh -c '${command}'\n`);
  say(`Installing ${title} from Debian's packages …`);
  run('sh', ['-c', command], { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } });
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
