import { expect, openBrinefold, test } from './app';

test('figures have bands, a working names what its width comes from, and more of a material is bought to be surer, for its price', async ({
  page,
  app,
}) => {
  await openBrinefold(page, app);
  const band = (name: string) => page.getByTestId(`tally-${name}`).locator('.band');
  await expect(band('mass')).toHaveText(/^\d+\.\d+–\d+\.\d+\u00a0kg$/);
  await expect(band('hands-on')).toHaveText(/^\d+–\d+\u00a0h$/);
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
  const sure = filler.getByLabel('How sure Light filler, ready mixed is to be enough');
  await expect(sure.locator('option', { hasText: 'enough in 9 of 10: ' })).toHaveText(/\d+\.\d\d\u00a0EUR$/);
  const price = /: (\d+\.\d\d)/.exec((await sure.locator('option', { hasText: 'enough in 9 of 10: ' }).textContent())!)![1]!;
  await sure.selectOption({ label: (await sure.locator('option', { hasText: 'enough in 9 of 10: ' }).textContent())!.trim() });
  await expect(toBuy).toContainText(price);
  expect(before).not.toContain(price);
  await page.reload();
  await expect(toBuy).toContainText(price);
  await filler.getByLabel('How sure Light filler, ready mixed is to be enough').selectOption({ label: 'as the rest' });
  await expect(toBuy).toHaveText(before!);
});
