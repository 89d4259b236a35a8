/** Something that a shop sells. */
export interface Offer {
  readonly shopId: string;
  /** What it is, by its place in the catalogue. */
  readonly stockId: string;
  /** What one package holds, in what the thing is counted in. */
  readonly amount: number;
  readonly priceMinor: number;
  /** Cheaper from so many on; rising counts. */
  readonly steps: readonly { readonly fromCount: number; readonly priceMinor: number }[];
  /** Packages that there are; null where nobody counts. */
  readonly stock: number | null;
}
/** What it costs to have something sent from a shop at all. */
export interface Terms {
  readonly id: string;
  readonly name: string;
  readonly deliveryMinor: number;
  /** Sent for nothing from so much on; null where it never is. */
  readonly freeFromMinor: number | null;
  /** Days until it comes. */
  readonly days: number;
}
/** So much of something is to be bought, at the least. */
export interface Want {
  readonly stockId: string;
  readonly amount: number;
}
/** A way of buying all of it. */
export interface Basket {
  readonly lines: readonly { readonly offer: Offer; readonly count: number; readonly costMinor: number }[];
  readonly deliveries: readonly { readonly shopId: string; readonly costMinor: number }[];
  readonly totalMinor: number;
  /** What is left over, at the cheapest price of each thing. */
  readonly leftMinor: number;
}

/** Price of one package when so many are bought. */
export const priceAt = ({ priceMinor, steps }: Offer, count: number): number =>
  steps.reduce((price, step) => (count >= step.fromCount ? step.priceMinor : price), priceMinor);

/** What a choice of packages comes to, reckoned anew in whole minor units. @param counts packages of each offer, as they are listed */
export function basketOf(wants: readonly Want[], shops: readonly Terms[], offers: readonly Offer[], counts: readonly number[]): Basket {
  const lines = offers.flatMap((offer, i) => {
    const count = counts[i]!;
    return count === 0 ? [] : [{ offer, count, costMinor: count * priceAt(offer, count) }];
  });
  const deliveries = shops.flatMap(({ id, deliveryMinor, freeFromMinor }) => {
    const spent = lines.reduce((sum, { offer, costMinor }) => sum + (offer.shopId === id ? costMinor : 0), 0);
    const isUsed = lines.some(({ offer }) => offer.shopId === id);
    return isUsed ? [{ shopId: id, costMinor: freeFromMinor !== null && spent >= freeFromMinor ? 0 : deliveryMinor }] : [];
  });
  const sum = (list: readonly { readonly costMinor: number }[]): number => list.reduce((all, { costMinor }) => all + costMinor, 0);
  return { lines, deliveries, totalMinor: sum(lines) + sum(deliveries), leftMinor: leftOf(wants, offers, lines) };
}

/** Cheapest price of one unit of each thing, by which what is left over is weighed. */
export function unitPrices(offers: readonly Offer[]): ReadonlyMap<string, number> {
  const prices = new Map<string, number>();
  for (const offer of offers) {
    if (offer.stock === 0) continue;
    const cheapest = Math.min(offer.priceMinor, ...offer.steps.map(({ priceMinor }) => priceMinor)) / offer.amount;
    prices.set(offer.stockId, Math.min(prices.get(offer.stockId) ?? Infinity, cheapest));
  }
  return prices;
}

function leftOf(wants: readonly Want[], offers: readonly Offer[], lines: Basket['lines']): number {
  const prices = unitPrices(offers);
  return wants.reduce((left, { stockId, amount }) => {
    const bought = lines.reduce((sum, { offer, count }) => sum + (offer.stockId === stockId ? count * offer.amount : 0), 0);
    return left + Math.max(0, bought - amount) * (prices.get(stockId) ?? 0);
  }, 0);
}
