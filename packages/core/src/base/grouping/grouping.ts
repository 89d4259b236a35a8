import { group } from 'd3-array';

/** Things by what they belong to, each list in the order of the whole. */
export const listedBy = <T, K>(all: Iterable<T>, keyOf: (one: T) => K): ReadonlyMap<K, readonly T[]> => group(all, keyOf);

/** With one thing put in the place of that of its id, else after all others: what is changed does not change its turn. */
export function upsertById<T extends { readonly id: string }>(all: readonly T[], one: T): T[] {
  const place = all.findIndex(({ id }) => id === one.id);
  return place < 0 ? [...all, one] : all.with(place, one);
}
