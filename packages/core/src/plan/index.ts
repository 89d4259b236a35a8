export { ZONE_KINDS, tableDepthMm, tableWidthMm } from './plan';
export type {
  Calendar,
  Climate,
  Coat,
  Contours,
  Cutting,
  Facing,
  Feature,
  FeatureKind,
  GlueSpread,
  GroundLayer,
  Outline,
  Passage,
  Plan,
  PlanDraft,
  PlayRules,
  Sealed,
  Shape,
  CutSheet,
  Split,
  Stack,
  Strip,
  Table,
  Underlay,
  ZoneKind,
} from './plan';
export { LIMITS, MAX_CONTOURS, MAX_CONTOUR_POINTS, MAX_FEATURES, MAX_POINTS } from './limits';
export { migrated } from './migrations';
export { contoursWithin, deepestInsetMm } from './contours';
export { KIND_NAMES, copyOf, freshStrip, newFeature } from './new-feature';
export { evenSplit, newPlan, planAgain } from './new-plan';
export type { NewBoard } from './new-plan';
export {
  fittedTo,
  levelRegion,
  mapped,
  mayLosePoint,
  middleLine,
  movedBy,
  rectangle,
  reshaped,
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
export { aligned, boxOfAll, mirrored, repeated, turned } from './arranging';
export type { Alignment } from './arranging';
export { featureMarks, lampPlaces } from './marks';
export type { FeatureMarks } from './marks';
export { scaledUnderlay } from './underlay';
export { isSamePlan, mergePlans } from './merge';
export type { Merged } from './merge';
