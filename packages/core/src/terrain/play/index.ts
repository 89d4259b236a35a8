export { clearanceMap, widestBase } from './clearance';
export { maskRings } from './mask';
export { playReport } from './report';
export type { PlayReport } from './report';
export { onTable, realSize, scaleOf, yardsticks } from './scale';
export type { Yardstick } from './scale';
export { coverOf, sightMap } from './sight';
export type { Cover } from './sight';
export { walkTowards } from './walk';
