import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import type { Deed } from '@spare-acre/core/schedule/bench';
import type { PersonalCorrection } from '@spare-acre/core/learning/calibration';
import type { LogEntry } from '@spare-acre/core/learning/logbook';
import { Hand, Log } from '@spare-acre/core/io/wire';
import { useBench } from './index';
import type { Photo } from '../../sync/waiting';
import { useCatalogue } from '../workshop/catalogue';
import { call } from '../device/client';

/** What all logs together say of the catalogue, and what the builder says to that. @param attempt tells of what goes wrong */
function useHand(attempt: (work: () => Promise<void>) => Promise<void>) {
  const learnt = shallowRef<readonly PersonalCorrection[]>([]);
  const refused = shallowRef<readonly string[]>([]);
  async function readHand(): Promise<void> {
    const hand = await call(Hand, 'GET', '/hand');
    [learnt.value, refused.value] = [hand.corrections, hand.refused];
  }
  /** What is learnt changes what every figure is reckoned with. */
  async function learn(): Promise<void> {
    await Promise.all([readHand(), useCatalogue().renew()]);
  }
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
  return { learnt, refused, readHand, learn, refuse, forget };
}

/** What was really done on the open board, and what all logs together say of the catalogue. */
export const useLogbook = defineStore('logbook', () => {
  const entries = shallowRef<readonly LogEntry[]>([]);
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
  const { learnt, refused, readHand, learn, ...deciding } = useHand(attempt);
  const load = (boardId: string): Promise<void> =>
    attempt(async () => {
      [entries.value, justSent.value, turn] = [[], [], 0];
      await read(boardId);
      await readHand();
    });
  let asked = 0;
  /** The last turn of the log that was heard of. */
  let turn = 0;
  async function read(boardId: string): Promise<void> {
    // What is sent while the answer is on its way may not be in it.
    const told = new Set(justSent.value);
    const request = ++asked;
    // Only what is new: a log of years is not told again for every line.
    const log = await call(Log, 'GET', `${at(boardId)}?after=${turn}`);
    // Answers overtake each other: what was asked for later is newer.
    if (request !== asked) return;
    const gone = new Set([...log.deletedIds, ...log.entries.map(({ id }) => id)]);
    entries.value = [...entries.value.filter(({ id }) => !gone.has(id)), ...log.entries];
    turn = log.turn;
    justSent.value = justSent.value.filter((entry) => !told.has(entry));
  }
  /** Written down on this device at once, and on the server as soon as it answers; nobody who types on waits for what is learnt of it. */
  const add = (entry: LogEntry, photos: readonly Photo[] = []): void => useBench().act({ kind: 'note', entry }, photos);
  const bench = useBench();
  const notesOf = (deeds: readonly { readonly deed: Deed }[]): readonly LogEntry[] =>
    deeds.flatMap(({ deed: { act } }) => (act.kind === 'note' ? [act.entry] : []));
  /** Notes that are on the server, but not yet in the log as it was last read. */
  const justSent = shallowRef<readonly LogEntry[]>([]);
  watch(
    () => bench.waiting,
    (now, before) => {
      const waits = new Set(now);
      const left = before.filter((one) => !waits.has(one) && bench.journal.some(({ deed }) => deed.id === one.deed.id));
      if (left.length > 0) justSent.value = [...justSent.value, ...notesOf(left)];
    },
    { flush: 'sync' },
  );
  /** What is written down, and what of it still waits to be sent. */
  const all = computed(() => [
    ...new Map([...entries.value, ...justSent.value, ...notesOf(bench.waiting)].map((entry) => [entry.id, entry])).values(),
  ]);
  /** Something was written down, here or elsewhere. */
  watch(
    () => bench.journal.filter(({ deed }) => deed.act.kind === 'note').length,
    () => {
      if (bench.boardId !== null) void reread(bench.boardId);
    },
  );
  const reread = (boardId: string): Promise<void> =>
    attempt(async () => {
      await read(boardId);
      await learn();
    });
  const remove = (boardId: string, id: string): Promise<void> =>
    attempt(async () => {
      await call(null, 'DELETE', `${at(boardId)}/${id}`);
      asked += 1;
      entries.value = entries.value.filter((entry) => entry.id !== id);
      justSent.value = justSent.value.filter((entry) => entry.id !== id);
      await learn();
    });
  return { entries: all, learnt, refused, fault, load, add, remove, ...deciding };
});
