import type { LogEntry } from '@spare-acre/core/learning/logbook';
import { type Ranked, diagnosed, mendFor } from '@spare-acre/core/advice/troubleshooting';
import type { Mended } from '@spare-acre/core/plan';
import type { BoardCopy } from '../board-copy';

/** A cause with the work that puts it right on the workpiece; null where nothing does. */
export type Told = Ranked & { readonly work: Omit<Mended, 'id'> | null };

/** What a mishap on a workpiece may come of, as the board's own plan, air and log tell. */
export function diagnose(
  board: BoardCopy,
  mishapId: string,
  workpieceId: string,
  log: readonly LogEntry[],
): { readonly causes: readonly Told[]; readonly isNotFromPlan: boolean } | null {
  const { plan, catalogue } = board;
  const { warnings, stack, coats, spots, pieces, supplies, ground } = board.derived();
  const found = diagnosed(mishapId, { plan, warnings, joints: stack.joints, coats, spots, made: pieces.made, supplies, log, catalogue });
  if (found === null) return null;
  const box = ground.tiles.find(({ id }) => id === workpieceId)?.box;
  const made = pieces.made.find(({ piece }) => piece.id === workpieceId);
  const face = {
    areaM2: box === undefined ? (made?.facts?.outside.value ?? 0) / 1e6 : ((box.right - box.left) * (box.bottom - box.top)) / 1e6,
    glueId: made?.piece.glueId ?? plan.stack.ground[0]!.glueBelowId,
  };
  const causes = found.causes.map((one) => ({
    ...one,
    work: one.cause.mend === null ? null : mendFor(one.cause.mend, workpieceId, face, catalogue),
  }));
  return { causes, isNotFromPlan: found.isNotFromPlan };
}
