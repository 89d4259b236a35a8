export { derivePipeline } from './derive';
export type { Derivation, Tally } from './derive';
export type { FeatureTakes } from './takes';
export { splitAdvice } from './split-advice';
export type { SplitOption, SplitProgress } from './split-advice';
export { schoolsOf } from './schools';
export type { School, SchoolProgress } from './schools';
export type { LayerMass } from './board-mass';
