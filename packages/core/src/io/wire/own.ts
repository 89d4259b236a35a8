import { z } from 'zod';
import { OwnPath, OwnValue } from '../../catalogue';
import type { Kind } from '../../catalogue/editing';

export const OwnParams = z.strictObject({ path: OwnPath });
/** The builder's own figures beside ours; null where the catalogue no longer has such a place. */
export const OwnList = z.strictObject({ values: z.array(z.strictObject({ path: OwnPath, own: OwnValue, ours: OwnValue.nullable() })) });

/** Which words are kinds the catalogue knows: what this is part of is loaded before it is. */
const KindSchema = z.custom<Kind>((word) => typeof word === 'string' && /^[A-Za-z]{1,20}$/.test(word));
const EntryId = z.string().regex(/^[A-Za-z0-9_-]{1,60}$/, 'expected lower-case words joined by hyphens');
export const EntryParams = z.strictObject({ kind: KindSchema, id: EntryId });
/** An entry of whatever kind: the catalogue says what it has to be. */
export const EntryBody = z.strictObject({ entry: z.looseObject({ id: EntryId }) });
export const ManyEntries = z.strictObject({
  entries: z.array(z.strictObject({ kind: KindSchema, id: EntryId, entry: z.looseObject({ id: EntryId }) })).max(2_000),
});
export const InUse = z.strictObject({ isInUse: z.boolean() });
/** How this workshop counts and talks; what is left out stays. `currency` is null for the money that our prices are in. */
export const Customs = z.strictObject({
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, 'expected three letters such as EUR')
    .nullable()
    .optional(),
  terms: z.enum(['british', 'american']).optional(),
  weekStartsOn: z.number().int().min(1).max(7).optional(),
  measures: z.enum(['metric', 'imperial']).optional(),
});
/** The picture of an entry; null for none. */
export const EntryPicture = z.strictObject({ pictureId: z.uuid().nullable() });
