export { correctionsFrom, inHand } from './hand';
export type { Correction, Reading } from './hand';
export { impliedBy } from './implied';
export type { Implied } from './implied';
