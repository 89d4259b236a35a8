import { z } from 'zod';
import { text } from '../../plan/fields';

const minor = z.number().int().min(0).max(1e7);
const Offer = z.strictObject({
  stockId: text(160),
  amount: z.number().positive().max(1e7),
  priceMinor: minor.min(1),
  steps: z.array(z.strictObject({ fromCount: z.number().int().min(2).max(10_000), priceMinor: minor.min(1) })).max(4),
  stock: z.number().int().min(0).max(1e6).nullable(),
});
const terms = {
  name: text(60).regex(/^$|\S/u, 'is empty. Enter a few words'),
  deliveryMinor: minor,
  freeFromMinor: minor.min(1).nullable(),
  days: z.number().int().min(0).max(120),
};
export const ShopTerms = z.strictObject(terms);
/** What a simulated shop can be made to do. */
export const SHOP_PLAYS = ['none', 'sold-out', 'price-jump', 'broken', 'silent'] as const;
export type ShopPlays = (typeof SHOP_PLAYS)[number];
export const ShopPlay = z.strictObject({ plays: z.enum(SHOP_PLAYS) });
export const WorkshopState = z.strictObject({
  id: z.string(),
  ...terms,
  isSimulated: z.boolean(),
  plays: z.enum(SHOP_PLAYS),
  /** When it was last asked, and last answered in words that could be read. */
  askedMs: z.number().nullable(),
  heardMs: z.number().nullable(),
  /** What was wrong with its last answer. */
  fault: z.string().nullable(),
  offers: z.array(z.strictObject({ ...Offer.shape, seenMs: z.number(), wasMinor: minor.nullable() })),
});
export type WorkshopState = z.infer<typeof WorkshopState>;
export const Shops = z.strictObject({ shops: z.array(WorkshopState), nowMs: z.number() });
export const ShopParams = z.strictObject({ shopId: z.string().regex(/^[a-z0-9-]{1,60}$/) });
/** What a price list brought. */
export const NewOffers = z.strictObject({ offers: z.array(Offer).min(1).max(5_000) });
