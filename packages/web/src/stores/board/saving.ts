import { useDebounceFn, useEventListener, useTimeoutFn } from '@vueuse/core';
import { type Ref, type ShallowRef, computed, ref, shallowRef } from 'vue';
import { cutText } from '@spare-acre/core/base/text';
import { type Board, isSamePlan } from '@spare-acre/core/plan';
import { MAX_CHANGES, MAX_CHANGE_LETTERS } from '@spare-acre/core/io/wire';
import { ServerProblem, type StoredBoard, dropCutSheet, keepCutSheet, savePlan } from '../device/client';
import { NOTHING_DONE } from '@spare-acre/core/plan/workshop';
import { type Base, dropDraft, keepDraft, keepDraftAtOnce } from '../../sync/drafts';
import { sheetEvents } from '../../sync/sheets';

/** `kept`: what saves is away, the draft is in this browser; `unkept`: nor does the browser keep it. `stale`: someone saved first. */
export type SaveState = 'saved' | 'changed' | 'saving' | 'kept' | 'unkept' | 'stale' | 'refused';

/** What a save waits for. */
export type Away = 'server' | 'database' | 'busy' | 'sign-in';

export interface Saving {
  readonly state: Ref<SaveState>;
  /** While it is kept here: what is away. */
  readonly away: Ref<Away>;
  readonly refusal: Ref<string>;
  /** What the server holds now, when a save came too late. */
  readonly stored: ShallowRef<StoredBoard | null>;
  readonly revision: Ref<number>;
  /** The common ground of a merge. */
  readonly base: ShallowRef<Base | null>;
  readonly opened: (board: StoredBoard) => void;
  /** @param name what was done, for the list of revisions */
  readonly changed: (name?: string) => void;
  /** Goes on from a revision that the builder has seen and chosen to build on. */
  readonly rebase: (revision: number, base: Base) => void;
  /** The open board is what the server holds under a revision: nothing is left to save. */
  readonly followed: (revision: number, board: Board) => void;
  readonly saveNow: () => Promise<void>;
  /** Before another board is opened: what is not saved is kept, and saved if that takes no longer than a moment. */
  readonly leave: () => Promise<void>;
}

const PAUSE_MS = 700;
/** A save that found nobody is tried again, at first soon and then less and less often. */
const RETRY_MS = 1_000;
const MAX_RETRY_MS = 20_000;
const DRAFT_PAUSE_MS = 120;
/** So long leaving a board waits for a save under way. */
const LEAVE_MS = 2_000;

interface Current {
  readonly id: string;
  readonly board: Board;
}

/** What an error says is away, so that the same may go through in a while; null where it says something else. */
function awayIn(error: unknown): Away | null {
  if (!(error instanceof ServerProblem)) return 'server';
  const { status, title } = error.problem;
  if (status === 401) return 'sign-in';
  if (status === 503 && title.includes('database')) return 'database';
  return status >= 500 || status === 429 ? 'busy' : null;
}

/** Autosave of the open board. @param current the board and its id now; null when none is open */
export function useSaving(current: () => Current | null): Saving {
  const state = ref<SaveState>('saved');
  const refusal = ref('');
  const stored = shallowRef<StoredBoard | null>(null);
  const revision = ref(0);
  const base = shallowRef<Base | null>(null);
  const away = ref<Away>('server');
  /** What was done since the last save. */
  let names: string[] = [];
  const isDirty = computed(() => state.value !== 'saved');

  const saveSoon = useDebounceFn(() => saveNow(), PAUSE_MS);
  const draftSoon = useDebounceFn(() => keep(), DRAFT_PAUSE_MS);
  const isWaiting = (): boolean => state.value === 'kept' || state.value === 'unkept';
  const retryMs = ref(RETRY_MS);
  const retry = useTimeoutFn(() => isWaiting() && void saveNow(), retryMs, { immediate: false });
  const retrySoon = (): void => {
    retry.start();
    retryMs.value = Math.min(MAX_RETRY_MS, retryMs.value * 2);
  };
  useEventListener('online', () => isWaiting() && void saveNow());
  useEventListener('pagehide', () => {
    const now = current();
    if (now !== null && isDirty.value && keptBoard !== now.board) keepDraftAtOnce(now.id, draftOf(now));
  });
  useEventListener('beforeunload', (event) => {
    // With a draft a reload brings everything back; without one it would be lost.
    if (state.value === 'unkept') event.preventDefault();
  });

  /** The board as it stands in the draft, as far as one was written. */
  let keptBoard: Board | null = null;
  const draftOf = ({ board }: Current): Parameters<typeof keepDraft>[1] => ({ baseRevision: revision.value, base: base.value, ...board });
  async function keep(): Promise<boolean> {
    const now = current();
    if (now === null || !isDirty.value) return true;
    const isKept = await keepDraft(now.id, draftOf(now));
    if (isKept) keptBoard = now.board;
    return isKept;
  }

  /** The board whose save is under way: another may be opened, and saved, before its answer comes. */
  let savingId: string | null = null;
  let underWay: Promise<void> = Promise.resolve();
  const saveNow = (): Promise<void> => (underWay = save());
  async function leave(): Promise<void> {
    await keep();
    const saved = underWay.then(() => (isDirty.value ? saveNow() : undefined));
    await Promise.race([saved, new Promise((done) => setTimeout(done, LEAVE_MS))]);
  }

  async function save(): Promise<void> {
    const now = current();
    if (now === null || savingId === now.id || state.value === 'saved' || state.value === 'stale') return;
    savingId = now.id;
    // What waits goes on saying so until it is saved.
    if (!isWaiting()) state.value = 'saving';
    await send(now).finally(() => {
      if (savingId === now.id) savingId = null;
    });
  }

  async function send(now: Current): Promise<void> {
    const told = names.slice(0, MAX_CHANGES);
    try {
      await saveRecord(now);
      if (current()?.id !== now.id) return;
      const isSaved = base.value !== null && base.value.plan === now.board.plan;
      const saved = isSaved ? { revision: revision.value } : await savePlan(now.id, revision.value, now.board.plan, told);
      if (current()?.id !== now.id) return;
      names = names.slice(told.length);
      await arrived(now, saved.revision);
    } catch (error) {
      if (current()?.id !== now.id) return;
      const missing = awayIn(error);
      if (missing !== null) {
        away.value = missing;
        const isKept = await keep();
        if (current()?.id !== now.id) return;
        state.value = isKept ? 'kept' : 'unkept';
        return retrySoon();
      }
      if (!(error instanceof ServerProblem)) throw error;
      if (error.problem.status === 409 && error.problem.stored !== undefined) {
        const theirs = error.problem.stored;
        // A save that reached the server before its answer reached the page, as when it is reloaded in between, is nobody else's.
        if (isSamePlan(theirs.plan, now.board.plan)) return void (await arrived(now, theirs.revision));
        const grewFrom = base.value?.plan;
        const isOurs = grewFrom && (await import('../../sync/adopt')).includesAllChanges(grewFrom, now.board.plan, theirs.plan);
        if (current()?.id !== now.id) return;
        if (isOurs) {
          // Sheets that others ticked meanwhile are heard of later: told as ours, the next save would take them back.
          [revision.value, base.value, state.value] = [theirs.revision, { plan: theirs.plan, record: base.value!.record }, 'changed'];
          return void saveSoon();
        }
        stored.value = theirs;
        state.value = 'stale';
      } else {
        refusal.value = error.message;
        state.value = 'refused';
      }
      await keep();
    }
  }

  async function saveRecord({ id, board: { record } }: Current): Promise<void> {
    const events = sheetEvents(base.value?.record ?? NOTHING_DONE, record);
    for (const event of events) await (event.kind === 'keep' ? keepCutSheet(id, event.sheet) : dropCutSheet(id, event.sheetId));
    if (base.value === null || base.value.record === record) return;
    base.value = { ...base.value, record };
    // A draft that did not know of it would tell these sheets again, after another device may have taken them back.
    if (events.length > 0 && current()?.id === id) await keep();
  }

  /** The server holds this plan under this revision; what was changed meanwhile is saved next. */
  async function arrived({ id, board }: Current, as: number): Promise<void> {
    [revision.value, base.value, retryMs.value] = [as, board, RETRY_MS];
    const isCurrent = current()?.board === board;
    state.value = isCurrent ? 'saved' : 'changed';
    if (isCurrent) await dropDraft(id);
    else void saveSoon();
  }

  return {
    state,
    away,
    refusal,
    stored,
    revision,
    base,
    saveNow,
    leave,
    opened(board) {
      names = [];
      revision.value = board.revision;
      base.value = { plan: board.plan, record: board.record };
      stored.value = null;
      state.value = 'saved';
    },
    changed(name) {
      if (name !== undefined && names.at(-1) !== name) names.push(cutText(name, MAX_CHANGE_LETTERS));
      if (state.value !== 'saving' && state.value !== 'stale')
        state.value = state.value === 'kept' || state.value === 'unkept' ? state.value : 'changed';
      void draftSoon();
      void saveSoon();
    },
    followed(newRevision, board) {
      names = [];
      [revision.value, base.value, state.value] = [newRevision, board, 'saved'];
    },
    rebase(newRevision, newBase) {
      revision.value = newRevision;
      base.value = newBase;
      stored.value = null;
      state.value = 'changed';
    },
  };
}
