import { dequal } from 'dequal';
import type { z } from 'zod';
import type { DayOfAir } from '../air';
import type { DeepReadonly } from '../base/readonly';
import type { CutSheetSchema, OffcutSchema, RecordSchema } from './schema';

export type CutSheet = DeepReadonly<z.infer<typeof CutSheetSchema>>;
export type Offcut = DeepReadonly<z.infer<typeof OffcutSchema>>;
export type RecordDraft = z.infer<typeof RecordSchema>;
/** What was really done on a board, kept apart from what is planned. */
export type BoardRecord = DeepReadonly<RecordDraft>;

/** What there is to build with and what is built already: the third thing that is reckoned from, beside plan and catalogue. */
export interface Shop {
  /** Pieces in the rack that this board may cut up. */
  readonly offcuts: readonly Offcut[];
  readonly cutSheets: readonly CutSheet[];
  /** What thermo-hygrometers make of a day, by their ids. */
  readonly airs: Readonly<Record<string, DayOfAir>>;
  /** What this board may take from the shelf, by where it stands in the catalogue. */
  readonly shelf: Readonly<Record<string, number>>;
}

/** What of it stands beside a board: shared by all, and read by none but the reckoning. */
export type Stock = Omit<Shop, 'cutSheets'>;

export const NOTHING_DONE: BoardRecord = { cutSheets: [] };
export const EMPTY_STOCK: Stock = { offcuts: [], airs: {}, shelf: {} };
export const EMPTY_SHOP: Shop = { ...EMPTY_STOCK, cutSheets: [] };

/** A piece in the rack, with where it came from and what has cut it up. */
interface Racked extends Offcut {
  readonly from: { readonly boardId: string } | null;
  readonly usedBy: string | null;
}
/** What a board may cut from: not what a board has cut up, and pieces it left itself lie there for the next one. */
export const freeOffcuts = (rack: readonly Racked[], boardId: string | null, { cutSheets }: BoardRecord): readonly Offcut[] =>
  rack
    .filter(({ id, from, usedBy }) => {
      const isFree = usedBy === null || usedBy === boardId;
      return isFree && from?.boardId !== boardId && cutSheets.every(({ offcutId }) => offcutId !== id);
    })
    .map(({ id, materialId, thicknessMm, widthMm, depthMm }) => ({ id, materialId, thicknessMm, widthMm, depthMm }));

/** What two devices did since they parted: what either did was done, and a tick that either took back is gone. */
export function mergeRecords(base: BoardRecord, mine: BoardRecord, theirs: BoardRecord): BoardRecord {
  const [was, own, other] = [base, mine, theirs].map(({ cutSheets }) => new Set(cutSheets.map(({ id }) => id)));
  const isGone = (id: string): boolean => was!.has(id) && !(own!.has(id) && other!.has(id));
  const added = theirs.cutSheets.filter(({ id }) => !own!.has(id));
  return { cutSheets: [...mine.cutSheets, ...added].filter(({ id }) => !isGone(id)) };
}

/** Whether the same was done, by two accounts. */
export const isSameRecord = (a: BoardRecord, b: BoardRecord): boolean => a === b || dequal(a, b);
