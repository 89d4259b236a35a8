import { type UseStore, createStore, del, get, keys, set } from 'idb-keyval';
import type { Plan } from '@spare-acre/core/plan';
import type { BoardRecord } from '@spare-acre/core/plan/workshop';
import { askToPersist } from './persist';
import { claimTab, openTabs } from './tab';

/** The board as the server last had it, as far as this page knows; its plan is null where that version is no longer kept. */
export interface Base {
  readonly plan: Plan | null;
  readonly record: BoardRecord;
}
/** What was not saved yet: the board, and the board it grew from. */
export interface Draft {
  readonly baseRevision: number;
  /** The board as the server had it then; left out by pages from before it was kept. */
  readonly base?: Base | null;
  readonly plan: Plan;
  /** Left out by pages from before it stood beside the plan. */
  readonly record?: BoardRecord;
}

const PREFIX = 'spare-acre/draft';
let claimed: Promise<string> | null = null;
let known: string | null = null;
/** Claimed on first use, once for as long as the page lives. */
const thisTab = (): Promise<string> => (claimed ??= claimTab().then((tab) => (known = tab)));
const keyOf = (boardId: string, tab: string): string => `${PREFIX}/${boardId}/${tab}`;
const tabOf = (key: string): string => key.split('/').at(-1)!;

let opened: UseStore | null = null;
/** Uses the browser's database. @throws where there is none, or it takes no more */
const inStore = async <T>(use: (store: UseStore) => Promise<T>): Promise<T> => use((opened ??= createStore('spare-acre', 'drafts')));

/**
 * Keeps a draft in this browser, so that a lost server or a closed tab loses nothing.
 * @returns false where the browser keeps nothing: full, or forbidden
 */
export async function keepDraft(boardId: string, draft: Draft): Promise<boolean> {
  const key = keyOf(boardId, await thisTab());
  try {
    await inStore((store) => set(key, draft, store));
  } catch {
    return false;
  }
  localStorage.removeItem(key);
  void askToPersist();
  return true;
}

/** Keeps a draft while the page is being left, when nothing that takes a moment is sure to be finished. */
export function keepDraftAtOnce(boardId: string, draft: Draft): void {
  if (known === null) return;
  // Without its base it is smaller by half, and still only adds to what others did.
  for (const smaller of [draft, { ...draft, base: undefined }]) {
    try {
      return localStorage.setItem(keyOf(boardId, known), JSON.stringify(smaller));
    } catch {
      // Too large: what was kept a moment ago has to do.
    }
  }
}

/** Forgets this tab's draft once it is saved. */
export async function dropDraft(boardId: string): Promise<void> {
  await forget(keyOf(boardId, await thisTab()));
}

/** This tab's draft of a board, else one left by a tab that is gone; it is taken over. Unreadable ones are skipped. */
export async function findDraft(boardId: string): Promise<Draft | null> {
  const own = await thisTab();
  const open = await openTabs();
  const stored = await inStore((store) => keys<string>(store)).catch((): string[] => []);
  const found = [...Object.keys(localStorage), ...stored].filter((key) => key.startsWith(`${PREFIX}/${boardId}/`));
  const mine = found.find((key) => tabOf(key) === own) ?? found.find((key) => !open.has(tabOf(key)));
  if (mine === undefined) return null;
  // What was written while a page was left is newer than what it had kept before.
  const draft = sound(parsed(localStorage.getItem(mine))) ?? sound(await inStore((store) => get<unknown>(mine, store)).catch(() => null));
  // Kept under this tab's name before it goes under the other's: a page that is dropped in between loses nothing.
  if (tabOf(mine) !== own && (draft === null || (await keepDraft(boardId, draft)))) await forget(mine);
  return draft;
}

/** Boards with changes that were not saved, left by tabs that are closed. */
export async function boardsWithDrafts(): Promise<readonly string[]> {
  const open = await openTabs();
  const stored = await inStore((store) => keys<string>(store)).catch((): string[] => []);
  const left = [...Object.keys(localStorage), ...stored].filter((key) => key.startsWith(`${PREFIX}/`) && !open.has(tabOf(key)));
  return [...new Set(left.map((key) => key.split('/').at(-2)!))];
}

async function forget(key: string): Promise<void> {
  localStorage.removeItem(key);
  await inStore((store) => del(key, store)).catch(() => undefined);
}

function parsed(text: string | null): unknown {
  try {
    return JSON.parse(text ?? 'null');
  } catch {
    return null;
  }
}
function sound(data: unknown): Draft | null {
  const draft = data as Draft | null | undefined;
  const isSound = typeof draft === 'object' && draft !== null && Number.isInteger(draft.baseRevision) && typeof draft.plan === 'object';
  return isSound ? draft : null;
}
