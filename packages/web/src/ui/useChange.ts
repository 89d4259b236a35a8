import { type Ref, onScopeDispose, ref, watch } from 'vue';

/** How long a change stays in sight after the last edit. */
const SHOWN_MS = 5_000;

/**
 * The value a number had before the edits of the last few seconds; null when it did not change.
 * @param value what is shown now; null while nothing is
 */
export function useBefore(value: () => number | null): Ref<number | null> {
  const before = ref<number | null>(null);
  let timer: ReturnType<typeof setTimeout> | undefined;
  watch(value, (now, was) => {
    if (was === null || now === null) return;
    before.value ??= was;
    clearTimeout(timer);
    timer = setTimeout(() => (before.value = null), SHOWN_MS);
  });
  onScopeDispose(() => clearTimeout(timer));
  return before;
}
