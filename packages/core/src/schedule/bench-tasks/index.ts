export { detailOf } from './details';
export type { MoveDetail, MoveDrawing, SheetToCut } from './details';
export { movesOf, sittingAt, standingOf } from './moves';
export type { Before, Move, Sitting, Standing } from './moves';
export { usedOf } from './takes';
export type { Take } from './takes';
