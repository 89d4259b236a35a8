export { coatNeeds, poursFor, stuffNeeds } from './coats';
export type { CoatNeed, StuffNeed } from './coats';
