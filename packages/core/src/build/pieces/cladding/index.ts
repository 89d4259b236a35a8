export { cladTotal, cladsOf, unitsFrom, unitsFromEach } from './clad';
export type { Clad, CladWay } from './clad';
export { cladSurfaces } from './surface';
