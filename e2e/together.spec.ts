import { randomUUID } from 'node:crypto';
import type { Browser, BrowserContext, Page } from '@playwright/test';
import { type App, allFetched, expect, openBrinefold, test } from './app';

/** One board, a desk and a phone: neither takes back, deletes or holds up what the other did. */
const PHONE = { width: 390, height: 844 };
const idOf = (page: Page): string => /boards\/([^/]+)/.exec(page.url())![1]!;
const stored = async (
  page: Page,
  app: App,
): Promise<{
  plan: { name: string; figureHeightMm: number; features: { id: string; heightMm?: number }[] };
  record: { cutSheets: { id: string }[]; doneTasks: object };
}> => (await (await page.request.get(`${app.url}/api/boards/${idOf(page)}`)).json()) as never;
async function setHeight(page: Page, value: string): Promise<void> {
  await page.locator('[data-feature=mound]').focus();
  await page.keyboard.press('Enter');
  const field = page.getByLabel('Notes').getByLabel('Height');
  await field.fill(value);
  await field.press('Enter');
}
async function aPhone(browser: Browser, app: App, boardId: string): Promise<{ phone: Page; context: BrowserContext }> {
  const context = await browser.newContext({ viewport: PHONE });
  const phone = await context.newPage();
  await phone.goto(`${app.url}/boards/${boardId}/bench`);
  await expect(phone.getByTestId('move')).toBeVisible();
  return { phone, context };
}
async function tick(phone: Page): Promise<void> {
  const front = phone.getByTestId('move').getByRole('heading', { level: 2 });
  const was = (await front.textContent())!;
  await phone.getByTestId('move').getByRole('button', { name: 'Done', exact: true }).click();
  await expect(front).not.toHaveText(was);
}
const SHEET = {
  ...{ id: 'phone-sheet', materialId: 'mdf', thicknessMm: 6, number: 1, widthMm: 1_220, depthMm: 610, offcutId: null },
  places: [{ partId: 'A1-0', xMm: 5, yMm: 5, boxWidthMm: 500, boxDepthMm: 500, areaMm2: 250_000, turned: false, half: false }],
};

test('the desk undoes its own step: ticks of the phone and what another desk saved stay', async ({ page, app, browser }) => {
  await openBrinefold(page, app);
  await setHeight(page, '30');
  await expect(page.getByTestId('save-state')).toHaveText('Saved, version 2');
  const { phone } = await aPhone(browser, app, idOf(page));
  for (let i = 0; i < 3; i++) await tick(phone);
  await expect(phone.getByTestId('queue')).toHaveText('All synced');
  // Somebody else saves meanwhile, and the desk is told.
  const { plan } = await stored(page, app);
  await page.request.put(`${app.url}/api/boards/${idOf(page)}/plan`, { data: { revision: 2, plan: { ...plan, figureHeightMm: 30 } } });
  await expect(page.getByText('Saved on another device: the figure height')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByTestId('save-state')).toHaveText('Saved, version 4');
  const after = await stored(page, app);
  expect(after.plan.features.find(({ id }) => id === 'mound')!.heightMm).toBe(20);
  expect(after.plan.figureHeightMm).toBe(30);
  expect(Object.keys(after.record.doneTasks)).toHaveLength(3);
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
  await phone.context().close();
});

test('a draft of the desk comes back beside a sheet that the phone ticked meanwhile', async ({ page, app, context }) => {
  await openBrinefold(page, app);
  const address = page.url();
  await allFetched(page);
  await app.kill();
  await setHeight(page, '30');
  await expect(page.getByTestId('save-state')).toContainText('changes saved in this browser');
  await page.close();
  await app.start();
  const boardId = /boards\/([^/]+)/.exec(address)![1]!;
  for (let i = 0; i < 2; i++) {
    const put = await context.request.put(`${app.url}/api/boards/${boardId}/cut-sheets/${SHEET.id}`, { data: SHEET });
    expect(put.status()).toBe(204);
    const again = await context.newPage();
    await again.goto(address);
    await expect(again.getByTestId('save-state')).toContainText('Saved, version 2');
    expect((await stored(again, app)).record.cutSheets.map(({ id }) => id)).toEqual([SHEET.id]);
    await again.close();
  }
});

test('a server that sleeps: the bench opens from what is kept, and what is ticked is sent when it wakes', async ({ page, app }) => {
  await page.setViewportSize(PHONE);
  await openBrinefold(page, app);
  await page.getByRole('link', { name: 'Bench' }).click();
  await expect(page.getByTestId('offline')).toContainText('also opens on this device without a network', { timeout: 60_000 });
  app.freeze();
  await page.reload();
  await expect(page.getByTestId('move')).toBeVisible({ timeout: 40_000 });
  await tick(page);
  await expect(page.getByTestId('queue')).toContainText('1 entry waits on this device');
  app.thaw();
  await expect(page.getByTestId('queue')).toHaveText('All synced', { timeout: 60_000 });
  expect(Object.keys((await stored(page, app)).record.doneTasks)).toHaveLength(1);
});

test('what waits is told and sent from the list of boards, and a poisoned entry holds nothing up', async ({ page, app }) => {
  await page.setViewportSize(PHONE);
  await openBrinefold(page, app);
  await page.getByRole('link', { name: 'Bench' }).click();
  await expect(page.getByTestId('queue')).toHaveText('All synced');
  // The next task stands: what works it out has been fetched before the server goes.
  await expect(page.getByTestId('move').getByRole('heading', { level: 2 })).toBeVisible();
  const boardId = idOf(page);
  await app.kill();
  await tick(page);
  await expect(page.getByTestId('queue')).toContainText('1 entry waits');
  // An entry of an earlier version of this page: a note cut in the middle of an emoji, before the tick.
  const entry = {
    id: randomUUID(),
    taskId: null,
    name: 'Note',
    day: '2026-12-01',
    who: '',
    figures: [],
    note: 'half ',
    photoIds: [],
    air: null,
    mishap: null,
  };
  const deed = { id: randomUUID(), device: randomUUID(), seen: 0, atMs: 1, day: '2026-12-01', act: { kind: 'note', entry } };
  await page.evaluate(
    ([key, waiting]) =>
      new Promise<void>((done, fail) => {
        waiting.deed.act.entry.note += '\ud83d';
        const open = indexedDB.open('spare-acre-bench');
        open.onerror = () => fail(open.error!);
        open.onsuccess = () => {
          const put = open.result.transaction('kept', 'readwrite').objectStore('kept').put(waiting, key);
          put.onsuccess = () => done();
        };
      }),
    [`waiting/${boardId}/0000000000000001/${deed.id}`, { deed, photos: [], refused: null }] as const,
  );
  await app.start();
  await page.goto(app.url);
  await expect(page.getByTestId('outbox-rejected')).toContainText('half of a character', { timeout: 40_000 });
  await expect(page.getByTestId('outbox-elsewhere')).toHaveCount(0);
  const board = (await (await page.request.get(`${app.url}/api/boards/${boardId}`)).json()) as { record: { doneTasks: object } };
  expect(Object.keys(board.record.doneTasks)).toHaveLength(1);
  await page.getByRole('textbox', { name: 'Text of the entry' }).fill('whole');
  await page.getByRole('button', { name: 'Send again' }).click();
  await expect(page.getByTestId('outbox-rejected')).toHaveCount(0);
  await expect
    .poll(async () => {
      const { entries } = (await (await page.request.get(`${app.url}/api/boards/${boardId}/log`)).json()) as {
        entries: { note: string }[];
      };
      return entries.map(({ note }) => note);
    })
    .toContain('whole');
});
