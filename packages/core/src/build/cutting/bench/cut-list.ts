import type { CutJob } from '../job';
import type { Part } from '../parts';

/** One part as it is marked out on its sheet: measured from the left and the top edge only, so that no one adds up by hand. */
export interface CutRow {
  readonly part: Part;
  readonly number: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly leftMm: number;
  readonly topMm: number;
  readonly turned: boolean;
  readonly half: boolean;
  readonly pinned: boolean;
}

/** The parts of one sheet in the order they are marked out: row by row from the top, then from the left. */
export function cutList(job: CutJob, sheetIndex: number): readonly CutRow[] {
  const placements = [...job.layout.sheets[sheetIndex]!.placements].sort((a, b) => a.yMm - b.yMm || a.xMm - b.xMm);
  return placements.map(({ blankId, xMm, yMm, widthMm, depthMm, turned, half, pinned }, i) => ({
    part: job.parts.find(({ id }) => id === blankId)!,
    number: i + 1,
    widthMm,
    depthMm,
    leftMm: xMm,
    topMm: yMm,
    turned,
    half,
    pinned,
  }));
}
