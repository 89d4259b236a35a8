export { differenceOf, seen } from './difference';
export type { Seen } from './difference';
export { coatHex, potsOf, stirred } from './paint';
export type { Pot } from './paint';
export { solveMix } from './solve';
export type { SolvedMix } from './solve';
export { BARE_HEX, shownHex } from './shown';
