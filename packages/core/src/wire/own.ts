import { z } from 'zod';
import { type Catalogue, OwnPath, OwnValue } from '../catalogue';
import { type Kind, isKind } from '../catalogue/editing';

export const OwnParams = z.strictObject({ path: OwnPath });
/** The builder's own figures beside ours; null where the catalogue no longer has such a place. */
export const OwnList = z.strictObject({ values: z.array(z.strictObject({ path: OwnPath, own: OwnValue, ours: OwnValue.nullable() })) });

const KindSchema = z.custom<Kind>((word) => typeof word === 'string' && isKind(word), 'expected a kind of entry, such as materials');
const EntryId = z.string().regex(/^[A-Za-z0-9_-]{1,60}$/, 'expected lower-case words joined by hyphens');
/** The catalogue as the builder has it. */
export const CatalogueAnswer = z.strictObject({
  catalogue: z.custom<Catalogue>((given) => typeof given === 'object' && given !== null),
  /** Entries of the builder's own; `isOurs` where it stands in the place of one of ours. */
  own: z.array(z.strictObject({ kind: KindSchema, id: z.string(), isOurs: z.boolean() })),
  /** Entries that the catalogue as it is cannot take, and why. */
  leftOut: z.array(
    z.strictObject({
      kind: KindSchema,
      id: z.string(),
      body: z.unknown(),
      issues: z.array(z.strictObject({ path: z.string(), message: z.string() })),
    }),
  ),
});

export const EntryParams = z.strictObject({ kind: KindSchema, id: EntryId });
/** An entry of whatever kind: the catalogue says what it has to be. */
export const EntryBody = z.strictObject({ entry: z.looseObject({ id: EntryId }) });
export const ManyEntries = z.strictObject({
  entries: z.array(z.strictObject({ kind: KindSchema, id: EntryId, entry: z.looseObject({ id: EntryId }) })).max(2_000),
});
export const InUse = z.strictObject({ isInUse: z.boolean() });
/** Null for the money that our prices are in. */
export const Money = z.strictObject({
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, 'expected three letters such as EUR')
    .nullable(),
});
