import { expect, test } from 'vitest';
import { WORKSHOP_CATALOGUE as CATALOGUE } from '../../catalogue/workshop';
import { stockedIn } from '../stock';
import { priceListCsv, readPriceList } from './index';

test('a list with two bad rows: both told by line and column, the others kept', () => {
  const text = [
    'Item;Pack;Price;From;From price;In stock',
    'White glue;1 kg;8.60;3;7.90;',
    'Moon dust;1 kg;5;;;',
    'Light filler, ready mixed;1 l;cheap;;;',
    'adhesives.superglue;20;3,50;;;4',
  ].join('\n');
  const { offers, bad } = readPriceList(text, CATALOGUE);
  expect(bad.map(({ line, column }) => [line, column])).toEqual([
    [3, 'item'],
    [4, 'price'],
  ]);
  expect(offers).toEqual([
    { stockId: 'adhesives.white-glue', amount: 1_000, priceMinor: 860, steps: [{ fromCount: 3, priceMinor: 790 }], stock: null },
    { stockId: 'adhesives.superglue', amount: 20, priceMinor: 350, steps: [], stock: 4 },
  ]);
});

test.each([
  ['pack', 'White glue,1 l,5,,,'],
  ['pack', 'White glue,-3 g,5,,,'],
  ['price', 'White glue,1 kg,0,,,'],
  ['from', 'White glue,1 kg,5,1,4,'],
  ['from_price', 'White glue,1 kg,5,3,6,'],
  ['in_stock', 'White glue,1 kg,5,,,2.5'],
])('a wrong %s is told: %s', (column, row) => {
  const { offers, bad } = readPriceList(`item,pack,price,from,from_price,in_stock\n${row}`, CATALOGUE);
  expect([offers, bad[0]?.line, bad[0]?.column]).toEqual([[], 2, column]);
  expect(bad[0]!.message).toMatch(/Enter|Use/);
});

test('a file that is no price list says which column it misses', () => {
  expect(readPriceList('a,b\n1,2', CATALOGUE).bad).toMatchObject([{ line: 1, column: 'item' }]);
  expect(readPriceList('', CATALOGUE).bad).toHaveLength(1);
});

test('a list goes out and comes back as it was, in money without cents too', () => {
  for (const currency of ['EUR', 'JPY']) {
    const catalogue = { ...CATALOGUE, currency };
    const offers = [...stockedIn(catalogue).values()].map(({ id, packs }, i) => ({
      stockId: id,
      amount: packs[0]!.amount,
      priceMinor: packs[0]!.priceMinor,
      steps: i % 3 === 0 ? [{ fromCount: 4, priceMinor: packs[0]!.priceMinor - 1 }] : [],
      stock: i % 2 === 0 ? i : null,
    }));
    expect(readPriceList(priceListCsv(offers, catalogue), catalogue)).toEqual({ offers, bad: [] });
  }
});
