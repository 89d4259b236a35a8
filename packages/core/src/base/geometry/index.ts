export { ROUND_SIDES, alongLine, bent, lineLengthMm, pointAlong, roundRing, selfCrossing, stripRegion } from './outline';
export { between, boxAround, boxContains, boxHolds, boxesOverlap, distanceMm, turnsOneWay } from './point';
export type { Box, Point } from './point';
export {
  EMPTY,
  areaMm2,
  boxRegion,
  clippedTo,
  contains,
  crossings,
  edgeMm,
  evenOdd,
  grown,
  innerEdgeMm,
  intersection,
  isEmpty,
  pieces,
  regionBox,
  regionOf,
  regionWith,
  unite,
  without,
} from './region';
export type { Region, Ring } from './region';
export { thinned } from './thinned';
export { signedMm2 } from './clipper';
