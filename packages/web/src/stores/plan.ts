import { applyPatches, enablePatches, produceWithPatches } from 'immer';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import type { Offcut } from '@spare-acre/core/cutting';
import { type Merged, type Plan, type PlanDraft, mergePlans } from '@spare-acre/core/plan';
import { checkPlan } from '@spare-acre/core/plan/check';
import type { Showing } from '@spare-acre/core/units';
import { type Mend, mendIn } from '@spare-acre/core/warnings';
import { createBoard, fetchBoard, fetchRevision } from '../api/client';
import { dropDraft, findDraft } from '../drafts/drafts';
import type { Answer } from '../worker/derive.worker';
import { Reckoning } from '../worker/reckoning';
import { useCatalogue } from './catalogue';
import { type Deed, NO_HISTORY, redoLast, undoLast, withDeed } from './history';
import { useRack } from './rack';
import { useSaving } from './saving';

enablePatches();

/** The open board: its plan, the way back, the worker's last answer, and whether all is saved. */
const NONE_CUT: Plan['cutting']['cut'] = [];

export const usePlan = defineStore('plan', () => {
  const catalogues = useCatalogue();
  const rack = useRack();
  const boardId = ref<string | null>(null);
  const plan = shallowRef<Plan | null>(null);
  const history = shallowRef(NO_HISTORY);
  const answer = shallowRef<Answer | null>(null);
  const isReckoning = ref(false);
  const fault = ref('');
  const saving = useSaving(() => (boardId.value === null || plan.value === null ? null : { id: boardId.value, plan: plan.value }));

  let shownVersion = 0;
  const reckoning = new Reckoning({
    answered(newAnswer, version) {
      // Answers come in order; one to an older plan never replaces one to a newer.
      if (version < shownVersion) return;
      shownVersion = version;
      answer.value = newAnswer;
      fault.value = '';
    },
    failed(error) {
      fault.value = error instanceof Error ? error.message : String(error);
    },
    busy(isBusy) {
      isReckoning.value = isBusy;
    },
  });

  const cut = computed(() => plan.value?.cutting.cut ?? NONE_CUT);
  /** What this board may cut from: not what a board has cut up, and pieces it left itself lie there for the next one. */
  const offcuts = computed<readonly Offcut[]>(() =>
    rack.offcuts
      .filter(({ id, from, usedBy }) => {
        const isFree = usedBy === null || usedBy === boardId.value;
        return isFree && from?.boardId !== boardId.value && cut.value.every(({ offcutId }) => offcutId !== id);
      })
      .map(({ id, materialId, thicknessMm, widthMm, depthMm }) => ({ id, materialId, thicknessMm, widthMm, depthMm })),
  );
  watch(offcuts, (now, before) => {
    if (plan.value !== null && (now.length > 0 || before.length > 0)) reckoning.shelve(now);
  });

  const derivation = computed(() => answer.value?.derivation ?? null);
  const section = computed(() => answer.value?.section ?? null);
  const warnings = computed(() => derivation.value?.warnings ?? []);
  const showing = computed<Showing>(() => ({ system: plan.value?.units ?? 'metric', currency: catalogues.catalogue?.currency ?? '' }));

  /** Opens a board, going on from a draft this browser kept of it. */
  async function open(id: string): Promise<void> {
    if (boardId.value === id && plan.value !== null) return;
    await saving.saveNow();
    close();
    const [catalogue, board, draft] = await Promise.all([catalogues.load(), fetchBoard(id), findDraft(id), rack.load()]);
    boardId.value = id;
    saving.opened(board);
    plan.value = board.plan;
    // A draft of an earlier version is brought forward as a stored plan is.
    const checked = draft === null ? null : checkPlan(draft.plan, catalogue);
    const kept = draft !== null && checked?.ok === true ? { ...draft, plan: checked.value } : null;
    if (kept !== null) {
      const base = kept.baseRevision === board.revision ? board : await fetchRevision(id, kept.baseRevision).catch(() => board);
      plan.value = kept.plan;
      saving.rebase(kept.baseRevision, base.plan);
      void saving.saveNow();
    }
    reckoning.open(plan.value, catalogue, offcuts.value);
  }

  function close(): void {
    [boardId.value, plan.value, answer.value, history.value] = [null, null, null, NO_HISTORY];
  }

  /**
   * The one door for changes. Nothing changes when the outcome would not be a sound plan.
   * @param name what was done, for Undo; @param gesture joins the edits of one drag
   * @returns what is wrong with the outcome, in words; empty when it was taken
   */
  function edit(name: string, change: (draft: PlanDraft) => void, gesture: string | null = null): string {
    const [next, patches, inverse] = produceWithPatches(plan.value!, (draft) => change(draft as PlanDraft));
    if (patches.length === 0) return '';
    const checked = checkPlan(next, catalogues.catalogue!);
    if (!checked.ok) return checked.problem.issues[0]!.message;
    history.value = withDeed(history.value, { name, gesture, patches, inverse });
    become(next, { patches });
    return '';
  }

  const mend = (chosen: Mend): string => edit(chosen.label, (draft) => mendIn(draft, chosen));

  function undo(): void {
    const step = undoLast(history.value);
    if (step !== null) travel(step.deed, 'inverse', step.history);
  }
  function redo(): void {
    const step = redoLast(history.value);
    if (step !== null) travel(step.deed, 'patches', step.history);
  }
  function travel(deed: Deed, way: 'patches' | 'inverse', to: typeof history.value): void {
    history.value = to;
    become(applyPatches(plan.value!, deed[way]), { patches: deed[way] });
  }

  function become(next: Plan, { patches }: Pick<Deed, 'patches'>): void {
    plan.value = next;
    reckoning.change(patches);
    saving.changed();
  }

  /** Puts a whole other plan in place, as one step that can be undone. */
  function replaceWith(name: string, other: Plan): string {
    return edit(name, (draft) => Object.assign(draft, other));
  }

  /** What a merge with the stored plan would give; null when no save came too late. */
  const merge = computed<Merged | null>(() => {
    const { stored, base } = saving;
    return stored.value === null || base.value === null || plan.value === null
      ? null
      : mergePlans(base.value, plan.value, stored.value.plan);
  });

  /** Settles a save that came too late; whichever plan is not chosen stays in the history or as a board of its own. */
  async function settle(choice: 'merge' | 'mine' | 'theirs'): Promise<void> {
    const stored = saving.stored.value;
    const mine = plan.value;
    if (stored === null || mine === null) return;
    if (choice === 'theirs') {
      await createBoard({ ...mine, name: `${mine.name} (my copy)`.slice(0, 80) });
      saving.rebase(stored.revision, stored.plan);
      replaceWith('Take the other version', stored.plan);
      await dropDraft(stored.id);
    } else {
      const merged = choice === 'merge' ? merge.value!.plan : mine;
      saving.rebase(stored.revision, stored.plan);
      replaceWith('Put both versions together', merged);
    }
    await saving.saveNow();
  }

  return {
    boardId,
    plan,
    history,
    answer,
    derivation,
    section,
    warnings,
    showing,
    isReckoning,
    fault,
    offcuts,
    saving,
    merge,
    open,
    close,
    edit,
    mend,
    undo,
    redo,
    settle,
  };
});
