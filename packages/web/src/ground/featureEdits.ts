import type { Feature, PlanDraft, Shape } from '@spare-acre/core/plan';
import type { usePlan } from '../stores/plan';

type Store = ReturnType<typeof usePlan>;
type FeatureDraft = PlanDraft['features'][number];

/** Changes one feature through the plan's one door. @returns what is wrong, or nothing */
export function editFeature(
  store: Store,
  feature: Feature,
  what: string,
  change: (draft: FeatureDraft) => void,
  gesture: string | null = null,
): string {
  return store.edit(
    `${what} ${feature.name}`,
    (plan) => {
      const draft = plan.features.find(({ id }) => id === feature.id);
      if (draft !== undefined) change(draft);
    },
    gesture,
  );
}

/** Sets one number or word of a feature by its name in the document; the schema says what it may be. */
export const setValue = (store: Store, feature: Feature, label: string, key: string, value: unknown): string =>
  editFeature(
    store,
    feature,
    `Set ${label.toLowerCase()} of`,
    (draft) => void ((draft as unknown as Record<string, unknown>)[key] = value),
  );

const HELD = (feature: Feature): string => `${feature.name} is locked; unlock it in its notes or the list first.`;

/** Gives a feature another shape; a locked one stays as it is and says so. */
export const reshape = (store: Store, feature: Feature, what: string, shape: Shape, gesture: string | null = null): string =>
  feature.locked
    ? HELD(feature)
    : editFeature(store, feature, what, (draft) => void (draft.shape = shape as FeatureDraft['shape']), gesture);

/** Puts other versions in place of several features at once; locked ones stay. */
export function replaceAll(store: Store, what: string, features: readonly Feature[], gesture: string | null = null): string {
  const free = features.filter(({ locked }) => !locked);
  if (free.length === 0) return features.length === 0 ? '' : HELD(features[0]!);
  return store.edit(
    what,
    (plan) => {
      for (const feature of free) {
        const i = plan.features.findIndex(({ id }) => id === feature.id);
        if (i >= 0) plan.features[i] = feature as FeatureDraft;
      }
    },
    gesture,
  );
}

/** Takes features away; locked ones stay. */
export function removeFeatures(store: Store, features: readonly Feature[]): string {
  const free = features.filter(({ locked }) => !locked);
  if (free.length === 0) return features.length === 0 ? '' : HELD(features[0]!);
  const ids = new Set(free.map(({ id }) => id));
  const what = free.length === 1 ? free[0]!.name : `${free.length} features`;
  return store.edit(`Remove ${what}`, (plan) => void (plan.features = plan.features.filter(({ id }) => !ids.has(id))));
}
