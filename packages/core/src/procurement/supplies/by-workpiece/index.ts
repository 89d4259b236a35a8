export { needsByWorkpiece } from './by-workpiece';
export type { WorkpieceNeed, WorkpieceNeeds } from './by-workpiece';
