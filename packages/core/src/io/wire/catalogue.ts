import { z } from 'zod';
import type { Catalogue } from '../../catalogue';
import type { Kind, LeftOut } from '../../catalogue/editing';
import type { Change } from '../../plan';
import type { PersonalCorrection } from '../../learning/calibration';

/** The catalogue as the builder has it: the server has checked it, and checking it again would hold the first sight of a board up. */
interface Own {
  readonly kind: Kind;
  readonly id: string;
  /** It stands in the place of one of ours. */
  readonly isOurs: boolean;
}
const isThere = (given: unknown): boolean => typeof given === 'object' && given !== null;
/** The catalogue a board was reckoned with, and since when; null where it is the present one. */
export const Edition = z.strictObject({ since: z.iso.datetime(), catalogue: z.custom<Catalogue>(isThere).nullable() });
export const CatalogueAnswer = z.strictObject({
  /** Another word with every change, and with another program. */
  edition: z.string(),
  catalogue: z.custom<Catalogue>(isThere),
  own: z.custom<readonly Own[]>(isThere),
  /** How what the catalogue says comes out in each builder's hand. */
  hand: z.custom<readonly PersonalCorrection[]>(isThere),
  /** Pictures of entries. */
  pictures: z.custom<readonly { readonly kind: Kind; readonly id: string; readonly pictureId: string }[]>(isThere),
  /** Whose words ours are said in. */
  terms: z.enum(['british', 'american']),
  /** Entries that the catalogue as it is cannot take, and why. */
  leftOut: z.custom<readonly LeftOut[]>(isThere),
});
/** The edition that somebody has. */
export const CatalogueSince = z.strictObject({ since: z.string().max(60) });
/** What became another in the answer since that edition; null where it is no longer known, and all is to be asked for. */
export const CatalogueChanges = z.strictObject({ changes: z.custom<readonly Change[]>(Array.isArray).nullable() });
