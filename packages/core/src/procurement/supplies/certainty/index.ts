export { costsOf, enoughOf, usedOf } from './enough';
export type { Enough } from './enough';
export { surelyFor } from './surely';
