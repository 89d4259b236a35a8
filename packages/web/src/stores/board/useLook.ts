import { onScopeDispose, watch } from 'vue';
import type { SliceName } from '../../workers/slices';
import { usePlan } from './plan';

/** Tells the worker what a view looks at for as long as it is open. @param chosen ids of the features whose notes are open */
export function useLook(slices: () => readonly SliceName[], chosen: () => readonly string[] = () => []): void {
  const store = usePlan();
  watch([() => slices().join(), () => chosen().join()], () => store.look(slices(), chosen()), { immediate: true });
  onScopeDispose(() => store.look([]));
}
