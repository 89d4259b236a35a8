import type { Feature } from '@spare-acre/core/plan/features';
import type { Shape } from '@spare-acre/core/plan/shapes';
import type { usePlan } from '../../../stores/board/plan';

type Store = ReturnType<typeof usePlan>;

/** Changes some of what a feature says. @param what done to it, for Undo @returns what is wrong, or nothing */
export const setIn = (store: Store, { id }: Feature, what: string, change: Readonly<Record<string, unknown>>): string =>
  store.edit({ code: 'feature/set', featureId: id, change, what });

/** Sets one number or word of a feature by its name in the document; the schema says what it may be. */
export const setValue = (store: Store, feature: Feature, label: string, key: string, value: unknown): string =>
  setIn(store, feature, `Set ${label.toLowerCase()} of`, { [key]: value });

const held = ({ name }: Feature): string => `${name} is locked. Unlock it in its panel or in the list first.`;

/** Gives a feature another shape; a locked one stays as it is and says so. */
export const reshape = (store: Store, feature: Feature, how: string, shape: Shape, gesture: string | null = null): string =>
  feature.locked ? held(feature) : store.edit({ code: 'feature/reshape', featureId: feature.id, shape, how }, gesture);

/** Puts other versions in place of several features at once; locked ones stay. */
export function replaceAll(store: Store, how: string, features: readonly Feature[], gesture: string | null = null): string {
  const free = features.filter(({ locked }) => !locked);
  if (free.length === 0) return features.length === 0 ? '' : held(features[0]!);
  return store.edit({ code: 'features/put', features: free, how }, gesture);
}

/** Takes features away; locked ones stay. */
export function removeFeatures(store: Store, features: readonly Feature[]): string {
  const free = features.filter(({ locked }) => !locked);
  if (free.length === 0) return features.length === 0 ? '' : held(features[0]!);
  return store.noticed(store.edit({ code: 'features/remove', featureIds: free.map(({ id }) => id) }));
}
