export { coatMatrix } from './matrix';
export type { CoatMatrix, MatrixCell, MatrixRow } from './matrix';
