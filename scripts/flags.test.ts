import { spawnSync } from 'node:child_process';
import { createServer } from 'node:net';
import { expect, test } from 'vitest';
import { freePort } from './setup.mjs';

/** `npm start` with flags that end it before anything is set up. */
function start(...flags: string[]): { status: number | null; said: string } {
  const { status, stdout } = spawnSync(process.execPath, ['scripts/start.mjs', ...flags], { encoding: 'utf8' });
  return { status, said: stdout };
}

test('--help names every flag and ends well', () => {
  const { status, said } = start('--help');
  expect(status).toBe(0);
  for (const flag of ['--port', '--listen', '--cert', '--plain', '--fresh-demo', '--no-demo', '--set-aside', '--without-backup', '--help'])
    expect(said).toContain(flag);
});

test.each([
  [['--port', 'abc'], '--port: “abc” is not a port. Use 1 to 65535'],
  [['--port', '0'], '--port: “0” is not a port. Use 1 to 65535'],
  [['--port', '70000'], '--port: “70000” is not a port. Use 1 to 65535'],
  [['--port', '0x50'], '--port: “0x50” is not a port. Use 1 to 65535'],
  [['--port', ' 80'], '--port: “ 80” is not a port. Use 1 to 65535'],
  [['--listen', 'elsewhere'], '--listen: got “elsewhere”. Use an address of this machine, or 0.0.0.0'],
  [['--cert', 'a.pem'], '--cert and --key: use both together'],
  [['--cert', 'a.pem', '--key', 'b.pem', '--self-signed'], '--cert and --self-signed: one or the other'],
  [['--plain', '--self-signed'], '--plain and --cert or --self-signed: one or the other'],
  [['--bogus'], "Unknown option '--bogus'"],
  [['--no-demo', '--fresh-demo'], 'one or the other'],
])('%j is refused with what would do, and the help', (flags, said) => {
  const answer = start(...flags);
  expect(answer.status).toBe(2);
  expect(answer.said).toContain(said);
  expect(answer.said).toContain('npm start -- --help');
});

test('a free port is free, a taken one is told', async () => {
  const port = await freePort();
  const holder = createServer().listen(port, '127.0.0.1');
  await new Promise((done) => holder.once('listening', done));
  await expect(freePort(port)).rejects.toThrow('EADDRINUSE');
  await new Promise((done) => holder.close(done));
  expect(await freePort(port)).toBe(port);
});
