import { z } from 'zod';
import { OwnPath, OwnValue } from '../catalogue';

export const OwnParams = z.strictObject({ path: OwnPath });
/** The builder's own figures beside ours; null where the catalogue no longer has such a place. */
export const OwnList = z.strictObject({ values: z.array(z.strictObject({ path: OwnPath, own: OwnValue, ours: OwnValue.nullable() })) });
