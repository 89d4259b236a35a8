import { type BrowserContext, type Page } from '@playwright/test';
import { type App, expect, openBrinefold, test, allFetched } from './app';

/** Raises the height of a feature by typing. */
async function setField(page: Page, featureId: string, label: string, value: string): Promise<void> {
  await page.locator(`[data-feature=${featureId}]`).focus();
  await page.keyboard.press('Enter');
  const field = page.getByLabel('Notes').getByLabel(label, { exact: true });
  await field.fill(value);
  await field.press('Enter');
}

/** Brinefold in a second tab beside the first, which hears nothing of what the first does. */
async function secondTab(page: Page, app: App, context: BrowserContext): Promise<Page> {
  await openBrinefold(page, app);
  const other = await context.newPage();
  await other.route('**/live?*', (route) => route.abort());
  await other.goto(page.url());
  await expect(other.getByTestId('tally-ready')).toContainText('Dec');
  return other;
}

test('a board open in two places: each shows the other’s save within a second, and says who is there', async ({ page, app, context }) => {
  await openBrinefold(page, app);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByTestId('others')).toHaveText('Also here: a desk');
  await expect(page.getByTestId('others')).toHaveText('Also here: a desk');
  await setField(page, 'mound', 'Height', '30');
  await expect(page.getByTestId('save-state')).toHaveText('Saved, version 2');
  await expect(other.getByTestId('save-state')).toHaveText('Saved, version 2', { timeout: 1_000 });
  await setField(other, 'windpump', 'Radius', '70');
  await expect(page.getByTestId('save-state')).toHaveText('Saved, version 3');
  await page.locator('[data-feature=windpump]').focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Notes').getByLabel('Radius')).toHaveValue('70');
  await other.close();
  await expect(page.getByTestId('others')).toBeHidden();
});

test('two tabs on one board: the second is told, both changes go together, and nothing is lost', async ({ page, app, context }) => {
  const other = await secondTab(page, app, context);

  await setField(page, 'mound', 'Height', '30');
  await expect(page.getByTestId('save-state')).toHaveText('Saved, version 2');
  await setField(other, 'windpump', 'Radius', '70');

  const dialog = other.getByRole('dialog', { name: 'Someone else saved this board' });
  await expect(dialog).toContainText('Version 2 was saved from another tab');
  await expect(dialog).toContainText('can be merged without conflicts');
  await dialog.getByRole('button', { name: 'Merge both' }).click();
  await expect(other.getByTestId('save-state')).toHaveText('Saved, version 3');
  await other.reload();
  await other.locator('[data-feature=mound]').focus();
  await other.keyboard.press('Enter');
  await expect(other.getByLabel('Notes').getByLabel('Height')).toHaveValue('30');
  await other.locator('[data-feature=windpump]').focus();
  await other.keyboard.press('Enter');
  await expect(other.getByLabel('Notes').getByLabel('Radius')).toHaveValue('70');
});

test('the same thing changed in two tabs: the clash is named, and taking the other keeps mine as a board of its own', async ({
  page,
  app,
  context,
}) => {
  const other = await secondTab(page, app, context);
  await setField(page, 'mound', 'Height', '30');
  await expect(page.getByTestId('save-state')).toHaveText('Saved, version 2');
  await setField(other, 'mound', 'Height', '40');
  const dialog = other.getByRole('dialog', { name: 'Someone else saved this board' });
  await expect(dialog).toContainText('Changed in both: Boiling house mound');
  await dialog.getByRole('button', { name: /Use the other version/ }).click();
  await expect(other.getByLabel('Notes').getByLabel('Height')).toHaveValue('30');
  await other.goto(app.url);
  await expect(other.getByRole('heading', { name: 'Brinefold Saltworks (my copy)' })).toBeVisible();
});

test('the server killed in the middle of an edit: the edit is kept, and saved when the server is back', async ({ page, app }) => {
  await openBrinefold(page, app);
  await allFetched(page);
  await app.kill();
  await setField(page, 'mound', 'Height', '30');
  await expect(page.getByTestId('save-state')).toHaveText('Server not reachable: changes saved in this browser');
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Days' }).click();
  await expect(page.getByRole('heading', { name: 'Days', exact: true })).toBeVisible();
  await page.goBack();
  await app.start();
  await expect(page.getByTestId('save-state')).toHaveText('Saved, version 2');
  await page.reload();
  await expect(page.getByLabel('Notes').getByLabel('Height')).toHaveValue('30');
});

test('the tab closed while the server is away: the edit is there when the board is opened again', async ({ page, app, context }) => {
  await openBrinefold(page, app);
  const address = page.url();
  await allFetched(page);
  await app.kill();
  await setField(page, 'mound', 'Height', '30');
  await expect(page.getByTestId('save-state')).toHaveText('Server not reachable: changes saved in this browser');
  await page.close();
  await app.start();
  const again = await context.newPage();
  await again.goto(address);
  await expect(again.getByTestId('save-state')).toHaveText('Saved, version 2');
  await again.locator('[data-feature=mound]').focus();
  await again.keyboard.press('Enter');
  await expect(again.getByLabel('Notes').getByLabel('Height')).toHaveValue('30');
});

test('a board nobody has says so and offers the way back', async ({ page, app }) => {
  await page.goto(`${app.url}/boards/3f0c1f8e-0d7e-4a57-9d2f-6a4bb5a0c111/ground`);
  await expect(page.getByRole('alert')).toContainText('There is no board with that id');
  await page.getByRole('link', { name: 'All boards' }).click();
  await expect(page.getByRole('heading', { name: 'Boards' })).toBeVisible();
});
