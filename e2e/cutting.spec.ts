import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { anAxe, type App, expect, newBoard, numberIn, openBrinefold, savedRecord, test } from './app';

const TWENTY = /XPS insulation foam, 20 mm/;
async function openCuts(page: Page, app: App, material = TWENTY): Promise<void> {
  await openBrinefold(page, app, 'cuts');
  await page.getByRole('tab', { name: material }).click();
}
const tab = (page: Page, name: string): Promise<void> => page.getByRole('tab', { name, exact: true }).click();
const part = (page: Page, id: string) => page.locator(`.large [data-part="${id}"]`);
const download = async (page: Page, name: string): Promise<{ name: string; bytes: Buffer }> => {
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name, exact: true }).click();
  const file = await waiting;
  return { name: file.suggestedFilename(), bytes: await readFile(await file.path()) };
};

test('a longer search for a layout shows what it has, stops when told, and says what came of it', async ({ page, app }) => {
  await openCuts(page, app);
  await expect(page.getByTestId('cut-order')).toContainText(/from (its|the) left edge/);
  await tab(page, 'Job');
  await page.getByRole('button', { name: 'Search for a better layout' }).click();
  await expect(page.getByTestId('layout-progress')).toContainText(/\d+ new sheets/);
  await page.locator('.better').getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByTestId('layout-outcome')).toContainText(/fewer|Cheaper|larger offcut|No better/);
  await expect(page.getByRole('button', { name: 'Search for a better layout' })).toBeVisible();
});

test('a part is dragged, stays pinned through a search and a reload, and is let go of', async ({ page, app }) => {
  await openCuts(page, app);
  await page.getByRole('button', { name: 'Sheet 4', exact: true }).click();
  const own = part(page, 'C1-mound-0-0');
  const box = (await own.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 180, box.y + box.height / 2 + 40, { steps: 6 });
  await page.mouse.up();
  await expect(own).toHaveAttribute('aria-label', /pinned/);
  const moved = (await own.boundingBox())!;
  expect(moved.x - box.x).toBeGreaterThan(120);
  await tab(page, 'Job');
  await page.getByRole('button', { name: 'Search for a better layout' }).click();
  await expect(page.getByTestId('layout-progress')).toBeVisible();
  await page.locator('.better').getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByTestId('layout-outcome')).not.toBeEmpty();
  await expect(page.getByTestId('save-state')).toContainText('Saved');
  await page.reload();
  await page.getByRole('tab', { name: TWENTY }).click();
  const pinned = page.getByRole('button', { name: /Unpin all 1 parts/ });
  await expect(pinned).toBeVisible();
  await pinned.click();
  await expect(pinned).toHaveCount(0);
});

test('by keys: a part is turned, nudged and pinned; where it would lie on another it stays and says why', async ({ page, app }) => {
  await openCuts(page, app);
  await page.getByRole('button', { name: 'Sheet 4', exact: true }).click();
  const own = part(page, 'C1-mound-0-0');
  await own.focus();
  const before = (await own.boundingBox())!;
  await page.keyboard.press('t');
  await expect(own).toHaveAttribute('aria-label', /320 × 220.*pinned/);
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(async () => (await own.boundingBox())!.x).toBeGreaterThan(before.x);
  await page.keyboard.press('Shift+ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByTestId('hand-bar').getByRole('alert')).toContainText('overlap another part');
  await page.keyboard.press('p');
  await expect(own).not.toHaveAttribute('aria-label', /pinned/);
});

test('hot wire: what does not go in is told before cutting, and its split works', async ({ page, app }) => {
  await openCuts(page, app);
  await tab(page, 'Job');
  await page.getByLabel('Tool', { exact: true }).selectOption({ label: 'Hot wire' });
  const warning = page.locator('[data-code="cut/fence"]');
  await expect(warning).toContainText('the fence of hot wire allows');
  await warning.getByRole('button', { name: /^Split them in 2/ }).click();
  await expect(warning).toHaveCount(0);
  await tab(page, 'Parts');
  await expect(page.getByTestId('cut-list')).toContainText('piece 1 of 2');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(warning).toHaveCount(1);
});

test('three tiles of 610 mm are offered as 600 mm, and the offer buys just what it says', async ({ page, app }) => {
  await newBoard(page, app, 'Three tiles', 1_830, 610);
  for (const [label, count] of [
    ['Tiles across', '3'],
    ['Tiles deep', '1'],
  ] as const) {
    await page.getByLabel(label).fill(count);
    await page.getByLabel(label).press('Enter');
  }
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Cuts' }).click();
  // The best of them is seen without being looked for.
  await expect(page.getByTestId('best-offer')).toContainText('would save');
  await page.getByTestId('best-offer').getByRole('button', { name: 'Show all' }).click();
  const offer = page.getByTestId('fit-offer').filter({ has: page.getByText('Tiles 600 × 600 mm') });
  await expect(offer).toContainText('table 30 mm narrower and 10 mm shallower');
  await offer.getByRole('button', { name: 'Use this' }).click();
  await expect(page.getByTestId('tally-sheets')).toHaveText(/4/);
  await page.getByRole('tab', { name: /XPS insulation foam, 30 mm/ }).click();
  await expect(page.getByText('Sheet 1 of 2, XPS insulation foam, 30 mm')).toBeVisible();
});

test('a part longer than every sheet is split by itself, or told of where that is asked for; only oblong sheets make joints too', async ({
  page,
  app,
}) => {
  await newBoard(page, app, 'Long shore', 2_900, 500);
  const across = page.getByLabel('Tiles across');
  await across.fill('1');
  await across.press('Enter');
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Cuts' }).click();
  const warnings = page.locator('[data-code="cut/too-large"]');
  await tab(page, 'Parts');
  await expect(page.getByTestId('cut-list')).toContainText('4 × substrate, piece');
  await expect(warnings).toHaveCount(0);
  await tab(page, 'Job');
  await expect(page.getByText('does not fit on any sheet').first()).toBeVisible();
  await page.getByLabel('Join a part of several').selectOption({ label: 'never, warn me' });
  await expect(warnings).toHaveCount(4); // substrate and ground of two tiles, one behind the other
  await expect(warnings.first()).toContainText('the largest sheet of');
  await warnings.first().getByRole('button', { name: 'Split it in 2' }).click();
  await expect(warnings).toHaveCount(3);
  await page.getByLabel('Join a part of several').selectOption({ label: 'too large for every sheet' });
  await expect(warnings).toHaveCount(0);
  // Only the smallest sheet is left: the last one to be had stays.
  const had = page.getByTestId('sheet-had');
  for (let left = await had.count(); left > 1; left--) await had.nth(left - 1).uncheck();
  await expect(had.first()).toBeDisabled();
  await expect(warnings).toHaveCount(0);
  await page.reload();
  await tab(page, 'Job');
  await expect(page.getByTestId('sheet-had').nth(1)).not.toBeChecked();
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Section' }).click();
  await expect(page.getByTestId('slab').first()).toBeVisible();
  await expect(page.locator('[data-code="stack/joints"]')).toHaveCount(0);
});

test('a practice cut gives the kerf of the own blade, and bad measures are refused in words', async ({ page, app }) => {
  await openCuts(page, app);
  await tab(page, 'Kerf test');
  const card = page.getByTestId('practice');
  await expect(card).toContainText('Cut away from the hand');
  await card.getByLabel('Before').fill('100');
  await card.getByRole('textbox', { name: 'Strips together' }).fill('103');
  await expect(card.getByRole('alert')).toContainText('cannot be longer');
  await card.getByRole('textbox', { name: 'Strips together' }).fill('98.4');
  await card.getByRole('button', { name: 'Use this kerf' }).click();
  await expect(page.getByText('kerf 0.4 mm')).toBeVisible();
});

test('what a sheet leaves goes to the rack with one tick, and another board cuts from it first', async ({ page, app }) => {
  await page.goto(app.url);
  const card = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: 'Brinefold Saltworks', exact: true }) });
  await card.getByRole('button', { name: 'Copy' }).click();
  await expect(page.getByRole('heading', { name: 'Brinefold Saltworks (copy)' })).toBeVisible();
  await openCuts(page, app);
  await tab(page, 'Rack');
  const leftovers = page.getByTestId('leftover');
  const last = leftovers.last().getByRole('checkbox');
  await last.check();
  await expect(page.getByTestId('rack')).toContainText('left by this board');
  await page.reload();
  await page.getByRole('tab', { name: TWENTY }).click();
  await tab(page, 'Rack');
  await expect(leftovers.last().getByRole('checkbox')).toBeChecked();
  await page.goto(app.url);
  await page.getByRole('heading', { name: 'Brinefold Saltworks (copy)' }).click();
  await expect(page.getByTestId('tally-ready')).toContainText('Dec');
  await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Cuts' }).click();
  await page.getByRole('tab', { name: TWENTY }).click();
  await tab(page, 'Job');
  await expect(page.getByText('Offcuts from the rack')).toBeVisible();
  await tab(page, 'Rack');
  await expect(page.getByTestId('rack')).toContainText('used here');
  // What this board has cut up is gone from the rack, for the board that left it too; what it left itself is there for that one.
  const sheets = page.locator('.strip button');
  const usedHere = page.getByTestId('rack').getByText('used here');
  const pieces = await usedHere.count();
  let offcutSheet = 0;
  while (!(await page.getByText(/mm, offcut from the rack/).isVisible())) await sheets.nth(++offcutSheet).click();
  await leftovers.nth(offcutSheet).getByRole('checkbox').check();
  await expect(page.getByText(/offcut from the rack, cut/)).toBeVisible();
  await expect(page.getByTestId('hand-bar')).toHaveCount(0);
  await expect(usedHere).toHaveCount(pieces - 1);
  await expect.poll(async () => (await savedRecord(page, app)).cutSheets).toHaveLength(1);
  await page.keyboard.press('Control+z');
  await expect(usedHere).toHaveCount(pieces);
  await page.keyboard.press('Control+Shift+z');
  await expect(usedHere).toHaveCount(pieces - 1);
  const out = page.getByTestId('rack').getByRole('button');
  for (let left = await out.count(); left > 0; left--) {
    await out.first().click();
    await expect(out).toHaveCount(left - 1);
  }
  await expect(page.getByTestId('rack')).toHaveCount(0);
  await page.getByLabel('Width').fill('abc');
  await page.getByLabel('Depth').fill('200');
  await page.getByRole('button', { name: 'Add offcut' }).click();
  await expect(page.getByLabel('Notes').getByRole('alert')).toContainText('Width');
});

test('sheets, lists and templates are saved as files', async ({ page, app }) => {
  await openCuts(page, app, /MDF/);
  await tab(page, 'Files');
  const svg = await download(page, 'Save as SVG');
  expect(svg.name).toBe('brinefold-saltworks-mdf-6-mm-sheet-1.svg');
  expect(svg.bytes.toString()).toContain('width="1220mm"');
  expect((await download(page, 'Save as DXF')).bytes.toString()).toContain('LWPOLYLINE');
  for (const [name, file] of [
    ['Save as PDF', 'brinefold-saltworks-mdf-6-mm-sheet-1.pdf'],
    ['Export this job (PDF)', 'brinefold-saltworks-mdf-6-mm-cut-list.pdf'],
    ['Parts of this sheet', 'brinefold-saltworks-mdf-6-mm-sheet-1-templates.pdf'],
  ] as const) {
    const made = await download(page, name);
    expect(made.name).toBe(file);
    expect(made.bytes.subarray(0, 5).toString()).toBe('%PDF-');
  }
  const csv = await download(page, 'Export all jobs (CSV)');
  expect(csv.bytes.toString().split('\r\n')[0]).toContain('at_mm');
  await page.getByRole('button', { name: 'Shaped parts of this job' }).click();
  await expect(page.getByLabel('Notes').getByRole('alert')).toContainText('plain rectangle');
});

test('least money or fewest sheets: the aim changes what is bought', async ({ page, app }) => {
  await openCuts(page, app, /MDF/);
  await tab(page, 'Job');
  const sheets = page.getByTestId('tally-sheets').locator('.figure');
  const before = numberIn(await sheets.textContent());
  await page.getByLabel('Optimise for').selectOption({ label: 'fewest sheets' });
  await expect.poll(async () => numberIn(await sheets.textContent())).toBeLessThan(before);
});

test('every list of a job is free of the faults axe can find', async ({ page, app }) => {
  await openCuts(page, app);
  for (const list of ['Parts', 'Job', 'Rack', 'Kerf test', 'Files']) {
    await tab(page, list);
    const { violations } = await anAxe(page).analyze();
    expect(violations.map(({ id, nodes }) => `${list}: ${id} ${nodes[0]?.html}`)).toEqual([]);
  }
});
