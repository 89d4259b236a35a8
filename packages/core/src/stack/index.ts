export { asBuilt, buildUp, otherBuildUps } from './build-up';
export type { BuildUp } from './build-up';
export { builtHeights, goesThrough, groundStack, heightsIn, isSealedOn, stackUp, stockAtHand } from './stack';
export type { BaseLayer, BoardStack, GroundStack, Joint, JointPlace, RaisedStack, ZoneFacing } from './stack';
export { curedGlue, glueFit, glueMass, glueNeeds, passesWater } from './glue';
export { jointShare } from './joint-share';
export type { Face, GlueFit, GlueNeed } from './glue';
export { heightChoices } from './heights';
export type { HeightChoice, HeightOption } from './heights';
export { bowOf, bowOfSheets, largestTile } from './bow';
export type { Bow, BowPart } from './bow';
export { bendingStiffness, bowOver, curvature } from './lamination';
export type { Lamina } from './lamination';
export { sheetsOfStack } from './strains';
export type { BowCause, Sheet, Strain } from './strains';
export { weightsFor } from './weights';
export type { WeightNeed } from './weights';
export { bowLevers, leversUnder, pullLever } from './levers';
export type { Lever, LeverDeed } from './levers';
export { adhesiveRows } from './adhesive-table';
export type { AdhesiveRow } from './adhesive-table';
export {
  freshFacing,
  freshLayer,
  glueChoices,
  materialBelow,
  materialChoices,
  nearestThickness,
  spreadOf,
  thicknessChoices,
} from './choices';
export type { Choice, GlueChoice } from './choices';
