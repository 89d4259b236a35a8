export { FEW_PARTS, isPieceOf } from './part';
export type { Hollow, Part, PartMarks, Segments } from './part';
export { asSplit, partsOf } from './parts';
export { MIN_PIECE_MM, isAllowed, isNextLayer, jointLines, proposedSplits } from './splits';
export type { CanCut } from './splits';
