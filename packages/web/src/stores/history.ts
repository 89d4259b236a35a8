import type { Patch } from 'immer';

/** One thing done, with its way back. */
export interface Deed {
  readonly name: string;
  /** Edits of one gesture, such as a drag, are one deed. */
  readonly gesture: string | null;
  readonly patches: readonly Patch[];
  readonly inverse: readonly Patch[];
}
/** What can be undone and done again. */
export interface UndoHistory {
  readonly done: readonly Deed[];
  readonly undone: readonly Deed[];
}

export const NO_HISTORY: UndoHistory = { done: [], undone: [] };
/** Deeds kept: an evening's drawing. */
const MOST = 200;

/** The history with one more deed; what had been undone is gone. */
export function withDeed({ done }: UndoHistory, deed: Deed): UndoHistory {
  const last = done.at(-1);
  if (last !== undefined && deed.gesture !== null && last.gesture === deed.gesture) {
    const grown = { ...last, patches: [...last.patches, ...deed.patches], inverse: [...deed.inverse, ...last.inverse] };
    return { done: [...done.slice(0, -1), grown], undone: [] };
  }
  return { done: [...done, deed].slice(-MOST), undone: [] };
}

/** The last deed moved to the other pile; null when there is none. */
export function undoLast({ done, undone }: UndoHistory): { readonly deed: Deed; readonly history: UndoHistory } | null {
  const deed = done.at(-1);
  return deed === undefined ? null : { deed, history: { done: done.slice(0, -1), undone: [...undone, deed] } };
}

/** The last undone deed moved back; null when there is none. */
export function redoLast({ done, undone }: UndoHistory): { readonly deed: Deed; readonly history: UndoHistory } | null {
  const deed = undone.at(-1);
  return deed === undefined ? null : { deed, history: { done: [...done, deed], undone: undone.slice(0, -1) } };
}
