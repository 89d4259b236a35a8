import AxeBuilder from '@axe-core/playwright';
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { networkInterfaces } from 'node:os';
import { fileURLToPath } from 'node:url';
import { startDatabase } from '../scripts/database.mjs';
import { App, expect, openBrinefold, test } from './app';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

/** Sends a signal to processes by what stands on their command line. */
const signal = (name: string, line: string): void => void spawnSync('pkill', [`-${name}`, '-f', line]);

test('a database that is dead for half a minute in the middle of an edit: all is saved without a touch when it is back', async ({
  browser,
}) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  const name = `dead-${process.pid}`;
  const database = await startDatabase(name, { forTests: true });
  const app = new App(database.url);
  try {
    await app.start();
    await openBrinefold(page, app);
    // Its keeper would start it again at once: it is held still meanwhile.
    signal('STOP', `keeper.mjs ${name}`);
    signal('KILL', `postgres -D .*/${name}/data`);
    const since = Date.now();
    const field = page.getByLabel('Notes').getByLabel('Height', { exact: true });
    await page.locator('[data-feature=mound]').focus();
    await page.keyboard.press('Enter');
    await field.fill('30');
    await field.press('Enter');
    await expect(page.getByTestId('save-state')).toHaveText('Database not reachable: changes saved in this browser');
    await field.fill('31');
    await field.press('Enter');
    const answer = await page.request.get(`${app.url}/api/boards`);
    expect([answer.status(), ((await answer.json()) as { title: string }).title]).toEqual([503, 'The database is not reachable']);
    await page.waitForTimeout(30_000 - (Date.now() - since));
    signal('CONT', `keeper.mjs ${name}`);
    await expect(page.getByTestId('save-state')).toHaveText(/^Saved, version \d$/, { timeout: 40_000 });
    await page.reload();
    await expect(page.getByLabel('Notes').getByLabel('Height')).toHaveValue('31');
  } finally {
    signal('CONT', `keeper.mjs ${name}`);
    await page.close();
    await app.kill();
    await database.stop();
  }
});

test('a page of another origin cannot change anything, however it asks', async ({ page, app }) => {
  await openBrinefold(page, app);
  const id = new URL(page.url()).pathname.split('/')[2]!;
  const before = await (await page.request.get(`${app.url}/api/boards`)).text();
  const foreign = createServer((_req, res) => res.setHeader('Content-Type', 'text/html').end('<title>Elsewhere</title>')).listen(
    0,
    '127.0.0.1',
  );
  await new Promise((done) => foreign.once('listening', done));
  const elsewhere = await page.context().newPage();
  await elsewhere.goto(`http://127.0.0.1:${(foreign.address() as AddressInfo).port}`);
  const outcomes = await elsewhere.evaluate(
    async ([base, board]) => {
      const asked = async (path: string, options: RequestInit): Promise<string> => {
        try {
          const answer = await fetch(`${base}/api${path}`, options);
          return answer.type === 'opaque' ? 'unseen' : `${answer.status}`;
        } catch {
          return 'blocked';
        }
      };
      const picture = new Uint8Array([0x89, 0x50, 0x4e, 0x47]);
      return [
        await asked('/boards/import', { method: 'POST', body: '{"name":"x"}', headers: { 'Content-Type': 'application/json' } }),
        await asked('/boards/import', { method: 'POST', body: '{"name":"x"}', mode: 'no-cors' }),
        await asked('/pictures', { method: 'POST', body: picture, mode: 'no-cors' }),
        await asked(`/boards/${board}/put-away`, { method: 'PUT' }),
        await asked(`/boards/${board}/cut-sheets/s1`, { method: 'DELETE' }),
        await asked('/boards', { method: 'GET' }),
      ];
    },
    [app.url, id] as const,
  );
  // What a browser lets out without asking is refused by the server, and its answer is not shown.
  expect(outcomes).toEqual(['blocked', 'unseen', 'unseen', 'blocked', 'blocked', 'blocked']);
  const form = await elsewhere.evaluate((base) => {
    document.body.innerHTML = `<form method="post" enctype="text/plain" action="${base}/api/boards/import"><input name='{"name":"x","a":"' value='"}'></form>`;
    document.forms[0]!.submit();
    return true;
  }, app.url);
  expect(form).toBe(true);
  await expect(elsewhere.locator('body')).toContainText('From another page');
  expect(await (await page.request.get(`${app.url}/api/boards`)).text()).toBe(before);
  expect(((await (await page.request.get(`${app.url}/api/pictures`)).json()) as { pictures: unknown[] }).pictures).toEqual([]);
  await elsewhere.close();
  foreign.close();
});

/** An address at which other machines would ask for this one; its own name for itself where there is no network. */
const someAddress = (): string =>
  Object.values(networkInterfaces())
    .flat()
    .find((one) => one?.family === 'IPv4' && !one.internal)?.address ?? '127.0.0.1';

test('beyond this machine: the passphrase first, then everything, in a page that is not served under TLS; saves say who made them', async ({
  browser,
}) => {
  const name = `beyond-${randomUUID().slice(0, 8)}`;
  const home = `${ROOT}.local/${name}`;
  const env = { ...process.env, SPARE_ACRE_HOME: home };
  const set = spawnSync('npm', ['run', '--silent', 'passphrase'], { cwd: ROOT, env, input: 'seven grey herons\n', encoding: 'utf8' });
  expect(set.stdout).toContain('The passphrase is set.');
  const started = spawnSync('node', ['scripts/command.mjs', 'backup', `${home}/one.dump`], { cwd: ROOT, env, encoding: 'utf8' });
  expect(started.stdout).toContain('Backed up to');

  const database = await startDatabase(name, { forTests: true });
  const restored = spawnSync('node', ['scripts/command.mjs', 'restore', `${home}/one.dump`], {
    cwd: ROOT,
    env: { ...env, DATABASE_URL: database.url },
    encoding: 'utf8',
  });
  expect(restored.stdout).toContain('Restored');
  const app = new App(database.url, someAddress(), { LISTEN: '0.0.0.0' });
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  const page = await context.newPage();
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(error.message));
  try {
    await app.start();
    await page.goto(app.url);
    const dialog = page.getByRole('dialog', { name: 'Sign in' });
    await expect(dialog).toBeVisible();
    expect((await new AxeBuilder({ page }).include('[role=dialog]').analyze()).violations).toEqual([]);
    for (const passphrase of ['seven red herons', 'seven grey herons']) {
      await dialog.getByLabel('Your name').fill('Ida');
      await dialog.getByLabel('Passphrase').fill(passphrase);
      await dialog.getByRole('button', { name: 'Sign in' }).click();
      if (passphrase.includes('red')) await expect(dialog.getByRole('alert')).toContainText('Wrong passphrase');
    }
    await expect(page.getByRole('heading', { name: 'Brinefold Saltworks', exact: true })).toBeVisible();
    await openBrinefold(page, app);
    await page.locator('[data-feature=mound]').focus();
    await page.keyboard.press('Enter');
    const field = page.getByLabel('Notes').getByLabel('Height', { exact: true });
    await field.fill('30');
    await field.press('Enter');
    await expect(page.getByTestId('save-state')).toHaveText('Saved, version 2');
    await page.getByTestId('save-state').click();
    await expect(page.getByRole('list', { name: 'Versions' })).toContainText('by Ida');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'This server' }).click();
    await expect(page.getByRole('img', { name: /^Code of http/ })).toBeVisible();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(dialog).toBeVisible();
    expect((await page.request.get(`${app.url}/api/boards`)).status()).toBe(401);
    expect(faults).toEqual([]);
  } finally {
    await context.close();
    await app.kill();
    await database.stop();
    spawnSync('rm', ['-rf', home]);
  }
});
