export { coloured, sharesOf } from './colour';
export type { Coloured } from './colour';
export { floorsOf, turnTowards } from './floor';
export type { Floor } from './floor';
export { layUnits } from './lay';
export type { PatternTask, Unit } from './lay';
