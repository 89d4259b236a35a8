export { coatNeeds, poursFor, sealNeed, stuffNeeds } from './coats';
export type { CoatNeed, SealNeed, StuffNeed } from './coats';
