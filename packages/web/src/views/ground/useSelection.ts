import { type ComputedRef, computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { Feature } from '@spare-acre/core/plan/features';
import { usePlan } from '../../stores/board/plan';
import { LOOKS, type LookId } from './looks';

/** What is chosen on the plan, and how it is looked at. Both are in the address, so that a reload comes back to them. */
export interface Selection {
  /** All chosen features, in the order of the plan. */
  readonly chosen: ComputedRef<readonly Feature[]>;
  /** The one chosen feature; null for none or several. */
  readonly selected: ComputedRef<Feature | null>;
  readonly look: ComputedRef<LookId>;
  readonly select: (id: string | null) => void;
  readonly choose: (ids: readonly string[]) => void;
  /** Adds a feature to the chosen ones, or takes it out. */
  readonly toggle: (id: string) => void;
  readonly lookAt: (look: LookId) => void;
}

export function useSelection(): Selection {
  const route = useRoute();
  const router = useRouter();
  const store = usePlan();
  const ids = computed(() =>
    String(route.query['feature'] ?? '')
      .split(',')
      .filter((id) => id !== ''),
  );
  const chosen = computed(() => store.plan?.features.filter(({ id }) => ids.value.includes(id)) ?? []);
  const choose = (wanted: readonly string[]): void => {
    if (wanted.join() === ids.value.join()) return;
    const { feature: _, ...rest } = route.query;
    void router.replace({ query: wanted.length === 0 ? rest : { ...rest, feature: wanted.join() } });
  };
  return {
    chosen,
    selected: computed(() => (chosen.value.length === 1 ? chosen.value[0]! : null)),
    look: computed(() => LOOKS.find(({ id }) => id === route.query['look'])?.id ?? 'draw'),
    choose,
    select: (id) => choose(id === null ? [] : [id]),
    toggle: (id) => choose(ids.value.includes(id) ? ids.value.filter((other) => other !== id) : [...ids.value, id]),
    lookAt(look) {
      const { look: _, ...rest } = route.query;
      void router.replace({ query: look === 'draw' ? rest : { ...rest, look } });
    },
  };
}
