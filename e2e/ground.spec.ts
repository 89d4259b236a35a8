import type { Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { PNG } from 'pngjs';
import { WORKSHOP_CATALOGUE } from '@spare-acre/core/catalogue/workshop';
import type { Feature } from '@spare-acre/core/plan/features';
import { type Plan, newPlan } from '@spare-acre/core/plan';
import { type App, expect, newBoard, openBrinefold, savedPlan, test } from './app';

/** A channel on either of two tiles that meet at the seam, the second this far off. */
function twoChannels(offMm: number): Plan {
  const board = newPlan(
    { name: 'Two channels', units: 'metric', widthMm: 800, depthMm: 400, columns: 2, rows: 1, figureHeightMm: 28, startsOn: '2026-11-30' },
    WORKSHOP_CATALOGUE,
  );
  const channel = (id: string, name: string, fromX: number, toX: number, y: number): Feature => ({
    id,
    name,
    kind: 'water',
    locked: false,
    hidden: false,
    surfaceId: null,
    depthMm: 8,
    waterMm: 4,
    floor: 'flat',
    cutThrough: false,
    shape: {
      form: 'strip',
      points: [
        { x: fromX, y },
        { x: toX, y },
      ],
      widthMm: 60,
      bendMm: 0,
    },
  });
  return { ...board, features: [channel('west', 'West cut', 0, 400, 200), channel('east', 'East cut', 400, 800, 200 + offMm)] };
}
const importPlan = (page: Page, app: App, plan: Plan): Promise<string> =>
  page.request
    .post(`${app.url}/api/boards/import`, { data: plan })
    .then(async (answer) => `${app.url}/boards/${((await answer.json()) as { id: string }).id}/ground`);
/** A grey slope from black to white. */
const slopePng = (): Buffer => {
  const png = new PNG({ width: 60, height: 40 });
  for (let i = 0; i < 2400; i++) png.data.set([(i % 60) * 4, (i % 60) * 4, (i % 60) * 4, 255], i * 4);
  return PNG.sync.write(png);
};

test('a channel 5 mm off its partner shows at the seam with its size, and one click mends it', async ({ page, app }) => {
  await page.goto(await importPlan(page, app, twoChannels(0)));
  await page.locator('[data-feature=east]').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowDown'); // 5 mm
  const warning = page.locator('[data-code="seam/place"]');
  await expect(warning).toContainText('where A1 meets B1');
  await expect(warning).toContainText('5');
  await page.getByRole('button', { name: 'Tiles and seams' }).click();
  await expect(page.getByTestId('seam-fault')).toHaveCount(1);
  await expect(page.getByLabel('Plan of the table')).toContainText('5 mm');
  await warning.getByRole('button', { name: 'Move East cut 5 mm' }).click();
  await expect(page.getByTestId('seam-fault')).toHaveCount(0);
  await expect(warning).toHaveCount(0);
});

test('tiles tell what they weigh and where they fit; another split is taken from a reckoned list', async ({ page, app }) => {
  await openBrinefold(page, app);
  await page.getByRole('button', { name: 'Tiles and seams' }).click();
  const notes = page.getByLabel('Notes');
  await expect(notes.getByText('Stacked height')).toBeVisible();
  await expect(notes.locator('.passage', { hasText: 'Room door' })).toContainText('every tile');
  await notes.getByRole('button', { name: 'Compare ways to split' }).click();
  const splits = page.getByTestId('splits');
  await expect(splits.locator('tbody tr')).not.toHaveCount(0, { timeout: 30_000 });
  await expect(splits.locator('tr', { hasText: 'as drawn' })).toContainText('3 × 2');
  await splits.locator('tr', { hasText: '2 × 2' }).getByRole('button', { name: 'Use this' }).click();
  await expect(page.getByText('1500 × 1000 mm, 4 tiles')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText('1500 × 1000 mm, 6 tiles')).toBeVisible();
});

test('other tables: counted, a forced one shows the seams that fail, as drawn all mate', async ({ page, app }) => {
  await openBrinefold(page, app);
  await page.getByRole('button', { name: 'Rearrange' }).click();
  await expect(page.getByTestId('table-count')).toHaveText('1 layout possible');
  await expect(page.getByTestId('failing-seam')).toHaveCount(0);
  const tiles = page.getByTestId('laid-tile');
  await tiles.nth(0).click();
  await tiles.nth(4).click();
  await expect(page.getByTestId('failing-seam')).not.toHaveCount(0);
  await expect(page.getByRole('button', { name: 'B2, turned 0°' })).toBeVisible();
  await page.getByRole('button', { name: 'As drawn' }).click();
  await expect(page.getByTestId('failing-seam')).toHaveCount(0);
});

test('bare tiles with one mound can be laid in more than one way, and Another layout lays one', async ({ page, app }) => {
  await newBoard(page, app, 'Loose tiles', 1200, 400);
  await page.keyboard.press('r');
  const next = page.getByLabel('Next point: x, y');
  for (const place of ['60, 60', '+90, +60', '']) {
    await next.fill(place);
    await next.press('Enter');
  }
  await expect(page.getByLabel('Notes').getByRole('heading', { name: 'Raised ground' })).toBeVisible();
  await page.getByRole('button', { name: 'Rearrange' }).click();
  await expect(page.getByTestId('table-count')).toContainText('different layouts');
  await page.getByRole('button', { name: 'Another layout' }).click();
  await expect(page.getByText('All seams match.')).toBeVisible();
});

test('play checks: a narrower ramp stops the wide base; sight runs with progress and says what each side sees', async ({ page, app }) => {
  await openBrinefold(page, app);
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  const notes = page.getByLabel('Notes');
  const widest = notes.locator('.line', { hasText: 'Largest base, left to right' });
  await expect(widest).toContainText(/\d+/);
  await expect(page.getByTestId('way')).toBeVisible();
  await expect(page.getByTestId('levels')).toContainText('20 mm up');
  await notes.getByLabel('Base', { exact: true }).fill('60');
  await notes.getByLabel('Base', { exact: true }).press('Enter');
  await notes.getByRole('tab', { name: 'Standing room' }).click();
  await expect(page.getByTestId('overlay-no')).toBeVisible();
  await notes.getByRole('tab', { name: 'Sight' }).click();
  await notes.getByRole('button', { name: 'Check sight from every side' }).click();
  await expect(notes.getByTestId('seen')).toHaveCount(4, { timeout: 20_000 });
  await notes.getByTestId('seen').first().locator('.figure').click();
  await expect(page.getByTestId('last-step')).toContainText('Per cent in a whole');
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('overlay-unseen')).toBeVisible();
  await expect(page.getByTestId('yardstick')).toHaveCount(4);
});

test('an SVG outline comes in at its true size, a torn one is refused, heights become a hill', async ({ page, app }) => {
  await newBoard(page, app, 'Brought in', 1200, 800);
  const open = () => page.getByRole('button', { name: 'Import file' }).click();
  const take = (name: string, body: string | Buffer) =>
    page.getByLabel('Drawing or heightmap file').setInputFiles({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(body) });
  await open();
  await take('torn.svg', '<svg><rect');
  await expect(page.getByRole('alert')).toContainText('torn.svg is not valid XML');
  await take('torn.png', slopePng().subarray(0, 60));
  await expect(page.getByRole('alert')).toContainText('torn.png cannot be read as PNG');
  await take('photo.png', 'no picture at all');
  await expect(page.getByRole('alert')).toContainText('photo.png is not a PNG picture');
  await take('notes.txt', 'hello');
  await expect(page.getByRole('alert')).toContainText('Choose an SVG, DXF or PNG file');
  await take('shed.svg', '<svg width="200mm" viewBox="0 0 100 100"><rect x="5" y="5" width="60" height="30"/></svg>');
  await expect(page.getByTestId('import-size')).toContainText('1 outline, 120 × 60 mm');
  await page.getByRole('button', { name: 'Import', exact: true }).click();
  await expect(page.getByLabel('Notes').getByLabel('Left to right')).toHaveValue('120');
  await page.keyboard.press('Escape');
  await open();
  await take('slope.png', slopePng());
  await page.getByRole('button', { name: 'Import', exact: true }).click();
  await expect(page.getByLabel('Notes').getByText('steps of contour')).toContainText('6 steps');
  const plan = await savedPlan(page, app);
  expect(plan.features.map(({ kind }) => kind)).toEqual(['raised', 'hill']);
});

test('a sketch under the plan is brought to scale by two points; what is no picture is refused', async ({ page, app }) => {
  await newBoard(page, app, 'Underlaid', 1200, 800);
  const take = (name: string, buffer: Buffer) => page.getByLabel('Picture file').setInputFiles({ name, mimeType: 'image/png', buffer });
  await take('fake.png', Buffer.from('no picture at all'));
  await expect(page.getByRole('alert')).toContainText('neither PNG nor JPEG');
  await take('sketch.png', slopePng());
  await expect(page.getByTestId('underlay')).toBeVisible();
  await page.getByRole('button', { name: 'Scale by two points' }).click();
  const next = page.getByLabel('Next point: x, y');
  for (const place of ['100, 100', '300, 100']) {
    await next.fill(place);
    await next.press('Enter');
  }
  const distance = page.getByLabel('True distance');
  await distance.fill('300');
  await distance.press('Enter');
  await expect(distance).toHaveCount(0);
  // 1200 mm over 60 px, half as large again.
  expect((await savedPlan(page, app)) as unknown as Plan).toMatchObject({ underlay: { mmPerPx: 30, at: { x: -50, y: -50 } } });
});

test('several at once: lined up, mirrored, locked ones stay, and one undo takes each back', async ({ page, app }) => {
  await openBrinefold(page, app);
  await page.locator('[data-feature=pan-1]').click();
  await page.locator('[data-feature=pan-2]').click({ modifiers: ['Shift'] });
  const notes = page.getByLabel('Notes');
  await expect(notes.getByRole('heading', { name: '2 features' })).toBeVisible();
  await notes.getByRole('button', { name: 'Right', exact: true }).click();
  await page.keyboard.press('ArrowRight');
  type Shaped = { name: string; shape: { points: { x: number }[] } };
  const left = async (name: string) =>
    ((await savedPlan(page, app)).features as unknown as Shaped[]).find((one) => one.name === name)!.shape.points[0]!.x;
  expect(await left('Long pan')).toBe(65);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  expect(await left('Long pan')).toBe(60);
  await page.keyboard.press('Escape');
  await notes.getByRole('button', { name: 'Long pan: lock' }).click();
  await page.locator('[data-feature=pan-1]').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('alert')).toContainText('Long pan is locked');
  expect(await left('Long pan')).toBe(60);
});

test('in the round: drawn, walked, and taken away as STL and glTF', async ({ page, app }) => {
  await openBrinefold(page, app);
  await page.getByRole('button', { name: '3D' }).click();
  await expect(page.getByTestId('solid')).toHaveAttribute('data-ready', 'true', { timeout: 30_000 });
  await page.getByRole('button', { name: 'Walk through' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Arrow keys walk' })).toBeVisible();
  // Straight ahead the causeway rises too high for a figure.
  for (let i = 0; i < 8; i++) await page.keyboard.press('Shift+ArrowUp');
  await expect(page.getByRole('status').filter({ hasText: 'A figure cannot go further here' })).toBeVisible();
  await page.getByRole('button', { name: 'Figure’s view' }).click();
  const download = async (name: string): Promise<Buffer> => {
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name }).click()]);
    return readFile(await file.path());
  };
  const stl = await download('STL');
  // 80 bytes of head, a count of triangles, 50 bytes each.
  const triangles = stl.readUInt32LE(80);
  expect(stl.length).toBe(84 + triangles * 50);
  expect(triangles).toBeLessThan(19_000);
  const corners = Array.from({ length: triangles * 3 }, (_, i) => {
    const at = 84 + Math.floor(i / 3) * 50 + 12 + (i % 3) * 12;
    return [stl.readFloatLE(at), stl.readFloatLE(at + 4), stl.readFloatLE(at + 8)] as const;
  });
  // Z is up: the table is wide and deep, and 54 mm high from its underside to the causeway.
  const reach = (axis: 0 | 1 | 2): number => Math.max(...corners.map((c) => c[axis])) - Math.min(...corners.map((c) => c[axis]));
  expect([reach(0), reach(1)].map(Math.round)).toEqual([1500, 1000]);
  expect(reach(2)).toBeLessThan(120);
  // Closed: every side of a triangle is met by one that runs the other way.
  const sides = new Map<string, number>();
  for (let t = 0; t < triangles; t++) {
    for (const [a, b] of [
      [0, 1],
      [1, 2],
      [2, 0],
    ] as const) {
      const [from, to] = [corners[3 * t + a]!.join(), corners[3 * t + b]!.join()];
      sides.set(`${from} ${to}`, (sides.get(`${from} ${to}`) ?? 0) + 1);
      sides.set(`${to} ${from}`, (sides.get(`${to} ${from}`) ?? 0) - 1);
    }
  }
  expect([...sides.values()].filter((left) => left !== 0)).toEqual([]);
  const glb = await download('glTF');
  expect(glb.subarray(0, 4).toString()).toBe('glTF');
  expect(glb.readUInt32LE(8)).toBe(glb.length);
});

test('the look and what is chosen come back after a reload', async ({ page, app }) => {
  await openBrinefold(page, app);
  await page.getByRole('button', { name: 'Tiles and seams' }).click();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Tiles and seams' })).toBeVisible();
});

test('Larkstone opens in inches, its terraces in five contours, with nothing to look at', async ({ page, app }) => {
  await page.goto(app.url);
  await page.getByRole('heading', { name: 'Larkstone Terraces' }).click();
  await expect(page.getByText('45 × 30 in, 6 tiles')).toBeVisible();
  await expect(page.getByTestId('tally-warnings')).toContainText('none');
  await page.locator('[data-feature=terraces]').focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Notes').getByText('5 steps of contour')).toBeVisible();
});
