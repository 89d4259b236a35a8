import { describe, expect, test } from 'vitest';
import { CATALOGUE } from '../testing';
import { loadCatalogue } from './load';
import { saidAt, validateOverride, withOwn } from './own';
import { figuresOf } from './ranges';

const PATH = 'coatings.light-filler.spread.filmMm';
const film = (of: typeof CATALOGUE) => {
  const { spread } = of.coatings.find(({ id }) => id === 'light-filler')!;
  if (spread.by !== 'film') throw new Error('a filler is spread by its film');
  return spread.filmMm;
};

describe('figures of the builder’s own', () => {
  test('stand in the place of ours, say so, and remember what ours was; all else stays, and the whole is sound', () => {
    const mine = withOwn(CATALOGUE, { [PATH]: { value: 1.4, low: 1.2, high: 1.6 } });
    const { value, low, high } = film(CATALOGUE);
    expect(film(mine)).toEqual({ value: 1.4, low: 1.2, high: 1.6, origin: 'yours', path: PATH, ours: { value, low, high } });
    expect(loadCatalogue(mine).ok).toBe(true);
    expect(withOwn({ ...mine, coatings: CATALOGUE.coatings }, {}).coatings).toEqual(withOwn(CATALOGUE, {}).coatings);
    expect(mine.tools).toEqual(withOwn(CATALOGUE, {}).tools);
    expect(film(CATALOGUE).origin).not.toBe('yours');
  });
  test('for a place that is gone change nothing', () => {
    expect(withOwn(CATALOGUE, { 'coatings.gone.spread.filmMm': { value: 1, low: 1, high: 1 } })).toEqual(withOwn(CATALOGUE, {}));
  });
  test('every figure has a place of its own', () => {
    const figures = figuresOf(CATALOGUE);
    expect(figures.get(PATH)).toBe(film(CATALOGUE));
    expect(figures.size).toBeGreaterThan(200);
    expect(figures.has('')).toBe(false);
  });
  test('are told by what they are called and measured in', () => {
    expect(saidAt(PATH)).toEqual({ name: 'film', unit: 'mm' });
    expect(saidAt('materials.xps-foam.densityKgPerM3')).toEqual({ name: 'density', unit: 'kg/m³' });
    expect(saidAt('airs.fan.factor')).toEqual({ name: 'factor', unit: '' });
    expect(saidAt('bench.glueSetUpMin')).toEqual({ name: 'glue set up', unit: 'min' });
  });
  test('far from ours are refused with what would do', () => {
    const ours = figuresOf(CATALOGUE).get(PATH)!;
    expect(validateOverride(PATH, { value: 1.4, low: 1.2, high: 1.6 }, ours)).toBeNull();
    expect(validateOverride(PATH, { value: 900, low: 1.2, high: 1_000 }, ours)).toBe(
      `high: got 1000. Enter ${ours.high * 10} or less: our value is at most ${ours.high}`,
    );
    expect(validateOverride(PATH, { value: 1, low: 0, high: 2 }, ours)).toContain('low: got 0');
    expect(validateOverride('a.b', { value: 1, low: 1, high: 1 }, undefined)).toContain('no value at “a.b”');
  });
});
