import { expect, openBrinefold, test } from './app';

test('better evenings are looked for and kept; a day it is wanted for says by how much it is missed; a way that brings it forward is taken', async ({
  page,
  app,
}) => {
  await openBrinefold(page, app);
  await page.getByRole('navigation', { name: 'Views' }).getByText('Days').click();
  const ready = page.getByTestId('tally-ready').locator('.figure');
  const before = await ready.textContent();
  await page.getByRole('button', { name: 'Look for earlier evenings' }).click();
  const found = page.getByTestId('evenings-found');
  await expect(found).toContainText('No sooner than');
  await expect(page.getByRole('status').filter({ hasText: 'instead of' })).toBeVisible({ timeout: 40_000 });
  await expect(ready).not.toHaveText(before!);
  const better = await ready.textContent();
  await page.reload();
  await expect(ready).toHaveText(better!);

  const wanted = page.getByRole('textbox', { name: 'Wanted for' });
  await wanted.fill('2026-12-19');
  await wanted.press('Enter');
  const late = page.locator('[data-code="days/late"]');
  await expect(late).toContainText('too late');
  const off = page.getByLabel('Days off');
  await off.fill('tomorrow');
  await off.press('Enter');
  await expect(page.getByRole('alert')).toContainText('2026-12-24 – 2026-12-26 would do');
  await off.fill('2026-12-05');
  await off.press('Enter');
  await expect(page.getByTestId('agenda')).not.toContainText('Sat 5 Dec');

  await page.getByRole('button', { name: 'Plan each way anew' }).click();
  const first = page.getByTestId('earlier').locator('tbody tr').first();
  await expect(first).toBeVisible({ timeout: 40_000 });
  const told = (await first.locator('td').nth(1).textContent())!.trim();
  await first.getByRole('button', { name: 'Take it' }).click();
  await expect(ready).toContainText(told);
});
