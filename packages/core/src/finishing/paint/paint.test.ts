import { describe, expect, test } from 'vitest';
import { CATALOGUE } from '../../testing';
import { differenceOf, seen } from './difference';
import { type Pot, coatHex, potsOf, stirred } from './paint';
import { type SolvedMix, solveMix } from './solve';

const POTS = potsOf(CATALOGUE, []);
const pot = (id: string): Pot => POTS.find((one) => one.id === id)!;
const rgb = (hex: string): number[] => [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16));
const meanOf = (a: string, b: string): string =>
  `#${rgb(a)
    .map((value, i) =>
      Math.round((value + rgb(b)[i]!) / 2)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;

describe('paints stirred together', () => {
  test('one paint is itself, and the order of pouring does not matter', () => {
    expect(stirred([{ pot: pot('moss-bank'), parts: 3 }])).toBe('#5d6b3a');
    const [a, b] = [
      { pot: pot('salt-white'), parts: 2 },
      { pot: pot('brick-kiln'), parts: 1 },
    ];
    expect(stirred([a, b])).toBe(stirred([b, a]));
  });
  test('a strong pale with a weak dark is not the mean of their screen colours, by far', () => {
    const mixed = stirred([
      { pot: pot('salt-white'), parts: 1 },
      { pot: pot('bog-oak'), parts: 1 },
    ]);
    expect(differenceOf(mixed, meanOf('#f2efe6', '#3f3328'))).toBeGreaterThan(5);
  });
  test('blue and yellow make a green, which their mean is not', () => {
    const [blue, yellow] = [
      { id: 'b', name: 'b', hex: '#123f9c', tintingStrength: 1 },
      { id: 'y', name: 'y', hex: '#f2d21b', tintingStrength: 1 },
    ];
    const [r, g, b] = rgb(
      stirred([
        { pot: blue, parts: 1 },
        { pot: yellow, parts: 1 },
      ]),
    );
    expect(g!).toBeGreaterThan(r! + 15);
    expect(g!).toBeGreaterThan(b! + 15);
  });
  test('the more of the dark the darker, and a stronger paint counts for more', () => {
    const light = (dark: number, strength = 1): number =>
      seen(
        stirred([
          { pot: pot('salt-white'), parts: 4 },
          { pot: { ...pot('bog-oak'), tintingStrength: strength }, parts: dark },
        ]),
      ).lightness;
    expect(light(1)).toBeGreaterThan(light(2));
    expect(light(2)).toBeGreaterThan(light(6));
    expect(light(2)).toBeGreaterThan(light(2, 3));
  });
  test('a coat without a tint has its own colour; one whose paint is gone too', () => {
    const acrylic = CATALOGUE.coatings.find(({ id }) => id === 'craft-acrylic')!;
    expect(coatHex(acrylic, [], POTS)).toBe(acrylic.look.hex);
    expect(coatHex(acrylic, [{ paintId: 'gone', parts: 1 }], POTS)).toBe(acrylic.look.hex);
    expect(coatHex(acrylic, [{ paintId: 'chalk-cliff', parts: 1 }], POTS)).toBe(pot('chalk-cliff').hex);
  });
});

describe('a mix for a wanted colour', () => {
  const at = ['salt-white', 'bog-oak', 'moss-bank', 'brick-kiln'].map(pot);
  const solved = (wanted: string): SolvedMix => [...solveMix(wanted, at)].at(-1)!.best;
  /** Every way to put up to eight parts of four pots into a bowl, of no more than three of them. */
  const every = function* (): Generator<{ pot: Pot; parts: number }[]> {
    for (let a = 0; a <= 8; a++)
      for (let b = 0; a + b <= 8; b++)
        for (let c = 0; a + b + c <= 8; c++)
          for (let d = 0; a + b + c + d <= 8; d++) {
            const mix = [a, b, c, d].flatMap((parts, i) => (parts === 0 ? [] : [{ pot: at[i]!, parts }]));
            if (mix.length > 0 && mix.length <= 3) yield mix;
          }
  };
  test.each(['#7a6f52', '#4b5a3c', '#c9b7a0', '#2f3340'])('for %s none of all small mixes comes nearer', (wanted) => {
    const best = Math.min(...[...every()].map((mix) => differenceOf(wanted, stirred(mix))));
    expect(solved(wanted).difference).toBeCloseTo(best, 9);
  });
  test('a colour that is in a pot is that pot alone', () =>
    expect(solved('#5d6b3a')).toMatchObject({ parts: [{ paintId: 'moss-bank', parts: 1 }], difference: 0 }));
});
