export { coatNeeds, coatingNeeds, pieceCoatNeeds, poursFor, sealNeed } from './coats';
export type { CoatNeed, CoatingNeed, PieceSurface, SealNeed } from './coats';
