import { useEventListener, useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { cutText } from '@spare-acre/core/base/text';
import type { Deed, KeptDeed } from '@spare-acre/core/schedule/bench';
import { Health, Journal, Picture } from '@spare-acre/core/io/wire';
import { boardsWithDrafts } from '../../sync/drafts';
import { askToPersist } from '../../sync/persist';
import { sendWaiting } from '../../sync/sending';
import { type Waiting, dropWaiting, keepWaiting, listAllWaiting, listWaiting } from '../../sync/waiting';
import { NoServer, call } from './client';

type Taken = (
  boardId: string,
  deeds: readonly Deed[],
  answer: { readonly deeds: readonly (KeptDeed & { readonly turn: number })[] },
) => void;
const AGAIN_MS = 5_000;

/**
 * All that this device has done at the bench and the server does not have yet, for every board: sent whenever there is a server, whatever view is open. What the server rejects is set aside
 * with its text and holds nothing up.
 */
export const useOutbox = defineStore('outbox', () => {
  const boards = shallowRef<ReadonlyMap<string, readonly Waiting[]>>(new Map());
  /** The browser keeps nothing: what waits is gone with the page. */
  const isUnkept = ref(false);
  const isAway = ref(false);
  /** Boards with plan changes that were not saved, left by closed tabs. They are merged and saved when the board is opened. */
  const drafts = shallowRef<readonly string[]>([]);
  const of = (boardId: string): readonly Waiting[] => boards.value.get(boardId) ?? [];
  const all = computed(() => [...boards.value].flatMap(([boardId, waiting]) => waiting.map((one) => ({ boardId, ...one }))));
  const toSend = computed(() => all.value.filter(({ refused }) => refused === null));
  const refused = computed(() => all.value.filter((one) => one.refused !== null));
  const listeners = new Set<Taken>();
  const onTaken = (taken: Taken): void => void listeners.add(taken);

  /** Reads what waits on this device, other tabs' entries among it. */
  async function load(): Promise<void> {
    if (isUnkept.value) return;
    boards.value = await listAllWaiting();
    drafts.value = await boardsWithDrafts();
  }
  function change(boardId: string, to: (waiting: readonly Waiting[]) => readonly Waiting[]): void {
    boards.value = new Map(boards.value).set(boardId, to(of(boardId)));
  }
  const put = (boardId: string, one: Waiting): void =>
    change(boardId, (list) => list.map((own) => (own.deed.id === one.deed.id ? one : own)));

  function add(boardId: string, one: Waiting): void {
    change(boardId, (list) => [...list, one]);
    void keepWaiting(boardId, one)
      .then(askToPersist, () => (isUnkept.value = true))
      .then(flush);
  }

  let sending: Promise<void> | null = null;
  /** One letter at a time; what is done meanwhile goes with the next. */
  const flush = (): Promise<void> => (sending ??= sendAll().finally(() => (sending = null)));
  async function sendAll(): Promise<void> {
    for (const boardId of boards.value.keys()) {
      try {
        await send(boardId);
        isAway.value = false;
      } catch (error) {
        // Whatever it is, what waits is kept, and tried again. Without a server the other boards need not be tried.
        isAway.value = error instanceof NoServer;
        if (isAway.value) return;
      }
    }
  }
  const send = (boardId: string): Promise<void> =>
    sendWaiting({
      // What another tab of this device did goes along; what could not be kept is known here alone.
      list: async () => (isUnkept.value ? of(boardId) : await listWaiting(boardId)),
      photo: ({ id, file }) => call(Picture, 'PUT', `/pictures/${id}`, file),
      deeds: (deeds) => call(Journal, 'POST', `/boards/${boardId}/deeds`, { deeds }),
      isWell: () =>
        call(Health, 'GET', '/health').then(
          () => true,
          () => false,
        ),
      async taken(deeds, answer) {
        const gone = new Set(deeds.map(({ id }) => id));
        for (const listener of listeners) listener(boardId, deeds, answer);
        change(boardId, (list) => list.filter(({ deed }) => !gone.has(deed.id)));
        for (const deed of deeds) await dropWaiting(boardId, deed).catch(() => undefined);
      },
      async refused(one, reason) {
        const aside = { ...one, refused: reason };
        put(boardId, aside);
        await keepWaiting(boardId, aside).catch(() => undefined);
      },
    });
  useEventListener('online', () => void flush());
  useIntervalFn(() => {
    if (toSend.value.length > 0) void flush();
  }, AGAIN_MS);

  /** Sends once more what the server rejected. @param note other words for it, where it has some */
  async function retry(boardId: string, { deed, photos }: Waiting, note?: string): Promise<void> {
    const again = { deed: amended(deed, note), photos, refused: null };
    put(boardId, again);
    await keepWaiting(boardId, again).catch(() => undefined);
    await flush();
  }
  async function discard(boardId: string, { deed }: Waiting): Promise<void> {
    change(boardId, (list) => list.filter((own) => own.deed.id !== deed.id));
    await dropWaiting(boardId, deed).catch(() => undefined);
  }
  return { boards, isUnkept, isAway, drafts, toSend, refused, of, load, add, flush, retry, discard, onTaken };
});

/** A deed with texts that a store can hold, and a note in other words. */
function amended(deed: Deed, note: string | undefined): Deed {
  const { act } = JSON.parse(JSON.stringify(deed), (_, value: unknown) =>
    typeof value === 'string' ? cutText(value, value.length) : value,
  ) as Deed;
  return {
    ...deed,
    act: act.kind === 'note' && note !== undefined ? { ...act, entry: { ...act.entry, note: cutText(note, 2_000) } } : act,
  };
}
