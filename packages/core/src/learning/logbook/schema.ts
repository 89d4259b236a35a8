import { z } from 'zod';
import { type Unit, isUnit } from '../../base/units';
import { Day, freeText, text } from '../../plan/fields';

const amount = z.number().min(0, 'expected 0 or more').max(1e7);
/** The place of a figure in the catalogue. */
export const FigurePath = z
  .string()
  .regex(/^[\w-]+(\.[\w-]+)+$/, 'expected the path of a value in the catalogue')
  .max(200);
const LoggedSchema = z.strictObject({
  name: text(160),
  unit: z.custom<Unit>(isUnit, 'expected a unit such as min, ml or g'),
  planned: amount,
  real: amount,
  implied: z.strictObject({ path: FigurePath, value: z.number().gt(0).max(1e7) }).nullable(),
});
export const LogEntrySchema = z.strictObject({
  id: z.uuid(),
  taskId: text(160).nullable(),
  name: text(160),
  day: Day,
  who: freeText(40),
  figures: z.array(LoggedSchema).max(20),
  note: freeText(2_000),
  /** Pictures of it; sent before the entry is. */
  photoIds: z.array(z.uuid()).max(8).default([]),
  /** Air at the bench then; null where nobody looked. */
  air: z
    .strictObject({ airC: z.number().min(-30).max(60), humidityPct: z.number().min(0).max(100) })
    .nullable()
    .default(null),
  /** What went wrong, and what it came of as the builder sees it; null for all that went well. */
  mishap: z
    .strictObject({ mishapId: text(80), causeId: text(80).nullable() })
    .nullable()
    .default(null),
});
