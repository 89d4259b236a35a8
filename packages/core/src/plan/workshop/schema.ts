import { materialRef } from '../../catalogue';
import { Day, Id, LIMITS, listOf, longId, mm, text, whole, within, yesOrNo } from '../fields';
import { z } from 'zod';

/** What a sheet is: its size, and the offcut from the rack that it is; null for a new sheet. */
export const sheetFields = { widthMm: mm(LIMITS.sheetMm), depthMm: mm(LIMITS.sheetMm), offcutId: Id.nullable() };
export const PartId = longId(160);

/** A sheet that is cut: its parts stay as they were cut, whatever is laid out anew. */
export const CutSheetSchema = z.strictObject({
  id: Id,
  materialId: materialRef,
  thicknessMm: mm(LIMITS.thicknessMm),
  /** The number it was cut under. */
  number: whole({ min: 1, max: 500 }),
  ...sheetFields,
  places: listOf(
    z.strictObject({
      partId: PartId,
      xMm: mm(LIMITS.sheetMm),
      yMm: mm(LIMITS.sheetMm),
      /** Its box as it lies on the sheet. */
      boxWidthMm: mm(LIMITS.sheetMm),
      boxDepthMm: mm(LIMITS.sheetMm),
      areaMm2: z.number().min(0).max(4e8),
      turned: yesOrNo(),
      half: yesOrNo(),
    }),
    { min: 1, max: 2_000 },
  ),
});

/** A piece left over from a sheet, kept for another day: straight edges, right angles. */
export const OffcutSchema = z.strictObject({
  id: Id,
  materialId: materialRef,
  thicknessMm: mm(LIMITS.thicknessMm),
  widthMm: mm(LIMITS.sheetMm),
  depthMm: mm(LIMITS.sheetMm),
});

const AtTime = z.strictObject({ day: Day, atMin: within({ min: 0, max: 1_440 }, 'min') });
/** A task that was done, or a part of it. */
export const DoneTaskSchema = z.strictObject({
  /** When: by then. */
  at: AtTime,
  /** So many of so many: 4 of 6 walls; null where all of it is done. */
  part: z.strictObject({ done: whole({ min: 1, max: 999 }), of: whole({ min: 2, max: 1_000 }) }).nullable(),
  by: z.union([z.literal(''), text(40)]),
  /** Hands-on, as it really was; null where nobody looked at the clock. */
  workedMin: within({ min: 0, max: 10_000 }, 'min').nullable(),
  /** What of the shelf went into it. */
  uses: listOf(z.strictObject({ stockId: text(160), amount: within({ min: 0, max: 1e7 }, 'of it') }), { min: 0, max: 40 }),
});

/** What was really done on a board. */
export const RecordSchema = z.strictObject({
  cutSheets: listOf(CutSheetSchema, { min: 0, max: 500 }),
  /** By task: what two devices tick at once gets in nobody's way. */
  doneTasks: z.record(longId(160), DoneTaskSchema).default({}),
});
