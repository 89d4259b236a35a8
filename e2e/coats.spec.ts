import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { expect, newBoard, numberIn, openBrinefold, placeOn, test } from './app';

const go = (page: Page, view: string): Promise<void> =>
  page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: view }).click();
const tab = (page: Page, name: string): Promise<void> => page.getByRole('tab', { name }).click();
const inMatrix = (page: Page, step: string) => page.getByTestId('matrix').locator(`[data-step^="${step}"]`);

test('a patch of mud drawn over turf changes what goes on and the evenings; a wrong thickness is refused at its field', async ({
  page,
  app,
}) => {
  await newBoard(page, app, 'Wet meadow', 900, 600);
  await go(page, 'Coats');
  await page.getByLabel('Add a surface').selectOption({ label: 'Turf' });
  await page.getByLabel('Apply to').selectOption({ label: 'Open ground' });
  const grass = inMatrix(page, 'static-grass').locator('td').first();
  await expect(grass).toContainText('g');
  const before = numberIn(await grass.textContent());
  const hours = await page.getByTestId('tally-handsOn').locator('.figure').textContent();

  await go(page, 'Ground');
  await page.keyboard.press('a');
  const [from, to] = [
    await placeOn(page, 200, 150, { widthMm: 900, depthMm: 600 }),
    await placeOn(page, 600, 450, { widthMm: 900, depthMm: 600 }),
  ];
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 5 });
  await page.mouse.up();
  await page.getByLabel('Finish').selectOption({ label: 'Mud' });
  await expect(page.getByTestId('tally-handsOn').locator('.figure')).not.toHaveText(hours!);

  await go(page, 'Coats');
  await expect(inMatrix(page, 'mud-paste')).toContainText('Mud of soil');
  await expect.poll(async () => numberIn(await grass.textContent())).toBeLessThan(before * 0.85);
  await page.getByRole('button', { name: /^Mud/ }).first().click();
  await page.getByRole('button', { name: /1\. Mud of soil/ }).click();
  const film = page.getByLabel('Film');
  await film.fill('-3');
  await film.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Film');
  await page.reload();
  await expect(inMatrix(page, 'mud-paste')).toContainText('Mud of soil');
});

test('on Brinefold a pour is weighed against gloss coats, and taken: cost and mass fall', async ({ page, app }) => {
  await openBrinefold(page, app);
  await go(page, 'Coats');
  await tab(page, 'Water');
  await expect(page.getByTestId('basins')).toContainText('Brine channel');
  const ways = page.getByTestId('waterOptions');
  await expect(ways.locator('[data-way=gloss]')).toBeVisible({ timeout: 40_000 });
  await expect(ways.locator('[data-way=pour]')).toContainText('current');
  const [cost, mass] = [
    numberIn(await page.getByTestId('tally-cost').locator('.figure').textContent()),
    numberIn(await page.getByTestId('tally-mass').locator('.figure').textContent()),
  ];
  await ways.locator('[data-way=gloss]').getByRole('button', { name: 'Use this' }).click();
  await expect.poll(async () => numberIn(await page.getByTestId('tally-cost').locator('.figure').textContent())).toBeLessThan(cost);
  expect(numberIn(await page.getByTestId('tally-mass').locator('.figure').textContent())).toBeLessThan(mass);
  await tab(page, 'Coat order');
  await expect(inMatrix(page, 'gloss-varnish')).toContainText('in 3 applications');
});

test('a quick compound splits into bowls, a tub is told how far it goes, and an order mistake is found and mended', async ({
  page,
  app,
}) => {
  await newBoard(page, app, 'Compound', 900, 600);
  await go(page, 'Coats');
  await page.getByLabel('Add coat').selectOption({ label: 'Paper-and-plaster compound' });
  await page.getByLabel('Method').last().selectOption({ label: 'spread' });
  await page.getByRole('button', { name: 'Add coat' }).click();
  const warning = page.locator('[data-code^="coats/"]');
  await expect(warning).toHaveCount(1);
  await warning.getByRole('button').last().click();
  await expect(warning).toHaveCount(0);
  await tab(page, 'Mixes');
  const mix = page.locator('[data-mix=paper-plaster-spread]');
  await expect(mix).toContainText('Pot life');
  const bowls = numberIn(await mix.locator('.line', { hasText: 'Batches' }).locator('.figure').textContent());
  expect(bowls).toBeGreaterThan(3);
  await expect(mix).toContainText('tbsp');
  const left = mix.getByLabel('Amount');
  await left.fill('0');
  await left.press('Enter');
  await expect(mix.getByRole('alert')).toContainText('Amount');
});

test('a swatch is scrubbed coat by coat, the advice followed, and it shouts less; a colour that is none is refused', async ({
  page,
  app,
}) => {
  await openBrinefold(page, app);
  await go(page, 'Coats');
  await page.getByRole('button', { name: 'Flagstone Routes' }).click();
  // Brushed dry four times over: no floor should be.
  await page.getByRole('button', { name: /6\. Craft acrylic, pale/ }).click();
  const goes = page.getByLabel('Applications', { exact: true });
  await goes.fill('4');
  await goes.press('Enter');
  await tab(page, 'Swatch');
  const swatch = page.locator('figure.swatch').first();
  await expect(swatch).toHaveAttribute('data-ready', 'true', { timeout: 30_000 });
  await expect(page.getByTestId('says')).toContainText('more contrast', { timeout: 30_000 });
  const spread = page.getByTestId('spread').first();
  const loud = numberIn(await spread.textContent());
  await page.getByLabel('Number of coats').fill('2');
  await expect.poll(async () => numberIn(await spread.textContent())).toBeLessThan(loud);
  await page.getByLabel('Number of coats').fill('7');
  await expect.poll(async () => numberIn(await spread.textContent())).toBe(loud);
  await page.getByRole('region', { name: 'Advice' }).getByRole('button').first().click();
  await expect.poll(async () => numberIn(await spread.textContent())).toBeLessThan(loud);
  const bases = page.getByLabel('Bases of the figures');
  await bases.fill('mud');
  await bases.press('Enter');
  await expect(page.getByRole('alert')).toContainText('#7a6f52');
  await page.getByRole('button', { name: 'Save as test piece' }).click();
  await expect(page.getByLabel('Test piece', { exact: true })).toHaveValue('Flagstone');
});

test('a mix is stirred for a wanted colour from what is at hand', async ({ page, app }) => {
  await openBrinefold(page, app);
  await go(page, 'Coats');
  await tab(page, 'Paints');
  const wanted = page.getByLabel('Target');
  await wanted.fill('#6d6a45');
  await wanted.press('Enter');
  await page.getByRole('button', { name: 'Mix from available paints' }).click();
  await expect(page.getByTestId('mix')).toContainText('ΔE', { timeout: 60_000 });
});

test('the board in the round wears its paint, step by step of the order of work', async ({ page, app }) => {
  await openBrinefold(page, app);
  await page.getByRole('button', { name: '3D', exact: true }).click();
  const solid = page.getByTestId('solid');
  await expect(solid).toHaveAttribute('data-ready', 'true', { timeout: 30_000 });
  await page.getByRole('button', { name: 'Painted' }).click();
  await expect(solid).toHaveAttribute('data-painted', /\d+/, { timeout: 60_000 });
  const last = Number(await solid.getAttribute('data-painted'));
  await page.getByLabel('Number of steps').fill(String(last - 3));
  await expect(solid).toHaveAttribute('data-painted', String(last - 3), { timeout: 60_000 });
});

test('a face of a piece wears a surface of the board; the mixing card and the placing guide come as PDF', async ({ page, app }) => {
  await openBrinefold(page, app);
  await go(page, 'Pieces');
  await page.getByRole('tab', { name: 'Coats' }).click();
  const worn = page.getByRole('region', { name: 'Finish' });
  const bare = await page.getByTestId('tally-handsOn').locator('.figure').textContent();
  await worn.getByLabel('Finish of Outside', { exact: true }).selectOption({ label: 'Rock face' });
  await expect(page.getByRole('region', { name: 'Coats' }).locator('dl.counts')).toContainText('outside, all copies');
  await expect(page.getByTestId('tally-handsOn').locator('.figure')).not.toHaveText(bare!);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(worn.getByLabel('Finish of Outside', { exact: true })).toHaveValue('');
  await expect(page.getByTestId('tally-handsOn').locator('.figure')).toHaveText(bare!);

  await go(page, 'Coats');
  const pdfOf = async (name: string): Promise<Buffer> => {
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name }).click()]);
    return readFileSync(await file.path());
  };
  await page.getByRole('button', { name: 'Flagstone Routes' }).click();
  await page.getByLabel('Pattern', { exact: true }).selectOption({ index: 1 });
  expect((await pdfOf('Placing guide, true scale')).subarray(0, 5).toString()).toBe('%PDF-');
  await tab(page, 'Mixes');
  expect((await pdfOf('Print mixing card')).subarray(0, 5).toString()).toBe('%PDF-');
});
