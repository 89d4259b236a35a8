export { bandsOf } from './bands';
export type { Band } from './bands';
export type { Solid } from './body';
export { tableSolids } from './table';
export type { Standing, TableSolids } from './table';
