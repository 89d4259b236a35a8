export { between, boxAround, boxesOverlap, distanceMm, turn } from './point';
export type { Box, Point } from './point';
export {
  EMPTY,
  areaMm2,
  boxRegion,
  contains,
  crossings,
  edgeMm,
  innerEdgeMm,
  intersection,
  isEmpty,
  pieces,
  regionBox,
  regionOf,
  unite,
  without,
} from './region';
export type { Region, Ring } from './region';
export { ROUND_SIDES, bent, halfWay, lineLengthMm, roundRing, selfCrossing, stripRegion } from './outline';
