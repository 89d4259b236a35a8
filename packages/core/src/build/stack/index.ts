export { battensOf, faceOfFacing, faceOfLayer, faceUnderFacing, faceUnderLayer, facesOfRaised, substrateOf } from './faces';
export { heightChoices } from './heights';
export type { HeightChoice, HeightOption } from './heights';
export { stockRegion } from './region';
export { jointShares } from './joint-share';
export { builtHeights, facingsOn, goesThrough, heightsIn, raisedStacks, stackUp } from './stack';
export type { BoardStack, RaisedStack, ZoneFacing } from './stack';
