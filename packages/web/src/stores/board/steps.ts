import { type ComputedRef, shallowRef } from 'vue';
import type { QuickFix } from '@spare-acre/core/advice/checks';
import type { Board } from '@spare-acre/core/plan';
import { type Edit, applied, editName } from '@spare-acre/core/plan/edits';
import { checkEdited } from '@spare-acre/core/plan/stored/check';
import { NO_HISTORY, type Travel, redoLast, undoLast, withStep } from '../../sync/history';
import { useCatalogue } from '../workshop/catalogue';

/** What was just done, for a moment, so that it can be taken back at once. */
interface Notice {
  readonly text: string;
  readonly steps: number;
  readonly isDeed: boolean;
}

/** Edits of the open board, and the way back. @param become takes the board that an edit leads to, and what was done */
export function useSteps(board: ComputedRef<Board | null>, become: (next: Board, name: string) => void) {
  const catalogues = useCatalogue();
  const history = shallowRef(NO_HISTORY);
  const notice = shallowRef<Notice | null>(null);

  /**
   * The one door for changes. Nothing changes when the outcome would not be a sound plan.
   * @param gesture joins the edits of one drag; @param name what was done, for Undo, where the edit itself has no better word
   * @returns what is wrong with the outcome, in words; empty when it was taken
   */
  function edit(change: Edit, gesture: string | null = null, name: string | null = null): string {
    const before = board.value!;
    const next = applied(before, change);
    if (next === before) return '';
    const checked = checkEdited(next.plan, before.plan, catalogues.catalogue!);
    if (!checked.ok) return checked.problem.issues[0]!.message;
    const step = { name: name ?? editName(change, before.plan), gesture, before, after: next };
    history.value = withStep(history.value, step);
    become(next, step.name);
    return '';
  }

  const mend = ({ edit: change, label }: QuickFix): string => noticed(edit(change, null, label));

  /** Says what was just done, where it took something away or changed more than is in sight. */
  function noticed(refused: string): string {
    const done = history.value.done;
    if (refused === '' && done.length > 0) notice.value = { text: done.at(-1)!.name, steps: done.length, isDeed: true };
    return refused;
  }

  function undo(): void {
    const last = board.value === null ? null : undoLast(board.value, history.value);
    if (last !== null) travel(last, `Undone: ${last.step.name}`);
  }
  function redo(): void {
    const last = board.value === null ? null : redoLast(board.value, history.value);
    if (last !== null) travel(last, last.step.name);
  }
  /** A new edit of the present board, made of what one step changed; what others did since stays. */
  function travel({ step, changes, blocked, history: travelled }: Travel, name: string): void {
    const before = board.value!;
    const next = applied(before, { code: 'board/change', changes, why: name });
    const checked = checkEdited(next.plan, before.plan, catalogues.catalogue!);
    history.value = travelled;
    if (blocked.length > 0) return say(`“${step.name}” cannot be undone: ${blocked.slice(0, 3).join(', ')} changed on another device.`);
    if (!checked.ok) return say(`“${step.name}” cannot be undone: ${checked.problem.issues[0]!.message}.`);
    if (next !== before) become(next, name);
  }
  const say = (text: string): void => void (notice.value = { text, steps: history.value.done.length, isDeed: false });

  /** What this page did is no longer part of the board. */
  function forgetSteps(): void {
    history.value = NO_HISTORY;
  }
  return { history, notice, edit, mend, noticed, undo, redo, say, forgetSteps };
}
