export { isPieceOf } from './part';
export type { Hollow, Part } from './part';
export { partsOf } from './parts';
export { jointLines, proposedSplits } from './splits';
export type { CanCut } from './splits';
