import { group } from 'd3-array';

/** Things by what they belong to, each list in the order of the whole. */
export const listedBy = <T, K>(all: Iterable<T>, keyOf: (one: T) => K): ReadonlyMap<K, readonly T[]> => group(all, keyOf);
