export { bowOf } from './bow';
export type { Bow } from './bow';
export { bowLevers, leversUnder } from './levers';
export type { Lever, LeverInputs } from './levers';
export type { BowCause } from './strains';
export { weightsFor } from './weights';
