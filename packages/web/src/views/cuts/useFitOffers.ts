import { type Ref, shallowRef } from 'vue';
import { proxy } from 'comlink';
import type { FitOffer } from '@spare-acre/core/pipeline';
import { usePlan } from '../../stores/board/plan';
import { type LongSearch, searches, useLongSearch } from '../../workers/searches';
import { useAskedAnew } from '../../workers/useAskedAnew';

/** Small changes of the plan that save sheets, each derived in full. */
export interface FitOffers {
  /** The most saved first; null while none is known yet and the search goes on. */
  readonly offers: Ref<readonly FitOffer[] | null>;
  readonly search: LongSearch;
}

/** Asks for them as soon as the sheets are looked at, and anew after every change; the best is shown while the others are worked out. */
export function useFitOffers(): FitOffers {
  const store = usePlan();
  const search = useLongSearch();
  const offers = shallowRef<readonly FitOffer[] | null>(null);
  async function ask(): Promise<void> {
    const asked = store.plan;
    const show = (now: readonly FitOffer[]): void => {
      // What is on its way when the plan changes is of another plan.
      if (store.plan === asked) offers.value = now;
    };
    const found = await search.run((onProgress) => searches().fitOffers(onProgress, proxy(show)));
    if (found !== null) show(found);
  }
  useAskedAnew(search, ask, () => (offers.value = null));
  return { offers, search };
}
