import { z } from 'zod';
import { DeedSchema } from '../../schedule/bench';

/** So many deeds go in one letter; what waited longer comes in several. */
export const MAX_DEEDS = 100;
/** Deeds in the order in which they were done; one that was taken before is not taken again. */
export const NewDeeds = z.strictObject({ deeds: z.array(DeedSchema).min(1).max(MAX_DEEDS) });
export const JournalQuery = z.strictObject({ after: z.coerce.number().int().min(0).default(0) });
/** What was done at the bench, in the order in which it arrived. */
export const Journal = z.strictObject({ deeds: z.array(z.strictObject({ turn: z.number().int(), deed: DeedSchema })) });
