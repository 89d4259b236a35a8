export { partsOf, stuffNeeds, yieldOf } from './stuffs';
export type { MixPart, StuffNeed } from './stuffs';
