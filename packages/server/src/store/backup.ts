import { spawn } from 'node:child_process';
import { mkdir, open, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';

/**
 * Copies a whole database into one file of PostgreSQL's own: boards, history, pictures, rack, catalogue. It appears under its name when it is whole.
 * @param label such as `before-migration`, for its name
 * @returns where it is
 * @throws Error with what `pg_dump` said
 */
export async function backUp(url: string, dir: string, label: string): Promise<string> {
  await mkdir(dir, { recursive: true, mode: 0o700 });
  const stamp = new Date().toISOString().replace(/\..*$/, '').replaceAll(/[-:]/g, '').replace('T', '-');
  const file = join(dir, `spare-acre-${stamp}-${label}.dump`);
  await backUpTo(url, file);
  return file;
}

/** {@link backUp} into a file that the caller names. */
export async function backUpTo(url: string, file: string): Promise<void> {
  const making = `${file}.making-${process.pid}`;
  try {
    await (await open(making, 'w', 0o600)).close();
    await runTool('pg_dump', url, ['--format=custom', '--no-owner', '--no-acl', `--file=${making}`]);
    const whole = await open(making, 'r');
    await whole.sync();
    await whole.close();
    await rename(making, file);
  } finally {
    await rm(making, { force: true });
  }
}

/** Runs one of PostgreSQL's tools on a database. What it must not show on its command line goes through the environment. */
export function runTool(tool: string, url: string, args: readonly string[]): Promise<string> {
  const { hostname, port, username, password, pathname, searchParams } = new URL(url);
  const env = {
    ...process.env,
    PGHOST: decodeURIComponent(hostname) || (searchParams.get('host') ?? ''),
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
    ...(searchParams.has('sslmode') ? { PGSSLMODE: searchParams.get('sslmode')! } : {}),
  };
  const bin = process.env['PG_BIN'];
  return new Promise((resolve, reject) => {
    const child = spawn(bin === undefined ? tool : join(bin, tool), args, { env, stdio: ['ignore', 'pipe', 'pipe'] });
    let [said, complained] = ['', ''];
    child.stdout.on('data', (chunk) => (said += String(chunk)));
    child.stderr.on('data', (chunk) => (complained += String(chunk)));
    child.on('error', (error) => reject(new Error(`${tool} cannot be run: ${error.message}`)));
    child.on('exit', (code) => (code === 0 ? resolve(said) : reject(new Error(`${tool} failed: ${complained.trim() || String(code)}`))));
  });
}
