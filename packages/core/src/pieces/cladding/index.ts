export { cladTotal, cladsOf, unitsFrom } from './clad';
export type { Clad, CladWay } from './clad';
