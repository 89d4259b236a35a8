export { buildUp } from './build-up';
export type { BuildUp } from './build-up';
export { builtHeights, goesThrough, stackUp } from './stack';
export type { BaseLayer, BoardStack, Joint, RaisedStack } from './stack';
export { glueFit, glueMass, glueNeeds } from './glue';
export type { GlueFit, GlueNeed } from './glue';
export { freshLayer, glueChoices, materialBelow, materialChoices, nearestThickness, thicknessChoices } from './choices';
export type { Choice, GlueChoice } from './choices';
