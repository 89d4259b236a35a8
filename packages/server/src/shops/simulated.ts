import { seeded } from '@spare-acre/core/base/random';
import { type Offer, priceListCsv } from '@spare-acre/core/procurement/buying';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { type Stocked, stockedIn } from '@spare-acre/core/procurement/stock';
import type { ShopPlays } from '@spare-acre/core/io/wire';

const DAY_MS = 86_400_000;

/** A made-up shop: what it asks for, and how its prices lie beside ours. */
export interface Simulated {
  readonly id: string;
  readonly name: string;
  readonly deliveryMinor: number;
  readonly freeFromMinor: number | null;
  readonly days: number;
  /** Its prices beside ours. */
  readonly level: number;
  readonly sells: (stock: Stocked) => boolean;
}
/** One sells a little of everything, one the rough and heavy, one what is laid on thin. */
export const SIMULATED: readonly Simulated[] = [
  { id: 'lantern-lane', name: 'Lantern Lane Hobbies', deliveryMinor: 490, freeFromMinor: 6_000, days: 3, level: 1, sells: () => true },
  {
    id: 'quarry-gate',
    name: 'Quarry Gate Builders',
    deliveryMinor: 890,
    freeFromMinor: 12_000,
    days: 5,
    level: 0.86,
    sells: ({ id }) => /^(adhesives|stuffs|sheets|fills|lengths)\./.test(id),
  },
  {
    id: 'inkwell-yard',
    name: 'Inkwell Yard Papers',
    deliveryMinor: 320,
    freeFromMinor: null,
    days: 2,
    level: 0.94,
    sells: ({ id }) => /^(coatings|adhesives|claddings|castings)\./.test(id),
  },
];

/**
 * What a simulated shop answers when it is asked for its prices: a list as text, always the same at the same time of the same day. A shop that plays silent never answers.
 * @throws Error where it plays broken down
 */
export function priceListOf(shop: Simulated, catalogue: Catalogue, nowMs: number, plays: ShopPlays): Promise<string> {
  if (plays === 'silent') return new Promise(() => undefined);
  if (plays === 'broken') return Promise.resolve('<html><body>Back soon</body></html>');
  const day = Math.floor(nowMs / DAY_MS);
  const stocks = [...stockedIn(catalogue).values()].filter(shop.sells);
  const offers = stocks.flatMap((stock, i) =>
    offersOf(stock, shop, { day, isDear: plays === 'price-jump' && i % 4 === 0, isGone: plays === 'sold-out' && i % 3 === 0 }),
  );
  return Promise.resolve(priceListCsv(offers, catalogue));
}

function offersOf(
  { id, packs, unit }: Stocked,
  shop: Simulated,
  { day, isDear, isGone }: { readonly day: number; readonly isDear: boolean; readonly isGone: boolean },
): readonly Omit<Offer, 'shopId'>[] {
  const [always, today] = [seeded(hash(`${shop.id} ${id}`)), seeded(hash(`${shop.id} ${id} ${day}`))];
  const dear = isDear ? 1.6 : 1;
  return packs.map(({ amount, priceMinor }) => {
    const price = Math.max(1, Math.round(priceMinor * shop.level * dear * (0.92 + 0.16 * always())));
    const hasStep = always() < 0.25 && unit !== '1';
    // Most shelves are full; some have a few left, and now and then one is empty.
    const few = today();
    const stock = isGone ? 0 : few < 0.1 ? Math.floor(few * 80) : null;
    return {
      stockId: id,
      amount,
      priceMinor: price,
      steps: hasStep && price > 10 ? [{ fromCount: 3, priceMinor: Math.round(price * 0.9) }] : [],
      stock,
    };
  });
}
/** A number for a text: the same wherever it is asked. */
function hash(text: string): number {
  let value = 7;
  for (const letter of text) value = (value * 31 + letter.charCodeAt(0)) % 2 ** 31;
  return value;
}
