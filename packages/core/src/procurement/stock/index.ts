export { STOCK_TRANSACTION_KINDS, freeFor, shelfOf } from './ledger';
export type { StockTransaction, StockTransactionKind, Shelved } from './ledger';
export { stockId, stockedIn } from './stocked';
export type { Stocked } from './stocked';
export { spentOn } from './spent';
export type { Spent, SpentOn } from './spent';
