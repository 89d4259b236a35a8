export { byHand, relaid, snappedPlace, unpinned } from './by-hand';
export type { HandMove } from './by-hand';
export { recordedSheets, takenBack, tickedOff } from './cut-record';
export { leftoversOf } from './rack';
export { layoutFromSaved, pinsOf, savedFrom } from './saved-layout';
export type { SavedLayout, SavedProblem } from './saved-layout';
