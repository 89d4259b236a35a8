import type { BoardDraft } from '../board';
import { type Feature, type FeatureDraft, reshaped } from '../features';
import type { Point } from '../../base/geometry';
import { type Shape, movedBy, withPoint } from '../shapes';
import type { Plan } from '../plan';
import { edit } from './edit-definition';

const drawn = (feature: Feature): FeatureDraft => structuredCloneOf(feature) as FeatureDraft;
/** Plain data copied, so that a draft never shares what a caller still holds. */
const structuredCloneOf = (value: unknown): unknown => {
  if (Array.isArray(value)) return value.map(structuredCloneOf);
  return typeof value === 'object' && value !== null
    ? Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, structuredCloneOf(inner)]))
    : value;
};

function replaceFeature({ plan }: BoardDraft, featureId: string, by: (feature: Feature) => Feature): void {
  const i = plan.features.findIndex(({ id }) => id === featureId);
  if (i >= 0) plan.features[i] = drawn(by(plan.features[i]!));
}
const nameIn = ({ features }: Plan, featureId: string): string => features.find(({ id }) => id === featureId)?.name ?? 'a feature';
const namesIn = (plan: Plan, ids: readonly string[]): string => (ids.length === 1 ? nameIn(plan, ids[0]!) : `${ids.length} features`);

/** Changes to what lies on the table. */
export const featureEdits = {
  'features/add': edit<{ readonly features: readonly Feature[]; readonly why: string }>(
    ({ why }) => why,
    ({ plan }, { features }) => void plan.features.push(...features.map(drawn)),
  ),
  /** Others put in the place of those of the same ids: moved, turned, mirrored or lined up together. */
  'features/put': edit<{ readonly features: readonly Feature[]; readonly how: string }>(
    ({ features, how }, plan) =>
      `${how} ${namesIn(
        plan,
        features.map(({ id }) => id),
      )}`,
    (board, { features }) => features.forEach((feature) => replaceFeature(board, feature.id, () => feature)),
  ),
  'features/remove': edit<{ readonly featureIds: readonly string[] }>(
    ({ featureIds }, plan) => `Remove ${namesIn(plan, featureIds)}`,
    ({ plan }, { featureIds }) => void (plan.features = plan.features.filter(({ id }) => !featureIds.includes(id))),
  ),
  /** Up or down the list, and so over or under what it meets at one height. */
  'feature/order': edit<{ readonly featureId: string; readonly by: 1 | -1 }>(
    ({ featureId, by }, plan) => `Move ${nameIn(plan, featureId)} ${by > 0 ? 'up' : 'down'} the list`,
    ({ plan }, { featureId, by }) => {
      const from = plan.features.findIndex(({ id }) => id === featureId);
      const to = from + by;
      if (from < 0 || to < 0 || to >= plan.features.length) return;
      plan.features.splice(to, 0, ...plan.features.splice(from, 1));
    },
  ),
  /** Numbers and words of a feature by their names in the document; the schema says what they may be. */
  'feature/set': edit<{ readonly featureId: string; readonly change: Readonly<Record<string, unknown>>; readonly what: string }>(
    ({ featureId, what }, plan) => `${what} ${nameIn(plan, featureId)}`,
    ({ plan }, { featureId, change }) => {
      const feature = plan.features.find(({ id }) => id === featureId);
      if (feature !== undefined) Object.assign(feature, change);
    },
  ),
  'feature/reshape': edit<{ readonly featureId: string; readonly shape: Shape; readonly how: string }>(
    ({ featureId, how }, plan) => `${how} ${nameIn(plan, featureId)}`,
    (board, { featureId, shape }) => replaceFeature(board, featureId, (feature) => reshaped(feature, shape)),
  ),
  'feature/move': edit<{ readonly featureId: string; readonly dxMm: number; readonly dyMm: number }>(
    ({ featureId }, plan) => `Move ${nameIn(plan, featureId)}`,
    (board, { featureId, dxMm, dyMm }) => replaceFeature(board, featureId, (one) => reshaped(one, movedBy(one.shape, dxMm, dyMm))),
  ),
  'feature/point': edit<{ readonly featureId: string; readonly index: number; readonly to: Point }>(
    ({ featureId }, plan) => `Reshape ${nameIn(plan, featureId)}`,
    (board, { featureId, index, to }) => replaceFeature(board, featureId, (one) => reshaped(one, withPoint(one.shape, index, to))),
  ),
  'feature/width': edit<{ readonly featureId: string; readonly widthMm: number }>(
    ({ featureId }, plan) => `Widen ${nameIn(plan, featureId)}`,
    ({ plan }, { featureId, widthMm }) => {
      const feature = plan.features.find(({ id }) => id === featureId);
      if (feature?.shape.form === 'strip') feature.shape.widthMm = widthMm;
    },
  ),
};
