import { describe, expect, test } from 'vitest';
import { PlanSchema } from '../../plan/schema';
import { CATALOGUE, aBoard } from '../../testing';
import type { Catalogue } from '../schema';
import { changeWords, changesBetween, usedEntries } from './changes';

const METRIC = { system: 'metric', currency: 'EUR' } as const;
const used = usedEntries(PlanSchema, aBoard(), CATALOGUE);
/** The catalogue with one entry changed. */
const other = <K extends 'materials' | 'sheets' | 'coatings'>(kind: K, id: string, change: Partial<Catalogue[K][number]>): Catalogue => ({
  ...CATALOGUE,
  [kind]: CATALOGUE[kind].map((entry) => (entry.id === id ? { ...entry, ...change } : entry)),
});

describe('entries that a plan uses', () => {
  test('its foam with every size of it, the tools that cut it, and their cautions', () => {
    expect(used).toContain('materials.xps-foam');
    const sizes = CATALOGUE.sheets.filter(({ materialId }) => materialId === 'xps-foam');
    for (const { id } of sizes) expect(used).toContain(`sheets.${id}`);
    const [tool] = CATALOGUE.materials.find(({ id }) => id === 'xps-foam')!.toolIds;
    expect(used).toContain(`tools.${tool}`);
    for (const id of CATALOGUE.tools.find((one) => one.id === tool)!.cautionIds) expect(used).toContain(`cautions.${id}`);
  });
  test('and not what it has nothing of', () => {
    expect(used).not.toContain('materials.cork');
    expect([...used].some((place) => place.startsWith('castings.'))).toBe(false);
  });
});

describe('what changed between two catalogues', () => {
  const foam = CATALOGUE.materials.find(({ id }) => id === 'xps-foam')!;
  const sheet = CATALOGUE.sheets.find(({ materialId }) => materialId === 'xps-foam')!;
  test('nothing between one and itself, or one loaded again', () => {
    expect(changesBetween(CATALOGUE, CATALOGUE)).toEqual([]);
    expect(changesBetween(CATALOGUE, structuredClone(CATALOGUE))).toEqual([]);
    // A store may give what was kept in another order of its keys.
    const turned = (value: unknown): unknown =>
      Array.isArray(value)
        ? value.map(turned)
        : typeof value === 'object' && value !== null
          ? Object.fromEntries(
              Object.entries(value)
                .reverse()
                .map(([key, inner]) => [key, turned(inner)]),
            )
          : value;
    expect(changesBetween(CATALOGUE, turned(CATALOGUE) as Catalogue)).toEqual([]);
  });
  test('a figure with its range and a price are told in words', () => {
    const heavier = { value: 36, low: 30, high: 42, origin: 'yours' };
    const now = {
      ...other('materials', 'xps-foam', { densityKgPerM3: heavier }),
      sheets: other('sheets', sheet.id, { priceMinor: 1234 }).sheets,
    };
    const words = changesBetween(CATALOGUE, now).map((change) => changeWords(change, CATALOGUE, now, METRIC));
    const { value, low, high } = foam.densityKgPerM3;
    expect(words[0]).toEqual({
      name: foam.name,
      field: 'density',
      before: `${value} (${low} to ${high})\u00a0kg/m³`,
      after: '36 (30 to 42)\u00a0kg/m³',
    });
    expect(words[1]).toMatchObject({ field: 'price', after: '12.34\u00a0EUR' });
    expect(words).toHaveLength(2);
  });
  test('whose figure it is is no change of it', () => {
    const same = { ...foam.densityKgPerM3, origin: 'yours' };
    expect(changesBetween(CATALOGUE, other('materials', 'xps-foam', { densityKgPerM3: same }))).toEqual([]);
  });
  test('only of what is used', () => {
    const now = other('materials', 'cork', { name: 'Bark' });
    expect(changesBetween(CATALOGUE, now)).toHaveLength(1);
    expect(changesBetween(CATALOGUE, now, (place) => used.has(place))).toEqual([]);
  });
  test('an entry that came, and one that went', () => {
    const now = { ...CATALOGUE, sheets: [...CATALOGUE.sheets.filter(({ id }) => id !== sheet.id), { ...sheet, id: 'my-sheet' }] };
    const words = changesBetween(CATALOGUE, now).map((change) => changeWords(change, CATALOGUE, now, METRIC));
    expect(words.map(({ after }) => after)).toEqual(['gone', 'new']);
    expect(words[0]!.name).toContain(foam.name);
  });
});
