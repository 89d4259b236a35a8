import { onMounted, onUnmounted, watch } from 'vue';
import { useDebounceFn } from '@vueuse/core';
import { usePlan } from '../stores/board/plan';
import type { LongSearch } from './searches';

/** A drag is over before another search is worth its while. */
const PAUSE_MS = 400;

/** Asks as soon as what shows the answer is there, and anew after every change of the plan; a search under way is stopped by either, and by leaving. */
export function useAskedAnew(search: LongSearch, ask: () => Promise<void>, forget: () => void = () => undefined): void {
  const store = usePlan();
  let isThere = true;
  const soon = useDebounceFn(() => {
    if (isThere && store.plan !== null) void ask();
  }, PAUSE_MS);
  onMounted(ask);
  watch(
    () => store.plan,
    () => {
      search.cancel();
      forget();
      void soon();
    },
  );
  onUnmounted(() => {
    isThere = false;
    search.cancel();
  });
}
