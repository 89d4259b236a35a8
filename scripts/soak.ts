/**
 * `npm run soak [-- --kills 200]`: kills, races, hostile requests and savers against the real thing, on stores of its own under /tmp. The table goes to
 * docs/reliability.md; anything lost, failed or left over makes it end in failure.
 */
import { chmodSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { cpus, tmpdir, totalmem } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { ROOT, ensureServerBuilt, ensureWebBuilt, freePort, say } from './setup.mjs';
import { hostileRequests } from './soak/hostile';
import { type Start, chance, partsLeft, partsOf, pause, serve, start, strike } from './soak/processes';
import { startSavers } from './soak/savers';

const { values } = parseArgs({
  options: { kills: { type: 'string', default: '200' }, hostile: { type: 'string', default: '600' }, only: { type: 'string' } },
});
const KILLS = Number(values.kills);
const roll = chance(7);
const stores = mkdtempSync(join(tmpdir(), 'spare-acre-soak-'));
// PostgreSQL's own user goes in; else its clusters would lie elsewhere.
chmodSync(stores, 0o755);
const rows: string[][] = [];
let bad = 0;
let nr = 0;
const aHome = (): string => {
  const home = join(stores, `${++nr}`);
  mkdirSync(home, { recursive: true });
  return home;
};

/** One line of the table; a figure other than 0 in its last columns is a failure. */
function told(
  what: string,
  times: number,
  {
    acknowledged = '',
    lost = 0,
    failed = 0,
    left = 0,
    more = '',
  }: { acknowledged?: string; lost?: number; failed?: number; left?: number; more?: string },
): void {
  bad += lost + failed + left;
  rows.push([what, String(times), acknowledged, String(lost), String(failed), String(left), more]);
  say(
    `${what}: ${times} times; ${lost} lost, ${failed} failed, ${left} left${acknowledged === '' ? '' : `; ${acknowledged} saves acknowledged`}${more === '' ? '' : `; ${more}`}`,
  );
}

/** Long work shows that it goes on. */
function step(what: string, i: number): void {
  if (i > 0 && i % 25 === 0) say(`… ${i} ${what}`);
}

async function ended({ child, ended: gone }: Start, signal: NodeJS.Signals): Promise<void> {
  child.kill(signal);
  await gone;
}

/** The server killed while six hands save. */
async function killServer(): Promise<void> {
  const home = aHome();
  const database = await held(home);
  const port = await freePort();
  let server = serve(home, main, database.url, port);
  let failed = (await server.served) === null ? 1 : 0;
  const savers = await startSavers(`http://127.0.0.1:${port}/api`, 'server');
  for (let i = 0; i < KILLS; i++) {
    await pause(100 + roll() * 2_000);
    step('servers killed', i);
    await ended(server, 'SIGKILL');
    server = serve(home, main, database.url, port);
    if ((await server.served) === null) failed += 1;
  }
  await savers.stop();
  const lost = await savers.lost();
  await ended(server, 'SIGTERM');
  await database.stop();
  told('Server killed while saving', KILLS, {
    acknowledged: String(savers.acknowledged()),
    lost,
    failed,
    left: (await partsLeft(home)).length,
  });
}

/** The database killed under a server while six hands save. */
async function killDatabase(): Promise<void> {
  const home = aHome();
  const database = await held(home);
  const port = await freePort();
  const server = serve(home, main, database.url, port);
  let failed = (await server.served) === null ? 1 : 0;
  const savers = await startSavers(`http://127.0.0.1:${port}/api`, 'database');
  let slowestMs = 0;
  for (let i = 0; i < KILLS; i++) {
    await pause(50 + roll() * 700);
    step('databases killed', i);
    strike(home, /\/postgres -D/, 'SIGKILL');
    const at = Date.now();
    let isBack = false;
    while (!isBack && Date.now() - at < 60_000) {
      await pause(20);
      isBack = await fetch(`http://127.0.0.1:${port}/api/health`).then(
        ({ ok }) => ok,
        () => false,
      );
    }
    if (!isBack) failed += 1;
    slowestMs = Math.max(slowestMs, Date.now() - at);
  }
  await savers.stop();
  const lost = await savers.lost();
  await ended(server, 'SIGTERM');
  await database.stop();
  const more = `back after ${(slowestMs / 1_000).toFixed(1)} s at the most`;
  told('Database killed while saving', KILLS, {
    acknowledged: String(savers.acknowledged()),
    lost,
    failed,
    left: (await partsLeft(home)).length,
    more,
  });
}

const WAYS: readonly (readonly NodeJS.Signals[])[] = [['SIGKILL'], ['SIGTERM'], ['SIGINT'], ['SIGHUP'], ['SIGINT', 'SIGINT']];

/** The start script ended in every way, at any moment of a start; every tenth start is left to serve. */
async function killStart(): Promise<void> {
  const home = aHome();
  let [failed, left] = [0, 0];
  for (let i = 0; i < KILLS; i++) {
    const one = start(home, await freePort());
    await pause(roll() * 3_000);
    step('starts ended', i);
    for (const signal of WAYS[i % WAYS.length]!) {
      one.child.kill(signal);
      await pause(30);
    }
    await one.ended;
    left += (await partsLeft(home)).length;
    if (i % 10 === 9) failed += await fullStart(home);
  }
  told('Start script ended (KILL, TERM, INT, HUP, twice INT)', KILLS, { failed, left: left + (await partsLeft(home)).length });
}

/** @returns 1 where a start that nobody disturbs does not serve two boards, or leaves something behind */
async function fullStart(home: string): Promise<number> {
  const one = start(home, await freePort());
  const address = await one.served;
  const boards =
    address === null
      ? null
      : await fetch(`${address}/api/boards`)
          .then((answer) => answer.json() as Promise<{ boards: unknown[] }>)
          .catch(() => null);
  await ended(one, 'SIGTERM');
  const isGood = boards?.boards.length === 2 && (await partsLeft(home)).length === 0;
  if (!isGood) say(`a start failed: ${one.said()}`);
  return isGood ? 0 : 1;
}

/** Everything killed at any moment of a first start, four times over, then a start that must serve. */
async function killFirstStart(): Promise<void> {
  let [failed, left, kills] = [0, 0, 0];
  const STRUCK = [/initdb|postgres --boot/, /keeper\.mjs/, /start\.mjs/, /./];
  while (kills < KILLS) {
    const home = aHome();
    for (let i = 0; i < 4; i++) {
      const one = start(home, await freePort());
      await pause(roll() * 2_500);
      strike(home, STRUCK[i % STRUCK.length]!, 'SIGKILL');
      one.child.kill('SIGKILL');
      await one.ended;
      kills += 1;
      step('first starts killed', kills);
      left += (await partsLeft(home)).length;
    }
    failed += await fullStart(home);
    rmSync(home, { recursive: true, force: true });
  }
  told('Killed during the first start (initdb, keeper, start script, all)', kills, { failed, left });
}

/** Two starts at once on one store: both serve, the first that goes takes nothing from the other, the last takes all. */
async function races(): Promise<void> {
  let [failed, left] = [0, 0];
  const times = Math.max(5, Math.round(KILLS / 10));
  for (let i = 0; i < times; i++) {
    const home = aHome();
    const [one, other] = [start(home, await freePort()), start(home, await freePort())];
    const [first, second] = await Promise.all([one.served, other.served]);
    if (first === null || second === null) failed += 1;
    await ended(one, i % 2 === 0 ? 'SIGTERM' : 'SIGKILL');
    await pause(300);
    const still = second === null ? null : await fetch(`${second}/api/boards`).catch(() => null);
    if (still?.status !== 200) failed += 1;
    await ended(other, 'SIGTERM');
    left += (await partsLeft(home)).length;
  }
  told('Two starts at once on an empty store', times, { failed, left });
}

/** Requests that nobody honest would send, and fifty savers on one board at once. */
async function hostile(): Promise<void> {
  const home = aHome();
  const database = await held(home);
  const port = await freePort();
  const server = serve(home, main, database.url, port);
  const address = (await server.served)!;
  const { sent, wrong, slowestMs, slowest } = await hostileRequests(address, Number(values.hostile));
  for (const line of wrong.slice(0, 20)) say(line);
  told('Hostile requests', sent, { failed: wrong.length, more: `slowest ${Math.round(slowestMs)} ms (${slowest})` });
  if (slowestMs > 1_000) bad += 1;

  const { boards } = (await (await fetch(`${address}/api/boards`)).json()) as { boards: { id: string }[] };
  const { id, revision, plan } = (await (await fetch(`${address}/api/boards/${boards[0]!.id}`)).json()) as {
    id: string;
    revision: number;
    plan: object;
  };
  const saves = await Promise.all(
    Array.from({ length: 50 }, async (_, i) => {
      const body = JSON.stringify({ revision, plan: { ...plan, name: `Hand ${i}` } });
      return (await fetch(`${address}/api/boards/${id}/plan`, { method: 'PUT', headers: { 'Content-Type': 'application/json' }, body }))
        .status;
    }),
  );
  const exact = saves.filter((status) => status === 200).length === 1 && saves.filter((status) => status === 409).length === 49;
  told('Savers at once from one revision: one wins, the others are told', 50, { failed: exact ? 0 : 1 });
  await ended(server, 'SIGTERM');
  await database.stop();
  const left = await partsLeft(home);
  if (left.length > 0) told('Left after the hostile requests', 1, { left: left.length });
}

/** A database kept for a store by a start of everything, whose own server is in nobody's way. */
async function held(home: string): Promise<{ url: string; stop: () => Promise<void> }> {
  const one = start(home, await freePort());
  if ((await one.served) === null) throw new Error(`a start failed: ${one.said()}`);
  const server = partsOf(home).find(({ line }) => line.includes('/main.js'))!;
  const entries = readFileSync(`/proc/${server.pid}/environ`, 'utf8').split('\0');
  const url = entries.find((entry) => entry.startsWith('DATABASE_URL='))!.slice('DATABASE_URL='.length);
  return { url, stop: () => ended(one, 'SIGTERM') };
}

await ensureWebBuilt();
const main = await ensureServerBuilt();
const began = Date.now();
const isWanted = ({ name }: { readonly name: string }): boolean => values.only === undefined || values.only.split(',').includes(name);
const inTurn = async (parts: readonly (() => Promise<void>)[]): Promise<void> => {
  for (const part of parts.filter(isWanted)) await part();
};
// How long an answer takes is measured alone; what is killed has much to wait for, and goes on two by two.
await inTurn([hostile]);
await Promise.all([inTurn([killServer, killDatabase]), inTurn([killStart, killFirstStart, races])]);
rmSync(stores, { recursive: true, force: true });

const minutes = Math.round((Date.now() - began) / 60_000);
const line = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`;
const HEAD = ['What', 'Times', 'Saves acknowledged', 'Lost', 'Starts or answers that failed', 'Processes left', ''];
if (values.only === undefined) {
  writeFileSync(
    join(ROOT, 'docs', 'reliability.md'),
    `# Kept safe: what was done to it

\`npm run soak\` kills, races and pesters the real thing on stores of its own, and fails where anything is lost, does not start or stays behind. This run took
${minutes} minutes on ${cpus().length} cores (${cpus()[0]?.model ?? 'unknown'}), ${Math.round(totalmem() / 2 ** 30)} GB, Node ${process.versions.node}.

${line(HEAD)}
${line(HEAD.map(() => '---'))}
${rows.map(line).join('\n')}

- **Saves acknowledged** are answered with 200; each is looked up afterwards by its revision, and its plan compared with what was sent.
- **Starts that fail**: after every kill something is started that nobody disturbs; it has to serve both demo boards.
- **Processes left**: whatever still runs for a store half a minute after its end, told by its environment.
- **Hostile requests** have to be answered in the 4xx with words, without a stack, a path of the machine or SQL, the slowest within a second.
`,
  );
}
say(bad === 0 ? 'All is well.' : `${bad} things went wrong.`);
process.exit(bad === 0 ? 0 : 1);
