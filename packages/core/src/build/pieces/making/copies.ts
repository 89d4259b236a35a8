import type { Piece } from '../../../plan';

/** Copies of a piece that are made by hand: the master alone where the others are cast. */
export const madeByHand = ({ count, castingId }: Pick<Piece, 'count' | 'castingId'>): number =>
  castingId === null ? count : Math.min(1, count);
