// @ts-check
/** The files of a private PostgreSQL cluster, and its programs: where it lies, how it is made, what is wrong with one that was found. */
import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import {
  chmodSync,
  chownSync,
  existsSync,
  lstatSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { LOCAL, postgresBins } from './setup.mjs';

export const USER = 'spare_acre';
export const DATABASE = 'spare_acre';

const isRoot = process.getuid?.() === 0;

/** What cannot be gone on with, in a sentence for the builder. */
export class ClusterProblem extends Error {}

/**
 * Where things of a cluster lie. `home` is the cluster itself; it is there whole or not at all.
 * @typedef {{ home: string, dataDir: string, password: string, control: string, lock: string, log: string, port: string }} Places
 */

/** Project-local, unless the owner may not enter the checkout's folders: then under /var/tmp, named for the checkout. @param {string} name @returns {Places} */
export function placesOf(name) {
  const base = !isRoot || othersMayEnter(dirname(LOCAL)) ? ownFolder(join(LOCAL, 'postgres')) : sharedFolder();
  const home = join(base, name);
  return {
    home,
    dataDir: join(home, 'data'),
    password: join(home, 'password'),
    port: join(home, 'port'),
    control: `${home}.keeper`,
    lock: `${home}.lock`,
    log: `${home}.keeper.log`,
  };
}

/** @param {string} folder */
function ownFolder(folder) {
  mkdirSync(folder, { recursive: true });
  if (isRoot) for (let at = folder; at.startsWith(LOCAL); at = dirname(at)) chmodSync(at, 0o755);
  return folder;
}

/** A folder of ours where anybody may make folders: one that somebody else put there first is not used. */
function sharedFolder() {
  const folder = join('/var/tmp', `spare-acre-${createHash('sha256').update(LOCAL).digest('hex').slice(0, 12)}`);
  try {
    mkdirSync(folder, { mode: 0o711 });
  } catch (error) {
    if (/** @type {NodeJS.ErrnoException} */ (error).code !== 'EEXIST') throw error;
  }
  const found = lstatSync(folder);
  if (!found.isDirectory() || found.uid !== process.getuid?.() || (found.mode & 0o022) !== 0) {
    throw new ClusterProblem(
      `${folder} is used by someone else (owner ${found.uid}, mode ${(found.mode & 0o777).toString(8)}). Move it away and start again.`,
    );
  }
  return folder;
}

/** @param {string} folder */
function othersMayEnter(folder) {
  for (let at = folder; ; at = dirname(at)) {
    if ((statSync(at).mode & 0o001) === 0) return false;
    if (at === dirname(at)) return true;
  }
}

/**
 * Programs for the cluster of that name, which is made first where there is none: under another name, so that it is there whole or not at all.
 * @param {Places} places @param {{ forTests: boolean }} options
 * @returns {Promise<string>} folder of the programs
 * @throws ClusterProblem for a folder that is no cluster of ours, which is left as it is
 */
export async function ensureCluster(places, { forTests }) {
  removeHalfMade(places.home);
  if (!existsSync(places.home)) return makeCluster(places, forTests);
  const versionFile = join(places.dataDir, 'PG_VERSION');
  const version = existsSync(versionFile) ? readFileSync(versionFile, 'utf8').trim() : null;
  const bin = version === null ? undefined : postgresBins().get(version);
  if (bin !== undefined && existsSync(places.password)) return bin;
  const found =
    version === null
      ? 'it has no data/PG_VERSION'
      : bin === undefined
        ? `it belongs to PostgreSQL ${version.slice(0, 20)}, but the installed version is ${[...postgresBins().keys()].join(', ')}`
        : 'its password file is missing';
  throw new ClusterProblem(
    `The database in ${places.home} cannot be started: ${found}. Nothing was changed. ` +
      `Use npm start -- --set-aside to move it away and start with a new one.`,
  );
}

/**
 * Moves a cluster out of the way, whatever it is, while nobody runs it: under the lock that whoever runs it holds.
 * @param {Places} places @returns {string | null} where it is now
 * @throws ClusterProblem while another start uses it
 */
export function setAside({ home, lock, dataDir }) {
  if (!existsSync(home)) return null;
  const inUse = new ClusterProblem('--set-aside: the database is in use by another start. Stop that one first; nothing was moved.');
  if (postgresOn(dataDir) !== null) throw inUse;
  const stamp = new Date().toISOString().replace(/\..*$/, '').replaceAll(/[-:]/g, '');
  const aside = `${home}.aside-${stamp}`;
  const IN_USE = 75;
  const { status } = spawnSync('flock', ['-n', '-E', String(IN_USE), lock, 'mv', '-T', home, aside], {
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (status === IN_USE) throw inUse;
  if (status !== 0) throw new ClusterProblem(`--set-aside: ${home} could not be moved.`);
  return aside;
}

const MAKING = '.making-';

/** @param {string} home */
function removeHalfMade(home) {
  const folder = dirname(home);
  const begun = home.slice(folder.length + 1) + MAKING;
  for (const name of readdirSync(folder)) if (name.startsWith(begun)) rmSync(join(folder, name), { recursive: true, force: true });
}

/** @param {Places} places @param {boolean} forTests */
async function makeCluster({ home }, forTests) {
  const newest = [...postgresBins().values()][0];
  if (newest === undefined) throw new ClusterProblem('PostgreSQL is missing: no initdb under /usr/lib/postgresql.');
  const making = home + MAKING + randomBytes(6).toString('hex');
  const dataDir = join(making, 'data');
  const secret = join(making, 'password');
  mkdirSync(making, { mode: 0o700 });
  mkdirSync(dataDir, { mode: 0o700 });
  writeFileSync(secret, `${randomBytes(24).toString('hex')}\n`, { mode: 0o600 });
  if (isRoot) {
    const owner = ownerIds();
    for (const path of [making, dataDir, secret]) chownSync(path, owner.uid, owner.gid);
  }
  const safety = forTests ? ['--no-sync'] : ['--data-checksums'];
  await asOwner(join(newest, 'initdb'), [
    ...['-D', dataDir, '-U', USER, '-A', 'scram-sha-256', '--pwfile', secret],
    ...['-E', 'UTF8', '--locale=C.UTF-8', ...safety],
  ]);
  renameSync(making, home);
  return newest;
}

/** Gives a cluster from before they were used checksums over its pages. @param {string} bin @param {Places} places */
export async function ensureChecksums(bin, { dataDir }) {
  const has = /Data page checksum version: +[1-9]/.test(await asOwner(join(bin, 'pg_controldata'), ['-D', dataDir]));
  // One that was not shut down cleanly gets them another time.
  if (!has) await asOwner(join(bin, 'pg_checksums'), ['--enable', '-D', dataDir]).catch(() => undefined);
}

/** Starts PostgreSQL as a child that ends, cleanly, when whoever started it is gone. @param {string} bin @param {readonly string[]} args */
export const spawnPostgres = (bin, args) =>
  spawn('setpriv', [...asOwnerFlags(), '--pdeathsig', 'INT', join(bin, 'postgres'), ...args], {
    cwd: '/',
    stdio: ['ignore', 'inherit', 'inherit'],
  });

/** Process id of a PostgreSQL that really runs on these files, else null. @param {string} dataDir */
export function postgresOn(dataDir) {
  const pidFile = join(dataDir, 'postmaster.pid');
  if (!existsSync(pidFile)) return null;
  const pid = Number(readFileSync(pidFile, 'utf8').split('\n')[0]);
  try {
    // The number may belong to another program by now.
    const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
    return command.includes('postgres') && command.includes(dataDir) ? pid : null;
  } catch {
    return null;
  }
}

function ownerIds() {
  const id = (/** @type {string} */ flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  return { uid: id('-u'), gid: id('-g') };
}

/** PostgreSQL refuses to run as root. */
const asOwnerFlags = () => (isRoot ? ['--reuid=postgres', '--regid=postgres', '--init-groups'] : []);

/** @param {string} command @param {readonly string[]} args @returns {Promise<string>} what it printed */
function asOwner(command, args) {
  return new Promise((resolve, reject) => {
    const child = spawn('setpriv', [...asOwnerFlags(), '--pdeathsig', 'TERM', command, ...args], {
      cwd: '/',
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let [said, complained] = ['', ''];
    child.stdout.on('data', (chunk) => (said += String(chunk)));
    child.stderr.on('data', (chunk) => (complained += String(chunk)));
    child.on('error', reject);
    child.on('exit', (code) => (code === 0 ? resolve(said) : reject(new Error(`${command} failed: ${complained.trim()}`))));
  });
}
