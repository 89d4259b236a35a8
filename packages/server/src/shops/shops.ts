import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { readPriceList } from '@spare-acre/core/procurement/buying';
import type { Catalogue } from '@spare-acre/core/catalogue';
import type { NewOffers, WorkshopState, ShopPlays, ShopTerms } from '@spare-acre/core/io/wire';
import type { z } from 'zod';
import { SIMULATED, type Simulated, priceListOf } from './simulated';

interface ShopRow {
  readonly id: string;
  readonly name: string;
  readonly delivery_minor: number;
  readonly free_from_minor: number | null;
  readonly days: number;
  readonly is_simulated: boolean;
  readonly plays: ShopPlays;
  readonly asked_at: Date | null;
  readonly heard_at: Date | null;
  readonly fault: string | null;
}
interface OfferRow {
  readonly shop_id: string;
  readonly stock_id: string;
  readonly amount: number;
  readonly price_minor: number;
  readonly was_minor: number | null;
  readonly steps: readonly { readonly fromCount: number; readonly priceMinor: number }[];
  readonly stock: number | null;
  readonly seen_at: Date;
}
type Terms = z.infer<typeof ShopTerms>;
type Offers = z.infer<typeof NewOffers>['offers'];

export async function listShops(db: Knex): Promise<readonly WorkshopState[]> {
  const [shops, offers] = await Promise.all([
    db<ShopRow>('shops').orderBy('created_at').orderBy('id'),
    db<OfferRow>('offers').orderBy('stock_id').orderBy('amount'),
  ]);
  return shops.map((row) => ({
    id: row.id,
    name: row.name,
    deliveryMinor: row.delivery_minor,
    freeFromMinor: row.free_from_minor,
    days: row.days,
    isSimulated: row.is_simulated,
    plays: row.plays,
    askedMs: row.asked_at?.getTime() ?? null,
    heardMs: row.heard_at?.getTime() ?? null,
    fault: row.fault,
    offers: offers
      .filter(({ shop_id }) => shop_id === row.id)
      .map(({ stock_id, amount, price_minor, was_minor, steps, stock, seen_at }) => ({
        stockId: stock_id,
        amount,
        priceMinor: price_minor,
        wasMinor: was_minor,
        steps: [...steps],
        stock,
        seenMs: seen_at.getTime(),
      })),
  }));
}

const termsRow = ({ name, deliveryMinor, freeFromMinor, days }: Terms): Partial<ShopRow> => ({
  name,
  delivery_minor: deliveryMinor,
  free_from_minor: freeFromMinor,
  days,
});
export async function addShop(db: Knex, terms: Terms): Promise<string> {
  const id = randomUUID();
  await db('shops').insert({ id, is_simulated: false, ...termsRow(terms) });
  return id;
}
/** False where there is none. */
export const setTerms = async (db: Knex, id: string, terms: Terms): Promise<boolean> =>
  (await db<ShopRow>('shops').where({ id }).update(termsRow(terms))) > 0;
export const removeShop = async (db: Knex, id: string): Promise<boolean> => (await db('shops').where({ id }).delete()) > 0;
/** Has a simulated shop play something. @returns false where there is no such shop that can */
export const setPlays = async (db: Knex, id: string, plays: ShopPlays): Promise<boolean> =>
  (await db('shops').where({ id, is_simulated: true }).update({ plays })) > 0;

/** Takes what a shop sells now: what it no longer names is gone, and a price that is another remembers what it was. */
export async function setOffers(db: Knex, shopId: string, offers: Offers, nowMs: number): Promise<void> {
  await db.transaction(async (trx) => {
    // One list after another: two servers that start at once, or two who ask, take turns.
    if ((await trx('shops').first('id').where({ id: shopId }).forUpdate()) === undefined) return;
    const before = await trx<OfferRow>('offers').where({ shop_id: shopId });
    const was = new Map(before.map((row) => [`${row.stock_id} ${row.amount}`, row]));
    await trx('offers').where({ shop_id: shopId }).delete();
    const rows = offers.map(({ stockId, amount, priceMinor, steps, stock }) => {
      const old = was.get(`${stockId} ${amount}`);
      return {
        shop_id: shopId,
        stock_id: stockId,
        amount,
        price_minor: priceMinor,
        was_minor: old === undefined ? null : old.price_minor === priceMinor ? old.was_minor : old.price_minor,
        steps: JSON.stringify(steps),
        stock,
        seen_at: new Date(nowMs),
      };
    });
    for (let i = 0; i < rows.length; i += 500) await trx('offers').insert(rows.slice(i, i + 500));
  });
}

/** The made-up shops that ship; nothing where they are there already. */
export async function addSimulatedShops(db: Knex): Promise<void> {
  for (const { id, name, deliveryMinor, freeFromMinor, days } of SIMULATED)
    await db('shops')
      .insert({ id, is_simulated: true, ...termsRow({ name, deliveryMinor, freeFromMinor, days }) })
      .onConflict('id')
      .ignore();
}

/** A shop that has not answered by then is asked again, a few times. */
const PATIENCE_MS = 1_500;
const TRIES = 2;
/** Asks every simulated shop for its prices. One that does not answer, or not in words that can be read, keeps the prices it had, which grow old; that is told. */
export async function askShops(db: Knex, catalogue: Catalogue, nowMs: number, patienceMs = PATIENCE_MS): Promise<void> {
  const rows = await db<ShopRow>('shops').where({ is_simulated: true });
  await Promise.all(
    rows.map(async ({ id, plays }) => {
      const shop = SIMULATED.find((one) => one.id === id);
      if (shop === undefined) return;
      const fault = await heardFrom(shop, plays, { db, catalogue, nowMs, patienceMs });
      await db<ShopRow>('shops')
        .where({ id })
        .update({ asked_at: new Date(nowMs), fault, ...(fault === null ? { heard_at: new Date(nowMs) } : {}) });
    }),
  );
}

interface Asking {
  readonly db: Knex;
  readonly catalogue: Catalogue;
  readonly nowMs: number;
  readonly patienceMs: number;
}
/** @returns what was wrong with the answer, null where nothing was */
async function heardFrom(shop: Simulated, plays: ShopPlays, { db, catalogue, nowMs, patienceMs }: Asking): Promise<string | null> {
  for (let tried = 1; ; tried++) {
    const text = await Promise.race([
      priceListOf(shop, catalogue, nowMs, plays),
      new Promise<null>((late) => setTimeout(late, patienceMs, null)),
    ]);
    if (text === null) {
      if (tried === TRIES) return 'does not answer. Its last prices are used';
      continue;
    }
    const { offers, bad } = readPriceList(text, catalogue);
    if (offers.length === 0)
      return `answered with something that is not a price list (${bad[0]?.message.slice(0, 80) ?? 'empty'}). Its last prices are used`;
    await setOffers(
      db,
      shop.id,
      offers.map((offer) => ({ ...offer, steps: [...offer.steps] })),
      nowMs,
    );
    return bad.length === 0 ? null : `${bad.length} of its prices could not be read`;
  }
}
