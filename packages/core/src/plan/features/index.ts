export { bowlShare, bowlVolumeMm3 } from './bowl';
export { FEATURE_KINDS, FeatureSchema, carrying, kindNamed, kindOf, pieceOn, pieceTurnOn, sunkBy } from './feature';
export type { Feature, FeatureDraft, FeatureKind, FeatureOf } from './feature';
export type { FeatureField } from './fields';
export type { Hatch } from './kind';
export { grooveDepths } from './lights';
export { NO_MARKS } from './marks';
export { copyOf, freshStrip, newFeature, reshaped } from './new-feature';
export type { Role, Stretch } from './role';
