export { cheapestPacks } from './packs';
export type { PackChoice } from './packs';
export { enoughOf } from './enough';
export type { Enough } from './enough';
export { suppliesFor } from './supplies';
export type { Supplies, Supply } from './supplies';
