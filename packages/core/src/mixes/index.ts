export { KITCHENS, kitchenWords } from './kitchen';
export type { Kitchen } from './kitchen';
export { mixesOf, partsOf, stuffNeeds, yieldOf } from './mixes';
export type { BatchPart, Mix, MixPart, StuffNeed } from './mixes';
export { coversWith } from './tub';
export type { Tub } from './tub';
