export { adhesiveRows } from './adhesive-table';
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
export { GLUE_FIT_WORDS, curedGlue, fitOf, glueFit, glueMass, glueNeeds, matterOf, passesWater } from './glue';
export type { FaceMatter, GlueFit, GlueNeed } from './glue';
