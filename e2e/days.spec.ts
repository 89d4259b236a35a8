import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import ICAL from 'ical.js';
import { type App, expect, openBrinefold, test } from './app';

test('better evenings are looked for and kept; a day it is wanted for says by how much it is missed; a way that brings it forward is taken', async ({
  page,
  app,
}) => {
  await openBrinefold(page, app, 'days');
  const ready = page.getByTestId('tally-ready').locator('.figure');
  const before = await ready.textContent();
  await page.getByRole('button', { name: 'Find an earlier finish' }).click();
  const found = page.getByTestId('evenings-found');
  await expect(found).toContainText('Earliest possible');
  await expect(page.getByRole('status').filter({ hasText: 'instead of' })).toBeVisible({ timeout: 40_000 });
  await expect(ready).not.toHaveText(before!);
  const better = await ready.textContent();
  await page.reload();
  await expect(ready).toHaveText(better!);

  const wanted = page.getByRole('textbox', { name: 'Needed by' });
  await wanted.fill('2026-12-19');
  await wanted.press('Enter');
  const late = page.locator('[data-code="days/late"]').first();
  await expect(late).toContainText(/\d\sd(\s\d+\sh)? too late/);
  const off = page.getByLabel('Days off');
  await off.fill('tomorrow');
  await off.press('Enter');
  await expect(page.getByRole('alert')).toContainText('2026-12-24 – 2026-12-26');
  await off.fill('2026-12-05');
  await off.press('Enter');
  await expect(page.getByTestId('agenda')).not.toContainText('Sat 5 Dec');

  await page.getByRole('group', { name: 'Days', exact: true }).getByRole('tab', { name: 'Finish earlier' }).click();
  await page.getByRole('button', { name: 'Compare options' }).click();
  const first = page.getByTestId('earlier').locator('tbody tr').first();
  await expect(first).toBeVisible({ timeout: 40_000 });
  const told = /\w{3} \d+ \w{3}, \d\d:\d\d/.exec((await first.locator('td').nth(1).textContent())!)![0];
  await first.getByRole('button', { name: 'Use this' }).click();
  await expect(ready).toContainText(told);

  // What would meet a day says so, and taken does.
  await wanted.fill('2026-12-20');
  await wanted.press('Enter');
  await page.getByRole('button', { name: 'Compare options' }).click();
  const makes = page.getByTestId('earlier').locator('tr', { hasText: '✓ in time' }).first();
  await expect(makes).toBeVisible({ timeout: 60_000 });
  await makes.getByRole('button', { name: 'Use this' }).click();
  await expect(page.locator('[data-code="days/late"]')).toHaveCount(0);
});

/** The notes of the days on one of their sheets. */
async function notes(page: Page, sheet: 'When' | 'Where' | 'Who'): Promise<void> {
  await page.getByRole('group', { name: 'Day notes' }).getByRole('tab', { name: sheet }).click();
}
const typeIn = async (page: Page, label: string, value: string): Promise<void> => {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(value);
  await field.press('Enter');
};
const readyOf = (page: Page) => page.getByTestId('tally-ready').locator('.figure');
async function openDays(page: Page, app: App): Promise<void> {
  await openBrinefold(page, app, 'days');
  await expect(page.getByTestId('agenda')).toContainText('Cut the ground');
}

test('the garage cooled to 6 °C blocks the glue, says until when and moves the date; a fan and a heated room bring it back, each by what it wins; where it never is warm enough there is no date', async ({
  page,
  app,
}) => {
  await openDays(page, app);
  const warm = await readyOf(page).textContent();
  await notes(page, 'Where');
  await page.getByLabel('In', { exact: true }).selectOption('garage');
  await page.getByLabel('Place', { exact: true }).last().selectOption('garage');
  await page.getByLabel('Conditions from').selectOption('typed');
  await typeIn(page, 'Temperature', '16');
  await typeIn(page, 'Humidity', '65');
  await expect(readyOf(page)).not.toHaveText(warm!);
  const cool = await readyOf(page).textContent();
  await page.getByRole('button', { name: 'Add period with other conditions' }).click();
  await typeIn(page, 'to', '2026-12-13');
  await typeIn(page, 'Period, temperature', '6');
  const cold = page.locator('[data-code="air/too-cold"]').first();
  await expect(cold).toContainText('6 °C');
  await expect(cold).toContainText('until Mon 14 Dec, 00:00');
  await expect(readyOf(page)).not.toHaveText(cool!);
  const blocked = await readyOf(page).textContent();

  await page.getByRole('group', { name: 'Days', exact: true }).getByRole('tab', { name: 'Finish earlier' }).click();
  await page.getByRole('button', { name: 'Compare options' }).click();
  const ways = page.getByTestId('earlier');
  const [fan, heated] = [ways.locator('[data-way="air-fan"]'), ways.locator('[data-way="heated"]')];
  await expect(heated).toBeVisible({ timeout: 60_000 });
  await expect(fan).toBeVisible({ timeout: 60_000 });
  for (const way of [fan, heated]) await expect(way.locator('td').nth(2)).toContainText(/\d+ (d|h)/);
  const told = /\w{3} \d+ \w{3}, \d\d:\d\d/.exec((await heated.locator('td').nth(1).textContent())!)![0];
  await heated.getByRole('button', { name: 'Use this' }).click();
  await expect(readyOf(page)).toHaveText(told);
  await expect(page.locator('[data-code="air/too-cold"]')).toHaveCount(0);
  expect(told).not.toBe(blocked);

  // In air that never lets it bind there is no date, and one click brings one.
  await typeIn(page, 'Temperature', '5');
  await expect(page.getByTestId('never')).toBeVisible();
  await expect(page.getByTestId('tally-ready')).toHaveCount(0);
  await page.locator('[data-code="air/too-cold"]').first().getByRole('button', { name: 'Heat Garage to 20 °C' }).click();
  await expect(page.getByTestId('tally-ready')).toContainText(/\d\d:\d\d/);
});

test('a pinned task keeps its place through other changes and a reload, and one that nothing can keep says so', async ({ page, app }) => {
  await openDays(page, app);
  const bar = page.locator('[data-task="cut-base-A1"]').first();
  await bar.focus();
  await bar.press('Enter');
  const card = page.getByTestId('task-card');
  await expect(card).toContainText('Cut the ground, A1');
  await card.getByLabel('Pin to day').fill('2026-12-12');
  await card.getByLabel('Pin to day').press('Enter');
  await card.getByLabel('at', { exact: true }).fill('10:15');
  await card.getByLabel('at', { exact: true }).press('Enter');
  await expect(card).toContainText('Sat 12 Dec, 10:15');
  await expect(card).toContainText('Pinned to this time');
  await typeIn(page, 'Thursday', '18:30–21:30');
  await expect(card).toContainText('Sat 12 Dec, 10:15');
  await card.getByLabel('at', { exact: true }).fill('25:00');
  await card.getByLabel('at', { exact: true }).press('Enter');
  await expect(page.getByRole('alert')).toContainText('Enter 19:30');
  await page.reload();
  await page.locator('[data-task="cut-base-A1"]').first().press('Enter');
  await expect(card).toContainText('Sat 12 Dec, 10:15');
  await card.getByRole('button', { name: 'Unpin' }).click();
  await expect(card).not.toContainText('Pinned to this time');

  // A pin that nothing can keep says so, and one click takes it off.
  await page.locator('[data-task="glue-base-A1"]').first().press('Enter');
  await expect(card).toContainText('Glue the ground, weigh down, A1');
  await card.getByLabel('Pin to day').fill('2026-11-30');
  await card.getByLabel('Pin to day').press('Enter');
  await card.getByLabel('at', { exact: true }).fill('06:00');
  await card.getByLabel('at', { exact: true }).press('Enter');
  const warning = page.locator('[data-code="days/pins"]').first();
  await expect(warning).toContainText('Glue the ground, weigh down, A1');
  await warning.getByRole('button', { name: 'Unpin' }).click();
  await expect(page.locator('[data-code="days/pins"]')).toHaveCount(0);
});

test('a child at the bench loses the knife work to someone else', async ({ page, app }) => {
  await openDays(page, app);
  await notes(page, 'Who');
  await page.getByLabel('Child: no blades, hot tools or sprays').check();
  await expect(page.locator('[data-code="days/nobody"]').first()).toContainText('Cut the ground');
  await page.getByRole('button', { name: 'Add person' }).click();
  await expect(page.locator('[data-code="days/nobody"]')).toHaveCount(0);
  const cut = page.getByTestId('agenda').locator('tr', { hasText: 'Cut the ground' }).first();
  await expect(cut).toContainText('Helper 1');
  await expect(page.getByTestId('agenda').locator('tr', { hasText: 'You' }).first()).toBeVisible();
  const helper = page.locator('[data-person="person-2"]');
  await helper.getByLabel('Own hours').fill('someday 10-12');
  await helper.getByLabel('Own hours').press('Enter');
  await expect(page.getByRole('alert')).toContainText('Sat 10:00–12:00');
  await helper.getByLabel('Own hours').fill('Sat 10:00–12:30');
  await helper.getByLabel('Own hours').press('Enter');
  await expect(page.getByTestId('agenda').locator('tbody').first()).not.toContainText('Cut the ground');
});

test('a stuck thermo-hygrometer is noticed, shown and not used; its readings go out and come in as CSV', async ({ page, app }) => {
  await openDays(page, app);
  await page.getByRole('group', { name: 'Days', exact: true }).getByRole('tab', { name: 'Conditions' }).click();
  await expect(page.getByTestId('air-chart').locator('.main-svg').first()).toBeVisible({ timeout: 20_000 });
  const sensor = page.locator('[data-sensor="garage-clock"]');
  await expect(sensor).toContainText('0 of them rejected');
  await sensor.getByLabel('Simulate fault').selectOption('stuck');
  await expect(sensor.getByTestId('sensor-fault')).toContainText('repeats the same value');
  await expect(sensor).not.toContainText(', 0 of them rejected');
  await sensor.getByText('Rejected readings').click();
  await expect(sensor.locator('tbody tr').first()).toContainText('repeats the same value');
  const coming = page.waitForEvent('download');
  await sensor.getByRole('button', { name: 'Export readings (CSV)' }).click();
  const csv = await readFile(await (await coming).path(), 'utf8');
  expect(csv.split('\n').length).toBeGreaterThan(300);
  await sensor.getByLabel('Simulate fault').selectOption('none');
  await expect(sensor).toContainText('0 of them rejected');
  await page
    .locator('input[accept=".csv,text/csv"]')
    .setInputFiles({
      name: 'attic.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('time,temp,humidity\n2026-11-28 10:00,14,60\nnever,1,2\n2026-11-28 22:00,11,66\n'),
    });
  await expect(page.getByRole('status').filter({ hasText: '2 readings imported, 1 skipped: line 3' })).toBeVisible();
  await expect(page.locator('section[aria-label="attic"]')).toBeVisible();
});

test('the evenings go out as a calendar that a parser reads; busy times come in and are kept clear; some minutes now are well spent', async ({
  page,
  app,
}) => {
  await openDays(page, app);
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export calendar (ICS)' }).click();
  const events = new ICAL.Component(ICAL.parse(await readFile(await (await coming).path(), 'utf8')) as never).getAllSubcomponents('vevent');
  expect(events.length).toBeGreaterThan(8);
  expect(new Set(events.map((event) => event.getFirstPropertyValue('uid'))).size).toBe(events.length);
  await expect(page.getByTestId('agenda')).toContainText('Tue 1 Dec');
  const busy = [
    'BEGIN:VCALENDAR',
    'BEGIN:VEVENT',
    'UID:a',
    'DTSTART:20261201T183000',
    'DTEND:20261201T220000',
    'END:VEVENT',
    'END:VCALENDAR',
  ].join('\r\n');
  const file = page.locator('input[type="file"]');
  await file.setInputFiles({ name: 'mine.ics', mimeType: 'text/calendar', buffer: Buffer.from('not a calendar') });
  await expect(page.getByRole('alert')).toContainText('BEGIN:VCALENDAR');
  await file.setInputFiles({ name: 'mine.ics', mimeType: 'text/calendar', buffer: Buffer.from(busy) });
  await expect(page.getByTestId('busy')).toContainText('1 busy time');
  await expect(page.getByTestId('agenda')).not.toContainText('Tue 1 Dec');
  const paper = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Print schedule' }).click();
  expect((await readFile(await (await paper).path())).subarray(0, 4).toString()).toBe('%PDF');
  await typeIn(page, 'Minutes', '120');
  await page.getByRole('button', { name: 'Suggest' }).click();
  await expect(page.getByTestId('now-choice')).toContainText(/of work|fits in this time/);
});
