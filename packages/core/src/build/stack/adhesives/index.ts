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
export { GLUE_FIT_WORDS, curedGlue, glueFit, glueMass, glueNeeds, passesWater } from './glue';
export type { GlueFit, GlueNeed } from './glue';
