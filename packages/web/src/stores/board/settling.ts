import { defineStore } from 'pinia';
import { computed, shallowRef, watch } from 'vue';
import { cutText } from '@spare-acre/core/base/text';
import { type Merged, mergePlans } from '@spare-acre/core/plan';
import { checkEdited } from '@spare-acre/core/plan/stored/check';
import { NOTHING_DONE } from '@spare-acre/core/plan/workshop';
import { bothRecords } from '../../sync/adopt';
import { dropDraft } from '../../sync/drafts';
import { useCatalogue } from '../workshop/catalogue';
import { createBoard } from '../device/client';
import { usePlan } from './plan';

/** A save that came too late, put together with what was saved first; fetched when it happens. */
export const useSettling = defineStore('settling', () => {
  const store = usePlan();
  /** Added features that the builder leaves out, where both sides together are too many. */
  const leftOut = shallowRef<ReadonlySet<string>>(new Set());
  watch(
    () => store.saving.stored,
    () => (leftOut.value = new Set()),
  );
  /** What a merge with the stored plan would give, and what keeps it from being a plan; null when no save came too late. */
  const merge = computed<(Merged & { readonly problem: string; readonly hasBase: boolean }) | null>(() => {
    const { stored, base } = store.saving;
    if (stored === null || base === null || store.plan === null) return null;
    const merged = mergePlans(base.plan, store.plan, stored.plan, leftOut.value);
    const checked = checkEdited(merged.plan, stored.plan, useCatalogue().catalogue!);
    return { ...merged, hasBase: base.plan !== null, problem: checked.ok ? '' : checked.problem.issues[0]!.message };
  });

  /** Settles it; whichever plan is not chosen stays in the history or as a board of its own. */
  async function settle(choice: 'merge' | 'mine' | 'theirs'): Promise<void> {
    const { stored, base } = store.saving;
    const mine = store.board;
    if (stored === null || mine === null) return;
    if (choice === 'merge' && merge.value!.problem !== '') throw new Error(merge.value!.problem);
    // What was done on either device was done, whichever plan is gone on with; what of it are tasks is heard at the bench.
    const record = bothRecords(base?.record ?? NOTHING_DONE, mine.record, stored.record);
    const theirs = { plan: stored.plan, record: stored.record };
    if (choice === 'theirs') {
      await createBoard({ plan: { ...mine.plan, name: cutText(`${mine.plan.name} (my copy)`, 80) }, record: NOTHING_DONE });
      store.saving.rebase(stored.revision, theirs);
      store.forgetSteps();
      store.goOnFrom({ plan: stored.plan, record }, 'Used the version saved elsewhere');
      await dropDraft(stored.id);
    } else {
      const merged = choice === 'merge' ? merge.value!.plan : mine.plan;
      store.saving.rebase(stored.revision, theirs);
      store.goOnFrom({ plan: merged, record }, choice === 'merge' ? 'Merged both versions' : 'Kept my version');
    }
    await store.saving.saveNow();
  }
  return { leftOut, merge, settle };
});
