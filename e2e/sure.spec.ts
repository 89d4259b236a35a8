import { expect, openBrinefold, test } from './app';

test('figures have bands, a working names what its width comes from, and more of a material is bought to be surer, for its price', async ({
  page,
  app,
}) => {
  await openBrinefold(page, app);
  const band = (name: string) => page.getByTestId(`tally-${name}`).locator('.band');
  await expect(band('mass')).toHaveText(/^\d+\.\d+–\d+\.\d+\u00a0kg$/);
  await expect(band('handsOn')).toHaveText(/^\d+–\d+\u00a0h$/);
  await expect(band('ready')).toHaveText(/^9 in 10 by \w{3} \d+ \w{3}, \d\d:\d\d$/);
  // The layout is counted: nothing about the sheets is unsure.
  await expect(band('sheets')).toHaveText('');

  await page.getByTestId('tally-mass').locator('.figure').click();
  const width = page.getByTestId('width');
  await expect(width.getByRole('row').first()).toContainText(/film.*1 mm to 5 mm/);
  await expect(width.getByRole('row').first()).toContainText(/\d\d\u00a0%/);
  await page.keyboard.press('Escape');

  await page.getByRole('link', { name: 'Supplies' }).click();
  const filler = page.locator('[data-supply="light-filler"]');
  await expect(filler.locator('.band')).toHaveText(/\d\.\d+–\d\.\d+\u00a0l|\d+–\d+\u00a0ml/);
  const toBuy = filler.locator('td').nth(4).locator('.figure');
  const before = await toBuy.textContent();
  const sure = filler.getByLabel('Safety margin for Light filler, ready mixed');
  await expect(sure.locator('option', { hasText: 'enough 9 times in 10: ' })).toHaveText(/\d+\.\d\d\u00a0EUR$/);
  const price = /: (\d+\.\d\d)/.exec((await sure.locator('option', { hasText: 'enough 9 times in 10: ' }).textContent())!)![1]!;
  await sure.selectOption({ label: (await sure.locator('option', { hasText: 'enough 9 times in 10: ' }).textContent())!.trim() });
  await expect(toBuy).toContainText(price);
  expect(before).not.toContain(price);
  await page.reload();
  await expect(toBuy).toContainText(price);
  await filler.getByLabel('Safety margin for Light filler, ready mixed').selectOption({ label: 'default' });
  await expect(toBuy).toHaveText(before!);
});

test('what was measured is put in the place of ours: the band narrows, a reload keeps it, and ours comes back', async ({ page, app }) => {
  await openBrinefold(page, app);
  const mass = page.getByTestId('tally-mass');
  await expect(mass.locator('.band')).toHaveText(/kg$/);
  const [figure, wide] = [await mass.locator('.figure').textContent(), await mass.locator('.band').textContent()];
  await mass.locator('.figure').click();
  await page.getByRole('button', { name: /Enter my value.*Light filler, ready mixed, film/ }).click();
  const own = page.getByTestId('own-figure');
  await own.getByLabel('Highest').fill('900');
  await own.getByLabel('Highest').press('Tab');
  await own.getByRole('button', { name: 'Use my value on all boards' }).click();
  await expect(own.getByRole('alert')).toContainText('Enter 50 or less');
  for (const [label, value] of [
    ['Measured', '1.2'],
    ['Lowest', '1.1'],
    ['Highest', '1.3'],
  ] as const) {
    await own.getByLabel(label).fill(value);
    await own.getByLabel(label).press('Tab');
  }
  await own.getByRole('button', { name: 'Use my value on all boards' }).click();
  await expect(mass.locator('.figure')).not.toHaveText(figure!);
  await expect(mass.locator('.band')).toHaveText(/kg$/);
  const narrow = (await mass.locator('.band').textContent())!;
  const widthOf = (text: string): number => {
    const [low, high] = text.match(/\d+\.\d+/g)!.map(Number);
    return high! - low!;
  };
  expect(widthOf(narrow)).toBeLessThan(widthOf(wide!) / 2);

  await page.reload();
  await expect(mass.locator('.band')).toHaveText(narrow);
  await page.getByRole('link', { name: 'Supplies' }).click();
  const list = page.getByTestId('own-figures');
  await expect(list).toContainText('Light filler, ready mixed, film');
  await expect(list).toContainText('1.2\u00a0mm, 1.1 to 1.3\u00a0mm');
  await list.getByRole('button', { name: 'Use our value' }).click();
  await expect(mass.locator('.figure')).toHaveText(figure!);
  await expect(list).toHaveCount(0);
});
