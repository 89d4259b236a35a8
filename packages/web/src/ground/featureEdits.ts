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

/** Gives a feature another shape. */
export const reshape = (store: Store, feature: Feature, what: string, shape: Shape, gesture: string | null = null): string =>
  editFeature(store, feature, what, (draft) => void (draft.shape = shape as FeatureDraft['shape']), gesture);

/** Takes a feature away. */
export const removeFeature = (store: Store, feature: Feature): string =>
  store.edit(`Remove ${feature.name}`, (plan) => void (plan.features = plan.features.filter(({ id }) => id !== feature.id)));
