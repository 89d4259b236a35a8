import { MAX_BYTES, MAX_FILES, firstLoad } from '../scripts/bench/first-load';
import { expect, openBrinefold, test } from './app';

test('a view shows its shape at once while it is fetched', async ({ page, app }) => {
  let isHeld = true;
  // Held from the first: what is not looked at yet is fetched while the page is at rest.
  await page.route('**/assets/SectionView-*.js', async (route) => {
    while (isHeld) await new Promise((resolve) => setTimeout(resolve, 50));
    await route.continue();
  });
  await openBrinefold(page, app);
  await page.getByRole('link', { name: 'Section' }).click();
  await expect(page.getByTestId('skeleton')).toBeVisible({ timeout: 1_000 });
  // The board's name and its tally stay in sight meanwhile.
  await expect(page.getByRole('heading', { name: 'Brinefold Saltworks' })).toBeVisible();
  await expect(page.getByTestId('tally-mass')).toBeVisible();
  isHeld = false;
  await expect(page.getByRole('heading', { name: 'Stack' })).toBeVisible();
  await expect(page.getByTestId('skeleton')).toBeHidden();
});

test('the page is never blank: the frame stands before any script has come', async ({ page, app }) => {
  await page.route('**/assets/*.js', (route) => route.abort());
  await page.goto(app.url);
  await expect(page.getByTestId('first-paint')).toBeVisible();
});

test('a view that does not arrive says so and offers to load again; the plan is kept', async ({ page, app }) => {
  await page.route('**/assets/CutsView-*.js', (route) => route.abort());
  await openBrinefold(page, app);
  await page.getByRole('link', { name: 'Cuts' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'could not be loaded' })).toBeVisible();
  await page.unroute('**/assets/CutsView-*.js');
  await page.getByRole('button', { name: 'Load again' }).click();
  await expect(page.getByRole('heading', { name: /Cut list, sheet 1/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Brinefold Saltworks' })).toBeVisible();
});

test('script comes packed, and the readers of files only when they are wanted', async ({ page, app }) => {
  const scripts: { name: string; packed: string | undefined }[] = [];
  page.on('response', (response) => {
    const [, name] = /assets\/([\w.-]+\.js)$/.exec(response.url()) ?? [];
    if (name !== undefined) scripts.push({ name, packed: response.headers()['content-encoding'] });
  });
  await openBrinefold(page, app);
  const names = (): string => scripts.map(({ name }) => name).join(' ');
  expect(scripts.find(({ name }) => name.startsWith('ground-'))?.packed).toMatch(/^(br|gzip)$/);
  expect(names()).not.toMatch(/formats|SolidLook|PlayPanel/);
  // What is fetched ahead while the page is at rest leaves them out as well.
  for (const part of [/PlayPanel/, /SeamsPanel/, /FeatureHandles/]) await expect.poll(names).toMatch(part);
  await page.waitForTimeout(1_000); // what comes last is asked for right after
  expect(names()).not.toMatch(/formats|SolidLook/);
  await page.getByRole('button', { name: 'Import file …' }).click();
  await expect(page.getByRole('dialog', { name: 'Import file' })).toBeVisible();
  expect(names()).toMatch(/formats/);
});

test('whoever begins at once is not held up: what may be wanted later is fetched when the hand rests', async ({ page, app }) => {
  const names: string[] = [];
  page.on('request', (request) => names.push(request.url()));
  const isAhead = (): boolean => names.some((name) => /BenchView-.*\.js/.test(name));
  await page.goto(app.url);
  await page.getByRole('heading', { name: 'Brinefold Saltworks', exact: true }).click();
  const stands = page.getByTestId('tally-ready').getByText('Dec').first();
  // The hand is never still, from before the board stands until well after.
  for (let after = 0, x = 300; after < 25; x = x === 300 ? 320 : 300) {
    await page.mouse.move(x, 400);
    await page.waitForTimeout(100);
    if (await stands.isVisible()) after++;
  }
  expect(isAhead()).toBe(false);
  await expect.poll(isAhead).toBe(true);
});

test('tabs go by the arrow keys alone', async ({ page, app }) => {
  await openBrinefold(page, app);
  await page.getByRole('link', { name: 'Section' }).click();
  await page.getByRole('tab', { name: 'Section line' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('tab', { name: 'Bow and weights' })).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByTestId('levers')).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('tab', { name: 'Section line' })).toBeFocused();
});

test('what has to be fetched until Ground can be used is no more than was promised', () => {
  const { bytes, fileCount } = firstLoad();
  expect(bytes).toBeLessThan(MAX_BYTES);
  expect(fileCount).toBeLessThanOrEqual(MAX_FILES);
});
