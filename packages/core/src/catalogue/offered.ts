import type { Catalogue } from './schema';

/** Lists that a builder chooses from. */
type Chosen =
  'materials' | 'sheets' | 'adhesives' | 'coatings' | 'methods' | 'patterns' | 'lengths' | 'claddings' | 'joins' | 'airs' | 'placeKinds';

/** What there is to choose from: all that was not taken out of use, and what is chosen already. */
export function offered<K extends Chosen>(catalogue: Catalogue, kind: K, keptId?: string): Catalogue[K] {
  const gone = new Set(catalogue.outOfUse ?? []);
  if (gone.size === 0) return catalogue[kind];
  return catalogue[kind].filter(({ id }) => id === keptId || !gone.has(`${kind}.${id}`)) as Catalogue[K];
}
