import { expect, newBoard, placeOn, savedPlan, test } from './app';

const TABLE = { widthMm: 1200, depthMm: 800 };
test.use({ demo: 'none' });

test('a board of 1200 × 800 in four tiles, drawn from nothing by mouse, keys and typed numbers, to its cut list', async ({ page, app }) => {
  await newBoard(page, app, 'Reed bank', TABLE.widthMm, TABLE.depthMm);
  await expect(page.getByRole('heading', { name: 'Reed bank' })).toBeVisible();
  await expect(page.getByText('1200 × 800 mm, 4 tiles')).toBeVisible();

  // Raised ground: a rectangle pulled open with the mouse.
  await page.keyboard.press('r');
  const [a, b] = [await placeOn(page, 100, 100, TABLE), await placeOn(page, 400, 300, TABLE)];
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move(b.x, b.y, { steps: 5 });
  await page.mouse.up();
  const notes = page.getByLabel('Notes');
  await expect(notes.getByRole('heading', { name: 'Raised ground' })).toBeVisible();
  await notes.getByLabel('Height').fill('40');
  await notes.getByLabel('Height').press('Enter');
  await page.keyboard.press('Tab');
  await notes.getByRole('button', { name: 'Deselect' }).click();

  // A pool: keys only. The cross starts in the middle of the table.
  await page.keyboard.press('p');
  for (let i = 0; i < 2; i++) await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Space');
  for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowRight');
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Space');
  await page.keyboard.press('Enter');
  await expect(notes.getByRole('heading', { name: 'Water' })).toBeVisible();
  await page.keyboard.press('Escape');

  // A track: clicked point by point, then made 70 mm wide by typing.
  await page.keyboard.press('t');
  for (const [x, y] of [
    [700, 100],
    [900, 150],
    [1100, 100],
  ] as const) {
    const at = await placeOn(page, x, y, TABLE);
    await page.mouse.click(at.x, at.y);
  }
  await page.keyboard.press('Enter');
  await notes.getByLabel('Width', { exact: true }).fill('70');
  await notes.getByLabel('Width', { exact: true }).press('Enter');

  const plan = await savedPlan(page, app);
  expect(plan.features.map(({ kind }) => kind)).toEqual(['raised', 'water', 'route']);
  expect(plan.features[0]!.shape.points[0]).toEqual({ x: 100, y: 100 });
  expect(plan.features[0]!.shape.points[2]).toEqual({ x: 400, y: 300 });
  expect(plan.features[1]!.shape.points[0]).toEqual({ x: 600, y: 500 });
  expect(plan.features[1]!.shape.points[2]).toEqual({ x: 800, y: 650 });
  expect(plan.features[2]!.shape.widthMm).toBe(70);

  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Cuts' }).click();
  await page.getByRole('tab', { name: /XPS insulation foam, 40 mm/ }).click();
  await expect(page.getByTestId('cut-order')).toContainText('from its left edge');
  await page.getByRole('tab', { name: 'Parts' }).click();
  const list = page.getByTestId('cut-list');
  await expect(list).toContainText('A1 Raised ground');
  await expect(list).toContainText(/300×200|200×300/); // as it lies on the sheet
  await page.getByRole('tab', { name: /MDF/ }).click();
  await expect(page.getByTestId('placed-part').first()).toBeVisible();
});

test('a pit deeper than the foam warns; thicker foam mends it in one click; undo takes it back', async ({ page, app }) => {
  await newBoard(page, app, 'Depth', 600, 400);
  await page.keyboard.press('d');
  const [a, b] = [
    await placeOn(page, 100, 100, { widthMm: 600, depthMm: 400 }),
    await placeOn(page, 200, 200, { widthMm: 600, depthMm: 400 }),
  ];
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move(b.x, b.y, { steps: 4 });
  await page.mouse.up();
  const depth = page.getByLabel('Notes').getByLabel('Depth');
  await depth.fill('34');
  await depth.press('Enter');
  const warning = page.locator('[data-code="pit/too-deep"]');
  await expect(warning).toContainText('goes deeper than the foam by 4');
  await warning.getByRole('button', { name: 'Make the top layer 50 mm' }).click();
  await expect(warning).toHaveCount(0);
  expect((await savedPlan(page, app)).stack.ground[0]!.thicknessMm).toBe(50);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(warning).toHaveCount(1);
  expect((await savedPlan(page, app)).stack.ground[0]!.thicknessMm).toBe(30);
});

test.describe('wrong input is answered at the field, and the plan stays', () => {
  test('a table 0, −5, 1e9 and abc wide, one after the other', async ({ page, app }) => {
    await newBoard(page, app, 'Table', 1200, 800);
    const width = page.getByLabel('Notes').getByLabel('Width', { exact: true });
    for (const [typed, said] of [
      ['0', 'too small'],
      ['-5', 'too small'],
      ['1e9', 'too large'],
      ['abc', 'is not a length'],
    ] as const) {
      await width.fill(typed);
      await width.press('Enter');
      await expect(page.getByRole('alert')).toContainText(said);
      await expect(page.getByRole('alert')).toContainText('40 to 12000 mm');
      await expect(width).toHaveValue(typed);
      await expect(page.getByText('1200 × 800 mm, 4 tiles')).toBeVisible();
      await width.press('Escape');
      await expect(width).toHaveValue('1200');
      await expect(page.getByRole('alert')).toHaveCount(0);
    }
  });

  test('the dialog for a new board says the same', async ({ page, app }) => {
    await page.goto(app.url);
    await page.getByRole('button', { name: 'New board' }).click();
    const width = page.getByRole('dialog').getByLabel('Table width');
    await width.fill('abc');
    await width.press('Enter');
    await expect(page.getByRole('alert')).toContainText('“abc” is not a length');
  });

  test('an outline dragged across itself is refused in words, and stays as it was', async ({ page, app }) => {
    await newBoard(page, app, 'Cross', 1200, 800);
    await page.keyboard.press('r');
    for (const [x, y] of [
      [200, 200],
      [500, 500],
      [500, 200],
      [200, 500],
    ] as const) {
      const at = await placeOn(page, x, y, TABLE);
      await page.mouse.click(at.x, at.y);
    }
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('crosses itself');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    expect((await savedPlan(page, app)).features).toEqual([]);
  });

  test('a file that is no plan is refused by name; a real one opens', async ({ page, app }) => {
    await newBoard(page, app, 'Keeper', 1200, 800);
    const plan = JSON.stringify(await savedPlan(page, app));
    await page.goto(app.url);
    const take = (name: string, text: string) =>
      page.getByLabel('Plan file').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
    await take('torn.json', plan.slice(0, 99));
    await expect(page.getByRole('alert')).toContainText('torn.json is not a JSON file');
    await take('wrong.json', plan.replace('"columnWidthsMm":[600', '"columnWidthsMm":[-5'));
    await expect(page.getByRole('alert')).toContainText('table.columnWidthsMm.0: got -5. Enter 40 to 3000 mm');
    await take('good.json', plan.replace('Keeper', 'Come back'));
    await expect(page.getByRole('heading', { name: 'Come back' })).toBeVisible();
  });
});
