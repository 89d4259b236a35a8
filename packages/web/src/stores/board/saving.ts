import { useDebounceFn, useEventListener, useTimeoutFn } from '@vueuse/core';
import { type Ref, type ShallowRef, ref, shallowRef } from 'vue';
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
export const useSaving = (current: () => Current | null): Saving => new OpenSaving(current);

/** What is told as methods is called from anywhere: each is bound to its saving. */
class OpenSaving implements Saving {
  readonly state = ref<SaveState>('saved');
  readonly away = ref<Away>('server');
  readonly refusal = ref('');
  readonly stored = shallowRef<StoredBoard | null>(null);
  readonly revision = ref(0);
  readonly base = shallowRef<Base | null>(null);
  /** What was done since the last save. */
  private names: string[] = [];
  /** The board as it stands in the draft, as far as one was written. */
  private keptBoard: Board | null = null;
  /** The board whose save is under way: another may be opened, and saved, before its answer comes. */
  private savingId: string | null = null;
  private underWay: Promise<void> = Promise.resolve();
  private readonly retryMs = ref(RETRY_MS);
  private readonly saveSoon = useDebounceFn(() => this.saveNow(), PAUSE_MS);
  private readonly draftSoon = useDebounceFn(() => this.keep(), DRAFT_PAUSE_MS);
  private readonly retry = useTimeoutFn(() => this.isWaiting() && void this.saveNow(), this.retryMs, { immediate: false });

  constructor(private readonly current: () => Current | null) {
    useEventListener('online', () => this.isWaiting() && void this.saveNow());
    useEventListener('pagehide', () => {
      const now = current();
      if (now !== null && this.isDirty() && this.keptBoard !== now.board) keepDraftAtOnce(now.id, this.draftOf(now));
    });
    useEventListener('beforeunload', (event) => {
      // With a draft a reload brings everything back; without one it would be lost.
      if (this.state.value === 'unkept') event.preventDefault();
    });
  }

  readonly opened = (board: StoredBoard): void => {
    this.names = [];
    this.revision.value = board.revision;
    this.base.value = { plan: board.plan, record: board.record };
    this.stored.value = null;
    this.state.value = 'saved';
  };
  readonly changed = (name?: string): void => {
    if (name !== undefined && this.names.at(-1) !== name) this.names.push(cutText(name, MAX_CHANGE_LETTERS));
    const { state } = this;
    if (state.value !== 'saving' && state.value !== 'stale' && !this.isWaiting()) state.value = 'changed';
    void this.draftSoon();
    void this.saveSoon();
  };
  readonly followed = (revision: number, board: Board): void => {
    this.names = [];
    [this.revision.value, this.base.value, this.state.value] = [revision, board, 'saved'];
  };
  readonly rebase = (revision: number, base: Base): void => {
    this.revision.value = revision;
    this.base.value = base;
    this.stored.value = null;
    this.state.value = 'changed';
  };
  readonly saveNow = (): Promise<void> => (this.underWay = this.save());
  readonly leave = async (): Promise<void> => {
    await this.keep();
    const saved = this.underWay.then(() => (this.isDirty() ? this.saveNow() : undefined));
    await Promise.race([saved, new Promise((done) => setTimeout(done, LEAVE_MS))]);
  };

  private isDirty(): boolean {
    return this.state.value !== 'saved';
  }
  private isWaiting(): boolean {
    return this.state.value === 'kept' || this.state.value === 'unkept';
  }
  private isOpen({ id }: Current): boolean {
    return this.current()?.id === id;
  }
  private draftOf({ board }: Current): Parameters<typeof keepDraft>[1] {
    return { baseRevision: this.revision.value, base: this.base.value, ...board };
  }
  private async keep(): Promise<boolean> {
    const now = this.current();
    if (now === null || !this.isDirty()) return true;
    const isKept = await keepDraft(now.id, this.draftOf(now));
    if (isKept) this.keptBoard = now.board;
    return isKept;
  }

  private async save(): Promise<void> {
    const now = this.current();
    if (now === null || this.savingId === now.id || this.state.value === 'saved' || this.state.value === 'stale') return;
    this.savingId = now.id;
    // What waits goes on saying so until it is saved.
    if (!this.isWaiting()) this.state.value = 'saving';
    await this.send(now).finally(() => {
      if (this.savingId === now.id) this.savingId = null;
    });
  }

  private async send(now: Current): Promise<void> {
    const told = this.names.slice(0, MAX_CHANGES);
    try {
      await this.saveRecord(now);
      if (!this.isOpen(now)) return;
      const isSaved = this.base.value !== null && this.base.value.plan === now.board.plan;
      const saved = isSaved ? { revision: this.revision.value } : await savePlan(now.id, this.revision.value, now.board.plan, told);
      if (!this.isOpen(now)) return;
      this.names = this.names.slice(told.length);
      await this.arrived(now, saved.revision);
    } catch (error) {
      if (this.isOpen(now)) await this.failed(now, error);
    }
  }
  private async failed(now: Current, error: unknown): Promise<void> {
    const missing = awayIn(error);
    if (missing !== null) {
      this.away.value = missing;
      const isKept = await this.keep();
      if (!this.isOpen(now)) return;
      this.state.value = isKept ? 'kept' : 'unkept';
      return this.retrySoon();
    }
    if (!(error instanceof ServerProblem)) throw error;
    const theirs = error.problem.status === 409 ? error.problem.stored : undefined;
    if (theirs !== undefined) {
      if (await this.goesOn(now, theirs)) return;
    } else {
      this.refusal.value = error.message;
      this.state.value = 'refused';
    }
    await this.keep();
  }
  private retrySoon(): void {
    this.retry.start();
    this.retryMs.value = Math.min(MAX_RETRY_MS, this.retryMs.value * 2);
  }

  /** What to do where another plan was saved first. @returns false where the builder has to be asked */
  private async goesOn(now: Current, theirs: StoredBoard): Promise<boolean> {
    // A save that reached the server before its answer reached the page, as when it is reloaded in between, is nobody else's.
    if (isSamePlan(theirs.plan, now.board.plan)) {
      await this.arrived(now, theirs.revision);
      return true;
    }
    const grewFrom = this.base.value?.plan ?? null;
    const isOurs = grewFrom !== null && (await import('../../sync/adopt')).includesAllChanges(grewFrom, now.board.plan, theirs.plan);
    if (!this.isOpen(now)) return true;
    if (isOurs) {
      // Sheets that others ticked meanwhile are heard of later: told as ours, the next save would take them back.
      const base = { plan: theirs.plan, record: this.base.value!.record };
      [this.revision.value, this.base.value, this.state.value] = [theirs.revision, base, 'changed'];
      void this.saveSoon();
      return true;
    }
    this.stored.value = theirs;
    this.state.value = 'stale';
    return false;
  }

  private async saveRecord(now: Current): Promise<void> {
    const { id } = now;
    const { record } = now.board;
    const events = sheetEvents(this.base.value?.record ?? NOTHING_DONE, record);
    for (const event of events) await (event.kind === 'keep' ? keepCutSheet(id, event.sheet) : dropCutSheet(id, event.sheetId));
    if (this.base.value === null || this.base.value.record === record) return;
    this.base.value = { ...this.base.value, record };
    // A draft that did not know of it would tell these sheets again, after another device may have taken them back.
    if (events.length > 0 && this.isOpen(now)) await this.keep();
  }

  /** The server holds this plan under this revision; what was changed meanwhile is saved next. */
  private async arrived({ id, board }: Current, as: number): Promise<void> {
    [this.revision.value, this.base.value, this.retryMs.value] = [as, board, RETRY_MS];
    const isCurrent = this.current()?.board === board;
    this.state.value = isCurrent ? 'saved' : 'changed';
    if (isCurrent) await dropDraft(id);
    else void this.saveSoon();
  }
}
