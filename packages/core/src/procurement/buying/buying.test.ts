import { expect, test } from 'vitest';
import { seeded } from '../../base/random';
import { anErrand, bestOfAll } from '../../testing';
import { type Offer, type Terms, leastCost, priceAt } from './index';

const SHOP: Terms = { id: 'a', name: 'A', deliveryMinor: 0, freeFromMinor: null, days: 2 };
const offer = (change: Partial<Offer>): Offer => ({
  shopId: 'a',
  stockId: 'glue',
  amount: 500,
  priceMinor: 500,
  steps: [],
  stock: null,
  ...change,
});
const GLUE = [{ stockId: 'glue', amount: 900 }];

test('small errands come to what looking at every basket finds, money first and then what is left over', () => {
  let coupled = 0;
  for (let seed = 1; seed <= 250; seed++) {
    const random = seeded(seed);
    const errand = anErrand(random, 1 + (seed % 3), 1 + (seed % 4), 3 + (seed % 3));
    const best = bestOfAll(errand);
    const { cheapest, isProven, unmet } = leastCost(errand.wants, errand.shops, errand.offers);
    expect(isProven).toBe(true);
    coupled += Number(
      cheapest.deliveries.some(
        ({ costMinor, shopId }) => costMinor === 0 && errand.shops.find(({ id }) => id === shopId)!.deliveryMinor > 0,
      ),
    );
    if (best === null) expect(unmet.length, `seed ${seed}`).toBeGreaterThan(0);
    else {
      expect(cheapest.totalMinor, `seed ${seed}`).toBe(best.totalMinor);
      expect(cheapest.leftMinor, `seed ${seed}, left`).toBeCloseTo(best.leftMinor, 4);
    }
  }
  // Else what couples things with one another was never asked for.
  expect(coupled).toBeGreaterThan(20);
});

test('every want is held by what is bought, no shelf is emptied below nothing, and the sum is the sum of its lines', () => {
  for (let seed = 1; seed <= 6; seed++) {
    const { wants, shops, offers } = anErrand(seeded(seed), 30, 5, 90);
    const { cheapest, unmet } = leastCost(wants, shops, offers);
    for (const { stockId, amount } of wants) {
      if (unmet.some((other) => other.stockId === stockId)) continue;
      const held = cheapest.lines.reduce((sum, line) => sum + (line.offer.stockId === stockId ? line.count * line.offer.amount : 0), 0);
      expect(held).toBeGreaterThanOrEqual(amount - 1e-6);
    }
    for (const { offer: own, count, costMinor } of cheapest.lines) {
      expect(count).toBeLessThanOrEqual(own.stock ?? Infinity);
      expect(costMinor).toBe(count * priceAt(own, count));
    }
    const lines = [...cheapest.lines, ...cheapest.deliveries].reduce((sum, { costMinor }) => sum + costMinor, 0);
    expect(cheapest.totalMinor).toBe(lines);
  }
});

test('a step of price makes three cheaper than two', () => {
  const steps = [{ fromCount: 3, priceMinor: 300 }];
  const { cheapest } = leastCost(GLUE, [SHOP], [offer({ steps })]);
  expect([cheapest.lines[0]!.count, cheapest.totalMinor]).toEqual([3, 900]);
});

test('a packet more has everything sent for nothing, and is bought for that', () => {
  const shop = { ...SHOP, deliveryMinor: 700, freeFromMinor: 1_500 };
  const { cheapest } = leastCost(GLUE, [shop], [offer({})]);
  expect([cheapest.lines[0]!.count, cheapest.totalMinor, cheapest.deliveries[0]!.costMinor]).toEqual([3, 1_500, 0]);
});

test('of ways that cost the same the one that leaves least over', () => {
  const { cheapest } = leastCost(GLUE, [SHOP], [offer({ amount: 1_500, priceMinor: 1_000 }), offer({})]);
  expect(cheapest.lines.map(({ offer: { amount }, count }) => [amount, count])).toEqual([[500, 2]]);
});

test('what nobody has enough of is told with how much there is, and the rest is bought', () => {
  const wants = [...GLUE, { stockId: 'sand', amount: 100 }];
  const sand = offer({ stockId: 'sand', amount: 40, stock: 2 });
  const { cheapest, unmet } = leastCost(wants, [SHOP], [offer({}), sand]);
  expect(unmet).toEqual([{ stockId: 'sand', amount: 100, most: 80 }]);
  expect(cheapest.lines.map(({ offer: { stockId } }) => stockId)).toEqual(['glue']);
});

test('for a few per cent more from one shop instead of two is a second choice', () => {
  const shops = [SHOP, { ...SHOP, id: 'b', name: 'B', deliveryMinor: 10 }];
  const wants = [...GLUE, { stockId: 'sand', amount: 100 }];
  const offers = [offer({}), offer({ stockId: 'sand', priceMinor: 400 }), offer({ stockId: 'sand', shopId: 'b', priceMinor: 370 })];
  const { cheapest, second } = leastCost(wants, shops, offers);
  expect([cheapest.totalMinor, cheapest.deliveries.length]).toEqual([1_380, 2]);
  expect([second?.totalMinor, second?.deliveries.length]).toEqual([1_400, 1]);
});

test('two boards that want the same buy it together', () => {
  const { cheapest } = leastCost([...GLUE, { stockId: 'glue', amount: 100 }], [SHOP], [offer({})]);
  expect(cheapest.lines[0]!.count).toBe(2);
});
