export { buildOptionsOf } from './build-options';
export type { BuildOption } from './build-options';
export { derivePipeline } from './derive';
export type { Derivation, Finish } from './derive';
export type { Tally } from './tally';
export { splitAdvice } from './split-advice';
export type { SplitOption } from './split-advice';
export { waterOptionsOf } from './water-options';
export type { WaterOption } from './water-options';
