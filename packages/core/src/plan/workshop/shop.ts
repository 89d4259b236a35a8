import { dequal } from 'dequal';
import type { z } from 'zod';
import type { DayOfAir } from '../../schedule/air';
import type { DeepReadonly } from '../../base/readonly';
import type { CutSheetSchema, DoneTaskSchema, OffcutSchema, RecordSchema } from './schema';

export type CutSheet = DeepReadonly<z.infer<typeof CutSheetSchema>>;
export type DoneTask = DeepReadonly<z.infer<typeof DoneTaskSchema>>;
export type Offcut = DeepReadonly<z.infer<typeof OffcutSchema>>;
export type RecordDraft = z.infer<typeof RecordSchema>;
/** What was really done on a board, kept apart from what is planned. */
export type BoardRecord = DeepReadonly<RecordDraft>;

/** What there is to build with and what is built already: the third thing that is reckoned from, beside plan and catalogue. */
export interface WorkshopState {
  /** Pieces in the rack that this board may cut up. */
  readonly offcuts: readonly Offcut[];
  readonly cutSheets: readonly CutSheet[];
  readonly doneTasks: BoardRecord['doneTasks'];
  /** What thermo-hygrometers make of a day, by their ids. */
  readonly airs: Readonly<Record<string, DayOfAir>>;
  /** What this board may take from the shelf, by where it stands in the catalogue. */
  readonly shelf: Readonly<Record<string, number>>;
}

/** What of it stands beside a board: shared by all, and read by none but the reckoning. */
export type Stock = Omit<WorkshopState, keyof BoardRecord>;

/** A task that is done, with nothing more said of it. */
export const doneAt = (at: DoneTask['at'], change: Partial<DoneTask> = {}): DoneTask => ({
  at,
  part: null,
  by: '',
  workedMin: null,
  uses: [],
  ...change,
});

export const NOTHING_DONE: BoardRecord = { cutSheets: [], doneTasks: {} };
export const EMPTY_STOCK: Stock = { offcuts: [], airs: {}, shelf: {} };
export const EMPTY_WORKSHOP: WorkshopState = { ...EMPTY_STOCK, ...NOTHING_DONE };

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
  const done = ({ doneTasks }: BoardRecord): ReadonlyMap<string, DoneTask> => new Map(Object.entries(doneTasks));
  return {
    cutSheets: [...mergedTicks(sheetsById(base), sheetsById(mine), sheetsById(theirs)).values()],
    doneTasks: Object.fromEntries(mergedTicks(done(base), done(mine), done(theirs))),
  };
}
const sheetsById = ({ cutSheets }: BoardRecord): ReadonlyMap<string, CutSheet> => new Map(cutSheets.map((sheet) => [sheet.id, sheet]));
function mergedTicks<T>(
  base: ReadonlyMap<string, T>,
  mine: ReadonlyMap<string, T>,
  theirs: ReadonlyMap<string, T>,
): ReadonlyMap<string, T> {
  const all = new Map([...mine, ...[...theirs].filter(([id]) => !mine.has(id))]);
  return new Map([...all].filter(([id]) => !base.has(id) || (mine.has(id) && theirs.has(id))));
}

/** Whether the same was done, by two accounts. */
export const isSameRecord = (a: BoardRecord, b: BoardRecord): boolean => a === b || dequal(a, b);
