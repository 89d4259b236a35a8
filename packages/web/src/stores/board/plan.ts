import { type Offcut, type Stock, freeOffcuts, NOTHING_DONE } from '@spare-acre/core/plan/workshop';
import { whenever } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, getCurrentScope, ref, shallowRef, watch } from 'vue';
import type { Bare, Figure, Quantity, Showing } from '@spare-acre/core/base/units';
import type { Shift } from '@spare-acre/core/schedule/tasks';
import type { QuickFix } from '@spare-acre/core/advice/checks';
import type { Tally } from '@spare-acre/core/pipeline';
import { type Board, changesBetween, subjectsOf } from '@spare-acre/core/plan';
import { checkEdited } from '@spare-acre/core/plan/stored/check';
import type { LiveEvent } from '@spare-acre/core/io/wire';
import { type Edit, applied, editName } from '@spare-acre/core/plan/edits';
import { applyAnswer, placeOf } from '../../workers/answering';
import { Reckoning } from '../../workers/reckoning';
import { searchedBoard } from '../../workers/searched-board';
import type { Whole } from '../../workers/told';
import type { Look, SliceName, Slices } from '../../workers/slices';
import { useCatalogue } from '../workshop/catalogue';
import { fetchBoard } from '../device/client';
import type { Here } from './live';
import { useAir } from '../workshop/air';
import { findDraft } from '../../sync/drafts';
import { NO_HISTORY, type Travel, redoLast, undoLast, withStep } from '../../sync/history';
import { useRack } from '../workshop/rack';
import { useSaving } from './saving';

const NOTHING_LOOKED_AT: Look = { slices: [], chosen: [] };

/** The open board: its plan, what was done of it, the way back, what the worker has told of it, and whether all is saved. */
export const usePlan = defineStore('plan', () => {
  const catalogues = useCatalogue();
  const rack = useRack();
  const air = useAir();
  const scope = getCurrentScope()!;
  const boardId = ref<string | null>(null);
  const board = shallowRef<Board | null>(null);
  const plan = computed(() => board.value?.plan ?? null);
  const record = computed(() => board.value?.record ?? NOTHING_DONE);
  const history = shallowRef(NO_HISTORY);
  const slices = shallowRef<Slices>({});
  const looked = shallowRef<Look>(NOTHING_LOOKED_AT);
  const isReckoning = ref(false);
  const fault = ref('');
  /** Nothing is calculated any more until the page is loaded again; edits are still taken and saved. */
  const isDead = ref(false);
  /** What was just done, for a moment, so that it can be taken back at once. */
  const notice = shallowRef<{ readonly text: string; readonly steps: number; readonly isDeed: boolean } | null>(null);
  const saving = useSaving(() => (boardId.value === null || board.value === null ? null : { id: boardId.value, board: board.value }));

  let shownVersion = 0;
  const reckoning = new Reckoning({
    answered(answer, version) {
      // Answers come in order; one to an older plan never replaces one to a newer.
      if (version < shownVersion) return;
      shownVersion = version;
      slices.value = applyAnswer(slices.value, answer);
      fault.value = '';
    },
    failed(error) {
      fault.value = error instanceof Error ? error.message : String(error);
    },
    died() {
      isDead.value = true;
    },
    busy(isBusy) {
      isReckoning.value = isBusy;
    },
  });

  /** What this board may cut from: not what a board has cut up, and pieces it left itself lie there for the next one. */
  const offcuts = computed<readonly Offcut[]>(() => freeOffcuts(rack.offcuts, boardId.value, record.value));
  /** A thermo-hygrometer is asked once a place of the board goes by one. */
  const hears = computed(() => plan.value?.places.some(({ air: { by } }) => by === 'sensor') ?? false);
  watch(hears, (now) => now && air.sensors.length === 0 && void air.load());
  /** What of the shelf it may take: told once a board stands, for a board is drawn without it. */
  const shelf = shallowRef<Stock['shelf']>({});
  /** Takes what the shelf has for this board now. */
  function takeShelf(free: Stock['shelf']): void {
    if (JSON.stringify(free) !== JSON.stringify(shelf.value)) shelf.value = free;
  }
  const stock = computed<Stock>((before) =>
    before !== undefined && before.offcuts === offcuts.value && before.airs === air.airs && before.shelf === shelf.value
      ? before
      : { offcuts: offcuts.value, airs: air.airs, shelf: shelf.value },
  );
  watch(stock, (now, before) => {
    const isNone = ({ offcuts: pieces, airs, shelf: own }: Stock): boolean =>
      pieces.length === 0 && Object.keys(airs).length === 0 && Object.keys(own).length === 0;
    if (board.value === null || (isNone(now) && isNone(before))) return;
    tell({ stock: now });
  });

  const warnings = computed(() => slices.value.warnings ?? []);
  /** The figures that are always in sight; null before they are known. */
  const tally = computed<Bare<Tally> | null>(() => {
    const { counts, readiness } = slices.value;
    return counts === undefined || readiness === undefined ? null : { ...counts, ...readiness };
  });
  const showing = computed<Showing>(() => ({ system: plan.value?.units ?? 'metric', currency: catalogues.catalogue?.currency ?? '' }));

  /** Opens a board, going on from a draft this browser kept of it. */
  async function open(id: string): Promise<void> {
    if (boardId.value === id && board.value !== null) return;
    await saving.leave();
    close();
    const [catalogue, stored, draft] = await Promise.all([catalogues.load(), fetchBoard(id), findDraft(id), rack.load()]);
    const recovery = draft === null ? null : await (await import('../../sync/recovery')).recovered(draft, stored, catalogue);
    boardId.value = id;
    saving.opened(stored);
    board.value = recovery?.board ?? { plan: stored.plan, record: stored.record };
    if (recovery !== null) {
      saving.rebase(recovery.revision, recovery.base);
      isLookedForLater = true;
      void saving.saveNow();
    }
    const whole: Whole = { board: board.value, catalogue: catalogues.inUse ?? catalogue, stock: stock.value };
    reckoning.open(whole, looked.value);
    searchedBoard.open(whole);
  }

  /** Tells the workers what became another. */
  function tell(parts: Partial<Whole>): void {
    reckoning.change(parts);
    searchedBoard.become(parts);
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

  function close(): void {
    [boardId.value, board.value, history.value, slices.value] = [null, null, NO_HISTORY, {}];
    notice.value = null;
    others.value = [];
  }

  /**
   * The one door for changes. Nothing changes when the outcome would not be a sound plan.
   * @param gesture joins the edits of one drag; @param name what was done, for Undo, where the edit itself has no better word
   * @returns what is wrong with the outcome, in words; empty when it was taken
   */
  function edit(change: Edit, gesture: string | null = null, name: string | null = null): string {
    const before = board.value!;
    const next = applied(before, change);
    if (next === before) return '';
    const checked = checkEdited(next.plan, before.plan, catalogues.catalogue!);
    if (!checked.ok) return checked.problem.issues[0]!.message;
    const step = { name: name ?? editName(change, before.plan), gesture, before, after: next };
    history.value = withStep(history.value, step);
    become(next, step.name);
    return '';
  }

  const mend = ({ edit: change, label }: QuickFix): string => noticed(edit(change, null, label));

  /** Says what was just done, where it took something away or changed more than is in sight. */
  function noticed(refused: string): string {
    const done = history.value.done;
    if (refused === '' && done.length > 0) notice.value = { text: done.at(-1)!.name, steps: done.length, isDeed: true };
    return refused;
  }

  function undo(): void {
    const last = board.value === null ? null : undoLast(board.value, history.value);
    if (last !== null) travel(last, `Undone: ${last.step.name}`);
  }
  function redo(): void {
    const last = board.value === null ? null : redoLast(board.value, history.value);
    if (last !== null) travel(last, last.step.name);
  }
  /** A new edit of the present board, made of what one step changed; what others did since stays. */
  function travel({ step, changes, blocked, history: travelled }: Travel, name: string): void {
    const before = board.value!;
    const next = applied(before, { code: 'board/change', changes, why: name });
    const checked = checkEdited(next.plan, before.plan, catalogues.catalogue!);
    history.value = travelled;
    if (blocked.length > 0) return say(`“${step.name}” cannot be undone: ${blocked.slice(0, 3).join(', ')} changed on another device.`);
    if (!checked.ok) return say(`“${step.name}” cannot be undone: ${checked.problem.issues[0]!.message}.`);
    if (next !== before) become(next, name);
  }
  const say = (text: string): void => void (notice.value = { text, steps: history.value.done.length, isDeed: false });

  function become(next: Board, name: string): void {
    show(next);
    saving.changed(name);
  }
  function show(next: Board): void {
    board.value = next;
    tell({ board: next });
  }

  /** What was done, as it was heard of: no edit of this page, and none that it could undo. */
  function takeDone(doneTasks: Board['record']['doneTasks']): void {
    show({ ...board.value!, record: { ...board.value!.record, doneTasks } });
  }

  /** Tells what is looked at; what a view no longer shows is no longer sent. */
  function look(names: readonly SliceName[], chosen: readonly string[] = []): void {
    looked.value = { slices: names, chosen };
    if (board.value !== null) reckoning.look(looked.value);
  }

  /** A figure with its working, asked of the worker where it was told without; null where it is another by now. */
  async function workingOf(figure: Quantity): Promise<Figure | null> {
    const place = placeOf(figure, slices.value);
    return place === null ? null : reckoning.working(place, figure.label);
  }

  /** Why the board is ready at another time than when it was ready at `fromMin`; null where that is no longer known. */
  const shiftSince = (fromMin: number): Promise<Shift | null> => reckoning.shift(fromMin);

  /** Who else has this board open. */
  const others = shallowRef<Here['others']>([]);
  /** How often something may have been done elsewhere. */
  const elsewhere = ref(0);
  /** The board was changed elsewhere while something was not saved here yet: looked at when it is. */
  let isLookedForLater = false;
  const hear = (event: LiveEvent): void => {
    if (event.kind === 'here') others.value = event.others;
    else if (event.kind === 'away') {
      const text = 'This board was archived from another tab or device. To continue, restore it on the Boards page.';
      notice.value = { text, steps: history.value.done.length, isDeed: false };
    } else {
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

  /** Goes on from a board that both sides came to: no step of this page, so that Undo never takes back what others did. */
  function goOnFrom(next: Board, name: string): void {
    become(next, name);
  }
  /** What this page did is no longer part of the board. */
  function forgetSteps(): void {
    history.value = NO_HISTORY;
  }

  return {
    boardId,
    board,
    plan,
    record,
    history,
    slices,
    looked,
    warnings,
    tally,
    showing,
    isReckoning,
    fault,
    isDead,
    notice,
    noticed,
    offcuts,
    takeShelf,
    saving,
    others,
    elsewhere,
    takeDone,
    goOnFrom,
    forgetSteps,
    open,
    close,
    edit,
    mend,
    undo,
    redo,
    look,
    workingOf,
    shiftSince,
  };
});
