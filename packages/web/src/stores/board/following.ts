import { whenever } from '@vueuse/core';
import { type ComputedRef, type Ref, getCurrentScope, ref, shallowRef, watch } from 'vue';
import type { LiveEvent } from '@spare-acre/core/io/wire';
import { type Board, changesBetween, subjectsOf } from '@spare-acre/core/plan';
import { fetchBoard } from '../device/client';
import type { Here } from './live';
import type { Saving } from './saving';

interface Open {
  readonly boardId: Readonly<Ref<string | null>>;
  readonly board: ComputedRef<Board | null>;
  readonly saving: Saving;
  readonly show: (next: Board) => void;
  readonly say: (text: string) => void;
}

/** What is done elsewhere to the open board: heard of, and taken over. */
export function useFollowing({ boardId, board, saving, show, say }: Open) {
  const scope = getCurrentScope()!;
  /** Who else has this board open. */
  const others = shallowRef<Here['others']>([]);
  /** How often something may have been done elsewhere. */
  const elsewhere = ref(0);
  /** The board was changed elsewhere while something was not saved here yet: looked at when it is. */
  let isLookedForLater = false;
  const hear = (event: LiveEvent): void => {
    if (event.kind === 'here') others.value = event.others;
    else if (event.kind === 'away') say('This board was archived from another tab or device. To continue, restore it on the Boards page.');
    else {
      if (event.what !== 'plan') elsewhere.value++;
      if (event.what === 'record' || event.revision > saving.revision.value) void follow();
    }
  };
  // Fetched with the first board: the list of boards has nothing to hear.
  whenever(boardId, () => void import('./live').then(({ useLive }) => scope.run(() => useLive(boardId, hear))), { once: true });
  watch(saving.state, (state) => {
    if (state === 'saved' && isLookedForLater) void follow();
  });

  /** Takes over what was saved elsewhere. With changes of one's own it waits for their save, which puts both together or asks. */
  async function follow(): Promise<void> {
    isLookedForLater = saving.state.value !== 'saved';
    const id = boardId.value;
    if (isLookedForLater || id === null) return;
    const stored = await fetchBoard(id).catch(() => null);
    const before = board.value;
    if (stored === null || before === null || boardId.value !== id || stored.revision < saving.revision.value) return;
    if (saving.state.value !== 'saved') return void (isLookedForLater = true);
    const { adoptStored } = await import('../../sync/adopt');
    if (board.value !== before) return void (isLookedForLater = true);
    const after = adoptStored(before, stored);
    const changes = changesBetween(before, after);
    if (changes.length === 0) return saving.followed(stored.revision, before);
    show(after);
    saving.followed(stored.revision, after);
    say(`Saved on another device: ${subjectsOf(after, changes).slice(0, 3).join(', ')}. Your own steps can still be undone.`);
  }
  /** What was saved elsewhere is looked at once what is not saved here is. */
  const followLater = (): void => void (isLookedForLater = true);
  return { others, elsewhere, followLater };
}
