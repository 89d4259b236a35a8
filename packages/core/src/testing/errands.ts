import type { Random } from '../base/random';
import { type Basket, type Offer, type Terms, type Want, basketOf } from '../procurement/buying';

/** Something to buy, and shops that have it. */
export interface Errand {
  readonly wants: readonly Want[];
  readonly shops: readonly Terms[];
  readonly offers: readonly Offer[];
}
const PACKS = [40, 75, 100, 250, 330, 500, 750, 1_000, 2_500, 5_000];

/** An errand as life has them: own sizes of packages, steps of price, little left on some shelves, things sent for nothing from so much on. */
export function anErrand(random: Random, wantCount: number, shopCount: number, offerCount: number): Errand {
  const whole = (from: number, to: number): number => from + Math.floor(random() * (to - from + 1));
  const shops = Array.from({ length: shopCount }, (_, i): Terms => ({
    id: `s${i}`,
    name: `Shop ${i}`,
    deliveryMinor: random() < 0.2 ? 0 : whole(150, 900),
    freeFromMinor: random() < 0.6 ? whole(500, 600 + wantCount * 900) : null,
    days: whole(1, 6),
  }));
  const wants = Array.from({ length: wantCount }, (_, i): Want => ({
    stockId: `w${i}`,
    amount: whole(20, 900) + (random() < 0.5 ? random() : 0),
  }));
  const units = wants.map(() => 0.2 + random() * 2);
  const offers = Array.from({ length: offerCount }, (_, i): Offer => {
    const w = i < wantCount ? i : whole(0, wantCount - 1);
    const amount = PACKS[whole(0, PACKS.length - 1)]!;
    const priceMinor = Math.max(30, Math.round(amount * units[w]! * (0.7 + 0.6 * random()) * (1.4 - 0.1 * Math.log(amount / 40))));
    const from = whole(2, 5);
    return {
      shopId: `s${whole(0, shopCount - 1)}`,
      stockId: `w${w}`,
      amount,
      priceMinor,
      steps: random() < 0.3 ? [{ fromCount: from, priceMinor: Math.max(1, Math.round(priceMinor * 0.85)) }] : [],
      stock: i >= wantCount && random() < 0.3 ? whole(0, 4) : null,
    };
  });
  return { wants, shops, offers };
}

const isEnough = (wants: readonly Want[], offers: readonly Offer[], counts: readonly number[]): boolean =>
  wants.every(
    ({ stockId, amount }) =>
      offers.reduce((sum, offer, j) => sum + (offer.stockId === stockId ? counts[j]! * offer.amount : 0), 0) >= amount - 1e-9,
  );
const isBetter = (basket: Basket, best: Basket | null): boolean =>
  best === null ||
  basket.totalMinor < best.totalMinor ||
  (basket.totalMinor === best.totalMinor && basket.leftMinor < best.leftMinor - 1e-6);

/** The cheapest basket by looking at every one that there is, and of these the one that leaves least; null where nothing does. For few offers only. */
export function bestOfAll({ wants, shops, offers }: Errand): Basket | null {
  let best: Basket | null = null;
  const counts = offers.map(() => 0);
  const cheapest = offers.map((offer) => Math.min(offer.priceMinor, ...offer.steps.map(({ priceMinor }) => priceMinor)));
  const look = (i: number, leastMinor: number): void => {
    if (i === offers.length) {
      if (!isEnough(wants, offers, counts)) return;
      const basket = basketOf(wants, shops, offers, counts);
      if (isBetter(basket, best)) best = basket;
      return;
    }
    // Without a basket yet nothing is too dear: what alone holds all of it is found first.
    const enough = Math.ceil(wants.find(({ stockId }) => stockId === offers[i]!.stockId)!.amount / offers[i]!.amount);
    for (const first of [true, false])
      for (let count = first ? enough : 0; count <= (first ? enough : (offers[i]!.stock ?? Infinity)); count++) {
        if (count > (offers[i]!.stock ?? Infinity)) break;
        const least = leastMinor + count * cheapest[i]!;
        if (best !== null && least > best.totalMinor) break;
        if (best === null && count > enough + 2) break;
        counts[i] = count;
        look(i + 1, least);
      }
    counts[i] = 0;
  };
  look(0, 0);
  return best;
}
