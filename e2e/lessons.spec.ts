import { expect, placeOn, test } from './app';

const TILE = { widthMm: 300, depthMm: 300 };
test.use({ demo: 'none' });

test('a newcomer draws a tile, builds it with the clock set on, ends the lessons, and nothing of it is left but the tile put away', async ({
  page,
  app,
}) => {
  test.setTimeout(120_000);
  await page.goto(app.url);
  await page.getByRole('button', { name: 'Start lessons' }).click();
  const lesson = page.getByTestId('lesson');
  const next = async (): Promise<void> => {
    await expect(lesson).toContainText('✓ Done.');
    await lesson.getByRole('button', { name: 'Next lesson' }).click();
  };
  const draw = async (key: string, fromMm: number, toMm: number): Promise<void> => {
    // The drawing comes by itself: a key before it goes nowhere.
    await expect(page.locator('svg.sheet .table-edge')).toBeVisible();
    await page.keyboard.press(key);
    const [a, b] = [await placeOn(page, fromMm, fromMm, TILE), await placeOn(page, toMm, toMm, TILE)];
    await page.mouse.move(a.x, a.y);
    await page.mouse.down();
    await page.mouse.move(b.x, b.y, { steps: 5 });
    await page.mouse.up();
    await page.keyboard.press('Escape');
  };
  await expect(lesson).toContainText('Lesson 1 of 11');
  await expect(lesson).not.toContainText('✓ Done.');
  await draw('r', 40, 150);
  await next();
  await draw('p', 190, 260);
  await next();

  // The section: a thicker layer. Reloaded in the middle it goes on where it was.
  await expect(page).toHaveURL(/section$/);
  await page.reload();
  await expect(lesson).toContainText('Lesson 3 of 11');
  await page.getByLabel('Notes').getByLabel('Thickness').first().selectOption({ label: '20 mm' });
  await next();
  await lesson.getByRole('button', { name: 'Skip lesson' }).click();
  await expect(page).toHaveURL(/coats$/);
  await lesson.getByRole('button', { name: 'Skip lesson' }).click();
  await page.getByRole('tab', { name: 'Rack' }).click();
  await page.getByTestId('leftover').first().getByRole('checkbox').check();
  await next();
  await lesson.getByRole('button', { name: 'Skip lesson' }).click();
  await lesson.getByRole('button', { name: 'Skip lesson' }).click();

  // The bench, at once tomorrow and the days after.
  const move = page.getByTestId('move');
  await expect(lesson).toContainText('Lesson 9 of 11');
  await move.getByRole('button', { name: 'Start' }).click();
  await move.getByRole('button', { name: 'Done', exact: true }).click();
  await next();
  const clock = lesson.getByTestId('practice-clock');
  const before = await clock.textContent();
  await lesson.getByRole('button', { name: 'One hour per second' }).click();
  await expect(clock).not.toHaveText(before!);
  await lesson.getByRole('button', { name: 'Real time' }).click();
  const finished = page.getByTestId('nothing');
  await expect(async () => {
    const on = lesson.getByRole('button', { name: 'Skip to the next task' });
    if (await on.isVisible()) await on.click({ timeout: 5_000 });
    const done = move.getByRole('button', { name: 'Done', exact: true });
    if (await done.isVisible()) await done.click({ timeout: 5_000 });
    await expect(finished).toBeVisible({ timeout: 300 });
  }).toPass({ timeout: 60_000, intervals: [200] });
  await next();

  // What it took, by another person's minutes; a made-up tile teaches the hand nothing.
  await page.getByLabel('Task').selectOption({ index: 1 });
  await page.getByLabel('Actual time').fill('55');
  await page.getByRole('button', { name: 'Add entry' }).click();
  await expect(lesson).toContainText('✓ Done.');
  await expect(page.getByText('Nothing learned yet.')).toBeVisible();

  await lesson.getByRole('button', { name: 'End the lessons' }).click();
  await expect(page.getByRole('heading', { name: 'Boards', exact: true })).toBeVisible();
  await page.getByRole('button', { name: /Archived boards/ }).click();
  await expect(page.getByText(/First tile archived/)).toBeVisible();
  // Shelf and rack have again what they had.
  const kept = async (path: string): Promise<unknown> => (await page.request.get(`${app.url}/api${path}`)).json();
  expect(JSON.stringify(await kept('/offcuts'))).not.toContain('cutSheetId');
  await expect.poll(async () => JSON.stringify(await kept('/hand'))).toBe('{"corrections":[],"refused":[]}');
  await expect(page.getByRole('button', { name: 'Start lessons' })).toBeVisible();
});

test.describe('with the demo boards', () => {
  test.use({ demo: 'once' });
  test('a board like Brinefold, a fifth larger: what that took is told beside it, and it opens with nothing done', async ({
    page,
    app,
  }) => {
    await page.goto(app.url);
    await page.getByRole('button', { name: 'New board' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Name').fill('Saltholm');
    await dialog.getByLabel('Name').press('Enter');
    await dialog.getByLabel('Start from').selectOption({ label: 'Brinefold Saltworks' });
    await dialog.getByLabel('Larger by').fill('20');
    await dialog.getByLabel('Larger by').press('Enter');
    await expect(dialog.getByTestId('like')).toContainText('1643 × 1095 mm in 6 tiles');
    // Four trials were logged: 100 min planned, 117 min real, and 117 × 1.2 here.
    const hours = dialog.getByTestId('likely').getByRole('row', { name: /Total hands-on time/ });
    await expect(hours).toContainText('1 h 57 min');
    await expect(hours).toContainText('2 h 20 min');
    await dialog.getByRole('button', { name: 'Create board' }).click();
    await expect(page.getByRole('heading', { name: 'Saltholm' })).toBeVisible();
    await expect(page.getByText('1643 × 1095 mm, 6 tiles')).toBeVisible();
  });
});
