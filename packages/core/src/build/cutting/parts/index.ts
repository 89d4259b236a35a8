export { FEW_PARTS, isPieceOf } from './part';
export type { Hollow, Part, PartMarks, Segments } from './part';
export { asSplit, partsOf } from './parts';
export { isAllowed, isNextLayer, jointLines, proposedSplits } from './splits';
export type { CanCut } from './splits';
