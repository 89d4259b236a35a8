import { anAxe, expect, openBrinefold, test } from './app';

test('a foam of one’s own is added with its sheet and price, found by name, built with and cut at once', async ({ page, app }) => {
  await page.goto(`${app.url}/workshop`);
  await page.getByLabel('Find by any name').fill('xps');
  await page
    .getByTestId('entries')
    .getByRole('row', { name: /\bmaterial\b/ })
    .getByRole('button')
    .first()
    .click();
  const form = page.getByTestId('entry-form');
  await form.getByRole('button', { name: 'Copy as new entry' }).click();
  await form.getByLabel('name').fill('Grey harbour foam');
  await form.getByLabel('name').press('Tab');
  await form.getByRole('button', { name: 'Preview effect' }).click();
  await expect(page.getByTestId('effects')).toContainText(/Brinefold Saltworks\s*nothing/, { timeout: 60_000 });
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(form.locator('.sub')).toHaveText('material, yours');

  await page.getByLabel('Kind').selectOption({ label: 'Sheet sizes' });
  await page.getByRole('button', { name: 'Add a sheet size' }).click();
  await form.getByLabel('of', { exact: true }).selectOption({ label: 'Grey harbour foam' });
  for (const [label, value] of [
    ['thickness', '-4'],
    ['thickness', '20'],
    ['width', '1300'],
    ['depth', '600'],
    ['price', '7.77'],
  ] as const) {
    await form.getByLabel(label, { exact: true }).fill(value);
    await form.getByLabel(label, { exact: true }).press('Tab');
    if (value === '-4') await expect(form.getByRole('alert')).toContainText('Enter');
  }
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(form.locator('.sub')).toHaveText('sheet size, yours');

  await openBrinefold(page, app, 'section');
  await page.getByLabel('Layer 1').selectOption({ label: 'Grey harbour foam' });
  await page.getByRole('link', { name: 'Cuts' }).click();
  await expect(page.getByText(/Grey harbour foam/).first()).toBeVisible();
  await page.getByRole('link', { name: 'Supplies' }).click();
  await expect(page.getByTestId('supplies').getByRole('row', { name: /Grey harbour foam/ })).toContainText(/1300 × 600|1\u202f300 × 600/);
});

test('a price list comes in with two bad rows told by line and column; what it sells is bought there', async ({ page, app }) => {
  await page.goto(`${app.url}/workshop`);
  await page.getByRole('tab', { name: 'Shops and prices' }).click();
  await page.getByRole('button', { name: 'Add a shop' }).click();
  const shop = page.getByRole('region', { name: 'My shop' });
  const text = 'item,pack,price\nWhite glue,1 kg,0.50\nMoon dust,1 kg,5\n"Light filler, ready mixed",500 ml,cheap\nSuperglue,20 g,2.20\n';
  await shop.locator('input[type=file]').setInputFiles({ name: 'prices.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await expect(shop.getByRole('status')).toHaveText('2 prices imported, 2 rows skipped.');
  await expect(shop.getByTestId('bad-prices')).toContainText(/line 3, item: .*Moon dust/);
  await expect(shop.getByTestId('bad-prices')).toContainText(/line 4, price: .*cheap/);
  await openBrinefold(page, app, 'supplies');
  await page.getByRole('tab', { name: 'Buy list' }).click();
  await expect(page.getByRole('region', { name: 'My shop' })).toContainText('White glue');
});

test('a tub on the shelf lowers the buy list; what is bought goes to the shelf and off the list', async ({ page, app }) => {
  await openBrinefold(page, app, 'supplies');
  await page.getByRole('tab', { name: 'Buy list' }).click();
  const total = page.getByTestId('buy-total').locator('b');
  await expect(total).toHaveText(/\d+\.\d\d/);
  await expect(page.getByTestId('buy-total')).toContainText(/Lowest possible cost/);
  const priceOf = async (): Promise<number> => Number(/[\d.]+/.exec((await total.textContent())!)![0]);
  const before = await priceOf();
  const resin = page.locator('[data-buy="stuffs.resin"]');
  await expect(resin.first()).toBeVisible();

  await page.getByRole('link', { name: 'Workshop' }).click();
  await page.getByRole('tab', { name: 'Shelf' }).click();
  await page.getByLabel('Item').selectOption({ label: 'Resin, ml' });
  await page.getByLabel('Amount').fill('lots');
  await page.getByRole('button', { name: 'Add entry' }).click();
  await expect(page.getByRole('alert')).toContainText('Amount');
  await page.getByLabel('Amount').fill('5000');
  await page.getByRole('button', { name: 'Add entry' }).click();
  await expect(page.getByTestId('shelf')).toContainText(/Resin\s*5\.00\sl/);

  await openBrinefold(page, app, 'supplies');
  await expect(page.locator('[data-supply="stuff resin"]').getByTestId('on-shelf')).toBeVisible();
  await page.getByRole('tab', { name: 'Buy list' }).click();
  await expect(total).toHaveText(/\d+\.\d\d/);
  await expect(resin).toHaveCount(0);
  expect(await priceOf()).toBeLessThan(before - 10);
  const hardener = page.locator('[data-buy="stuffs.hardener"]');
  const count = await hardener.count();
  await hardener.first().getByRole('button', { name: 'Hardener is bought' }).click();
  await expect(hardener).toHaveCount(count - 1);
});

test('the shop sells out, and something else is taken instead, with change', async ({ page, app }) => {
  await page.goto(`${app.url}/workshop`);
  await page.getByRole('tab', { name: 'Shops and prices' }).click();
  for (const name of ['Lantern Lane Hobbies', 'Inkwell Yard Papers', 'Quarry Gate Builders']) {
    const shop = page.getByRole('region', { name });
    await shop.getByLabel('Simulate').selectOption({ label: 'A third is sold out' });
    await expect(shop).toContainText(/\d\d+ sold out/);
  }
  await openBrinefold(page, app, 'supplies');
  await page.getByRole('tab', { name: 'Buy list' }).click();
  const soldOut = page.getByTestId('sold-out');
  await expect(soldOut).toContainText('sold out');
  const rows = soldOut.locator('p');
  const tally = await page.getByTestId('tally-cost').locator('.figure').textContent();
  // Of those that are sold out the first that has a like of its own.
  for (let i = 0; i < (await rows.count()); i++) {
    await rows.nth(i).getByRole('button', { name: 'Substitute' }).click();
    const list = rows.nth(i).getByTestId('substitutes');
    await expect(list).not.toContainText('Trying each', { timeout: 60_000 });
    if ((await list.getByRole('button', { name: /^Use / }).count()) > 0) {
      await list.getByRole('button', { name: /^Use / }).first().click();
      await expect(page.getByTestId('tally-cost').locator('.figure')).not.toHaveText(tally!);
      await page.getByRole('button', { name: 'Undo', exact: true }).click();
      await expect(page.getByTestId('tally-cost').locator('.figure')).toHaveText(tally!);
      return;
    }
  }
  throw new Error('nothing that was sold out had a substitute');
});

test('ways are weighed; “under 130 EUR, no resin” leaves what fits, a point is taken with one click and undone with one', async ({
  page,
  app,
}) => {
  await openBrinefold(page, app);
  const cost = page.getByTestId('tally-cost').locator('.figure');
  const before = await cost.textContent();
  await page.getByRole('link', { name: 'Supplies' }).click();
  await page.getByRole('tab', { name: 'Compare options' }).click();
  await expect(page.getByTestId('weighed')).toContainText(/[\d,]+ options to build this/, { timeout: 60_000 });
  await page.getByLabel('Limits').fill('under 130 EUR, no resin, shiny');
  await expect(page.getByRole('alert').filter({ hasText: 'shiny' })).toBeVisible();
  await page.getByLabel('Limits').fill('under 130 EUR, no resin');
  const ways = page.getByTestId('ways').locator('tbody tr');
  await expect(ways.nth(1)).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Stop and keep best' }).click();
  await expect(ways.first()).toContainText('which does not meet the limits');
  const price = await ways.nth(1).locator('td').nth(1).textContent();
  await ways.nth(1).getByRole('button').click();
  await page.getByTestId('chosen-way').getByRole('button', { name: 'Use this' }).click();
  await expect(cost).toContainText(/[\d.]+/.exec(price!)![0]);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(cost).toHaveText(before!);
});

test('figures that changed since are told over the board with what they do to it; money paid stands against money planned, workpiece by workpiece', async ({
  page,
  app,
}) => {
  const remembered = page.waitForResponse((answer) => answer.url().endsWith('/edition'));
  await openBrinefold(page, app);
  await remembered;
  await expect(page.getByTestId('figures-changed')).toHaveCount(0);
  await page.getByRole('link', { name: 'Workshop' }).click();
  await page.getByRole('tab', { name: 'Money and words' }).click();
  await page.getByLabel('Trade names').selectOption({ label: 'American' });
  await page.getByRole('tab', { name: 'Materials and tools' }).click();
  await page.getByLabel('Find by any name').fill('filler');
  await page
    .getByTestId('entries')
    .getByRole('row')
    .filter({ has: page.getByRole('cell', { name: 'coating', exact: true }) })
    .getByRole('button', { name: 'Light spackle, ready mixed' })
    .click();
  const form = page.getByTestId('entry-form');
  const film = form.getByRole('group', { name: /^film/ }).getByLabel('usually');
  await film.fill('2.5');
  await film.press('Tab');
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(form.locator('.sub')).toContainText('changed');
  await openBrinefold(page, app);
  const changed = page.getByTestId('figures-changed');
  await changed.getByRole('button', { name: 'Show them' }).click();
  await expect(changed.getByRole('row').filter({ hasText: 'film' })).toContainText('2.5');
  await expect(page.getByTestId('figures-effect')).toContainText('cost', { timeout: 60_000 });
  await changed.getByRole('button', { name: 'Acknowledge' }).click();
  await expect(changed).toHaveCount(0);

  await page.getByRole('link', { name: 'Supplies' }).click();
  await page.getByRole('tab', { name: 'By workpiece' }).click();
  await expect(page.locator('[data-workpiece="A1"]')).toContainText('EUR');
  await page.getByRole('tab', { name: 'Buy list' }).click();
  await page.getByRole('button', { name: 'Resin is bought' }).click();
  await expect(page.getByRole('button', { name: 'Resin is bought' })).toHaveCount(0);
  await page.getByRole('tab', { name: 'Costs' }).click();
  await expect(page.getByTestId('spent')).toContainText(/EUR paid for items planned at/);
  await expect(page.getByTestId('spent-rows').getByRole('row').filter({ hasText: 'Resin' })).not.toContainText('not yet');
});

test('axe finds no fault with the workshop and the parts of the supplies', async ({ page, app }) => {
  await page.goto(`${app.url}/workshop`);
  await page.getByLabel('Find by any name').fill('filler');
  await page.getByTestId('entries').getByRole('button').first().click();
  const clean = async (): Promise<void> => {
    const { violations } = await anAxe(page).analyze();
    expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]!.html}`)).toEqual([]);
  };
  await clean();
  for (const name of ['Shelf', 'Shops and prices', 'Money and words']) {
    await page.getByRole('tab', { name }).click();
    await clean();
  }
  await openBrinefold(page, app, 'supplies');
  for (const name of ['Buy list', 'Costs']) {
    await page.getByRole('tab', { name }).click();
    await expect(page.getByTestId(name === 'Buy list' ? 'buy-total' : 'costs')).toBeVisible();
    await clean();
  }
});
