import { type NowChoice, bestNow } from '@spare-acre/core/schedule/tasks';
import type { BoardCopy } from '../board-copy';

/** What is best done with some minutes that there are. */
export function now(board: BoardCopy, nowMin: number, haveMin: number): NowChoice {
  const { days, steps } = board.derived();
  return bestNow(days.slots, steps, nowMin, haveMin);
}
