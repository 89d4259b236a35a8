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
import { type Start, chance, partsLeft, partsOf, pause, serve, start, startNpm, strike } from './soak/processes';
import { startSavers } from './soak/savers';
import { startWriters } from './soak/writers';
import { Model } from '../packages/web/src/testing/devices';

const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '200' },
    hostile: { type: 'string', default: '600' },
    devices: { type: 'string', default: '10000' },
    only: { type: 'string' },
    /** Does a little of everything and writes no report: what the tests run, so that this cannot rot. */
    short: { type: 'boolean', default: false },
  },
});
const KILLS = values.short ? 2 : Number(values.kills);
const HOSTILE = values.short ? 60 : Number(values.hostile);
const DEVICE_RUNS = values.short ? 40 : Number(values.devices);
/** Demo boards that a fresh start has. */
const BOARDS = 3;
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

/** @returns 1 where a start that nobody disturbs does not serve the demo boards, or leaves something behind */
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
  const isGood = boards?.boards.length === BOARDS && (await partsLeft(home)).length === 0;
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
  const times = values.short ? 1 : Math.max(5, Math.round(KILLS / 10));
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

/** All kinds of writes on two servers on one database, of which one is killed over and over: deeds, log, shelf, sheets, price lists. */
async function allWrites(): Promise<void> {
  const home = aHome();
  const database = await held(home);
  const [steady, mortal] = [await freePort(), await freePort()];
  const one = serve(home, main, database.url, steady);
  let other = serve(home, main, database.url, mortal);
  let failed = (await one.served) === null || (await other.served) === null ? 1 : 0;
  const writers = await startWriters([`http://127.0.0.1:${steady}/api`, `http://127.0.0.1:${mortal}/api`]);
  for (let i = 0; i < KILLS; i++) {
    await pause(100 + roll() * 1_200);
    step('servers of two killed', i);
    await ended(other, 'SIGKILL');
    other = serve(home, main, database.url, mortal);
    if ((await other.served) === null) failed += 1;
  }
  await writers.stop();
  const lost = await writers.lost();
  await Promise.all([ended(one, 'SIGTERM'), ended(other, 'SIGTERM')]);
  await database.stop();
  told('All kinds of writes, two servers, one killed', KILLS, {
    acknowledged: String(writers.acknowledged()),
    lost,
    failed: failed + writers.failed(),
    left: (await partsLeft(home)).length,
    more: writers.kinds().replace('deed', 'bench event'),
  });
}

/** A server that is stopped, not ended, while savers go on, and wakes again. */
async function frozenServer(): Promise<void> {
  const home = aHome();
  const database = await held(home);
  const port = await freePort();
  const server = serve(home, main, database.url, port);
  let failed = (await server.served) === null ? 1 : 0;
  const savers = await startSavers(`http://127.0.0.1:${port}/api`, 'frozen');
  const times = Math.max(2, Math.round(KILLS / 4));
  for (let i = 0; i < times; i++) {
    await pause(200 + roll() * 600);
    step('servers frozen', i);
    server.child.kill('SIGSTOP');
    await pause(300 + roll() * 2_000);
    server.child.kill('SIGCONT');
    const isBack = await fetch(`http://127.0.0.1:${port}/api/health`, { signal: AbortSignal.timeout(20_000) }).then(
      ({ ok }) => ok,
      () => false,
    );
    if (!isBack) failed += 1;
  }
  await savers.stop();
  const lost = await savers.lost();
  await ended(server, 'SIGTERM');
  await database.stop();
  told('Server frozen while saving', times, {
    acknowledged: String(savers.acknowledged()),
    lost,
    failed,
    left: (await partsLeft(home)).length,
  });
}

/** npm ended in the first moments of a start, and a start that would set the running one's database aside. */
async function earlyEnds(): Promise<void> {
  const home = aHome();
  let [failed, left] = [0, 0];
  for (let i = 0; i < KILLS; i++) {
    const npm = startNpm(home, await freePort());
    await pause(roll() * 1_200);
    step('early ends', i);
    npm.child.kill('SIGTERM');
    await npm.ended;
    left += (await partsLeft(home)).length;
  }
  const running = start(home, await freePort());
  const address = await running.served;
  for (let i = 0; i < Math.max(1, Math.round(KILLS / 20)); i++) {
    const aside = start(home, await freePort(), ['--set-aside']);
    if ((await aside.served) !== null) failed += 1;
    await aside.ended;
  }
  const answer = address === null ? null : await fetch(`${address}/api/boards`).catch(() => null);
  if (answer?.status !== 200) failed += 1;
  await ended(running, 'SIGTERM');
  failed += await fullStart(home);
  told('npm ended in its first moments; --set-aside under a running start', KILLS, { failed, left: left + (await partsLeft(home)).length });
}

/** Two to four devices in a model that uses what the pages use: edits, ticks, undo, offline, killed, lost answers, letters twice. */
async function devices(): Promise<void> {
  let lost = 0;
  for (let seed = 1; seed <= DEVICE_RUNS; seed++) {
    const model = new Model(chance(seed));
    model.run(40);
    const broken = model.broken();
    if (broken.length > 0) say(`seed ${seed}: ${broken.join('; ')}`);
    lost += broken.length;
    if (seed % 500 === 0) say(`… ${seed} runs of devices`);
    // What is killed beside it goes on.
    if (seed % 5 === 0) await pause(0);
  }
  told('Runs of 2 to 4 devices in a model', DEVICE_RUNS, { lost });
}

/** Requests that nobody honest would send, and fifty savers on one board at once. */
async function hostile(): Promise<void> {
  const home = aHome();
  const database = await held(home);
  const port = await freePort();
  const server = serve(home, main, database.url, port);
  const address = (await server.served)!;
  const { sent, wrong, slowestMs, slowest } = await hostileRequests(address, HOSTILE);
  for (const line of wrong.slice(0, 20)) say(line);
  told('Hostile requests', sent, { failed: wrong.length, more: `slowest ${Math.round(slowestMs)} ms (${slowest})` });
  // In the short run other tests go on beside it.
  if (slowestMs > 1_000 && !values.short) bad += 1;

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
await Promise.all([
  inTurn([killServer, killDatabase, allWrites, frozenServer]),
  inTurn([killStart, killFirstStart, races, earlyEnds, devices]),
]);
rmSync(stores, { recursive: true, force: true });

const minutes = Math.round((Date.now() - began) / 60_000);
const line = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`;
const HEAD = ['What', 'Times', 'Saves acknowledged', 'Lost', 'Starts or answers that failed', 'Processes left', ''];
if (values.only === undefined && !values.short) {
  writeFileSync(
    join(ROOT, 'docs', 'reliability.md'),
    `# Kept safe: what was done to it

\`npm run soak\` kills, races and pesters the real thing on stores of its own, and fails where anything is lost, does not start or stays behind. This run took
${minutes} minutes on ${cpus().length} cores (${cpus()[0]?.model ?? 'unknown'}), ${Math.round(totalmem() / 2 ** 30)} GB, Node ${process.versions.node}.

${line(HEAD)}
${line(HEAD.map(() => '---'))}
${rows.map(line).join('\n')}

- **Saves acknowledged** are answered with 200; each is looked up afterwards by its revision, and its plan compared with what was sent.
- **Starts that fail**: after every kill something is started that nobody disturbs; it has to serve the three demo boards.
- **Processes left**: whatever still runs for a store half a minute after its end, told by its environment.
- **Hostile requests** have to be answered in the 4xx with words, without a stack, a path of the machine or SQL, the slowest within a second.
`,
  );
}
say(bad === 0 ? 'All is well.' : `${bad} things went wrong.`);
process.exit(bad === 0 ? 0 : 1);
