import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import { type Figure, type Quantity, hasWorking } from '@spare-acre/core/base/units';
import { usePlan } from '../stores/board/plan';

/** A figure laid open, with the words it stood in if it was not shown as a number. */
export interface Opened {
  readonly figure: Figure;
  readonly text: string | undefined;
}

/** What the drawer at the side shows: the working of a figure, all warnings, earlier versions, the server, the keys, or nothing. */
export const useDrawer = defineStore('drawer', () => {
  /** The figure asked about, then each of its inputs that was opened on the way down. */
  const path = shallowRef<readonly Opened[]>([]);
  const content = ref<'working' | 'warnings' | 'keys' | 'revisions' | 'shift' | 'server' | null>(null);
  /** Why the ready date moved, in sentences. */
  const shift = shallowRef<readonly string[]>([]);
  return {
    path,
    content,
    shift,
    /** Lays a figure open; its working is asked of the worker where it came without. */
    async showWorking(figure: Quantity, text?: string): Promise<void> {
      const full = hasWorking(figure) ? figure : await usePlan().workingOf(figure);
      if (full === null) return;
      path.value = [{ figure: full, text }];
      content.value = 'working';
    },
    goInto(figure: Figure) {
      path.value = [...path.value, { figure, text: undefined }];
    },
    goBack() {
      path.value = path.value.slice(0, -1);
    },
    showWarnings() {
      content.value = 'warnings';
    },
    /** Opens a change of the ready date to what made it. @param fromMin when the board was ready before */
    async showShift(fromMin: number): Promise<void> {
      const found = await usePlan().shiftSince(fromMin);
      if (found === null) return;
      shift.value = found;
      content.value = 'shift';
    },
    showRevisions() {
      content.value = 'revisions';
    },
    showServer() {
      content.value = 'server';
    },
    showKeys() {
      content.value = 'keys';
    },
    close() {
      content.value = null;
    },
  };
});
