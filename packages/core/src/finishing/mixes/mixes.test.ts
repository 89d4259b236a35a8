import { describe, expect, test } from 'vitest';
import { CATALOGUE, aBoard, aCoat, aPool, derived, withCoats } from '../../testing';
import { given } from '../../base/units';
import { coatingBy } from '../../catalogue';
import { kitchenWords } from './kitchen';
import { partsOf, yieldOf } from './ingredients';
import { coversWith } from './tub';

const coating = (id: string) => coatingBy(CATALOGUE, id);
const ml = (value: number) => given('Target', value, 'ml', 'plan');

describe('what parts come to together', () => {
  test('mud of 6 soil, 2 glue, 2 water, 1 paint: 5 of liquid fill 3 of air, and 2 are left over the 6', () => {
    expect(yieldOf(coating('mud-paste'), CATALOGUE).all.value).toBeCloseTo(6 + (5 - 3), 9);
  });
  test('more grain than the liquid wets stays as bulky as the grain', () => {
    const dry = {
      ...coating('mud-paste'),
      recipe: {
        by: 'volume' as const,
        tintDropsPer100Ml: 0,
        parts: [
          { stuffId: 'fine-sand', parts: 10 },
          { stuffId: 'water', parts: 2 },
        ],
      },
    };
    expect(yieldOf(dry, CATALOGUE).all.value).toBeCloseTo(10, 9);
  });
  test('grout by weight, 100 g to 28 g of water: 83.3 ml of powder, half air, take the 28 ml whole', () => {
    expect(yieldOf(coating('grout-skin'), CATALOGUE).all.value).toBeCloseTo(100 / 1.2, 9);
    const parts = partsOf(coating('grout-skin'), ml(100 / 1.2), CATALOGUE);
    expect(parts.map(({ mass }) => mass.value)).toEqual([expect.closeTo(100, 6), expect.closeTo(28, 6)]);
  });
  test('resin weighed 100 to 45: 87.7 and 45.9 ml make 133.6', () => {
    const parts = partsOf(coating('weighed-epoxy'), ml(100 / 1.14 + 45 / 0.98), CATALOGUE);
    expect(parts.map(({ mass }) => mass.value)).toEqual([expect.closeTo(100, 6), expect.closeTo(45, 6)]);
  });
});

describe('bowls', () => {
  const mixesFor = (coats: Parameters<typeof withCoats>[2], kind: 'open' | 'water' = 'open', ...features: Parameters<typeof aPool>[0][]) =>
    derived(withCoats(aBoard({}, ...features.map((place) => aPool(place, 10, 8))), kind, coats)).mixes;

  test('a compound that sets in 15 minutes is mixed in so many bowls as can be spread in time', () => {
    const [mix] = mixesFor([aCoat('paper-plaster', 'spread', { filmMm: 5 })]);
    const volume = 0.96 * 1.3 * 5 * 1000 * 1.15;
    const minutes = (0.96 / 0.6) * 60;
    expect(mix!.volume.value).toBeCloseTo(volume, 6);
    expect(mix!.batches.value).toBe(Math.ceil(volume / Math.min(400, (volume * 15) / minutes)));
    expect(mix!.batches.value).toBeGreaterThan(10);
    const inBowl = mix!.inBatch.map((part) => part.volume.value);
    expect(inBowl[0]! / inBowl[1]!).toBeCloseTo(2, 9);
  });
  test('tint by the drop: 6 to 100 ml', () => {
    const mix = mixesFor([aCoat('tinted-epoxy', 'pour')], 'water', [100, 100, 300, 200]).find(({ tintDrops }) => tintDrops !== null)!;
    expect(mix.tintDrops!.value).toBeCloseTo((mix.batch.value * 6) / 100, 9);
  });
  test('two goes of a sealing glue leave twice the solids of one', () => {
    const solids = (goes: number): number => mixesFor([aCoat('sealing-glue', 'soak', { goes })])[0]!.solids!.value;
    expect(solids(1)).toBeCloseTo(300 * 1.05 * 1.02 * 0.1, 6);
    expect(solids(2)).toBeCloseTo(solids(1), 6);
    const [mix] = mixesFor([aCoat('sealing-glue', 'soak', { goes: 2 })]);
    expect(mix!.area.value).toBeCloseTo(2 * 0.96, 9);
  });
});

describe('kitchen measures', () => {
  test.each([
    [250, 'metric', '1 cup'],
    [20, 'metric', '1 tbsp 1 tsp'],
    [6.2, 'metric', '1¼ tsp'],
    [0.3, 'metric', 'a pinch'],
    [236.588, 'us', '1 cup'],
    [14.787, 'us', '1 tbsp'],
    [700, 'metric', '2 cups 13 tbsp'],
  ] as const)('%d ml, %s: %s', (volume, kitchen, words) => expect(kitchenWords(volume, kitchen)).toBe(words));
});

test('250 ml left of the powder covers what it makes: the mix for all is 1248 ml of powder on 0.96 m²', () => {
  const [mix] = derived(withCoats(aBoard(), 'open', [aCoat('paper-plaster', 'spread', { filmMm: 2 })])).mixes;
  const powder = mix!.parts.find(({ stuffId }) => stuffId === 'paper-powder')!;
  expect(coversWith(mix!, { partId: 'paper-powder', leftMl: 250 }).value).toBeCloseTo((0.96 * 250) / powder.volume.value, 9);
  expect(coversWith(mix!, { partId: null, leftMl: mix!.volume.value / 2 }).value).toBeCloseTo(0.48, 9);
});
