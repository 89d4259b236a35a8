import { v4 as uuid } from 'uuid';
import { useEventListener } from '@vueuse/core';
import { dequal } from 'dequal';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { type Act, type Deed, type KeptDeed, benchAfter } from '@spare-acre/core/schedule/bench';
import type { DoneTask } from '@spare-acre/core/plan/workshop';
import { Journal } from '@spare-acre/core/io/wire';
import { NoServer, call } from '../device/client';
import { useClock } from './clock';
import { usePlan } from '../board/plan';
import { type Photo, deviceId, keepJournal, knownJournal } from '../../sync/waiting';
import { useOutbox } from '../device/outbox';

type DoneTasks = Readonly<Record<string, DoneTask>>;
type Kept = KeptDeed & { readonly turn: number };

/** The name that a task goes by, for whoever is asked of it later. */
function nameOf(taskId: string): string {
  const { moves, days, tasks } = usePlan().slices;
  const isIt = (one: { readonly ofTask: string }): boolean => one.ofTask === taskId;
  return (
    moves?.find(isIt)?.work.label ?? days?.slots.find(isIt)?.label ?? tasks?.find((one) => one.taskId === taskId)?.work.label ?? taskId
  );
}
/** A tick that came with the board, as the journal would have it. */
const asDeed = (taskId: string, task: DoneTask): KeptDeed => {
  const act = { kind: 'tick' as const, taskId, task, name: taskId };
  return { turn: 0, deed: { id: uuid(), device: '', seen: 0, atMs: 0, day: task.at.day, act } };
};

/**
 * What is done at the bench: the journal that all devices share, and what of this one still waits to be sent. What the board's record says is done follows from it; an edit that
 * ticks a task, and its undo, become deeds here.
 */
export const useBench = defineStore('bench', () => {
  const store = usePlan();
  const clock = useClock();
  const boardId = ref<string | null>(null);
  const journal = shallowRef<readonly Kept[]>([]);
  const outbox = useOutbox();
  const waiting = computed(() => (boardId.value === null ? [] : outbox.of(boardId.value)));
  /** Notes that have reached the server: what is learnt of them is another catalogue. */
  const notesTaken = ref(0);
  const toSend = computed(() => waiting.value.filter(({ refused }) => refused === null));
  const refused = computed(() => waiting.value.filter((one) => one.refused !== null));
  /** Ticks as they came with the board, which hold until the journal is heard. */
  const cameWith = shallowRef<readonly KeptDeed[]>([]);
  const state = computed(() => {
    const heard = journal.value.length > 0 ? journal.value : cameWith.value;
    return benchAfter([...heard, ...toSend.value.map(({ deed }) => ({ turn: null, deed }))]);
  });
  const seen = computed(() => journal.value.at(-1)?.turn ?? 0);

  async function load(id: string): Promise<void> {
    boardId.value = null;
    const [known] = await Promise.all([knownJournal(id), outbox.load()]);
    if (store.boardId !== id) return;
    journal.value = known as readonly Kept[];
    cameWith.value = Object.entries(store.record.doneTasks).map(([taskId, task]) => asDeed(taskId, task));
    boardId.value = id;
    store.ticksBy({ doneTasks, change });
    await refresh();
  }

  /** The same list while it says the same: what reads it is calculated once. */
  const doneTasks = computed<DoneTasks>((before) => (dequal(before, state.value.doneTasks) ? before! : state.value.doneTasks));
  /** What an edit or an undo ticked becomes a deed of this device. */
  function change(from: DoneTasks, to: DoneTasks): void {
    const changed = [...new Set([...Object.keys(from), ...Object.keys(to)])].filter((id) => !dequal(from[id], to[id]));
    for (const taskId of changed) {
      const task = to[taskId];
      const name = nameOf(taskId);
      act(task === undefined ? { kind: 'untick', taskId, name } : { kind: 'tick', taskId, task, name });
    }
  }

  /** Does something: at once here, on this device before anything else, and on the server as soon as it answers. */
  function act(what: Act, photos: readonly Photo[] = []): void {
    const id = boardId.value!;
    const atMs = Math.max(clock.now(), (waiting.value.at(-1)?.deed.atMs ?? 0) + 1);
    const deed: Deed = { id: uuid(), device: deviceId(), seen: seen.value, atMs, day: clock.today(), act: what };
    outbox.add(id, { deed, photos, refused: null });
  }

  async function refresh(): Promise<void> {
    const id = boardId.value;
    if (id === null) return;
    try {
      hear(id, await call(Journal, 'GET', `/boards/${id}/deeds?after=${seen.value}`));
      outbox.isAway = false;
    } catch (error) {
      if (error instanceof NoServer) outbox.isAway = true;
    }
    await outbox.flush();
  }
  function hear(id: string, { deeds }: { readonly deeds: readonly Kept[] }): void {
    if (boardId.value !== id || deeds.length === 0) return;
    const known = new Set(journal.value.map(({ turn }) => turn));
    journal.value = [...journal.value, ...deeds.filter(({ turn }) => !known.has(turn))].sort((a, b) => a.turn - b.turn);
    void keepJournal(id, journal.value);
  }

  outbox.onTaken((id, deeds, answer) => {
    hear(id, answer);
    if (boardId.value === id) notesTaken.value += deeds.filter(({ act: { kind } }) => kind === 'note').length;
  });
  useEventListener('online', () => void refresh());

  watch(
    () => store.boardId,
    (id) => {
      if (id === null) boardId.value = null;
      else void load(id);
    },
    { immediate: true },
  );
  watch(
    () => store.elsewhere,
    () => void refresh(),
  );
  return { device: deviceId(), boardId, journal, waiting: toSend, refused, state, notesTaken, act, refresh };
});
