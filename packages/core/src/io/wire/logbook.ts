import { z } from 'zod';
import { FigurePath, LogEntrySchema } from '../../learning/logbook';

/** Entries bring their ids, so that the same one sent twice is written once. */
export const NewEntries = z.strictObject({ entries: z.array(LogEntrySchema).min(1).max(200) });
/** The last turn that a page has heard of: only what was written after it is told. */
export const LogQuery = z.strictObject({ after: z.coerce.number().int().min(0).max(1e15).default(0) });
/** A board's log from a turn on, in the order in which it was written, and what of it was deleted lately. */
export const Log = z.strictObject({ entries: z.array(LogEntrySchema), deletedIds: z.array(z.uuid()), turn: z.number().int() });
export const NewEntriesTaken = z.strictObject({ ids: z.array(z.uuid()) });
export const LogParams = z.strictObject({ boardId: z.uuid(), entryId: z.uuid() });
/** What the logs say of the catalogue, and which of it the builder does not want reckoned with. */
const Correction = z.strictObject({
  /** Empty: nobody's in particular. */
  who: z.string().max(40),
  path: FigurePath,
  readings: z.number().int().min(1),
  factor: z.number().gt(0),
  keeps: z.number().min(0).max(1),
});
export const Hand = z.strictObject({ corrections: z.array(Correction), refused: z.array(FigurePath) });
/** All that was read of one value, in the order in which it was written down. */
export const HandReadings = z.strictObject({
  readings: z.array(z.strictObject({ path: FigurePath, value: z.number().gt(0), who: z.string().max(40) })),
});
export const HandParams = z.strictObject({ path: FigurePath });
export const HandChoice = z.strictObject({ isRefused: z.boolean() });
