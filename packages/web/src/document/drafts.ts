import type { Plan } from '@spare-acre/core/plan';
import type { BoardRecord } from '@spare-acre/core/shop';
import { claimTab, openTabs } from './tab';

/** What was not saved yet: the board, and the revision it grew from. */
export interface Draft {
  readonly baseRevision: number;
  readonly plan: Plan;
  /** Left out by pages from before it stood beside the plan. */
  readonly record?: BoardRecord;
}
/** A draft that was found, and whether it says what was done: beside its plan, or in one of version 3. */
export type FoundDraft = Draft & { readonly hasRecord: boolean };

const PREFIX = 'spare-acre/draft';
let claimed: Promise<string> | null = null;
/** Claimed on first use, once for as long as the page lives. */
const thisTab = (): Promise<string> => (claimed ??= claimTab());

/** Keeps a draft in this browser, so that a lost server or a closed tab loses nothing. */
export async function keepDraft(boardId: string, draft: Draft): Promise<void> {
  const key = `${PREFIX}/${boardId}/${await thisTab()}`;
  try {
    localStorage.setItem(key, JSON.stringify(draft));
  } catch {
    // Storage full or forbidden: the save to the server still goes on.
  }
}

/** Forgets this tab's draft once it is saved. */
export async function dropDraft(boardId: string): Promise<void> {
  localStorage.removeItem(`${PREFIX}/${boardId}/${await thisTab()}`);
}

/** This tab's draft of a board, else one left by a tab that is gone; it is taken over. Unreadable ones are skipped. */
export async function findDraft(boardId: string): Promise<Draft | null> {
  const own = await thisTab();
  const open = await openTabs();
  const keys = Object.keys(localStorage).filter((key) => key.startsWith(`${PREFIX}/${boardId}/`));
  const tabOf = (key: string): string => key.split('/').at(-1)!;
  const mine = keys.find((key) => tabOf(key) === own) ?? keys.find((key) => !open.has(tabOf(key)));
  if (mine === undefined) return null;
  const draft = parse(localStorage.getItem(mine));
  if (tabOf(mine) !== own) {
    localStorage.removeItem(mine);
    if (draft !== null) await keepDraft(boardId, draft);
  }
  return draft;
}

/** Whether a draft says what was done: beside its plan, or in one of version 3. */
export const saysWhatWasDone = ({ plan, record }: Draft): boolean =>
  record !== undefined || 'cut' in ((plan as { readonly cutting?: object }).cutting ?? {});

function parse(text: string | null): Draft | null {
  try {
    const draft = JSON.parse(text ?? 'null') as Draft | null;
    return draft !== null && Number.isInteger(draft.baseRevision) && typeof draft.plan === 'object' ? draft : null;
  } catch {
    return null;
  }
}
