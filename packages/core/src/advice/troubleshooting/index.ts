export type { Cause, MendWork } from './mishap';
export type { MishapFacts } from './facts';
export { mendFor } from './mend';
export { diagnosed, mishapNames } from './rank';
export type { Diagnosis, Ranked } from './rank';
