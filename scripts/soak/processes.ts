import { type ChildProcess, spawn } from 'node:child_process';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../setup.mjs';

/** A process that is a part of the store kept at `home`: all of them have it in their environment. */
interface Part {
  readonly pid: number;
  readonly line: string;
}

/** Processes that run for the store kept at `home`. */
export function partsOf(home: string): readonly Part[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name) && Number(name) !== process.pid)
    .flatMap((name) => {
      try {
        const isPart = readFileSync(`/proc/${name}/environ`, 'utf8').split('\0').includes(`SPARE_ACRE_HOME=${home}`);
        return isPart ? [{ pid: Number(name), line: readFileSync(`/proc/${name}/cmdline`, 'utf8').replaceAll('\0', ' ').trim() }] : [];
      } catch {
        return []; // gone meanwhile
      }
    });
}

/** Waits until nothing runs for a store any more. @returns what still does after `patienceMs` */
export async function partsLeft(home: string, patienceMs = 30_000): Promise<readonly Part[]> {
  for (const end = Date.now() + patienceMs; ; await pause(50)) {
    const parts = partsOf(home);
    if (parts.length > 0 && Date.now() > end)
      process.stdout.write(`left: ${parts.map(({ pid, line }) => `${pid} ${line.slice(0, 150)}`).join('; ')}\n`);
    if (parts.length === 0 || Date.now() > end) return parts;
  }
}

/** Sends a signal to the parts whose command line says something. @returns to how many */
export function strike(home: string, what: RegExp, signal: NodeJS.Signals): number {
  const struck = partsOf(home).filter(({ line }) => what.test(line));
  for (const { pid } of struck) {
    try {
      process.kill(pid, signal);
    } catch {
      // gone meanwhile
    }
  }
  return struck.length;
}

/** A start of everything, as `npm start` does it. */
export interface Start {
  readonly child: ChildProcess;
  /** The address it serves at, or null where it ended before it did. */
  readonly served: Promise<string | null>;
  readonly ended: Promise<void>;
  readonly said: () => string;
}

export function start(home: string, port: number, flags: readonly string[] = []): Start {
  const child = spawn(process.execPath, ['scripts/start.mjs', '--port', String(port), ...flags], {
    cwd: ROOT,
    env: { ...process.env, SPARE_ACRE_HOME: home },
    stdio: ['ignore', 'pipe', 'pipe'],
    detached: true,
  });
  return watched(child, /open at (\S+)/);
}

/** The same through npm, which passes no signal on. */
export function startNpm(home: string, port: number): Start {
  const child = spawn('npm', ['start', '--', '--port', String(port)], {
    cwd: ROOT,
    env: { ...process.env, SPARE_ACRE_HOME: home },
    stdio: ['ignore', 'pipe', 'pipe'],
    detached: true,
  });
  return watched(child, /open at (\S+)/);
}

/** A server alone, on a database that is there. @param main the built file */
export function serve(home: string, main: string, databaseUrl: string, port: number): Start {
  const child = spawn(process.execPath, [main], {
    cwd: ROOT,
    env: { ...process.env, SPARE_ACRE_HOME: home, DATABASE_URL: databaseUrl, PORT: String(port), WEB_DIR: join(ROOT, 'packages/web/dist') },
    stdio: ['pipe', 'pipe', 'pipe'],
  });
  return watched(child, /^serving (\S+)/m);
}

function watched(child: ChildProcess, serving: RegExp): Start {
  let said = '';
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  const served = new Promise<string | null>((resolve) => {
    for (const out of [child.stdout!, child.stderr!]) {
      out.on('data', (chunk: Buffer) => {
        said += String(chunk);
        const address = serving.exec(said);
        if (address !== null) resolve(address[1]!);
      });
    }
    child.once('exit', () => resolve(null));
  });
  return { child, served, ended, said: () => said };
}

export const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Numbers from 0 to 1 that look like chance and are the same in every run. @source Mulberry32 */
export function chance(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}
