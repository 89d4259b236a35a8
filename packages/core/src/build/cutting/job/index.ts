export { boundFigure, boundsOf } from './bounds';
export { inOrder, isCut, openOf, taskOf, withOpen } from './job';
export type { CutJob, OutdatedSheet } from './job';
export { optimalityOf } from './optimality';
export { searchJob } from './search';
export { trimCost } from './trim-cost';
