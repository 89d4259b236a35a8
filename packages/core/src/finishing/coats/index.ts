export { coatNeeds, coatingNeeds, coatsOfFace, pieceCoatNeeds, poursFor, sealNeed } from './coats';
export type { CoatNeed, CoatingNeed, PieceSurface, SealNeed } from './coats';
export { grainLook } from './grain';
export type { GrainLook, GrainName } from './grain';
export type { CoatMatrix, MatrixCell, MatrixRow } from './matrix';
export { inOrder } from './order';
export type { CoatGroup } from './order';
