import { type ComputedRef, type Ref, computed, ref, shallowRef, watch } from 'vue';
import type { CutJob } from '@spare-acre/core/build/cutting/job';
import { type HandMove, type SavedLayout, type SavedProblem, byHand, relaid, unpinned } from '@spare-acre/core/build/cutting/saved';
import type { Layout } from '@spare-acre/core/build/cutting/nesting';
import { usePlan } from '../../stores/board/plan';

/** Parts moved, turned and pinned by hand. What cannot be done is said in words, and nothing is moved. */
export interface ByHand {
  /** The job as the hand left it; the worker's answer follows. */
  readonly job: ComputedRef<CutJob | null>;
  readonly chosen: Readonly<Ref<string | null>>;
  readonly choose: (partId: string | null) => void;
  readonly fault: Ref<string>;
  readonly can: (partId: string, move: HandMove) => boolean;
  readonly put: (partId: string, move: HandMove, gesture?: string | null) => boolean;
  readonly letGoOfAll: () => void;
}

const WHY: Readonly<Record<SavedProblem['code'], string>> = {
  'saved/overlap': 'No room there: it would overlap another part or lie closer than the kerf.',
  'saved/off-sheet': 'No room there: it would go over the edge of the sheet or into the edge trim.',
  'saved/turned': 'The grain must run along the sheet: it cannot be turned.',
  'saved/other-parts': 'That part is no longer needed.',
  'saved/cut': 'That sheet is cut already.',
  'saved/other-stock': 'That sheet is no longer there.',
};
const NAMES: Readonly<Record<HandMove['code'], string>> = {
  move: 'Move a part',
  carry: 'Move a part to another sheet',
  turn: 'Turn a part',
  pin: 'Pin a part',
};

export function useByHand(job: ComputedRef<CutJob | null>): ByHand {
  const store = usePlan();
  const chosen = ref<string | null>(null);
  const fault = ref('');
  // Keys come faster than answers: each goes on from where the last one left the part.
  const ahead = shallowRef<Layout | null>(null);
  const current = computed(() => (job.value === null || ahead.value === null ? job.value : { ...job.value, layout: ahead.value }));
  watch(
    () => job.value?.key,
    () => ([chosen.value, fault.value, ahead.value] = [null, '', null]),
  );
  watch(
    () => store.isReckoning,
    (isBusy) => {
      if (!isBusy) ahead.value = null;
    },
  );

  function keep(name: string, saved: SavedLayout, gesture: string | null): void {
    const jobKeys = (store.slices.jobs ?? []).map(({ key }) => key);
    fault.value = store.edit({ code: 'layout/save', layout: saved, jobKeys, why: name }, gesture);
    if (fault.value === '') ahead.value = relaid(job.value!, saved);
  }
  return {
    job: current,
    chosen,
    choose: (partId) => void (chosen.value = partId),
    fault,
    can: (partId, move) => current.value !== null && byHand(current.value, partId, move).ok,
    put(partId, move, gesture = null) {
      if (current.value === null) return false;
      const done = byHand(current.value, partId, move);
      if (!done.ok) {
        fault.value = WHY[done.problem.code];
        return false;
      }
      fault.value = '';
      keep(move.code === 'pin' && !move.pinned ? 'Unpin a part' : NAMES[move.code], done.value, gesture);
      return true;
    },
    letGoOfAll() {
      if (current.value !== null) keep('Unpin all parts', unpinned(current.value), null);
    },
  };
}
