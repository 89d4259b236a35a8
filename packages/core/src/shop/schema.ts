import { materialRef } from '../catalogue';
import { Id, LIMITS, listOf, longId, mm, whole, yesOrNo } from '../fields';
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

/** What was really done on a board. */
export const RecordSchema = z.strictObject({ cutSheets: listOf(CutSheetSchema, { min: 0, max: 500 }) });
