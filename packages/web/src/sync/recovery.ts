import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Plan } from '@spare-acre/core/plan';
import { checkBoardFile } from '@spare-acre/core/plan/stored/file';
import { fetchRevision } from '../stores/device/client';
import { type Recovery, type Stored, recoverDraft } from './adopt';
import type { Draft } from './drafts';

/** A draft that can be gone on with, brought forward as a stored plan is; null where it is no sound board. */
export async function recovered(draft: Draft, stored: Stored & { readonly id: string }, catalogue: Catalogue): Promise<Recovery | null> {
  const checked = checkBoardFile(draft.record === undefined ? draft.plan : { ...draft.plan, record: draft.record }, catalogue);
  if (!checked.ok) return null;
  const { plan, record } = checked.value;
  const saysWhatWasDone = draft.record !== undefined || 'cut' in ((draft.plan as { readonly cutting?: object }).cutting ?? {});
  const base = draft.baseRevision === stored.revision ? stored.plan : await basePlan(draft, stored);
  return recoverDraft({ ...draft, plan, record: saysWhatWasDone ? record : undefined }, stored, base);
}

/** The plan that a draft grew from: kept beside it, or as the server still has it; null where a version was thinned out of the history. */
async function basePlan({ base, baseRevision }: Draft, { id, plan: { version } }: Stored & { readonly id: string }): Promise<Plan | null> {
  if (base?.plan?.version === version) return base.plan;
  return fetchRevision(id, baseRevision).then(
    ({ plan }) => plan,
    () => null,
  );
}
