import type { Feature, Plan } from './plan';

/** Two plans that grew from one, put together; `clashes` names what both changed, each in its own way. */
export interface Merged {
  readonly plan: Plan;
  readonly clashes: readonly string[];
}

/**
 * Three-way merge. Features are merged one by one by id, all else by top-level part. Where both sides changed the same
 * thing differently, mine stays in the merged plan and the clash is named.
 */
export function mergePlans(base: Plan, mine: Plan, theirs: Plan): Merged {
  const clashes: string[] = [];
  const pick = <T>(what: string, was: T, my: T, their: T): T => {
    if (same(my, their) || same(was, their)) return my;
    if (same(was, my)) return their;
    clashes.push(what);
    return my;
  };
  const parts = Object.keys(base).filter((key) => key !== 'features') as (keyof Plan)[];
  const merged = Object.fromEntries(parts.map((key) => [key, pick(key, base[key], mine[key], theirs[key])]));
  const features = mergeFeatures(base.features, mine.features, theirs.features, pick);
  return { plan: { ...(merged as Plan), features }, clashes };
}

type Pick = <T>(what: string, was: T, my: T, their: T) => T;

function mergeFeatures(base: Plan['features'], mine: Plan['features'], theirs: Plan['features'], pick: Pick): Feature[] {
  const find = (list: Plan['features'], id: string): Feature | undefined => list.find((feature) => feature.id === id);
  // Order as drawn by me, then what only they have, in their order.
  const ids = new Set([...mine, ...theirs, ...base].map(({ id }) => id));
  return [...ids].flatMap((id) => {
    const [was, my, their] = [find(base, id), find(mine, id), find(theirs, id)];
    const chosen = pick((my ?? their ?? was)!.name, was, my, their);
    // A feature that one side deleted while the other changed it is kept: deleting again is easy, redrawing is not.
    const kept = chosen ?? (was !== undefined && their !== undefined && !same(was, their) ? their : undefined);
    return kept === undefined ? [] : [kept];
  });
}

/** Whether two plans say the same. */
export const isSamePlan = (a: Plan, b: Plan): boolean => same(a, b);

/** Equal as JSON, whatever the order of keys. */
function same(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => same(a[key as never], b[key as never]));
}
