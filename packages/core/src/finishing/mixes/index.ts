export { KITCHENS, kitchenWords } from './kitchen';
export type { Kitchen } from './kitchen';
export { mixesOf } from './mixes';
export type { BatchPart, Mix } from './mixes';
export { partsOf, stuffNeeds, yieldOf } from './stuffs';
export type { MixPart, StuffNeed } from './stuffs';
export { coversWith } from './tub';
export type { Tub } from './tub';
