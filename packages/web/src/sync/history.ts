import { type Board, type Change, blockedChanges, changesBetween, reversed, subjectsOf } from '@spare-acre/core/plan';

/** One thing this page did: the board before it and after it. Both share what did not change, so that a step costs what it touched. */
export interface HistoryStep {
  readonly name: string;
  /** Edits of one gesture, such as a drag, are one step. */
  readonly gesture: string | null;
  readonly before: Board;
  readonly after: Board;
}
/** What this page did and can undo. What came from others never stands here. */
export interface UndoHistory {
  readonly done: readonly HistoryStep[];
  readonly undone: readonly HistoryStep[];
}
/** A step to undo or to do again, on a board that others may have changed since. */
export interface Travel {
  readonly step: HistoryStep;
  readonly changes: readonly Change[];
  /** The history afterwards. */
  readonly history: UndoHistory;
  /** What somebody else changed at the same places since; the step is then dropped from the history and changes nothing. */
  readonly blocked: readonly string[];
}

export const NO_HISTORY: UndoHistory = { done: [], undone: [] };
/** Steps kept: a session's drawing. */
const MAX_STEPS = 200;

/** The history with one more step; what had been undone is gone. A gesture goes on in its step unless another change came between. */
export function withStep({ done }: UndoHistory, step: HistoryStep): UndoHistory {
  const last = done.at(-1);
  if (last !== undefined && step.gesture !== null && last.gesture === step.gesture && last.after === step.before)
    return { done: [...done.slice(0, -1), { ...last, after: step.after }], undone: [] };
  return { done: [...done, step].slice(-MAX_STEPS), undone: [] };
}

/** What undoing the last step comes to on the present board; null when there is none. */
export function undoLast(board: Board, { done, undone }: UndoHistory): Travel | null {
  const step = done.at(-1);
  if (step === undefined) return null;
  return travel(
    board,
    step,
    reversed(changesOf(step)),
    { done: done.slice(0, -1), undone: [...undone, step] },
    { done: done.slice(0, -1), undone },
  );
}

/** What doing the last undone step again comes to on the present board; null when there is none. */
export function redoLast(board: Board, { done, undone }: UndoHistory): Travel | null {
  const step = undone.at(-1);
  if (step === undefined) return null;
  return travel(
    board,
    step,
    changesOf(step),
    { done: [...done, step], undone: undone.slice(0, -1) },
    { done, undone: undone.slice(0, -1) },
  );
}

/** What a step changed, at its places alone. */
export const changesOf = ({ before, after }: HistoryStep): readonly Change[] => changesBetween(before, after);

function travel(board: Board, step: HistoryStep, changes: readonly Change[], travelled: UndoHistory, dropped: UndoHistory): Travel {
  const blocked = subjectsOf(board, blockedChanges(board, changes));
  return { step, changes, blocked, history: blocked.length === 0 ? travelled : dropped };
}
