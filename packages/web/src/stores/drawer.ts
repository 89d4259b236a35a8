import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import type { Figure } from '@spare-acre/core/units';

/** A figure laid open, with the words it stood in if it was not shown as a number. */
export interface Opened {
  readonly figure: Figure;
  readonly text: string | undefined;
}

/** What the drawer at the side shows: the working of a figure, all warnings, or nothing. */
export const useDrawer = defineStore('drawer', () => {
  /** The figure asked about, then each of its inputs that was opened on the way down. */
  const path = shallowRef<readonly Opened[]>([]);
  const content = ref<'working' | 'warnings' | 'keys' | null>(null);
  return {
    path,
    content,
    showWorking(figure: Figure, text?: string) {
      path.value = [{ figure, text }];
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
    showKeys() {
      content.value = 'keys';
    },
    close() {
      content.value = null;
    },
  };
});
