import type { Point } from '../../base/geometry';
import type { CutJob } from '../job';
import { cutList } from './cut-list';
import { placedOutline, shifted } from '../nesting';

/** A part where it lies on its sheet: its true outline in mm from the sheet's left and top edges. */
export interface PlacedPart {
  readonly id: string;
  readonly number: number;
  readonly name: string;
  readonly leftMm: number;
  readonly topMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly pinned: boolean;
  readonly mayTurn: boolean;
  readonly rings: readonly (readonly Point[])[];
}

/** The parts of one sheet as they lie, numbered as in the cut list. */
export const placedParts = (job: CutJob, sheetIndex: number): readonly PlacedPart[] =>
  cutList(job, sheetIndex).map(({ part, number, leftMm, topMm, widthMm, depthMm, turned, half, pinned }) => ({
    id: part.id,
    number,
    name: part.name,
    leftMm,
    topMm,
    widthMm,
    depthMm,
    pinned,
    mayTurn: part.grain === null,
    rings: shifted(placedOutline(part, { turned, half }), leftMm, topMm).rings,
  }));
