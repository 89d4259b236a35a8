export { correctionsFrom } from './corrections';
export type { Reading } from './corrections';
export { correctionWords, inHand } from './hand';
export type { Correction } from './hand';
export { impliedBy } from './implied';
export type { Implied } from './implied';
