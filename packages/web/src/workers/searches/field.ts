import { type Ground, type HeightField, fieldOf, tableBox } from '@spare-acre/core/terrain/ground';
import { heightsIn } from '@spare-acre/core/build/stack';
import type { BoardCopy } from '../board-copy';

/** Cells of the play checks. */
const CELL_MM = 4;

/** The table as it will be built, in cells. */
export function fieldFor(board: BoardCopy): { ground: Ground; field: HeightField; foamMm: number } {
  const { ground, stack, uprights } = board.derived();
  return {
    ground,
    field: fieldOf(ground, tableBox(board.plan.table), CELL_MM, heightsIn(stack), { list: uprights, figureMm: board.plan.figureHeightMm }),
    foamMm: stack.ground.value + (board.plan.stack.substrate?.thicknessMm ?? 0),
  };
}
