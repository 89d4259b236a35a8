import { z } from 'zod';
import { BoardId } from './boards';

const offcutSize = z.number().min(1).max(5_000);
/** A piece for the rack, and where it came from: a sheet that a board has cut, or nowhere this program knows of. */
export const NewOffcut = z.strictObject({
  materialId: z
    .string()
    .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'expected the id of a material')
    .max(60),
  thicknessMm: z.number().min(0.1).max(200),
  widthMm: offcutSize,
  depthMm: offcutSize,
  from: z
    .strictObject({
      boardId: BoardId,
      /** As the board's plan knows it. */
      cutSheetId: z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'expected the id of a cut sheet'),
      piece: z.number().int().min(1).max(20),
    })
    .nullable(),
});
/** A piece in the rack; `usedBy` is the board that has cut it up. */
export const RackOffcut = NewOffcut.extend({ id: z.uuid(), usedBy: z.uuid().nullable() });
export const Rack = z.strictObject({ offcuts: z.array(RackOffcut) });
export const OffcutParams = z.strictObject({ offcutId: z.uuid('expected the id of an offcut') });

export type NewOffcut = z.infer<typeof NewOffcut>;
export type RackOffcut = z.infer<typeof RackOffcut>;
