export { cheapestPacks } from './packs';
export type { PackChoice } from './packs';
export { suppliesFor } from './supplies';
export type { Supplies, Supply, SafetyStock } from './supplies';
