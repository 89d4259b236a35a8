export { boardMass } from './board-mass';
export type { BoardMass } from './board-mass';
