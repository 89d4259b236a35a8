import type { Page } from '@playwright/test';
import { type App, expect, savedPlan, test } from './app';
import { faultsOf } from './layout';

const DESK = { width: 1280, height: 800 };
const WIDE = { width: 1440, height: 900 };
const SMALL_DESK = { width: 1024, height: 768 };
const PHONE = { width: 390, height: 844 };
const VIEWS = ['Section', 'Cuts', 'Supplies', 'Days'];
const LOOKS = ['Tiles and seams', 'Rearrange', 'Play'];
const LONG = 'Old brine channel under the windpump mound by the west sluice';

/** Opens a board of the demo, changed, as a board of its own. */
async function boardOf(
  page: Page,
  app: App,
  name: string,
  change: (plan: { name: string; table: object; features: { name: string }[] }) => object,
): Promise<string> {
  await page.goto(app.url);
  await page.getByRole('heading', { name, exact: true }).click();
  await expect(page.getByTestId('tally-ready')).toBeAttached({ timeout: 60_000 });
  const plan = change((await savedPlan(page, app)) as never);
  const made = await page.request.post(`${app.url}/api/boards`, { data: { plan } });
  expect(made.status()).toBe(201);
  return ((await made.json()) as { id: string }).id;
}
const withTable =
  (columnWidthsMm: readonly number[], rowDepthsMm: readonly number[], features = true) =>
  (plan: { name: string; table: object; features: { name: string }[] }) => ({
    ...plan,
    name: `Board of ${columnWidthsMm.length} by ${rowDepthsMm.length}`,
    table: { ...plan.table, columnWidthsMm, rowDepthsMm },
    features: features ? plan.features : [],
  });
const BOARDS = [
  { name: 'Brinefold', of: 'Brinefold Saltworks', change: (plan: object) => plan, sizes: [DESK, WIDE, SMALL_DESK, PHONE] },
  { name: 'Larkstone', of: 'Larkstone Terraces', change: (plan: object) => plan, sizes: [DESK, PHONE] },
  { name: 'a square table', of: 'Brinefold Saltworks', change: withTable([500, 500], [500, 500]), sizes: [DESK, SMALL_DESK] },
  { name: 'a strip of 300 × 2400', of: 'Brinefold Saltworks', change: withTable([300], [600, 600, 600, 600], false), sizes: [DESK, PHONE] },
  { name: 'one tile', of: 'Brinefold Saltworks', change: withTable([600], [400], false), sizes: [PHONE] },
  {
    name: '24 tiles',
    of: 'Brinefold Saltworks',
    change: withTable([250, 250, 250, 250, 250, 250], [250, 250, 250, 250]),
    sizes: [SMALL_DESK],
  },
  {
    name: 'names of 60 letters',
    of: 'Brinefold Saltworks',
    change: (plan: { name: string; features: { name: string }[] }) => ({
      ...plan,
      name: LONG.slice(0, 60),
      features: plan.features.map((one) => ({ ...one, name: LONG.slice(0, 60) })),
    }),
    sizes: [DESK, PHONE],
  },
] as const;

for (const { name, of, change, sizes } of BOARDS) {
  test(`nothing overlaps, is cut off or scrolls sideways: ${name}`, async ({ page, app }) => {
    test.setTimeout(240_000);
    const boardId = await boardOf(page, app, of, change as never);
    const found: string[] = [];
    const look = async (where: string): Promise<void> => {
      await page.waitForTimeout(250);
      for (const fault of new Set(await faultsOf(page))) found.push(`${where}: ${fault}`);
    };
    for (const size of sizes) {
      await page.setViewportSize(size);
      await page.goto(`${app.url}/boards/${boardId}/ground`);
      await expect(page.locator('.tally')).toContainText('Ready', { timeout: 60_000 });
      for (const view of VIEWS) {
        await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: view }).click();
        await expect(page.getByTestId('skeleton')).toBeHidden({ timeout: 60_000 });
        await look(`${size.width} ${view}`);
      }
      await page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: 'Ground' }).click();
      for (const name of [...LOOKS, 'Draw']) {
        await page.getByRole('navigation', { name: 'Ways of looking' }).getByRole('button', { name }).click();
        await look(`${size.width} ground, ${name}`);
      }
    }
    expect(found).toEqual([]);
  });
}
