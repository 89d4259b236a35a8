export { cheapestPacks } from './packs';
export type { PackChoice } from './packs';
export { costsOf, enoughOf, usedOf } from './enough';
export type { Enough } from './enough';
export { surelyFor } from './surely';
export { suppliesFor } from './supplies';
export type { Supplies, Supply, Surely } from './supplies';
