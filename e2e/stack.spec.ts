import type { Page } from '@playwright/test';
import { anAxe, type App, expect, numberIn, openBrinefold, savedPlan, test } from './app';

async function openSection(page: Page, app: App): Promise<void> {
  await openBrinefold(page, app, 'section');
  await expect(page.getByTestId('slab').first()).toBeVisible();
}
const tab = (page: Page, name: string): Promise<void> => page.getByRole('tab', { name, exact: true }).click();

test('layers change places by dragging and by their buttons, and the drawing follows', async ({ page, app }) => {
  await openSection(page, app);
  const layers = page.getByTestId('ground-layer');
  await expect(layers.first().getByLabel('Thickness')).toHaveValue('10');
  await layers.nth(1).getByRole('button', { name: 'Remove' }).scrollIntoViewIfNeeded();
  const grip = (await layers.first().locator('.hold').boundingBox())!;
  const below = (await layers.nth(1).boundingBox())!;
  await page.mouse.move(grip.x + 5, grip.y + 20);
  await page.mouse.down();
  await page.mouse.move(grip.x + 6, below.y + below.height * 0.6, { steps: 12 });
  await page.mouse.move(grip.x + 6, below.y + below.height * 0.8, { steps: 4 });
  await page.mouse.up();
  await expect.poll(async () => (await savedPlan(page, app)).stack.ground.map(({ thicknessMm }) => thicknessMm)).toEqual([10, 20]);
  await expect(layers.first().getByLabel('Thickness')).toHaveValue('20');
  await layers.first().getByRole('button', { name: 'Down' }).click();
  await expect(layers.first().getByLabel('Thickness')).toHaveValue('10');
  expect((await savedPlan(page, app)).stack.ground.map(({ thicknessMm }) => thicknessMm)).toEqual([20, 10]);
});

test('the bow is a range; pulling a lever lowers it by what was said', async ({ page, app }) => {
  await openSection(page, app);
  await tab(page, 'Bow and weights');
  await expect(page.getByTestId('bow-range')).toContainText('up at the edges');
  const lever = page.getByTestId('levers').locator('tr', { hasText: 'Two battens' });
  const leaves = numberIn(await lever.locator('.figure').nth(1).textContent());
  await lever.getByRole('button', { name: 'Apply' }).click();
  await expect(lever).toHaveCount(0);
  const worst = page.locator('.line', { hasText: 'Worst case' }).locator('.figure');
  await expect.poll(async () => numberIn(await worst.textContent())).toBe(leaves);
  await expect(page.getByLabel('Battens', { exact: true })).not.toHaveValue('');
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Cuts' }).click();
  await page.getByRole('tab', { name: 'Plywood, 9 mm' }).click();
  await page.getByRole('tab', { name: 'Parts', exact: true }).click();
  await expect(page.getByTestId('cut-list')).toContainText('12 × batten');
});

test('sealing both faces under white glue is warned of, and leaving the glued face bare mends it', async ({ page, app }) => {
  await openSection(page, app);
  await page.getByLabel('Faces').selectOption({ label: 'sealed both sides' });
  const warning = page.locator('[data-code="glue/never-dries"]');
  await expect(warning).toContainText('MDF, sealed');
  await warning.getByRole('button', { name: /Leave the glued face/ }).click();
  await expect(warning).toHaveCount(0);
  await expect(page.getByLabel('Faces')).toHaveValue('under');
});

test('the adhesive table: one that holds is taken for the joint in view', async ({ page, app }) => {
  await openSection(page, app);
  await tab(page, 'Adhesives');
  await page.getByLabel('Between').selectOption({ label: 'Raised ground' });
  const table = page.getByTestId('adhesives');
  await expect(table.locator('tr', { hasText: 'Superglue' })).toContainText('dissolves it');
  await expect(table.locator('tr', { hasText: 'White glue' })).toContainText('beads');
  await table.locator('tr', { hasText: 'Contact adhesive' }).getByRole('button', { name: 'Use it' }).click();
  await expect(table.locator('tr', { hasText: 'Contact adhesive' })).toContainText('in use');
  const raised = page.locator('section', { has: page.getByRole('heading', { name: 'Raised ground' }) });
  await expect(raised.getByLabel('Adhesive')).toHaveValue('contact-water');
});

test('a height is built otherwise, and from what is at hand', async ({ page, app }) => {
  await openSection(page, app);
  await tab(page, 'Heights');
  const rows = page.getByTestId('heights');
  await rows.locator('tr', { hasText: '10 + 10 mm' }).filter({ hasText: 'exact' }).first().getByRole('button', { name: 'Use it' }).click();
  await expect(rows.locator('tr', { hasText: '10 + 10 mm' }).filter({ hasText: 'exact' }).first()).toContainText('in use');
  await expect(page.getByTestId('tally-adhesive').getByTestId('change')).toContainText('+');
  await page.getByRole('checkbox', { name: '20 mm' }).uncheck();
  await expect(rows).not.toContainText('30 + 20');
});

test('ways to build it stand side by side, and one is taken', async ({ page, app }) => {
  await openSection(page, app);
  await tab(page, 'Compare options');
  const table = page.getByTestId('buildOptions');
  await expect(table.locator('tr', { hasText: 'Cut to size first' })).toContainText('as planned', { timeout: 15_000 });
  await expect(table.locator('tr', { hasText: 'Superglue' })).toContainText('dissolves the foam');
  await table.locator('tr', { hasText: 'Trim flush after' }).getByRole('button', { name: 'Use this' }).click();
  await expect(page.getByLabel('Edges')).toHaveValue('trim-after');
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Cuts' }).click();
  await page.getByRole('tab', { name: /20 mm/ }).click();
  await page.getByRole('tab', { name: 'Parts', exact: true }).click();
  await expect(page.getByTestId('cut-list')).toContainText('520×520');
});

test('cork on the routes is covered, glued and cut; the mass says what it adds', async ({ page, app }) => {
  await openSection(page, app);
  await page.getByLabel('On', { exact: true }).selectOption({ label: 'Routes' });
  await page.getByRole('button', { name: 'Add covering' }).click();
  const covering = page.getByTestId('facing');
  await covering.getByLabel('Covering').selectOption({ label: 'Cork sheet' });
  await tab(page, 'Mass');
  await expect(page.getByTestId('masses')).toContainText('Coverings');
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Cuts' }).click();
  await expect(page.getByRole('tab', { name: /Cork sheet/ })).toBeVisible();
});

test('every table in Section is free of the faults axe can find', async ({ page, app }) => {
  await openSection(page, app);
  for (const table of ['Bow and weights', 'Adhesives', 'Heights', 'Mass', 'Compare options']) {
    await tab(page, table);
    if (table === 'Compare options') await expect(page.getByTestId('buildOptions')).toBeVisible({ timeout: 15_000 });
    const { violations } = await anAxe(page).analyze();
    expect(violations.map(({ id, nodes }) => `${table}: ${id} ${nodes[0]?.html}`)).toEqual([]);
  }
});
