export { coatNeeds, coatingNeeds, poursFor, sealNeed } from './coats';
export type { CoatNeed, CoatingNeed, SealNeed } from './coats';
