import { type HeightField, type Solid, solidOf, tableBox } from '@spare-acre/core/ground';
import type { BoardCopy } from '../board-copy';
import { fieldFor } from './field';

export interface LookAnswer {
  readonly solid: Solid;
  readonly field: HeightField;
  readonly foamMm: number;
}

/** The look takes at most this many cells, coarser on large tables; it shows smaller things than the play checks need. */
const MOST_CELLS = 160_000;
const LEAST_MM = 2;

/** The table in the round. */
export function look(board: BoardCopy): LookAnswer {
  const { right, bottom } = tableBox(board.plan.table);
  const cellMm = Math.max(LEAST_MM, Math.ceil(Math.sqrt((right * bottom) / MOST_CELLS)));
  const { field, foamMm } = fieldFor(board, cellMm);
  return { solid: solidOf(field, foamMm), field, foamMm };
}
