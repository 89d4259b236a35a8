export { suppliesFor } from './supplies';
export type { Supplies, Supply } from './supplies';
