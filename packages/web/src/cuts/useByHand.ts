import { type ComputedRef, type Ref, ref, watch } from 'vue';
import { type CutJob, type HandDeed, type KeptProblem, byHand, unpinned } from '@spare-acre/core/cutting';
import { usePlan } from '../stores/plan';

/** Parts moved, turned and pinned by hand. What cannot be done is said in words, and nothing is moved. */
export interface ByHand {
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
  watch(
    () => job.value?.key,
    () => ([chosen.value, fault.value] = [null, '']),
  );

  function keep(name: string, kept: unknown, gesture: string | null): void {
    const { key } = job.value!;
    fault.value = store.edit(
      name,
      (draft) => {
        draft.cutting.kept = [...draft.cutting.kept.filter(({ jobKey }) => jobKey !== key), kept as never];
      },
      gesture,
    );
  }
  return {
    chosen,
    choose: (partId) => void (chosen.value = partId),
    fault,
    can: (partId, deed) => job.value !== null && byHand(job.value, partId, deed).ok,
    put(partId, deed, gesture = null) {
      if (job.value === null) return false;
      const done = byHand(job.value, partId, deed);
      if (!done.ok) {
        fault.value = WHY[done.problem.code];
        return false;
      }
      fault.value = '';
      keep(deed.code === 'pin' && !deed.pinned ? 'Let go of a part' : NAMES[deed.code], done.value, gesture);
      return true;
    },
    letGoOfAll() {
      if (job.value !== null) keep('Let go of all parts', unpinned(job.value), null);
    },
  };
}
