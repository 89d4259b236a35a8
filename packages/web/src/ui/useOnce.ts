import { type Ref, ref } from 'vue';

/** A deed that is not begun again while it is under way: two presses are one. */
export function useOnce(deed: () => Promise<void>): { readonly isBusy: Ref<boolean>; readonly run: () => Promise<void> } {
  const isBusy = ref(false);
  return {
    isBusy,
    async run() {
      if (isBusy.value) return;
      isBusy.value = true;
      try {
        await deed();
      } finally {
        isBusy.value = false;
      }
    },
  };
}
