import { type Plan, isSamePlan, mergePlans } from '@spare-acre/core/plan';

/** Whether all that others changed of a plan was changed here as well: as where a save of this very page reached the server while the page was loaded anew. */
export function holdsAll(base: Plan, mine: Plan, theirs: Plan): boolean {
  const { plan, clashes } = mergePlans(base, mine, theirs, new Set());
  return clashes.length === 0 && isSamePlan(plan, mine);
}
