import { type ComputedRef, computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { Feature } from '@spare-acre/core/plan';
import { usePlan } from '../stores/plan';

/** The chosen feature. It is in the address, so that a reload comes back to it. */
export function useSelection(): { readonly selected: ComputedRef<Feature | null>; readonly select: (id: string | null) => void } {
  const route = useRoute();
  const router = useRouter();
  const store = usePlan();
  const selected = computed(() => store.plan?.features.find(({ id }) => id === route.query['feature']) ?? null);
  return {
    selected,
    select(id) {
      if (id !== (route.query['feature'] ?? null)) void router.replace({ query: id === null ? {} : { feature: id } });
    },
  };
}
