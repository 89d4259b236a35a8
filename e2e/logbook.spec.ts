import { anAxe, expect, openBrinefold, test } from './app';

test('four sittings with more glue teach the next plan what the formula says; one absurd reading hardly moves it, refused it is as before', async ({
  page,
  app,
}) => {
  await openBrinefold(page, app, 'logbook');
  const form = page.getByRole('form', { name: 'Add entry' });
  const tally = page.getByTestId('tally-adhesive');
  await expect(tally).toContainText('g');
  const before = await tally.locator('.figure').textContent();
  await form.getByLabel('Task').selectOption({ index: 1 });
  await form.getByLabel('Material').selectOption({ label: 'White glue' });
  const planned = /([\d.]+)\s*g on/.exec((await form.textContent())!)![1]!;
  for (const factor of [1.2, 1.2, 1.2, 1.2]) {
    await form.getByLabel('Material').selectOption({ label: 'White glue' });
    const rows = await page.getByTestId('log').getByRole('row').count();
    await form.getByLabel('Used').fill(String(Number(planned) * factor));
    await form.getByRole('button', { name: 'Add entry' }).click();
    await expect(page.getByTestId('log').getByRole('row')).toHaveCount(rows === 0 ? 2 : rows + 1);
  }
  const learnt = page.getByTestId('learnt');
  await expect(learnt).toContainText('White glue');
  await expect(learnt).toContainText(/from 4 readings/);
  await expect(learnt).toContainText(/\+\d+ %/);
  await expect(tally.locator('.figure')).not.toHaveText(before!);
  await learnt.getByRole('button', { name: /^How White glue, spread was learned/ }).click();
  await expect(learnt.getByTestId('course')).toContainText(/After 4 readings it is 0\.\d\d to 1\.\d\d, most likely 1\.1\d\./);
  await expect(learnt.locator('.js-plotly-plot .scatterlayer .trace')).toHaveCount(4);
  await expect(page.getByTestId('hand-effect')).toContainText('cost', { timeout: 60_000 });
  await learnt.getByRole('checkbox').uncheck();
  await expect(tally.locator('.figure')).toHaveText(before!);
  await learnt.getByRole('checkbox').check();
  await expect(tally.locator('.figure')).not.toHaveText(before!);

  // Wrong input is told at once, and nothing typed is lost.
  await form.getByLabel('Actual time').fill('long');
  await form.getByLabel('Note').fill('The tub ran out half-way.');
  await form.getByRole('button', { name: 'Add entry' }).click();
  await expect(page.getByRole('alert')).toContainText('“long” is not a number');
  await form.getByLabel('Actual time').fill('50');
  await form.getByRole('button', { name: 'Add entry' }).click();
  await expect(page.getByTestId('log')).toContainText('The tub ran out half-way.');
  await page.reload();
  await expect(page.getByTestId('log')).toContainText('The tub ran out half-way.');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export Markdown' }).click();
  expect((await download).suggestedFilename()).toBe('brinefold-saltworks-log.md');
  expect((await anAxe(page).analyze()).violations.map(({ id, nodes }) => `${id}: ${nodes[0]!.html}`)).toEqual([]);
  while ((await page.getByRole('button', { name: /^Delete/ }).count()) > 0) {
    const left = await page.getByRole('button', { name: /^Delete/ }).count();
    await page
      .getByRole('button', { name: /^Delete/ })
      .first()
      .click();
    await expect(page.getByRole('button', { name: /^Delete/ })).toHaveCount(left - 1);
  }
  await expect(tally.locator('.figure')).toHaveText(before!);
});

test('a mishap is traced to what the board says of itself, its mend is planned; what was missed at the table is pinned on the plan', async ({
  page,
  app,
}) => {
  await openBrinefold(page, app, 'logbook');
  await expect(page.getByTestId('log')).toContainText('Trial: two strips cut and glued');
  await page.getByRole('tab', { name: 'Troubleshooting' }).click();
  const desk = page.getByTestId('mishap-desk');
  await desk.getByLabel('What went wrong?').selectOption({ label: 'The tile has bowed' });
  const first = desk.getByTestId('cause').first();
  await expect(first).toContainText('MDF is not sealed on both faces');
  await desk.getByLabel('Tile or piece').selectOption({ label: 'Tile B1' });
  await first.getByRole('button', { name: /^Plan it/ }).click();
  await expect(desk.getByRole('status')).toContainText('Planned');
  await desk.getByLabel('What went wrong?').selectOption({ label: 'A mitre will not close' });
  await expect(desk.getByTestId('cause').filter({ hasText: 'blunt' })).toContainText('not from your plan');
  await page.getByRole('tab', { name: 'Log' }).click();
  await expect(page.getByTestId('log')).toContainText('The tile has bowed, B1');

  await page.getByRole('tab', { name: 'After a game' }).click();
  const notes = page.getByTestId('table-notes');
  await notes.getByRole('button', { name: /^Pin (here|in the middle)/ }).click();
  await expect(notes.getByRole('alert')).toContainText('Enter a few words');
  await notes.getByRole('img').click({ position: { x: 200, y: 120 } });
  await notes.getByLabel('What was missed').fill('No cover by the sluice');
  await notes.getByRole('button', { name: 'Pin here' }).click();
  await expect(notes.getByRole('listitem')).toHaveCount(1);
  await page.getByRole('link', { name: 'Days' }).click();
  await expect(page.getByTestId('agenda')).toContainText('Wet the hollow side and weigh flat', { timeout: 30_000 });
  await page.reload();
  await page.getByRole('link', { name: 'Ground' }).click();
  await expect(page.getByTestId('table-pin')).toHaveText(/1/);
  await page.getByRole('link', { name: 'Logbook' }).click();
  await page.getByRole('tab', { name: 'After a game' }).click();
  await notes.getByRole('checkbox').check();
  await page.getByRole('link', { name: 'Ground' }).click();
  await expect(page.locator('svg.sheet .table-edge')).toBeVisible();
  await expect(page.getByTestId('table-pin')).toHaveCount(0);
});
