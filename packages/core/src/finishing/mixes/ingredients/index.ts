export { partsOf, ingredientNeeds, yieldOf } from './stuffs';
export type { MixPart, StuffNeed } from './stuffs';
