export { correctionsFrom, handsFrom, isOfPlaces } from './corrections';
export type { Reading } from './corrections';
export { courseOf } from './course';
export type { Learnt } from './course';
export { correctionWords, handOf, inHand, sameName } from './hand';
export type { Correction, PersonalCorrection } from './hand';
export { impliedBy } from './implied';
export type { Implied } from './implied';
