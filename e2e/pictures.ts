import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import { expect, openBrinefold, test } from './app';

const FOLDER = fileURLToPath(new URL('../docs/screenshots/', import.meta.url));
const picture = async (page: Page, name: string): Promise<void> => {
  await page.evaluate(() => document.fonts.ready.then(() => undefined));
  await page.screenshot({ path: `${FOLDER}${name}.png` });
};
const go = (page: Page, view: string): Promise<void> =>
  page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: view }).click();

test('pictures of the main views', async ({ page, app }) => {
  await page.goto(app.url);
  await expect(page.getByText('1 warning')).toBeVisible();
  // Cards are calculated one after another.
  await expect(page.locator('.cards').getByText('…', { exact: true })).toHaveCount(0);
  await picture(page, 'boards');

  await openBrinefold(page, app);
  await picture(page, 'ground');

  // The channel made wider, so that the strip shows what it changes.
  await page.locator('[data-feature=channel]').focus();
  await page.keyboard.press('Enter');
  const width = page.getByLabel('Notes').getByLabel('Width');
  await width.fill('92');
  await width.press('Enter');
  await expect(page.getByTestId('tally-mass').getByTestId('change')).toBeVisible();
  await page.locator('[data-feature=channel]').focus();
  await picture(page, 'ground-feature');
  await page.getByTestId('tally-adhesive').locator('.figure').click();
  await expect(page.getByTestId('last-step')).toBeVisible();
  await picture(page, 'working');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();

  await page.keyboard.press('Escape');
  const look = (name: string): Promise<void> => page.getByRole('button', { name, exact: true }).click();
  await look('Rearrange');
  await expect(page.getByTestId('table-count')).toHaveText('1 layout possible');
  await page.getByTestId('laid-tile').nth(1).click();
  await page.getByTestId('laid-tile').nth(5).click();
  await expect(page.getByTestId('failing-seam')).not.toHaveCount(0);
  await expect(page.getByTestId('table-index')).toBeVisible();
  await picture(page, 'ground-tables');
  await look('Play');
  await expect(page.getByTestId('way')).toBeVisible();
  await picture(page, 'ground-play');
  await look('3D');
  await expect(page.getByTestId('solid')).toHaveAttribute('data-ready', 'true');
  await page.waitForTimeout(1_500); // the picture is drawn a frame later
  await picture(page, 'ground-round');
  await page.getByRole('button', { name: 'Painted' }).click();
  await expect(page.getByTestId('solid')).toHaveAttribute('data-painted', /\d+/, { timeout: 60_000 });
  await page.waitForTimeout(1_500);
  await picture(page, 'ground-painted');
  await look('Draw');

  await go(page, 'Section');
  await expect(page.getByTestId('slab').first()).toBeVisible();
  await picture(page, 'section');
  await go(page, 'Pieces');
  await page
    .getByRole('navigation', { name: 'Pieces' })
    .getByRole('button', { name: /Windpump tower/ })
    .click();
  await expect(page.getByRole('group', { name: /Windpump tower in 3D/ })).toBeVisible();
  await picture(page, 'pieces');
  await go(page, 'Cuts');
  await page.getByRole('tab', { name: /20 mm/ }).click();
  await picture(page, 'cuts');
  await go(page, 'Coats');
  await expect(page.getByTestId('matrix')).toBeVisible();
  await picture(page, 'coats');
  await page.getByRole('button', { name: 'Flagstone Routes' }).click();
  await page.getByRole('tab', { name: 'Swatch' }).click();
  await expect(page.locator('figure.swatch').first()).toHaveAttribute('data-ready', 'true', { timeout: 30_000 });
  await expect(page.getByTestId('says')).toBeVisible({ timeout: 30_000 });
  await picture(page, 'coats-swatch');
  await go(page, 'Supplies');
  await picture(page, 'supplies');
  await page.getByRole('tab', { name: 'Compare options' }).click();
  await expect(page.getByTestId('weighed')).toContainText('The others were estimated', { timeout: 90_000 });
  await page.getByLabel('Limits').fill('under 150 EUR, no resin');
  await expect(page.getByTestId('left-out')).toBeVisible();
  await picture(page, 'supplies-weigh');
  await go(page, 'Days');
  await expect(page.getByTestId('agenda')).toContainText('Cut the ground');
  await picture(page, 'days');
  // An evening at the bench: the glue is out, and the weights are timed.
  await page.clock.install({ time: new Date(2026, 11, 1, 19, 10) });
  await page.reload();
  await go(page, 'Bench');
  await page.getByRole('button', { name: 'Got it' }).click();
  await page.getByRole('button', { name: /^Glue the ground, weigh down, Tile A1/ }).click();
  await expect(page.getByTestId('amounts')).toContainText('White glue');
  await page.getByRole('button', { name: 'Done, or skip' }).click();
  await page
    .getByTestId('move')
    .getByRole('button', { name: /Weights off/ })
    .click();
  await page.getByTestId('move').getByRole('button', { name: 'Start' }).click();
  await expect(page.getByTestId('queue')).toHaveText('All synced');
  await page.locator('.bench-view').evaluate((view) => view.scrollTo({ top: 0 }));
  await picture(page, 'bench');
  await go(page, 'Logbook');
  const form = page.getByRole('form', { name: 'Add entry' });
  await expect(page.getByTestId('log')).toContainText('Trial: two strips');
  let rows = await page.getByTestId('log').getByRole('row').count();
  for (const [index, minutes, grams] of [
    [1, '31', '75'],
    [3, '38', '84'],
    [6, '44', ''],
  ] as const) {
    await form.getByLabel('Task').selectOption({ index });
    await form.getByLabel('Actual time').fill(minutes);
    if (grams !== '') {
      await form.getByLabel('Material').selectOption({ label: 'White glue' });
      await form.getByLabel('Used').fill(grams);
    }
    await form.getByRole('button', { name: 'Add entry' }).click();
    await expect(page.getByTestId('log').getByRole('row')).toHaveCount((rows += 1));
  }
  await expect(page.getByTestId('hand-effect')).toBeVisible({ timeout: 60_000 });
  await picture(page, 'logbook');

  await page.getByRole('link', { name: 'Workshop' }).click();
  await page.getByLabel('Find by any name').fill('spackle');
  await page.getByTestId('entries').getByRole('button').first().click();
  await expect(page.getByTestId('entry-form')).toBeVisible();
  await picture(page, 'workshop');
});
