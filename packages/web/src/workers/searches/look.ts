import { type HeightField, tableBox } from '@spare-acre/core/terrain/ground';
import { type Band, type TableSolids, bandsOf, tableSolids } from '@spare-acre/core/build/mesh';
import { heightsIn } from '@spare-acre/core/build/stack';
import type { BoardCopy } from '../board-copy';
import { fieldFor } from './field';

export interface LookAnswer {
  readonly solids: TableSolids;
  /** What a figure walks on. */
  readonly field: HeightField;
  /** The layers that upright faces show. */
  readonly bands: readonly Band[];
}

/** The table in the round. */
export function look(board: BoardCopy): LookAnswer {
  const { field, foamMm } = fieldFor(board);
  const { ground, stack, uprights } = board.derived();
  return {
    solids: tableSolids(ground, tableBox(board.plan.table), heightsIn(stack), foamMm, uprights),
    field,
    bands: bandsOf(stack, board.catalogue),
  };
}
