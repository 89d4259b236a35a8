import AxeBuilder from '@axe-core/playwright';
import { expect, numberIn, openBrinefold, savedPlan, test } from './app';

test('widening the brine channel by dragging changes area, adhesive, paint, cost and ready date, each with its change', async ({
  page,
  app,
}) => {
  await openBrinefold(page, app);
  await page.locator('[data-feature=channel]').focus();
  await page.keyboard.press('Enter');
  const takes = page.getByLabel('Notes');
  await expect(takes.getByText('Surface')).toBeVisible();
  const surface = takes.locator('.line', { hasText: 'Surface' });
  const before = numberIn(await surface.locator('.figure').textContent());
  const tally = (name: string) => page.getByTestId(`tally-${name}`);
  const readyBefore = await tally('ready').locator('.figure').textContent();

  const handle = (await page.getByTestId('girth-handle').boundingBox())!;
  const from = { x: handle.x + handle.width / 2, y: handle.y + handle.height / 2 };
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x, from.y - 6, { steps: 6 });
  await page.mouse.move(from.x, from.y - 14, { steps: 6 });
  await page.mouse.up();

  await expect(surface.getByTestId('change')).toContainText('+');
  for (const name of ['adhesive', 'paint', 'cost', 'ready']) await expect(tally(name).getByTestId('change')).toHaveText(/^[+−].*\d/);
  expect(numberIn(await surface.locator('.figure').textContent())).toBeGreaterThan(before);
  expect(await tally('ready').locator('.figure').textContent()).not.toBe(readyBefore);

  const channel = (await savedPlan(page, app)).features.find(({ name }) => name === 'Brine channel')!;
  expect(channel.shape.widthMm).toBeGreaterThan(75);

  await page.keyboard.press('Control+z');
  await expect(takes.getByLabel('Width')).toHaveValue('62');
  await page.keyboard.press('Control+y');
  await expect(takes.getByLabel('Width')).not.toHaveValue('62');
});

for (const name of ['sheets', 'mass', 'adhesive', 'paint', 'cost', 'hands-on', 'ready']) {
  test(`the working of ${name}: its last step, done by hand from what is shown, gives the figure`, async ({ page, app }) => {
    await openBrinefold(page, app);
    await page.getByTestId(`tally-${name}`).locator('.figure').click();
    const step = page.getByTestId('last-step');
    await expect(step).toBeVisible();
    await page.getByLabel('all digits').check();
    const rows = await step.locator('tr:not(.sum)').all();
    const amounts = await Promise.all(rows.map(async (row) => numberIn(await row.locator('.num').textContent())));
    const result = numberIn(await step.locator('tr.sum .num').textContent());
    expect(amounts.length).toBeGreaterThan(1);
    expect(amounts.reduce((sum, amount) => sum + amount, 0)).toBeCloseTo(result, 1);
    await expect(page.getByTestId('working').locator('.result')).toContainText(String(result).split('.')[0]!.slice(0, 1));
  });
}

test('a working opens step after step down to an input, and back', async ({ page, app }) => {
  await openBrinefold(page, app);
  await page.getByTestId('tally-adhesive').locator('.figure').click();
  const step = page.getByTestId('last-step');
  await step.getByRole('button').first().click(); // White glue = on the faces × loss
  await expect(step).toContainText('×');
  await page.getByLabel('all digits').check();
  const [net, factor] = await Promise.all(
    (await step.locator('tr:not(.sum) .num').all()).map(async (cell) => numberIn(await cell.textContent())),
  );
  expect(net! * factor!).toBeCloseTo(numberIn(await step.locator('tr.sum .num').textContent()), 2);
  await page.getByRole('button', { name: 'Back to Adhesive' }).click();
  await expect(page.getByRole('dialog')).toContainText('Adhesive');
});

test('a mend clears its warning in one click; undo brings the warning back', async ({ page, app }) => {
  await openBrinefold(page, app);
  const warning = page.locator('[data-code="pit/too-deep"]');
  await expect(warning).toContainText('Settling basin');
  await warning.getByRole('button', { name: 'Sink it 20 mm' }).click();
  await expect(warning).toHaveCount(0);
  await expect(page.getByTestId('tally-warnings')).toContainText('nothing');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(warning).toHaveCount(1);
});

for (const [view, sign] of [
  ['Ground', 'Size and tiles'],
  ['Section', 'Where it is cut'],
  ['Cuts', 'Cut list'],
  ['Supplies', 'Mixes'],
  ['Days', 'Bench hours'],
] as const) {
  test(`${view} opens, comes back after a reload, keeps within the window, and is free of the faults axe can find`, async ({
    page,
    app,
  }) => {
    await openBrinefold(page, app);
    await page.getByRole('navigation', { name: 'Views' }).getByText(view).click();
    await expect(page.getByText(sign).first()).toBeVisible();
    const address = page.url();
    await page.reload();
    expect(page.url()).toBe(address);
    await expect(page.getByText(sign).first()).toBeVisible();
    await expect(page.getByTestId('tally-ready')).toContainText('Dec');
    const overhang = await page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight);
    expect(overhang).toBeLessThanOrEqual(0);
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.map(({ id, nodes }) => `${id} ${nodes[0]?.html}`)).toEqual([]);
  });
}

for (const look of ['Tiles and seams', 'Rearrange', 'Play']) {
  test(`${look} on the ground is free of the faults axe can find`, async ({ page, app }) => {
    await openBrinefold(page, app);
    await page.getByRole('button', { name: look, exact: true }).click();
    await expect(page.getByRole('button', { name: look, exact: true })).toHaveAttribute('aria-pressed', 'true');
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.map(({ id, nodes }) => `${id} ${nodes[0]?.html}`)).toEqual([]);
  });
}

test('lamp light keeps its contrast', async ({ page, app }) => {
  await openBrinefold(page, app);
  await page.getByRole('button', { name: 'Lamp light' }).click();
  const { violations } = await new AxeBuilder({ page }).withRules(['color-contrast']).analyze();
  expect(violations.map(({ nodes }) => nodes.map(({ html }) => html))).toEqual([]);
});

test('the cut moves by keys and the section follows', async ({ page, app }) => {
  await openBrinefold(page, app);
  await page.getByRole('navigation').getByText('Section').click();
  const slabs = page.getByTestId('slab');
  await expect(slabs.first()).toBeVisible();
  const before = await slabs.count();
  await page.getByTestId('cut-to').focus();
  for (let i = 0; i < 6; i++) await page.keyboard.press('Shift+ArrowUp');
  await expect(page.getByText('Upper causeway').first()).toBeVisible();
  expect(await slabs.count()).not.toBe(before);
});
