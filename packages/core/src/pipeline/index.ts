export { buildOptionsOf } from './build-options';
export type { BuildOption } from './build-options';
export type { Derivation, Finish } from './derive';
export { derivePipeline } from './full';
export type { Tally } from './tally';
export { splitAdvice } from './split-advice';
export type { SplitOption } from './split-advice';
export { waterOptionsOf } from './water-options';
export type { WaterOption } from './water-options';
