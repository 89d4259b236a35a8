export { KITCHENS, kitchenWords } from './kitchen';
export type { Kitchen } from './kitchen';
export { mixesOf } from './mixes';
export type { BatchPart, Mix } from './mixes';
export { partsOf, ingredientNeeds, yieldOf } from './ingredients';
export type { MixPart, StuffNeed } from './ingredients';
export { coversWith } from './tub';
export type { Tub } from './tub';
