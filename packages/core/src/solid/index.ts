export type { Solid } from './body';
export { tableSolids } from './table';
export type { Standing, TableSolids } from './table';
