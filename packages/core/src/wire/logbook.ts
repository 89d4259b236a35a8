import { z } from 'zod';
import { type Unit, isUnit } from '../base/units';

const Day = z.string().regex(/^20\d\d-\d\d-\d\d$/, 'expected a day such as 2026-11-29');
const amount = z.number().min(0, 'expected nothing or more').max(1e7);
/** The place of a figure in the catalogue. */
const FigurePath = z
  .string()
  .regex(/^[\w-]+(\.[\w-]+)+$/, 'expected the place of a figure in the catalogue')
  .max(200);
const Logged = z.strictObject({
  name: z.string().min(1).max(160),
  unit: z.custom<Unit>(isUnit, 'expected a unit such as min, ml or g'),
  planned: amount,
  real: amount,
  implied: z.strictObject({ path: FigurePath, value: z.number().gt(0).max(1e7) }).nullable(),
});
export const LogEntry = z.strictObject({
  id: z.uuid(),
  taskId: z.string().min(1).max(160).nullable(),
  name: z.string().min(1, 'is empty; a few words would do').max(160),
  day: Day,
  who: z.string().max(40),
  figures: z.array(Logged).max(20),
  note: z.string().max(2_000),
});
/** Entries bring their ids, so that the same one sent twice is written once. */
export const NewEntries = z.strictObject({ entries: z.array(LogEntry).min(1).max(200) });
/** A board's log, in the order in which it was written. */
export const Log = z.strictObject({ entries: z.array(LogEntry) });
export const LogParams = z.strictObject({ boardId: z.uuid(), entryId: z.uuid() });
/** What the logs say of the catalogue, and which of it the builder does not want reckoned with. */
const Correction = z.strictObject({
  path: FigurePath,
  readings: z.number().int().min(1),
  factor: z.number().gt(0),
  keeps: z.number().min(0).max(1),
});
export const Hand = z.strictObject({ corrections: z.array(Correction), refused: z.array(FigurePath) });
export const HandParams = z.strictObject({ path: FigurePath });
export const HandChoice = z.strictObject({ isRefused: z.boolean() });
