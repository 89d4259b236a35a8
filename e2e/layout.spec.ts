import type { Page } from '@playwright/test';
import { type App, expect, test } from './app';
import { faultsInLongWords, faultsOf } from './layout';

const DESK = { width: 1280, height: 800 };
const SMALL_DESK = { width: 1024, height: 768 };
const PHONE = { width: 390, height: 844 };
/** Section is among the more on a phone. */
const viewsAt = ({ width }: typeof DESK): readonly string[] => [
  ...(width > 700 ? ['Section'] : []),
  'Pieces',
  'Cuts',
  'Supplies',
  'Days',
  'Bench',
];
const LOOKS = ['Tiles and seams', 'Rearrange', 'Play'];
const LONG = 'Old brine channel under the windpump mound by the west sluice';

/** What is changed of a plan here. */
interface Changed {
  readonly name: string;
  readonly table: object;
  readonly features: readonly { readonly name: string }[];
  readonly pieces: readonly { readonly name: string }[];
}
type Change = (plan: Changed) => Changed;

/** A board of the demo, changed, as a board of its own. */
async function boardOf(page: Page, app: App, name: string, change: Change): Promise<string> {
  const listed = (await (await page.request.get(`${app.url}/api/boards`)).json()) as { boards: { id: string; name: string }[] };
  const { id } = listed.boards.find((board) => board.name === name)!;
  const { plan } = (await (await page.request.get(`${app.url}/api/boards/${id}`)).json()) as { plan: Changed };
  const made = await page.request.post(`${app.url}/api/boards`, { data: { plan: change(plan) } });
  expect(made.status()).toBe(201);
  return ((await made.json()) as { id: string }).id;
}
const asItIs: Change = (plan) => plan;
const withTable =
  (columnWidthsMm: readonly number[], rowDepthsMm: readonly number[], isBare = false): Change =>
  (plan) => ({
    ...plan,
    name: `Board of ${columnWidthsMm.length} by ${rowDepthsMm.length}`,
    table: { ...plan.table, columnWidthsMm, rowDepthsMm },
    features: isBare ? [] : plan.features,
  });
const longNamed: Change = (plan) => ({
  ...plan,
  name: LONG.slice(0, 60),
  features: plan.features.map((one) => ({ ...one, name: LONG.slice(0, 60) })),
  pieces: plan.pieces.map((one) => ({ ...one, name: LONG.slice(0, 60) })),
});
const BOARDS: readonly { name: string; of: string; change: Change; sizes: readonly (typeof DESK)[] }[] = [
  { name: 'Brinefold', of: 'Brinefold Saltworks', change: asItIs, sizes: [DESK, PHONE] },
  { name: 'Larkstone', of: 'Larkstone Terraces', change: asItIs, sizes: [PHONE] },
  { name: 'a strip of 300 × 2400', of: 'Brinefold Saltworks', change: withTable([300], [600, 600, 600, 600], true), sizes: [DESK] },
  // Its bow is mended by several things at once, which makes a long word.
  { name: 'one great tile', of: 'Brinefold Saltworks', change: withTable([1500], [1000]), sizes: [DESK] },
  {
    name: '24 tiles',
    of: 'Brinefold Saltworks',
    change: withTable([250, 250, 250, 250, 250, 250], [250, 250, 250, 250]),
    sizes: [SMALL_DESK],
  },
  { name: 'names of 60 letters', of: 'Brinefold Saltworks', change: longNamed, sizes: [PHONE] },
];

for (const { name, of, change, sizes } of BOARDS) {
  test(`nothing overlaps, is cut off or scrolls sideways: ${name}`, async ({ page, app }) => {
    test.setTimeout(240_000);
    const isLong = name === 'Brinefold';
    const boardId = await boardOf(page, app, of, change);
    const found: string[] = [];
    const look = async (where: string): Promise<void> => {
      await page.waitForTimeout(250);
      for (const fault of new Set(await faultsOf(page))) found.push(`${where}: ${fault}`);
      if (!isLong) return;
      for (const fault of new Set(await faultsInLongWords(page))) found.push(`${where}, in long words: ${fault}`);
    };
    for (const size of sizes) {
      await page.setViewportSize(size);
      await page.goto(`${app.url}/boards/${boardId}/ground`);
      await expect(page.locator('.tally')).toContainText('Ready', { timeout: 60_000 });
      for (const view of viewsAt(size)) {
        await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: view }).click();
        await expect(page.getByTestId('skeleton')).toBeHidden({ timeout: 60_000 });
        await look(`${size.width} ${view}`);
      }
      await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Ground' }).click();
      for (const name of [...LOOKS, 'Draw']) {
        await page.getByRole('navigation', { name: 'Views of the ground' }).getByRole('button', { name }).click();
        await look(`${size.width} ground, ${name}`);
      }
      // With a tool in hand a line says what it does.
      await page.keyboard.press('r');
      await look(`${size.width} ground, a tool in hand`);
      await page.keyboard.press('s');
    }
    expect(found).toEqual([]);
  });
}

// Light moves nothing: each is looked at once.
for (const [size, light] of [
  [DESK, 'daylight'],
  [PHONE, 'lamp light'],
] as const) {
  test(`the shelf, the drawers and the dialogs at ${size.width} px, in ${light}`, async ({ page, app }) => {
    await page.setViewportSize(size);
    const found: string[] = [];
    const look = async (where: string): Promise<void> => {
      await page.waitForTimeout(400);
      for (const fault of new Set(await faultsOf(page))) found.push(`${where}: ${fault}`);
    };
    /** Comes late, as what is asked for only when it is wanted does. */
    const inDialog = async (where: string): Promise<void> => {
      const dialog = page.getByRole('dialog');
      await expect(dialog).toBeVisible();
      await look(where);
      await page.keyboard.press('Escape');
      await expect(dialog).toBeHidden();
    };
    await page.emulateMedia({ colorScheme: light === 'daylight' ? 'light' : 'dark' });
    await page.goto(app.url);
    await expect(page.getByText('1 warning')).toBeVisible({ timeout: 60_000 });
    await page.getByRole('button', { name: 'Archived boards' }).click();
    await look(`${light}: shelf`);
    await page.getByRole('button', { name: 'New board' }).click();
    await inDialog(`${light}: new board`);
    await page.getByRole('heading', { name: 'Brinefold Saltworks' }).click();
    await expect(page.locator('.tally')).toContainText('Ready', { timeout: 60_000 });
    await page.getByRole('button', { name: 'Import file …' }).click();
    await inDialog(`${light}: bring in a file`);
    await page.keyboard.press('?');
    await inDialog(`${light}: keys`);
    if (size === PHONE) await page.getByRole('button', { name: 'More' }).click();
    await page.getByText('This server').click();
    await expect(page.getByRole('heading', { name: 'From a phone' })).toBeVisible();
    await inDialog(`${light}: this server`);
    await page.getByTestId('save-state').click();
    await expect(page.getByRole('listitem').first()).toBeVisible();
    await inDialog(`${light}: earlier versions`);
    if (size === PHONE) await page.locator('.tally .summary').click();
    await page.getByTestId('tally-cost').getByRole('button').click();
    await inDialog(`${light}: a working`);
    await page.getByTestId('tally-warnings').getByRole('button').click();
    await look(`${light}: warnings`);
    expect(found).toEqual([]);
  });
}
