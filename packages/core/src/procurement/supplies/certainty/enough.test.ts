import fc from 'fast-check';
import { expect, test } from 'vitest';
import { costsOf, enoughOf } from './enough';
import { cheapestPacks } from '../packs';

const POTS = [
  { amount: 500, priceMinor: 520 },
  { amount: 1_000, priceMinor: 860 },
];

test('nine hundred is enough in eight of ten; to be sure in nine a larger pot is bought', () => {
  const drawn = Float64Array.from({ length: 100 }, (_, i) => (i < 85 ? 400 : 700) + i / 100);
  expect([80, 90].map((ofHundred) => enoughOf(drawn, POTS, ofHundred).choice.costMinor)).toEqual([520, 860]);
});

test('what the packages for drawn needs cost is what each of them alone would', () => {
  const size = fc.record({ amount: fc.integer({ min: 1, max: 40 }), priceMinor: fc.integer({ min: 1, max: 100 }) });
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 120, noNaN: true }), { minLength: 1, maxLength: 40 }),
      fc.array(size, { minLength: 1, maxLength: 3 }),
      (needs, sizes) => {
        const costs = costsOf(Float64Array.from(needs), sizes);
        for (const [i, need] of needs.entries()) expect(costs[i]).toBe(cheapestPacks(need, sizes).costMinor);
      },
    ),
    { numRuns: 60 },
  );
});
