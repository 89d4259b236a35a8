export { derivePipeline } from './derive';
export type { Derivation, Tally } from './derive';
export type { FeatureTakes } from './takes';
