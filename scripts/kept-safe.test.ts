import { type ChildProcess, spawn } from 'node:child_process';
import { X509Certificate, createHash } from 'node:crypto';
import { get } from 'node:https';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { ROOT, freePort } from './setup.mjs';
import { type Start, partsLeft, partsOf, pause, start, strike } from './soak/processes';

const SLOW_MS = 120_000;
let folder = '';
let home = '';
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'spare-acre-kept-'));
  chmodSync(folder, 0o755); // PostgreSQL's own user goes in
  home = join(folder, 'store');
  mkdirSync(home);
});
afterEach(async () => {
  strike(home, /start\.mjs|holder/, 'SIGKILL');
  strike(home, /./, 'SIGCONT');
  expect(await partsLeft(home)).toEqual([]);
  rmSync(folder, { recursive: true, force: true });
});

const HOLDER = `import('./scripts/database.mjs').then(async ({ startDatabase }) => {
  const held = await startDatabase('main');
  console.log(held.url);
  process.stdin.on('end', () => held.stop().then(() => process.exit())).resume();
}).catch((error) => { console.log(error.message); process.exit(1); });`;

/** A process that holds the database of the store. @returns what it says first: an address, or what stands in the way */
async function hold(): Promise<{ child: ChildProcess; said: string; leave: () => Promise<void> }> {
  const child = spawn(process.execPath, ['-e', HOLDER, 'holder'], {
    cwd: ROOT,
    env: { ...process.env, SPARE_ACRE_HOME: home },
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  const said = await new Promise<string>((resolve) => child.stdout.once('data', (chunk) => resolve(String(chunk).trim())));
  return {
    child,
    said,
    leave: () => {
      child.stdin.end();
      return gone;
    },
  };
}
async function answers(url: string): Promise<boolean> {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 2_000 });
  client.on('error', () => undefined);
  return client.connect().then(
    () => client.end().then(() => true),
    () => false,
  );
}
async function comesBack(url: string): Promise<void> {
  for (const end = Date.now() + 30_000; !(await answers(url)); await pause(50))
    if (Date.now() > end) throw new Error('the database does not come back');
}

describe('the database of a store', { timeout: SLOW_MS }, () => {
  test('is one for all who hold it; who goes first takes it from nobody, and the last takes it along, even killed', async () => {
    const [one, other] = await Promise.all([hold(), hold()]);
    expect(one.said).toMatch(/^postgres:/);
    expect(other.said).toBe(one.said);
    await one.leave();
    expect(await answers(other.said)).toBe(true);
    other.child.kill('SIGKILL');
    expect(await partsLeft(home)).toEqual([]);
  });

  test('is started again where it was when it dies, and when its keeper does', async () => {
    const { said, leave } = await hold();
    for (const victim of [/\/postgres -D/, /keeper\.mjs/]) {
      expect(strike(home, victim, 'SIGKILL')).toBeGreaterThan(0);
      await pause(100);
      await comesBack(said);
    }
    await leave();
  });

  test('is whole however often its making is cut short: nothing half-made is taken for it, nor left', async () => {
    for (const afterMs of [150, 400, 700, 1_000, 1_300]) {
      const holder = hold();
      await pause(afterMs);
      strike(home, /./, 'SIGKILL');
      void holder;
      await partsLeft(home);
    }
    const { said, leave } = await hold();
    expect(await answers(said)).toBe(true);
    expect(readdirSync(join(home, 'postgres')).filter((name) => name.includes('making'))).toEqual([]);
    await leave();
  });

  test.each([
    ['no version file', {}, 'it has no data/PG_VERSION'],
    ['the version of another program', { 'data/PG_VERSION': '7.1\n' }, 'it belongs to PostgreSQL 7.1'],
  ])('a folder with %s is left as it is, and told', async (_what, files, words) => {
    mkdirSync(join(home, 'postgres/main/data'), { recursive: true });
    writeFileSync(join(home, 'postgres/main/data/precious'), 'ours');
    for (const [name, text] of Object.entries(files)) writeFileSync(join(home, 'postgres/main', name), text);
    const { said } = await hold();
    expect(said).toContain(words);
    expect(said).toContain('--set-aside');
    expect(readFileSync(join(home, 'postgres/main/data/precious'), 'utf8')).toBe('ours');
  });

  test.runIf(process.getuid?.() === 0)('a folder under /var/tmp that is not ours alone is not used', async () => {
    chmodSync(folder, 0o700);
    const shared = join('/var/tmp', `spare-acre-${createHash('sha256').update(home).digest('hex').slice(0, 12)}`);
    mkdirSync(shared);
    chmodSync(shared, 0o777);
    expect((await hold()).said).toContain('is used by someone else');
    chmodSync(shared, 0o711);
    const { said, leave } = await hold();
    expect(said).toMatch(/^postgres:/);
    await leave();
    rmSync(shared, { recursive: true });
  });
});

/** A start that serves. */
async function aStart(...flags: string[]): Promise<Start & { address: string }> {
  const one = start(home, await freePort(), flags);
  const address = await one.served;
  if (address === null) throw new Error(one.said());
  return { ...one, address };
}
const boardsAt = async (address: string): Promise<number> =>
  ((await (await fetch(`${address}/api/boards`)).json()) as { boards: unknown[] }).boards.length;

describe('a start', { timeout: SLOW_MS }, () => {
  test('shows the password of its database on no command line, and has checksums over its pages', async () => {
    const lines = new Set<string>();
    const watching = setInterval(() => partsOf(home).forEach(({ line }) => lines.add(line)), 4);
    const { child, ended } = await aStart();
    clearInterval(watching);
    const password = readFileSync(join(home, 'postgres/main/password'), 'utf8').trim();
    expect(lines.size).toBeGreaterThan(3);
    expect([...lines].filter((line) => line.includes(password))).toEqual([]);
    expect([...lines].some((line) => line.includes('--data-checksums') && !line.includes('--no-sync'))).toBe(true);
    child.kill('SIGINT');
    await ended;
  });

  test('starts a server again that was killed; an answer on its way still goes out when all is stopped', async () => {
    const { child, ended, address, said } = await aStart();
    strike(home, /\/main\.js/, 'SIGKILL');
    for (const end = Date.now() + 30_000; !(await boardsAt(address).catch(() => 0)) && Date.now() < end;) await pause(100);
    expect(said()).toContain('The server stopped unexpectedly (SIGKILL) and is being restarted.');
    const { boards } = (await (await fetch(`${address}/api/boards`)).json()) as { boards: { id: string }[] };
    const file = await (await fetch(`${address}/api/boards/${boards[0]!.id}/export`)).text();
    const coming = fetch(`${address}/api/boards/import`, { method: 'POST', body: file, headers: { 'Content-Type': 'application/json' } });
    await pause(30);
    child.kill('SIGTERM');
    expect((await coming).status).toBe(201);
    await ended;
    expect(child.exitCode).toBe(0);
  });

  test('ends with npm, which passes no signal on, and before it has begun', async () => {
    const npm = spawn('npm', ['start', '--', '--port', String(await freePort())], {
      cwd: ROOT,
      env: { ...process.env, SPARE_ACRE_HOME: home },
      stdio: 'ignore',
      detached: true,
    });
    for (const end = Date.now() + 60_000; !partsOf(home).some(({ line }) => line.includes('/main.js')) && Date.now() < end;)
      await pause(50);
    npm.kill('SIGTERM');
    expect(await partsLeft(home)).toEqual([]);
    // Also in its first moment, before what it runs has looked who runs it.
    for (const afterMs of [150, 250, 350, 450, 700]) {
      const early = spawn('npm', ['start', '--', '--port', String(await freePort())], {
        cwd: ROOT,
        env: { ...process.env, SPARE_ACRE_HOME: home },
        stdio: 'ignore',
        detached: true,
      });
      await pause(afterMs);
      early.kill('SIGTERM');
      expect(await partsLeft(home)).toEqual([]);
    }
    for (const afterMs of [100, 600, 1_100]) {
      const early = start(home, await freePort());
      await pause(afterMs);
      early.child.kill('SIGINT');
      await early.ended;
      expect(await partsLeft(home)).toEqual([]);
    }
  });

  test('a database that hangs holds nobody up: the second signal ends it at once', async () => {
    const { child, ended } = await aStart();
    strike(home, /\/postgres -D/, 'SIGSTOP');
    const at = Date.now();
    child.kill('SIGTERM');
    await pause(500);
    child.kill('SIGTERM');
    await ended;
    expect(Date.now() - at).toBeLessThan(5_000);
    strike(home, /\/postgres -D/, 'SIGCONT');
  });

  test('--set-aside moves what is no database beside, and begins a new one', async () => {
    mkdirSync(join(home, 'postgres/main'), { recursive: true });
    writeFileSync(join(home, 'postgres/main/precious'), 'ours');
    const { child, ended, address, said } = await aStart('--set-aside');
    expect(await boardsAt(address)).toBe(3);
    const [aside] = readdirSync(join(home, 'postgres')).filter((name) => name.startsWith('main.aside-'));
    expect(said()).toContain(aside);
    expect(existsSync(join(home, 'postgres', aside!, 'precious'))).toBe(true);
    // Under a running start nothing is moved, and what is made meanwhile is there at the next start.
    const { boards } = (await (await fetch(`${address}/api/boards`)).json()) as { boards: { id: string }[] };
    const file = await (await fetch(`${address}/api/boards/${boards[0]!.id}/export`)).text();
    const second = start(home, await freePort(), ['--set-aside']);
    expect(await second.served).toBeNull();
    expect(second.said()).toContain('in use by another start');
    await fetch(`${address}/api/boards/import`, { method: 'POST', body: file, headers: { 'Content-Type': 'application/json' } });
    child.kill('SIGINT');
    await ended;
    const next = await aStart();
    expect(await boardsAt(next.address)).toBe(4);
    next.child.kill('SIGINT');
    await next.ended;
  });
});

describe('beyond this machine', { timeout: SLOW_MS }, () => {
  const run = (script: string, input: string): Promise<{ code: number | null; said: string }> =>
    new Promise((resolve) => {
      const child = spawn('npm', ['run', '--silent', script], { cwd: ROOT, env: { ...process.env, SPARE_ACRE_HOME: home } });
      let said = '';
      child.stdout.on('data', (chunk) => (said += String(chunk)));
      child.on('exit', (code) => resolve({ code, said }));
      child.stdin.end(input);
    });

  test('it starts with a passphrase only; under TLS issued by an authority of its own, with a page that shows how to trust it', async () => {
    const refused = start(home, await freePort(), ['--listen', '0.0.0.0']);
    expect(await refused.served).toBeNull();
    expect(refused.said()).toContain('--listen: 0.0.0.0 can be reached from other machines, but there is no passphrase yet');
    await refused.ended;
    expect(refused.child.exitCode).toBe(2);
    expect((await run('passphrase', 'short\n')).said).toContain('Enter 10 to 200');
    expect(await run('passphrase', 'seven grey herons\n')).toMatchObject({
      code: 0,
      said: expect.stringContaining('The passphrase is set.') as string,
    });
    const { child, ended, said } = await aStart('--listen', '0.0.0.0');
    expect(said()).toMatch(/open at https:/);
    for (const end = Date.now() + 20_000; !/([0-9A-F]{2}:){31}[0-9A-F]{2}/.test(said()) && Date.now() < end;) await pause(50);
    const welcome = /first open (http:\/\/[^\s:]+:\d+)/.exec(said())![1]!;
    const page = await (await fetch(welcome)).text();
    const fingerprint = /([0-9A-F]{2}:){31}[0-9A-F]{2}/.exec(said())![0];
    expect(page).toContain(fingerprint);
    const authority = new X509Certificate(Buffer.from(await (await fetch(`${welcome}/spare-acre.crt`)).arrayBuffer()));
    expect([authority.ca, authority.fingerprint256]).toEqual([true, fingerprint]);
    // Whoever trusts the authority trusts the server, at its address; whoever does not, does not.
    const app = new URL(/open at (https:\S+)/.exec(said())![1]!);
    const ask = (ca: string | undefined) =>
      new Promise<number | string>((resolve) => {
        get({ host: app.hostname, port: app.port, path: '/trusted', ca }, (answer) => resolve(answer.resume().statusCode!)).on(
          'error',
          ({ message }) => resolve(message),
        );
      });
    expect(await ask(authority.toString())).toBe(200);
    expect(await ask(undefined)).toMatch(/certificate|issuer/);
    child.kill('SIGINT');
    await ended;
  });
});
