import type { Page } from '@playwright/test';
import { WORKSHOP_CATALOGUE } from '@spare-acre/core/catalogue/workshop';
import { brinefold } from '@spare-acre/core/demo';
import type { Feature } from '@spare-acre/core/plan/features';
import { expect, newBoard, placeOn, savedPlan, test } from './app';

const TABLE = { widthMm: 1500, depthMm: 1000 };
test.use({ demo: 'none' });

const KEYS: Partial<Record<Feature['kind'], string>> = {
  raised: 'r',
  bank: 'b',
  ramp: 'm',
  route: 't',
  wall: 'w',
  plot: 'o',
  field: 'f',
  clear: 'k',
  light: 'g',
};
/** Labels of the numbers that differ from how a feature begins. */
const LABELS: Readonly<Record<string, string>> = {
  heightMm: 'Height',
  steps: 'Steps',
  stepInMm: 'Setback per step',
  crownMm: 'Crown',
  fromMm: 'At its foot',
  toMm: 'At its top',
  depthMm: 'Depth',
  waterMm: 'Water',
  rowMm: 'Between rows',
  plantMm: 'Plant height',
  lamps: 'Lamps',
  grooveMm: 'Groove depth',
};

/** Corners, middle line, or middle and rim: what is set on the plan for a shape. */
function placesOf({ shape }: Feature): (readonly [number, number])[] {
  if (shape.form === 'round')
    return [
      [shape.centre.x, shape.centre.y],
      [shape.centre.x + shape.radiusMm, shape.centre.y],
    ];
  if (shape.form === 'contours') throw new Error('Brinefold has no hills');
  if (shape.form === 'outline') return [shape.points[0]!, shape.points[2]!].map(({ x, y }) => [x, y] as const);
  return shape.points.map(({ x, y }) => [x, y] as const);
}

async function draw(page: Page, feature: Feature, how: 'mouse' | 'arrows' | 'typed'): Promise<void> {
  const isPool = feature.kind === 'water' && feature.shape.form !== 'strip';
  await page.keyboard.press(feature.kind === 'water' ? (isPool ? 'p' : 'c') : KEYS[feature.kind]!);
  const forms = page.getByRole('group', { name: 'Shape' });
  const form = { outline: 'Corners', round: 'Round', strip: 'Along a line', contours: '' }[feature.shape.form];
  if (await forms.isVisible()) await forms.getByRole('button', { name: form }).click();
  const places = placesOf(feature);
  if (how === 'mouse') {
    const [a, b] = [await placeOn(page, ...places[0]!, TABLE), await placeOn(page, ...places[1]!, TABLE)];
    await page.mouse.move(a.x, a.y);
    await page.mouse.down();
    await page.mouse.move(b.x, b.y, { steps: 4 });
    await page.mouse.up();
  } else if (how === 'arrows') {
    // From the middle of the table, 50 mm with Shift and 5 without.
    let at = { x: 750, y: 500 };
    for (const [x, y] of places) {
      for (const [axis, to] of [
        ['x', x],
        ['y', y],
      ] as const) {
        const name = axis === 'x' ? (to > at.x ? 'ArrowRight' : 'ArrowLeft') : to > at.y ? 'ArrowDown' : 'ArrowUp';
        const far = Math.abs(to - at[axis]);
        for (let i = 0; i < Math.floor(far / 50); i++) await page.keyboard.press(`Shift+${name}`);
        for (let i = 0; i < (far % 50) / 5; i++) await page.keyboard.press(name);
        at = { ...at, [axis]: to };
      }
      await page.keyboard.press('Space');
    }
    await page.keyboard.press('Enter');
  } else {
    const next = page.getByLabel('Next point: x, y');
    for (const [x, y] of places) {
      await next.fill(`${x}, ${y}`);
      await next.press('Enter');
    }
    await next.press('Enter');
  }
  await describe(page, feature);
}

async function describe(page: Page, feature: Feature): Promise<void> {
  const notes = page.getByLabel('Notes');
  const set = async (label: string, value: unknown): Promise<void> => {
    const field = notes.getByLabel(label, { exact: true });
    await expect(field).toBeVisible();
    if ((await field.inputValue()) === String(value)) return;
    await field.fill(String(value));
    await field.press('Enter');
    await expect(field).toHaveValue(String(value));
  };
  await set('Name', feature.name);
  const numbers = feature as unknown as Record<string, unknown>;
  for (const [key, label] of Object.entries(LABELS))
    if (key in numbers) await set(feature.kind === 'plot' ? 'Building height' : label, numbers[key]);
  if (feature.shape.form === 'strip') {
    await set('Width', feature.shape.widthMm);
    await set('Bends', feature.shape.bendMm);
  }
  if (feature.shape.form === 'round') await set('Radius', feature.shape.radiusMm);
  await notes.getByRole('button', { name: 'Deselect' }).click();
}

test('Brinefold redrawn from an empty board by mouse, arrow keys and typed places is Brinefold', async ({ page, app }) => {
  test.slow(); // the whole board, feature by feature
  test.setTimeout(300_000);
  await newBoard(page, app, 'Brinefold again', TABLE.widthMm, TABLE.depthMm);
  const across = page.getByLabel('Notes').getByLabel('Tiles across');
  if ((await across.inputValue()) !== '3') {
    await across.fill('3');
    await across.press('Enter');
  }
  // Keys draw only when no field has them.
  await page.getByRole('heading', { name: 'Brinefold again' }).click();
  await across.blur();
  // What is built on a plot is made in Pieces: here the ground alone is drawn.
  const wanted = brinefold(WORKSHOP_CATALOGUE).features.map((feature) =>
    feature.kind === 'plot' ? { ...feature, pieceId: null, pieceTurnDeg: 0 } : feature,
  );
  for (const [i, feature] of wanted.entries()) await draw(page, feature, i === 0 ? 'mouse' : i === 1 ? 'arrows' : 'typed');

  const plan = await savedPlan(page, app);
  const plain = ({ id: _, ...feature }: Feature): unknown => feature;
  expect((plan.features as unknown as Feature[]).map(plain)).toEqual(wanted.map(plain));
});
