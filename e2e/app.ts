import AxeBuilder from '@axe-core/playwright';
import { type Page, test as base, expect } from '@playwright/test';
import { type ChildProcess, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import knex from 'knex';
import { ensureServerBuilt } from '../scripts/setup.mjs';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

/** The real server on a database of its own; it can be killed and started again on the same port. */
export class App {
  private child: ChildProcess | null = null;
  private port = 0;

  /** @param host under which it is asked; @param settings of its process, beside the address of its database */
  constructor(
    private readonly databaseUrl: string,
    private readonly host = '127.0.0.1',
    private readonly settings: Readonly<Record<string, string>> = {},
  ) {}

  get url(): string {
    return `${'TLS_CERT' in this.settings ? 'https' : 'http'}://${this.host}:${this.port}`;
  }

  /** Where a device is shown how to trust it. */
  welcomeUrl = '';

  async start(): Promise<void> {
    if (this.isUp) return;
    const main = await ensureServerBuilt();
    const env = {
      ...process.env,
      ...this.settings,
      WEB_DIR: `${ROOT}packages/web/dist`,
      DATABASE_URL: this.databaseUrl,
      PORT: String(this.port),
    };
    const child = spawn(process.execPath, ['--enable-source-maps', main], { cwd: ROOT, env, stdio: ['pipe', 'pipe', 'inherit'] });
    this.child = child;
    this.port = await new Promise<number>((resolve, reject) => {
      child.stdout.on('data', (chunk: Buffer) => {
        const welcome = /^welcome .*:(\d+)/m.exec(String(chunk));
        if (welcome !== null) this.welcomeUrl = `http://${this.host}:${welcome[1]!}`;
        const served = /^serving .*:(\d+)/m.exec(String(chunk));
        if (served !== null) resolve(Number(served[1]));
      });
      child.on('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    });
  }

  private get isUp(): boolean {
    return this.child !== null && this.child.exitCode === null && this.child.signalCode === null;
  }
  /** Stops the server without ending it, as a machine that sleeps: what is asked gets no answer. */
  freeze(): void {
    this.child?.kill('SIGSTOP');
  }
  thaw(): void {
    this.child?.kill('SIGCONT');
  }
  /** Ends the server as a power cut would. */
  async kill(): Promise<void> {
    const child = this.child;
    if (child === null || !this.isUp) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGCONT');
    child.kill('SIGKILL');
    await gone;
  }
}

/** A server kept for all tests of one worker, whose store can be put back to what it held when it was new. */
interface Shelf {
  readonly app: App;
  readonly putBack: (demo: 'once' | 'none') => Promise<void>;
}

/** A test with a store of its own, as new, and a page that must not complain or call out. */
export const test = base.extend<{ demo: 'once' | 'none'; app: App; page: Page }, { shelf: Shelf }>({
  demo: ['once', { option: true }],
  shelf: [
    async ({}, use) => {
      const admin = knex({ client: 'pg', connection: process.env['TEST_DATABASE_URL']! });
      const name = `browser_${randomUUID().replaceAll('-', '')}`;
      await admin.raw(`create database ${name}`);
      const url = process.env['TEST_DATABASE_URL']!.replace(/[^/]*$/, name);
      const app = new App(url);
      await app.start();
      const db = knex({ client: 'pg', connection: url });
      const { rows } = await db.raw<{ rows: { tablename: string }[] }>(
        "select tablename from pg_tables where schemaname = 'public' and tablename not like 'knex%'",
      );
      const tables = rows.map(({ tablename }) => tablename);
      await db.raw(['create schema as_new', ...tables.map((table) => `create table as_new.${table} as table ${table}`)].join(';'));
      const putBackOnce = (demo: 'once' | 'none'): Promise<void> =>
        db.transaction(async (change) => {
          // References are taken as sound: they were when the copy was made.
          await change.raw('set local session_replication_role = replica');
          await change.raw(`truncate ${tables.join()} cascade`);
          const kept = demo === 'once' ? tables : ['catalogue', 'workshop'];
          for (const table of kept) await change.raw(`insert into ${table} select * from as_new.${table}`);
        });
      // The server may be writing down what its shops answer: whoever came second has to come again.
      const putBack = (demo: 'once' | 'none'): Promise<void> => putBackOnce(demo).catch(() => putBackOnce(demo));
      await use({ app, putBack });
      await app.kill();
      await db.destroy();
      await admin.raw(`drop database ${name} with (force)`);
      await admin.destroy();
    },
    { scope: 'worker' },
  ],
  app: async ({ demo, shelf }, use) => {
    await shelf.app.start();
    await shelf.putBack(demo);
    await use(shelf.app);
  },
  page: async ({ page, app }, use) => {
    const faults: string[] = [];
    // A browser remembers 250 of them, and a board that is opened fetches more.
    await page.addInitScript(() => performance.setResourceTimingBufferSize(2_000));
    page.on('pageerror', (error) => faults.push(error.message));
    page.on('request', (request) => {
      if (!request.url().startsWith(app.url) && !request.url().startsWith('data:') && !request.url().startsWith('blob:'))
        faults.push(`called out to ${request.url()}`);
    });
    await use(page);
    // A page that is closed over an edit sends it as it goes, and the next test has put the store back by then.
    const saving = page.getByTestId('save-state');
    if (!page.isClosed() && (await saving.count()) > 0)
      await saving
        .filter({ hasText: 'Saved' })
        .waitFor({ timeout: 2_000 })
        .catch(() => undefined);
    expect(faults).toEqual([]);
  },
});

export { expect };

type BoardView = 'ground' | 'section' | 'cuts' | 'days' | 'supplies' | 'logbook';
/** Opens Brinefold in one of its views by its address, and waits until it is reckoned. */
export async function openBrinefold(page: Page, app: App, view: BoardView = 'ground'): Promise<void> {
  // A server lets go of a line that has been still for seconds, and a test may ask again just then.
  const answer = await page.request.get(`${app.url}/api/boards`, { headers: { Connection: 'close' } });
  const { boards } = (await answer.json()) as { boards: { id: string; name: string }[] };
  await page.goto(`${app.url}/boards/${boards.find(({ name }) => name === 'Brinefold Saltworks')!.id}/${view}`);
  await expect(page.getByTestId('tally-ready')).toContainText('Dec');
  if (view === 'ground') await expect(page.locator('svg.sheet .table-edge')).toBeVisible();
}

/** A new board through its dialog. */
export async function newBoard(page: Page, app: App, name: string, widthMm: number, depthMm: number): Promise<void> {
  await page.goto(app.url);
  await page.getByRole('button', { name: 'New board' }).first().click();
  const dialog = page.getByRole('dialog');
  for (const [label, value] of [
    ['Name', name],
    ['Table width', String(widthMm)],
    ['Table depth', String(depthMm)],
  ] as const) {
    await dialog.getByLabel(label).fill(value);
    await dialog.getByLabel(label).press('Enter');
  }
  await dialog.getByRole('button', { name: 'Create board' }).click();
  await expect(page.getByTestId('tally-sheets')).toBeVisible();
  // The drawing comes by itself: keys and clicks before it go nowhere.
  await expect(page.locator('svg.sheet .table-edge')).toBeVisible();
}

const settledPages = new WeakSet<Page>();
const LOOK_MS = 30;
const CALM_LOOKS = 30;
/** px on screen of a place on the plan, in mm. The table's outline gives the scale. */
export async function placeOn(
  page: Page,
  xMm: number,
  yMm: number,
  table: { widthMm: number; depthMm: number },
): Promise<{ x: number; y: number }> {
  const edge = page.locator('svg.sheet .table-edge');
  let frame = (await edge.boundingBox())!;
  // The drawing settles when what is beside it has come: at first a place is good only when looks agree for a while.
  const calm = settledPages.has(page) ? 1 : CALM_LOOKS;
  for (let agreed = 0; agreed < calm;) {
    const before = frame;
    await page.waitForTimeout(LOOK_MS);
    frame = (await edge.boundingBox())!;
    const isSame = (['x', 'y', 'width', 'height'] as const).every((side) => frame[side] === before[side]);
    agreed = isSame ? agreed + 1 : 0;
  }
  settledPages.add(page);
  return { x: frame.x + (xMm / table.widthMm) * frame.width, y: frame.y + (yMm / table.depthMm) * frame.height };
}

/** The plan as the server holds it once all is saved. */
export async function savedPlan(
  page: Page,
  app: App,
): Promise<{
  features: { name: string; kind: string; pieceId?: string | null; shape: { points: { x: number; y: number }[]; widthMm?: number } }[];
  pieces: { id: string; name: string; settings: Record<string, unknown>; family: string; isMadeElsewhere: boolean }[];
  stack: { ground: { thicknessMm: number }[] };
}> {
  return (await savedBoard(page, app)).plan;
}
/** What the server says was done on the board once all is saved. */
export const savedRecord = async (page: Page, app: App): Promise<{ cutSheets: { number: number }[] }> =>
  (await savedBoard(page, app)).record;

async function savedBoard(page: Page, app: App): Promise<{ plan: never; record: never }> {
  await expect(page.getByTestId('save-state')).toContainText('Saved');
  const id = new URL(page.url()).pathname.split('/')[2]!;
  return (await (await page.request.get(`${app.url}/api/boards/${id}`)).json()) as { plan: never; record: never };
}

/** The number a figure shows. */
export const numberIn = (text: string | null): number =>
  Number(
    /[−\d\u202f.]+/
      .exec(text ?? '')![0]
      .replaceAll('\u202f', '')
      .replace('−', '-'),
  );

/**
 * What looks for faults that keep somebody out. What passes is not told one by one, and no frames are gone into, which there are none of: on a page of a thousand
 * marks either takes longer than the looking.
 */
export const anAxe = (page: Page): AxeBuilder => new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode(true);

/** The views not looked at yet are fetched while the page is at rest, so that they are there without their server. */
export async function allFetched(page: Page): Promise<void> {
  for (const part of ['FeaturePanel', 'DaysView'])
    await expect
      .poll(() =>
        page.evaluate(() =>
          performance
            .getEntriesByType('resource')
            .map(({ name }) => name)
            .join(' '),
        ),
      )
      .toMatch(new RegExp(`${part}[^ ]*\\.js`));
}
