export { ZONE_KINDS, tableDepthMm, tableWidthMm } from './plan';
export type { Calendar, Climate, Coat, Feature, FeatureKind, GroundLayer, Plan, PlanDraft, Shape, Stack, Table, ZoneKind } from './plan';
export { LIMITS, MAX_FEATURES, MAX_POINTS } from './limits';
export { copyOf, freshStrip, newFeature } from './new-feature';
export { evenSplit, newPlan } from './new-plan';
export type { NewBoard } from './new-plan';
export {
  fittedTo,
  mayLosePoint,
  middleLine,
  movedBy,
  rectangle,
  shapeBox,
  shapePoints,
  shapeRegion,
  stripLengthMm,
  widthHandle,
  widthThrough,
  withPoint,
  withPointAfter,
  withoutPoint,
} from './shape';
export { snapLines, snapped } from './snap';
export type { SnapKind, SnapLines, Snapped } from './snap';
export { mergePlans } from './merge';
export type { Merged } from './merge';
