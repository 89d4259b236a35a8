export { MOVES, freeFor, shelfOf } from './ledger';
export type { Move, MoveKind, Shelved } from './ledger';
export { stockId, stockedIn } from './stocked';
export type { Stocked } from './stocked';
export { spentOn } from './spent';
export type { Spent, SpentOn } from './spent';
