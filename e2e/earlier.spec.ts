import { type Page } from '@playwright/test';
import { expect, openBrinefold, savedPlan, test } from './app';

const height = (page: Page) => page.getByLabel('Notes').getByLabel('Height', { exact: true });

/** Raises the windpump's mound by typing. */
async function raise(page: Page, mm: string): Promise<void> {
  await page.locator('[data-feature=mound]').focus();
  await page.keyboard.press('Enter');
  await height(page).fill(mm);
  await height(page).press('Enter');
}

test('earlier versions: listed by what was done, one laid beside today’s, gone on from, undone, and copied', async ({ page, app }) => {
  await openBrinefold(page, app);
  await raise(page, '30');
  await expect(page.getByTestId('save-state')).toHaveText('Saved, version 2');
  await page.getByTestId('save-state').click();
  const drawer = page.getByRole('dialog', { name: 'Earlier versions' });
  await expect(drawer.getByRole('listitem')).toHaveCount(2);
  await expect(drawer.getByRole('listitem').first()).toContainText('current');
  await drawer.getByRole('listitem').nth(1).getByRole('button').click();
  const mass = drawer.getByRole('row', { name: /^Mass/ });
  await expect(mass.getByRole('cell')).toHaveCount(3);
  await expect(mass).toContainText('+');
  await drawer.getByRole('button', { name: 'Restore this version' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('save-state')).toHaveText('Saved, version 3');
  await expect(height(page)).toHaveValue('20');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(height(page)).toHaveValue('30');
  await expect(page.getByTestId('save-state')).toHaveText('Saved, version 4');
  await page.getByTestId('save-state').click();
  await expect(drawer.getByRole('listitem').nth(1)).toContainText('Restore version 1');
  await drawer.getByRole('listitem').nth(3).getByRole('button').click();
  await drawer.getByRole('button', { name: 'Copy as new board' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Brinefold Saltworks (revision 1)');
  expect((await savedPlan(page, app)).features.length).toBeGreaterThan(10);
});

test('a mend says what it did, with its undo on it', async ({ page, app }) => {
  await openBrinefold(page, app);
  await page.getByRole('button', { name: 'Make the top layer 20 mm' }).click();
  await expect(page.getByTestId('tally-warnings')).toContainText('none');
  const toast = page.getByRole('alert').or(page.getByRole('status')).filter({ hasText: 'Make the top layer 20 mm' });
  await toast.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByTestId('tally-warnings')).toContainText('1 warning');
  await expect(toast).toBeHidden();
});

test('a ready date that moved opens to the task that no longer fitted', async ({ page, app }) => {
  await openBrinefold(page, app, 'days');
  const monday = page.getByLabel('Monday');
  const ready = page.getByTestId('tally-ready');
  const before = await ready.locator('.figure').textContent();
  await monday.fill('19:00–21:00');
  await monday.press('Enter');
  await expect(ready.locator('.figure')).not.toHaveText(before!);
  const sooner = (await ready.locator('.figure').textContent())!.trim();
  await expect(ready.getByTestId('change')).toBeHidden({ timeout: 15_000 });
  await monday.fill('');
  await monday.press('Enter');
  await ready.getByTestId('change').click();
  const why = page.getByTestId('shift');
  await expect(why).toContainText(`instead of ${sooner}`);
  await expect(why).toContainText(/no longer fits on|can no longer start on/);
});
