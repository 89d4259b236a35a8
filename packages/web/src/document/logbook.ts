import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import type { PersonalCorrection } from '@spare-acre/core/hand';
import type { LogEntry } from '@spare-acre/core/logbook';
import { Hand, Log } from '@spare-acre/core/wire';
import { useBench } from './bench';
import type { Photo } from './bench/waiting';
import { useCatalogue } from './catalogue';
import { call } from './client';

/** What was really done on the open board, and what all logs together say of the catalogue. */
export const useLogbook = defineStore('logbook', () => {
  const entries = shallowRef<readonly LogEntry[]>([]);
  const learnt = shallowRef<readonly PersonalCorrection[]>([]);
  const refused = shallowRef<readonly string[]>([]);
  const fault = ref('');

  async function attempt(work: () => Promise<void>): Promise<void> {
    fault.value = '';
    try {
      await work();
    } catch (error) {
      fault.value = error instanceof Error ? error.message : String(error);
    }
  }
  const at = (boardId: string): string => `/boards/${encodeURIComponent(boardId)}/log`;
  async function readHand(): Promise<void> {
    const hand = await call(Hand, 'GET', '/hand');
    [learnt.value, refused.value] = [hand.corrections, hand.refused];
  }
  /** What is learnt changes what every figure is reckoned with. */
  async function learn(): Promise<void> {
    await Promise.all([readHand(), useCatalogue().renew()]);
  }
  const load = (boardId: string): Promise<void> =>
    attempt(async () => {
      entries.value = [];
      entries.value = (await call(Log, 'GET', at(boardId))).entries;
      await readHand();
    });
  /** Written down on this device at once, and on the server as soon as it answers; nobody who types on waits for what is learnt of it. */
  const add = (entry: LogEntry, photos: readonly Photo[] = []): void => useBench().act({ kind: 'note', entry }, photos);
  const bench = useBench();
  /** What is written down, and what of it still waits to be sent. */
  const all = computed(() => {
    const known = new Set(entries.value.map(({ id }) => id));
    const waiting = bench.waiting.flatMap(({ deed: { act } }) => (act.kind === 'note' && !known.has(act.entry.id) ? [act.entry] : []));
    return [...entries.value, ...waiting];
  });
  /** Something was written down, here or elsewhere. */
  watch(
    () => bench.journal.filter(({ deed }) => deed.act.kind === 'note').length,
    () => {
      if (bench.boardId !== null) void reread(bench.boardId);
    },
  );
  const reread = (boardId: string): Promise<void> =>
    attempt(async () => {
      entries.value = (await call(Log, 'GET', at(boardId))).entries;
      await learn();
    });
  const remove = (boardId: string, id: string): Promise<void> =>
    attempt(async () => {
      entries.value = (await call(Log, 'DELETE', `${at(boardId)}/${id}`)).entries;
      await learn();
    });
  const refuse = (path: string, isRefused: boolean): Promise<void> =>
    attempt(async () => {
      await call(null, 'PUT', `/hand/${encodeURIComponent(path)}`, { isRefused });
      await learn();
    });
  /** What was learnt of a value so far counts no more. */
  const forget = (path: string): Promise<void> =>
    attempt(async () => {
      await call(null, 'DELETE', `/hand/${encodeURIComponent(path)}`);
      await learn();
    });
  return { entries: all, learnt, refused, fault, load, add, remove, refuse, forget };
});
