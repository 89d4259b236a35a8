import { type PlayReport, playReport } from '@spare-acre/core/terrain/play';
import type { Side } from '@spare-acre/core/terrain/tiling';
import type { BoardCopy } from '../board-copy';
import { fieldFor } from './field';

/** The quick checks of how the table plays. */
export function play(board: BoardCopy, from: Side, to: Side): PlayReport {
  const { field, ground } = fieldFor(board);
  return playReport(field, ground, board.plan, from, to);
}
