import { type ComputedRef, type Ref, computed, ref, shallowRef, watch } from 'vue';
import {
  type CutJob,
  type HandDeed,
  type KeptLayout,
  type KeptProblem,
  type Layout,
  byHand,
  relaid,
  unpinned,
} from '@spare-acre/core/cutting';
import { usePlan } from '../stores/plan';
import { keepLayout } from './keepLayout';

/** Parts moved, turned and pinned by hand. What cannot be done is said in words, and nothing is moved. */
export interface ByHand {
  /** The job as the hand left it; the worker's answer follows. */
  readonly job: ComputedRef<CutJob | null>;
  readonly chosen: Readonly<Ref<string | null>>;
  readonly choose: (partId: string | null) => void;
  readonly fault: Ref<string>;
  readonly can: (partId: string, deed: HandDeed) => boolean;
  readonly put: (partId: string, deed: HandDeed, gesture?: string | null) => boolean;
  readonly letGoOfAll: () => void;
}

const WHY: Readonly<Record<KeptProblem['code'], string>> = {
  'kept/overlap': 'It would lie on another part, or closer than the blade is wide.',
  'kept/off-sheet': 'It would lie over the edge of the sheet, or in its trim.',
  'kept/turned': 'Its grain must run along the sheet: it cannot be turned.',
  'kept/other-parts': 'That part is no longer cut.',
  'kept/cut': 'That sheet is cut already.',
  'kept/other-stock': 'That sheet is no longer there.',
};
const NAMES: Readonly<Record<HandDeed['code'], string>> = {
  move: 'Move a part',
  carry: 'Carry a part over',
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

  function keep(name: string, kept: KeptLayout, gesture: string | null): void {
    fault.value = store.edit(name, (draft) => keepLayout(draft.cutting, kept, store.derivation?.jobs ?? []), gesture);
    if (fault.value === '') ahead.value = relaid(job.value!, kept);
  }
  return {
    job: current,
    chosen,
    choose: (partId) => void (chosen.value = partId),
    fault,
    can: (partId, deed) => current.value !== null && byHand(current.value, partId, deed).ok,
    put(partId, deed, gesture = null) {
      if (current.value === null) return false;
      const done = byHand(current.value, partId, deed);
      if (!done.ok) {
        fault.value = WHY[done.problem.code];
        return false;
      }
      fault.value = '';
      keep(deed.code === 'pin' && !deed.pinned ? 'Let go of a part' : NAMES[deed.code], done.value, gesture);
      return true;
    },
    letGoOfAll() {
      if (current.value !== null) keep('Let go of all parts', unpinned(current.value), null);
    },
  };
}
