export { boardSummary } from './card';
export type { BoardSummary } from './card';
