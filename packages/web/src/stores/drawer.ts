import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import type { Figure } from '@spare-acre/core/units';

/** What the drawer at the side shows: the working of a figure, all warnings, or nothing. */
export const useDrawer = defineStore('drawer', () => {
  const figure = shallowRef<Figure | null>(null);
  const content = ref<'working' | 'warnings' | 'keys' | null>(null);
  return {
    figure,
    content,
    showWorking(shown: Figure) {
      figure.value = shown;
      content.value = 'working';
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
