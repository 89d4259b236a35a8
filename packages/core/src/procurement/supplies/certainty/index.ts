export { costsOf, enoughOf, usedOf } from './enough';
export type { Enough } from './enough';
export { safetyStockFor } from './surely';
