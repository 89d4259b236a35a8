import type { Patch } from 'immer';

/** One thing done, with its way back. */
export interface HistoryStep {
  readonly name: string;
  /** Edits of one gesture, such as a drag, are one step. */
  readonly gesture: string | null;
  readonly patches: readonly Patch[];
  readonly inverse: readonly Patch[];
}
/** What can be undone and done again. */
export interface UndoHistory {
  readonly done: readonly HistoryStep[];
  readonly undone: readonly HistoryStep[];
}

export const NO_HISTORY: UndoHistory = { done: [], undone: [] };
/** Steps kept: an evening's drawing. */
const MOST = 200;

/** The history with one more step; what had been undone is gone. */
export function withStep({ done }: UndoHistory, step: HistoryStep): UndoHistory {
  const last = done.at(-1);
  if (last !== undefined && step.gesture !== null && last.gesture === step.gesture) {
    const grown = { ...last, patches: [...last.patches, ...step.patches], inverse: [...step.inverse, ...last.inverse] };
    return { done: [...done.slice(0, -1), grown], undone: [] };
  }
  return { done: [...done, step].slice(-MOST), undone: [] };
}

/** The last step moved to the other pile; null when there is none. */
export function undoLast({ done, undone }: UndoHistory): { readonly step: HistoryStep; readonly history: UndoHistory } | null {
  const step = done.at(-1);
  return step === undefined ? null : { step, history: { done: done.slice(0, -1), undone: [...undone, step] } };
}

/** The last undone step moved back; null when there is none. */
export function redoLast({ done, undone }: UndoHistory): { readonly step: HistoryStep; readonly history: UndoHistory } | null {
  const step = undone.at(-1);
  return step === undefined ? null : { step, history: { done: [...done, step], undone: undone.slice(0, -1) } };
}
