import type { Page } from '@playwright/test';
import { anAxe, type App, expect, openBrinefold, savedPlan, test } from './app';

const go = (page: Page, view: string): Promise<void> =>
  page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: view }).click();

async function takeShed(page: Page, app: App): Promise<void> {
  await openBrinefold(page, app);
  await go(page, 'Pieces');
  await page.getByRole('button', { name: 'Add piece' }).click();
  await page.getByRole('button', { name: /^Shed or hut/ }).click();
  await expect(page.getByRole('group', { name: /Shed or hut in 3D/ })).toBeVisible();
}
const shedIn = async (page: Page, app: App) => (await savedPlan(page, app)).pieces.find(({ name }) => name === 'Shed or hut')!;

test('a shed of three bases by two: taken, stood on a plot, its parts on a sheet, its bricks on the buy list, its gluing in the days; a base longer by its handle, all follows, undone', async ({
  page,
  app,
}) => {
  await takeShed(page, app);
  await expect(page.getByRole('textbox', { name: 'Width in bases' })).toHaveValue('3');
  await page.getByLabel('Place').selectOption({ label: 'on Boiling house' });
  const [plan, { id }] = [await savedPlan(page, app), await shedIn(page, app)];
  expect(plan.features.filter(({ pieceId }) => pieceId === id).map(({ name }) => name)).toEqual(['Boiling house']);

  await page.getByRole('tab', { name: 'Cladding', exact: true }).click();
  await page.getByRole('region', { name: 'Cladding' }).getByLabel('Roof', { exact: true }).selectOption({ label: 'Card slates' });
  const slates = async (): Promise<number> => Number(await page.getByTestId('units').first().innerText());
  await expect(page.getByTestId('units')).toHaveCount(1);
  const few = await slates();

  // room of 3 × 25 + 2 mm, the front covers both ends of 5 mm
  await page.getByRole('tab', { name: 'Parts', exact: true }).click();
  const front = page.getByRole('row', { name: /^Front wall/ });
  await expect(front).toContainText('87 mm');
  await page.getByRole('tab', { name: 'Drawing', exact: true }).click();
  await page.getByLabel('View', { exact: true }).selectOption({ label: 'top' });
  const handle = page.getByRole('slider', { name: 'Width in bases' });
  await handle.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('textbox', { name: 'Width in bases' })).toHaveValue('4');
  await page.getByRole('tab', { name: 'Parts', exact: true }).click();
  await expect(front).toContainText('112 mm');
  await page.getByRole('tab', { name: 'Cladding', exact: true }).click();
  await expect.poll(slates).toBeGreaterThan(few);
  await go(page, 'Supplies');
  await expect(page.getByRole('row', { name: /^Card slates/ })).toBeVisible();
  await go(page, 'Cuts');
  await page.getByRole('tab', { name: /Foam board.*5 mm/ }).click();
  await expect(page.getByRole('button', { name: /Shed or hut: front wall, (112 × 47|47 × 112)/ })).toBeVisible();
  await go(page, 'Days');
  await expect(page.getByTestId('agenda').getByRole('row', { name: /Assemble pieces.*Shed or hut/ })).toBeVisible();
  await expect(page.getByTestId('agenda').getByRole('row', { name: /Clad pieces.*Shed or hut/ })).toBeVisible();

  await go(page, 'Pieces');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect.poll(async () => (await shedIn(page, app)).settings['basesWide']).toBe(3);
  await go(page, 'Cuts');
  await page.getByRole('tab', { name: /Foam board.*5 mm/ }).click();
  await expect(page.getByRole('button', { name: /Shed or hut: front wall, (87 × 47|47 × 87)/ })).toBeVisible();
});

test('a size that cannot be is told at its field with what would do, and nothing is taken', async ({ page, app }) => {
  await takeShed(page, app);
  await page.getByRole('textbox', { name: 'Door, height' }).fill('60');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('taller than its wall of 42 mm. Enter up to 40 mm');
  await page.keyboard.press('Escape');
  await page.getByLabel('Roof').first().selectOption({ label: 'hipped' });
  await expect.poll(async () => (await shedIn(page, app)).settings).toMatchObject({ doorHeightMm: 35, roof: 'hipped' });
});

test('the mitre of an eight-sided basin is read off, and axe finds no fault with the view', async ({ page, app }) => {
  await openBrinefold(page, app);
  await go(page, 'Pieces');
  await page.getByRole('button', { name: 'Add piece' }).click();
  await page.getByRole('button', { name: /^Basin/ }).click();
  await page.getByRole('tab', { name: 'Details' }).click();
  await expect(page.getByText('Bevel of every wall')).toBeVisible();
  await expect(page.locator('.line', { hasText: 'Bevel of every wall' })).toContainText('22.5°');
  await expect(page.getByTestId('change')).toHaveCount(0);
  // In the round it is looked at with all the other views.
  for (const tab of ['Parts', 'Cladding', 'Assembly']) {
    await page.getByRole('tab', { name: tab, exact: true }).click();
    expect((await anAxe(page).analyze()).violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
  }
});

test('a lot without a table: a wall set counted for a given one, and a day it is ready', async ({ page, app }) => {
  await page.goto(app.url);
  await page.getByRole('button', { name: 'New board' }).first().click();
  await page.getByLabel('Name').fill('Walls for the hall');
  await page.getByLabel('With a table').uncheck();
  await page.getByRole('button', { name: 'Create board' }).click();
  await expect(page.getByRole('heading', { name: 'Walls for the hall' })).toBeVisible();
  await page.getByRole('button', { name: /^Wall set/ }).click();
  const count = page.getByLabel('Notes').locator('section', { hasText: 'Count for a table' });
  await count.getByRole('textbox', { name: 'Width', exact: true }).fill('1500');
  await count.getByRole('button', { name: 'Count' }).click();
  // 15 × 8 segments in two compounds: 2 × (15 − 2) + 3 × (8 − 1) lie between knots, two of them gates
  await expect(page.getByRole('textbox', { name: 'Straight', exact: true })).toHaveValue('45');
  await expect(page.getByRole('textbox', { name: 'T', exact: true })).toHaveValue('2');
  await expect(page.getByTestId('tally-ready')).toContainText(/\d\d:\d\d/);
  await go(page, 'Ground');
  await expect(page.getByTestId('no-table')).toBeVisible();
  await page.getByRole('button', { name: 'Add a table' }).click();
  await expect(page.getByLabel('Notes').getByLabel('Tiles across')).toHaveValue('1');
});

test('a piece of another board stands on this one too, or is made once more; a fence follows a line of the plan; its templates are saved', async ({
  page,
  app,
}) => {
  await openBrinefold(page, app);
  await go(page, 'Pieces');
  const gallery = page.getByRole('navigation', { name: 'Pieces' });
  await gallery.getByRole('button', { name: 'Add piece' }).click();
  await gallery.getByRole('button', { name: 'From another board' }).click();
  await gallery.getByLabel('Board', { exact: true }).selectOption({ label: 'Loose lot for the club night' });
  const first = gallery.getByRole('button', { name: / here too$/ }).first();
  const name = (await first.getAttribute('aria-label'))!.replace(/^Use | here too$/g, '');
  await first.click();
  const guest = async () => (await savedPlan(page, app)).pieces.find((piece) => piece.name === name);
  await expect.poll(async () => (await guest())?.isMadeElsewhere).toBe(true);

  await gallery.getByRole('button', { name: 'Add piece' }).click();
  await gallery.getByRole('button', { name: /^Fence or hedge/ }).click();
  await page.getByLabel('Runs', { exact: true }).selectOption({ label: 'along a drawn line' });
  await page.getByLabel('From the plan').selectOption({ label: 'Boardwalk' });
  const fence = async () =>
    (await savedPlan(page, app)).pieces.find((piece) => piece.family === 'fence' && piece.name === 'Fence or hedge')!;
  await expect.poll(async () => (await fence())?.settings['course']).toBe('drawn');
  const plot = async () => {
    const { id } = await fence();
    return (await savedPlan(page, app)).features.find(({ pieceId }) => pieceId === id);
  };
  await expect.poll(async () => (await plot())?.kind).toBe('plot');

  await gallery.getByRole('button', { name: /^Boiling house/ }).click();
  await page.getByRole('tab', { name: 'Parts', exact: true }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Paper templates' }).click();
  expect((await download).suggestedFilename()).toMatch(/templates\.pdf$/);
});
