import { type Board, type Plan, isSamePlan } from '@spare-acre/core/plan';
import { mergePlans } from '@spare-acre/core/plan/stored/merge';
import { type BoardRecord, NOTHING_DONE, mergeRecords } from '@spare-acre/core/plan/workshop';
import type { Base, Draft } from './drafts';

/** A board as the server has it. */
export interface Stored extends Board {
  readonly revision: number;
}

/**
 * What was saved elsewhere, on a page that has nothing of its own to save. What is the same on both sides stays the object it was. Done tasks stay as they are: they are heard from the journal.
 */
export function adoptStored(mine: Board, stored: Board): Board {
  const { plan } = mergePlans(mine.plan, mine.plan, stored.plan);
  return { plan: isSamePlan(plan, mine.plan) ? mine.plan : plan, record: { ...stored.record, doneTasks: mine.record.doneTasks } };
}

/** Both sides' records since they parted. Done tasks are heard from the journal, never from a save. */
export const bothRecords = (base: BoardRecord, mine: BoardRecord, stored: BoardRecord): BoardRecord => ({
  ...mergeRecords(base, mine, stored),
  doneTasks: mine.doneTasks,
});

/** Whether all that others changed of a plan was changed here as well: as where a save of this very page reached the server while the page was loaded anew. */
export function includesAllChanges(base: Plan, mine: Plan, theirs: Plan): boolean {
  const { plan, clashes } = mergePlans(base, mine, theirs);
  return clashes.length === 0 && isSamePlan(plan, mine);
}

/** A recovered draft: the board to go on with, the revision its plan grew from, and what is compared with to find what is still to be saved. */
export interface Recovery {
  readonly board: Board;
  readonly revision: number;
  readonly base: Base;
}

/**
 * A draft that was not saved, to go on with. It is put beside today's board by its own base, so that only what this page changed is told: today's board may be an older one, as where it was
 * opened without a network. What others did comes in when all is saved. A draft without a base only adds: nothing that another device did is deleted.
 * @param basePlan the plan that the draft grew from; null where it is no longer to be had
 */
export function recoverDraft(draft: Draft, stored: Stored, basePlan: Plan | null): Recovery {
  const base = draft.base?.record ?? stored.record;
  const own = draft.record ?? base;
  const record = draft.base == null ? mergeRecords(NOTHING_DONE, own, stored.record) : own;
  return {
    board: { plan: draft.plan, record: { ...record, doneTasks: stored.record.doneTasks } },
    revision: draft.baseRevision,
    base: { plan: basePlan, record: base },
  };
}
