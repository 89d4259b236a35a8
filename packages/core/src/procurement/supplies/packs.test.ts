import fc from 'fast-check';
import { expect, test } from 'vitest';
import { cheapestPacks } from './packs';

test('1.3 l from 1 l at 8.60 and 500 ml at 5.20: one of each is 13.80, cheaper than three small ones', () => {
  expect(
    cheapestPacks(1300, [
      { amount: 500, priceMinor: 520 },
      { amount: 1000, priceMinor: 860 },
    ]),
  ).toEqual({
    packs: [
      { pack: { amount: 1000, priceMinor: 860 }, count: 1 },
      { pack: { amount: 500, priceMinor: 520 }, count: 1 },
    ],
    costMinor: 1380,
    amount: 1500,
  });
});

test('no need buys nothing', () => {
  expect(cheapestPacks(0, [{ amount: 500, priceMinor: 520 }])).toEqual({ packs: [], costMinor: 0, amount: 0 });
});

test('never dearer than any other combination, and always enough', () => {
  const size = fc.record({ amount: fc.integer({ min: 1, max: 40 }), priceMinor: fc.integer({ min: 1, max: 100 }) });
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 100 }), fc.array(size, { minLength: 1, maxLength: 3 }), (need, sizes) => {
      const choice = cheapestPacks(need, sizes);
      expect(choice.amount).toBeGreaterThanOrEqual(need);
      // Cheapest cover of every amount, by plain dynamic programming.
      const cost = [0];
      for (let n = 1; n <= need; n++)
        cost[n] = Math.min(...sizes.map(({ amount, priceMinor }) => priceMinor + cost[Math.max(0, n - amount)]!));
      expect(choice.costMinor).toBe(cost[need]);
    }),
  );
});

test('five sizes and a need of 80 000 are no trouble: as cheap as by going through every amount', () => {
  const sizes = [
    { amount: 1000, priceMinor: 1210 },
    { amount: 750, priceMinor: 905 },
    { amount: 330, priceMinor: 417 },
    { amount: 125, priceMinor: 171 },
    { amount: 60, priceMinor: 98 },
  ];
  const cost = new Float64Array(80_001);
  for (let n = 1; n <= 80_000; n++)
    cost[n] = Math.min(...sizes.map(({ amount, priceMinor }) => priceMinor + cost[Math.max(0, n - amount)]!));
  expect(cheapestPacks(80_000, sizes).costMinor).toBe(cost[80_000]);
  expect(cheapestPacks(79_999, sizes).costMinor).toBe(cost[79_999]);
});
