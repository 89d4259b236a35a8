import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import type { Showing } from '@spare-acre/core/base/units';
import type { Board } from '@spare-acre/core/plan';
import { NOTHING_DONE } from '@spare-acre/core/plan/workshop';
import { findDraft } from '../../sync/drafts';
import { fetchBoard } from '../device/client';
import { useCatalogue } from '../workshop/catalogue';
import { useAnswers } from './answers';
import { useFollowing } from './following';
import { useSaving } from './saving';
import { useSteps } from './steps';
import { useStock } from './stock';
import { useTickedBoard } from './ticked';

/** The open board: its plan, what was done of it, the way back, what the worker has told of it, and whether all is saved. */
export const usePlan = defineStore('plan', () => {
  const catalogues = useCatalogue();
  const boardId = ref<string | null>(null);
  const { board, put, ticksBy } = useTickedBoard();
  const plan = computed(() => board.value?.plan ?? null);
  const record = computed(() => board.value?.record ?? NOTHING_DONE);
  const saving = useSaving(() => (boardId.value === null || board.value === null ? null : { id: boardId.value, board: board.value }));
  const { open: openAnswers, close: closeAnswers, tell, ...answers } = useAnswers();
  const { offcuts, stock, takeShelf, load: loadStock } = useStock({ boardId, plan, record }, (now) => tell({ stock: now }));
  const { say, ...steps } = useSteps(board, become);
  const { followLater, ...following } = useFollowing({ boardId, board, saving, show: put, say });
  const showing = computed<Showing>(() => ({ system: plan.value?.units ?? 'metric', currency: catalogues.catalogue?.currency ?? '' }));

  /** Opens a board, going on from a draft this browser kept of it. */
  async function open(id: string): Promise<void> {
    if (boardId.value === id && board.value !== null) return;
    await saving.leave();
    close();
    const [catalogue, stored, draft] = await Promise.all([catalogues.load(), fetchBoard(id), findDraft(id), loadStock()]);
    const recovery = draft === null ? null : await (await import('../../sync/recovery')).recovered(draft, stored, catalogue);
    boardId.value = id;
    saving.opened(stored);
    put(recovery?.board ?? { plan: stored.plan, record: stored.record });
    if (recovery !== null) {
      saving.rebase(recovery.revision, recovery.base);
      followLater();
      void saving.saveNow();
    }
    openAnswers({ board: board.value!, catalogue: catalogues.inUse ?? catalogue, stock: stock.value });
  }
  function close(): void {
    boardId.value = null;
    put(null);
    closeAnswers();
    steps.forgetSteps();
    steps.notice.value = null;
    following.others.value = [];
  }

  watch(
    () => catalogues.inUse,
    (now) => now !== null && board.value !== null && tell({ catalogue: now }),
  );
  watch(
    () => plan.value?.people.map(({ name }) => name).join('\n'),
    (names) => (catalogues.builders = names?.split('\n') ?? []),
    { flush: 'sync' },
  );

  watch(board, (now) => now !== null && tell({ board: now }), { flush: 'sync' });
  function become(next: Board, name: string): void {
    put(next);
    saving.changed(name);
  }
  /** Goes on from a board that both sides came to: no step of this page, so that Undo never takes back what others did. */
  const goOnFrom = become;

  return {
    boardId,
    board,
    plan,
    record,
    showing,
    offcuts,
    takeShelf,
    saving,
    ...answers,
    ...steps,
    ...following,
    ticksBy,
    goOnFrom,
    open,
    close,
  };
});
