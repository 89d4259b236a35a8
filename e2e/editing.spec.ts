import type { Page } from '@playwright/test';
import { expect, newBoard, openBrinefold, placeOn, savedPlan, test } from './app';

const BRINEFOLD = { widthMm: 1500, depthMm: 1000 };

async function choose(page: Page, featureId: string): Promise<void> {
  await page.locator(`[data-feature=${featureId}]`).focus();
  await page.keyboard.press('Enter');
}
const drag = async (page: Page, from: { x: number; y: number }, to: { x: number; y: number }): Promise<void> => {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move((from.x + to.x) / 2, (from.y + to.y) / 2, { steps: 4 });
  await page.mouse.move(to.x, to.y, { steps: 4 });
  await page.mouse.up();
};
const feature = async (page: Page, app: Parameters<typeof savedPlan>[1], name: string) =>
  (await savedPlan(page, app)).features.find((each) => each.name === name)!;

test('a pan dragged near a seam comes to rest on it; one undo takes the whole drag back', async ({ page, app }) => {
  await openBrinefold(page, app);
  // The Corner pan's left side is at 60 mm; pulled 435 mm to the right it is 5 mm off the seam at 500.
  await drag(page, await placeOn(page, 180, 800, BRINEFOLD), await placeOn(page, 615, 800, BRINEFOLD));
  expect((await feature(page, app, 'Corner pan')).shape.points[0]).toEqual({ x: 500, y: 640 });
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  expect((await feature(page, app, 'Corner pan')).shape.points[0]).toEqual({ x: 60, y: 640 });
});

test('with Alt held nothing snaps', async ({ page, app }) => {
  await openBrinefold(page, app);
  await page.keyboard.down('Alt');
  await drag(page, await placeOn(page, 1275, 600, BRINEFOLD), await placeOn(page, 1158, 600, BRINEFOLD));
  await page.keyboard.up('Alt');
  const [corner] = (await feature(page, app, 'East pan')).shape.points;
  expect(Math.abs(corner!.x - 1003)).toBeLessThan(2);
});

test('a corner is pulled, typed, added and taken out', async ({ page, app }) => {
  await openBrinefold(page, app);
  await choose(page, 'pan-1');
  await drag(page, await placeOn(page, 60, 60, BRINEFOLD), await placeOn(page, 40, 40, BRINEFOLD));
  expect((await feature(page, app, 'Long pan')).shape.points[0]).toEqual({ x: 40, y: 40 });

  const notes = page.getByLabel('Notes');
  await notes.getByText('4 points').click();
  await notes.getByLabel('1 x').fill('25');
  await notes.getByLabel('1 x').press('Enter');
  expect((await feature(page, app, 'Long pan')).shape.points[0]).toEqual({ x: 25, y: 40 });

  await drag(page, await placeOn(page, 360, 155, BRINEFOLD), await placeOn(page, 380, 155, BRINEFOLD)); // the middle of the right side
  expect((await feature(page, app, 'Long pan')).shape.points).toHaveLength(5);
  await notes.getByRole('button', { name: 'Remove point 3' }).click();
  expect((await feature(page, app, 'Long pan')).shape.points).toHaveLength(4);
});

test('a corner dragged across the outline is refused in words, and the outline stays sound', async ({ page, app }) => {
  await openBrinefold(page, app);
  await choose(page, 'pan-1');
  await drag(page, await placeOn(page, 60, 60, BRINEFOLD), await placeOn(page, 460, 200, BRINEFOLD));
  await expect(page.getByRole('alert')).toContainText('crosses itself');
  await expect(page.getByTestId('save-state')).toContainText('Saved');
});

test('keys alone: move, widen, copy by button, remove, let go', async ({ page, app }) => {
  await openBrinefold(page, app);
  await choose(page, 'track');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press(']');
  const moved = await feature(page, app, 'Cart track');
  expect([moved.shape.points[0], moved.shape.widthMm]).toEqual([{ x: 1305, y: 300 }, 61]);
  await page.getByRole('button', { name: 'Copy' }).click();
  await expect(page.getByLabel('Notes').getByRole('heading', { name: 'Cart track 2' })).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(page.getByLabel('Notes').getByText('Size and tiles')).toBeVisible();
  expect((await savedPlan(page, app)).features.map(({ name }) => name)).not.toContain('Cart track 2');
});

test('another adhesive in Section: the warning, its mend, and the figures that follow', async ({ page, app }) => {
  await openBrinefold(page, app, 'section');
  const raised = page.locator('section', { has: page.getByRole('heading', { name: 'Raised ground' }) });
  await raised.getByLabel('Adhesive').selectOption({ label: 'White glue (stays wet)' });
  const warning = page.locator('[data-code="glue/never-dries"]');
  await expect(warning).toContainText('stays wet in the middle');
  await expect(page.getByRole('navigation').getByLabel('Warnings: 1')).toHaveCount(2);
  await expect(page.getByTestId('tally-adhesive').getByTestId('change')).toHaveText(/^[+−].*\d/);
  await warning.getByRole('button').last().click();
  await expect(warning).toHaveCount(0);
});

test('a layer added in Section changes the height, the sheets and the drawing', async ({ page, app }) => {
  await openBrinefold(page, app, 'section');
  const sheets = page.getByTestId('tally-sheets').locator('.figure');
  const before = await sheets.textContent();
  await page.getByRole('button', { name: 'Add a layer on top' }).click();
  await expect(page.getByTestId('ground-layer')).toHaveCount(3);
  await expect(sheets).not.toHaveText(before!);
  await expect(page.locator('svg text', { hasText: '40 mm over the substrate' })).toHaveCount(1);
  expect((await savedPlan(page, app)).stack.ground).toHaveLength(3);
});

test('more bench hours and warmer air bring the ready date nearer; too cold is a warning with a mend', async ({ page, app }) => {
  await openBrinefold(page, app, 'days');
  await page.getByLabel('Monday').fill('18:00-22:00');
  await page.getByLabel('Monday').press('Enter');
  await expect(page.getByTestId('tally-ready').getByTestId('change')).toContainText('−');
  await page.getByLabel('Wednesday').fill('soon');
  await page.getByLabel('Wednesday').press('Enter');
  await expect(page.getByRole('alert')).toContainText('“soon” is not a time span');
  await page.getByLabel('Wednesday').press('Escape');
  await page.getByRole('tab', { name: 'Where' }).click();
  await page.getByLabel('Temperature').fill('5');
  await page.getByLabel('Temperature').press('Enter');
  const warning = page.locator('[data-code="air/too-cold"]');
  await expect(warning).toContainText('do not set');
  await warning.getByRole('button', { name: 'Heat Room to 15 °C' }).click();
  await expect(warning).toHaveCount(0);
});

test('the sheet of keys opens with ? and lists the tools', async ({ page, app }) => {
  await openBrinefold(page, app);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('raise ground');
});

test('a board is copied, put away and brought back', async ({ page, app }) => {
  await page.goto(app.url);
  const card = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Brinefold Saltworks', exact: true }) });
  await card.getByRole('button', { name: 'Copy' }).click();
  await expect(page.getByRole('heading', { name: 'Brinefold Saltworks (copy)' })).toBeVisible();
  await card.getByRole('button', { name: 'Archive' }).click();
  await expect(card).toHaveCount(0);
  await page.getByRole('button', { name: 'Restore' }).click();
  await expect(card).toHaveCount(1);
});

test('inches: a board of 45 × 30 in is typed, shown and cut in inches', async ({ page, app }) => {
  await page.goto(app.url);
  await page.getByRole('button', { name: 'New board' }).first().click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Measures').selectOption({ label: 'inches' });
  for (const [label, value] of [
    ['Table width', '45'],
    ['Table depth', '30'],
  ] as const) {
    await dialog.getByLabel(label).fill(value);
    await dialog.getByLabel(label).press('Enter');
  }
  await dialog.getByRole('button', { name: 'Create board' }).click();
  await expect(page.getByText('45 × 30 in, 4 tiles')).toBeVisible();
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Cuts' }).click();
  await page.getByRole('tab', { name: 'Parts' }).click();
  await expect(page.getByTestId('cut-list')).toContainText('15×22 1/2');
});

test('on a phone nothing hangs over the side and the tally is still there', async ({ page, app }) => {
  await newBoard(page, app, 'Pocket', 600, 400);
  await page.setViewportSize({ width: 390, height: 844 });
  const overhang = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(overhang).toBeLessThanOrEqual(0);
  // One line says what matters most; the rest opens out of it.
  await expect(page.getByTestId('tally-cost')).toBeHidden();
  await page.locator('.tally .summary').click();
  await expect(page.getByTestId('tally-cost')).toBeVisible();
});
