export { buildOptionsOf } from './build-options';
export type { BuildOption } from './build-options';
export { derivePipeline } from './derive';
export type { Derivation } from './derive';
export type { Tally } from './tally';
export { splitAdvice } from './split-advice';
export type { SplitOption } from './split-advice';
