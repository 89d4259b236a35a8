import { useDebounceFn } from '@vueuse/core';
import { type Ref, ref, shallowRef, watch } from 'vue';
import type { PlayReport } from '@spare-acre/core/terrain/play';
import type { Side } from '@spare-acre/core/terrain/tiling';
import { usePlan } from '../../../stores/board/plan';
import type { SightAnswer } from '../../../workers/searches/sight';
import { type LongSearch, searches, useLongSearch } from '../../../workers/searches';

export type OverlayId = 'ways' | 'standing' | 'reach' | 'sight';
/** The play checks of the table as it is now; worked out anew a moment after the last change. */
export interface Play {
  readonly overlay: Ref<OverlayId>;
  readonly from: Ref<Side>;
  readonly to: Ref<Side>;
  /** The side whose sight is shown. */
  readonly seenFrom: Ref<Side>;
  readonly report: Ref<PlayReport | null>;
  readonly sight: Ref<SightAnswer | null>;
  readonly search: LongSearch;
  readonly fault: Ref<string>;
  readonly look: () => Promise<void>;
}
const SETTLE_MS = 120;

export function usePlay(isShown: () => boolean): Play {
  const store = usePlan();
  const overlay = ref<OverlayId>('ways');
  const [from, to, seenFrom] = [ref<Side>('left'), ref<Side>('right'), ref<Side>('left')];
  const report = shallowRef<PlayReport | null>(null);
  const sight = shallowRef<SightAnswer | null>(null);
  const fault = ref('');
  const search = useLongSearch();
  let turn = 0;

  async function check(): Promise<void> {
    if (!isShown() || store.plan === null) return;
    const mine = ++turn;
    try {
      const answer = await searches().play(from.value, to.value);
      // A late answer to an older plan is dropped.
      if (mine === turn) [report.value, fault.value] = [answer, ''];
    } catch (error) {
      fault.value = error instanceof Error ? error.message : String(error);
    }
  }
  const soon = useDebounceFn(check, SETTLE_MS);
  watch([() => store.plan, from, to, isShown], () => void soon(), { immediate: true });
  watch(
    () => store.plan,
    () => {
      search.cancel();
      sight.value = null;
    },
  );
  return {
    overlay,
    from,
    to,
    seenFrom,
    report,
    sight,
    search,
    fault,
    async look() {
      const answer = await search.run((onProgress) => searches().sight(onProgress));
      if (answer !== null) sight.value = answer;
    },
  };
}
