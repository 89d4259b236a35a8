import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Figure, type Range, given, calculate, ranged, total } from '../../base/units';
import { showBand } from './words';
import { bandOf, quantile, varianceDriversOf } from './band';
import { Draws, at } from './draws';
import { type Drawn, Redrawn } from './redrawn';

const mean = (all: readonly number[]): number => all.reduce((sum, one) => sum + one, 0) / all.length;
const range = (low: number, value: number, high: number): Range => ({ low, value, high });
const input = (label: string, own: Range): Figure<'ml'> => ranged(given(label, own.value, 'ml', 'catalogue', 'a label'), own);
/** Ranges are told apart by their place in a list. */
const drawsOf = (ranges: readonly Range[], count = 2_000, seed = 7): Draws =>
  new Draws(count, seed, (one) => `entry ${ranges.indexOf(one)}`);
const list = (drawn: Drawn): readonly number[] => (typeof drawn === 'number' ? [drawn] : [...drawn]);

describe('a value drawn from its range', () => {
  test('lies within it, half of the chances below its value, however skewed', () => {
    const skewed = range(2, 3, 9);
    const drawn = drawsOf([skewed]).of(skewed);
    expect(Math.min(...drawn)).toBeGreaterThan(2);
    expect(Math.max(...drawn)).toBeLessThan(9);
    expect(drawn.filter((one) => one < 3)).toHaveLength(1_000);
    expect(mean([...drawn])).toBeGreaterThan(3.7);
  });
  test('thins out towards the ends: a quarter of the chances by 2.71, three quarters by 4.76', () => {
    expect(at(range(2, 3, 9), 0.25)).toBeCloseTo(2 + Math.SQRT1_2, 9);
    expect(at(range(2, 3, 9), 0.75)).toBeCloseTo(9 - 6 * Math.SQRT1_2, 9);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (a, b) => {
        expect(at(range(2, 3, 9), Math.max(a, b))).toBeGreaterThanOrEqual(at(range(2, 3, 9), Math.min(a, b)));
      }),
    );
  });
  test('that nothing has a name for is one all the same: drawn once, apart from others like it', () => {
    const [own, other] = [range(1, 2, 3), range(1, 2, 3)];
    const draws = new Draws(50, 7, () => undefined);
    expect(draws.of(own)).toBe(draws.of(own));
    expect(draws.of(other)).not.toEqual(draws.of(own));
  });
  test('is the same whatever else was drawn before it, and other chances with another seed', () => {
    const ranges = [range(1, 2, 3), range(10, 20, 30)];
    const [first, second] = [drawsOf(ranges), drawsOf(ranges)];
    first.of(ranges[0]!);
    expect(first.of(ranges[1]!)).toEqual(second.of(ranges[1]!));
    expect(drawsOf(ranges, 2_000, 8).of(ranges[1]!)).not.toEqual(second.of(ranges[1]!));
  });
});

describe('a figure worked out again', () => {
  const [film, loss] = [range(1, 1.5, 3), range(0, 10, 40)];
  const draws = drawsOf([film, loss]);
  test('one input that two figures share moves both together; another of the same numbers does not', () => {
    const twin = range(1, 1.5, 3);
    const own = drawsOf([film, twin]);
    const redrawn = new Redrawn(own);
    const twice = list(redrawn.of(calculate('Twice', 'ml', input('Film', film), '×', given('Two', 2, '1', 'definition'))));
    const more = list(redrawn.of(total('More', 'ml', [input('Film again', film), given('Rest', 4, 'ml', 'plan')])));
    const other = list(redrawn.of(input('Other', twin)));
    for (const [i, one] of twice.entries()) expect(more[i]!).toBeCloseTo(one / 2 + 4, 9);
    const apart = twice.reduce((sum, one, i) => sum + (one / 2 - mean([...twice]) / 2) * (other[i]! - mean([...other])), 0) / twice.length;
    expect(Math.abs(apart)).toBeLessThan(0.02);
  });
  test('comes in whole pots where it does', () => {
    const pots = calculate('Pots', '1', input('Need', film), '⌈÷⌉', given('A pot', 1, 'ml', 'catalogue'));
    expect(new Set(new Redrawn(draws).of(pots) as Float64Array)).toEqual(new Set([2, 3]));
  });
  test('of sure inputs is as sure: a number, and no band', () => {
    const sure = calculate('Area', 'mm²', given('a', 3, 'mm', 'plan'), '×', given('b', 4, 'mm', 'plan'));
    expect(new Redrawn(draws).of(sure)).toBe(12);
    expect(bandOf(12)).toBeNull();
    expect(quantile(12, 0.9)).toBe(12);
  });
  test('says what its width comes from: three and four at a right angle are nine and sixteen of twenty-five', () => {
    const ranges = [range(97, 100, 103), range(196, 200, 204), range(49.99, 50, 50.01)];
    const sum = total('Sum', 'ml', [input('Three', ranges[0]!), input('Four', ranges[1]!), input('Next to nothing', ranges[2]!)]);
    const found = varianceDriversOf(sum, drawsOf(ranges, 8_000));
    expect(found.map(({ label }) => label)).toEqual(['Sum: four', 'Sum: three']);
    expect(found[0]!.share).toBeCloseTo(16 / 25, 1);
    expect(found[1]!.share).toBeCloseTo(9 / 25, 1);
  });
});

describe('bands cover', () => {
  /** A need as those of a board: films, losses and shares of several materials, summed, in whole batches. */
  const needOf = (ranges: readonly Range[]): Figure =>
    total(
      'Need',
      'ml',
      ranges.map((one, i) =>
        i % 3 === 0
          ? calculate(
              'Batches',
              'ml',
              calculate('Count', '1', input('Film', one), '⌈÷⌉', given('A batch', one.value / 4, 'ml', 'catalogue')),
              '×',
              given('Each', one.value / 4, 'ml', 'catalogue'),
            )
          : calculate('Coat', 'ml', input('Film', one), '×', given('Coats', 1 + (i % 4), '1', 'plan')),
      ),
    );
  test('with truths drawn from the ranges nine in ten holds for 88 to 92 of a hundred, and one in ten below the lower end', () => {
    let [within, below, count] = [0, 0, 0];
    for (let seed = 1; seed <= 40; seed++) {
      const chance = new Draws(3, seed, () => 'sizes').of(range(1, 5, 40));
      const ranges = Array.from({ length: 2 + (seed % 9) }, (_, i) =>
        range(10 * (i + 1), 10 * (i + 1) + chance[0]!, 10 * (i + 1) + chance[0]! + chance[1]! * (1 + (i % 3))),
      );
      const need = needOf(ranges);
      const band = bandOf(new Redrawn(drawsOf(ranges, 2_000, seed)).of(need))!;
      for (const truth of list(new Redrawn(drawsOf(ranges, 500, 1_000 + seed)).of(need))) {
        count++;
        if (truth <= band.high + 1e-9) within++;
        if (truth < band.low - 1e-9) below++;
      }
    }
    expect(within / count).toBeGreaterThan(0.88);
    expect(within / count).toBeLessThan(0.92);
    expect(below / count).toBeLessThan(0.12);
    expect(below / count).toBeGreaterThan(0.07);
  });
});

test('a band is said once with its unit, in hours where it is long, and not at all where the eye sees no difference', () => {
  const showing = { system: 'metric', currency: 'EUR' } as const;
  expect(showBand({ low: 608.4, high: 707.8 }, 'ml', showing)).toBe('608\u2013708\u00a0ml');
  expect(showBand({ low: 900.4, high: 1_022.8 }, 'g', showing)).toBe('900\u00a0g to 1.02\u00a0kg');
  expect(showBand({ low: 1_993, high: 2_293 }, 'min', showing)).toBe('33\u201338\u00a0h');
  expect(showBand({ low: 608.1, high: 608.3 }, 'ml', showing)).toBe('');
});
