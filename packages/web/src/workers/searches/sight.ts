import type { Ring } from '@spare-acre/core/base/geometry';
import type { Figure } from '@spare-acre/core/base/units';
import { type Cover, coverOf, maskRings, sightMap } from '@spare-acre/core/terrain/play';
import type { Side } from '@spare-acre/core/terrain/tiling';
import type { BoardCopy } from '../board-copy';
import { fieldFor } from './field';
import type { OnProgress } from './progress';

export interface SightAnswer {
  readonly sights: readonly { readonly side: Side; readonly seen: Figure<'%'>; readonly unseen: readonly Ring[] }[];
  readonly covers: readonly Cover[];
}

/** What is seen from each side of the table. */
export async function sight(board: BoardCopy, onProgress: OnProgress): Promise<SightAnswer | null> {
  const { field } = fieldFor(board);
  for (const search = sightMap(field, board.plan.figureHeightMm); ;) {
    const step = search.next();
    if (!step.done) {
      if (!(await onProgress(step.value.done, step.value.of))) return null;
      continue;
    }
    const by = (side: Side) => step.value.find((one) => one.side === side)!;
    return {
      sights: step.value.map(({ side, seen, seenBy }) => ({
        side,
        seen,
        unseen: maskRings((cell) => seenBy[cell] === 0, field.cols, field.rows, field.cellMm),
      })),
      covers: [coverOf(field, by('left'), by('right')), coverOf(field, by('back'), by('near'))],
    };
  }
}
