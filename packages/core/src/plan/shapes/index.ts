export { contoursWithin } from './contours';
export { depthOfShapeMm, insetOf } from './inset';
export { AreaSchema, ContoursSchema, PointSchema, RoundSchema, StripSchema } from './schema';
export type { Contours, Outline, Shape, Strip } from './schema';
export {
  fittedTo,
  levelRegion,
  mapped,
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
