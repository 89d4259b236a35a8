import { browserStore, keptDrafts } from '../testing/kept-drafts';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { brinefold } from '@spare-acre/core/demo';
import type * as Drafts from './drafts';
import { BOARD_ID, CATALOGUE, someLocks } from '../testing/world';

const draft = { baseRevision: 4, plan: { ...brinefold(CATALOGUE), name: 'Half done' } };
let locks: Set<string>;
beforeEach(() => {
  vi.resetModules(); // each import is a tab loaded anew
  locks = someLocks();
  localStorage.clear();
  keptDrafts.clear();
  sessionStorage.clear();
});
afterEach(() => vi.unstubAllGlobals());

/** A tab that opens now. Its locks are let go when the tab is closed. */
const aTab = (): Promise<typeof Drafts> => import('./drafts');
async function reload(): Promise<typeof Drafts> {
  locks.clear();
  vi.resetModules();
  return aTab();
}

describe('drafts in this browser', () => {
  test('a draft is there after a reload of its tab, and gone once it is saved', async () => {
    await (await aTab()).keepDraft(BOARD_ID, draft);
    const again = await reload();
    expect(await again.findDraft(BOARD_ID)).toEqual(draft);
    await again.dropDraft(BOARD_ID);
    expect(await again.findDraft(BOARD_ID)).toBeNull();
  });

  test('another board’s draft is not taken for this one’s', async () => {
    const tab = await aTab();
    await tab.keepDraft(BOARD_ID, draft);
    expect(await tab.findDraft('another')).toBeNull();
  });

  test('a tab that is still open keeps its draft to itself', async () => {
    await (await aTab()).keepDraft(BOARD_ID, draft);
    vi.resetModules();
    sessionStorage.clear(); // a second tab, the first still holding its lock
    expect(await (await aTab()).findDraft(BOARD_ID)).toBeNull();
  });

  test('a draft left by a tab that was closed is taken over, once', async () => {
    await (await aTab()).keepDraft(BOARD_ID, draft);
    sessionStorage.clear();
    const second = await reload();
    expect(await second.findDraft(BOARD_ID)).toEqual(draft);
    expect(keptDrafts.size).toBe(1);
    await second.dropDraft(BOARD_ID);
    expect(keptDrafts.size).toBe(0);
  });

  test('a duplicated tab, which copies the first one’s name, takes a name of its own', async () => {
    await (await aTab()).keepDraft(BOARD_ID, draft);
    const firstName = sessionStorage.getItem('spare-acre/tab');
    vi.resetModules();
    await (await aTab()).keepDraft(BOARD_ID, { ...draft, baseRevision: 5 });
    expect(sessionStorage.getItem('spare-acre/tab')).not.toBe(firstName);
    expect(keptDrafts.size).toBe(2);
  });

  test.each([null, 7, '{', [], { baseRevision: 'four' }])('an unreadable draft (%j) is no draft', async (data) => {
    const tab = await aTab();
    await tab.keepDraft(BOARD_ID, draft);
    keptDrafts.set([...keptDrafts.keys()][0]!, data);
    expect(await tab.findDraft(BOARD_ID)).toBeNull();
  });

  test('what was written while the page was left is newer than what was kept before, and is kept properly once found', async () => {
    const tab = await aTab();
    await tab.keepDraft(BOARD_ID, draft);
    tab.keepDraftAtOnce(BOARD_ID, { ...draft, plan: { ...draft.plan, name: 'At the last moment' } });
    sessionStorage.clear();
    const second = await reload();
    expect((await second.findDraft(BOARD_ID))!.plan.name).toBe('At the last moment');
    expect([localStorage.length, keptDrafts.size]).toEqual([0, 1]);
  });

  test.each(['', '{', 'null', '[]'])('text that is no draft (%j) hides none', async (text) => {
    const tab = await aTab();
    await tab.keepDraft(BOARD_ID, draft);
    localStorage.setItem([...keptDrafts.keys()][0]!, text);
    expect(await tab.findDraft(BOARD_ID)).toEqual(draft);
  });

  test('a browser that keeps nothing more says so', async () => {
    const tab = await aTab();
    browserStore.isFull = true;
    expect(await tab.keepDraft(BOARD_ID, draft)).toBe(false);
    browserStore.isFull = false;
    expect(await tab.keepDraft(BOARD_ID, draft)).toBe(true);
  });
});
