import type { Point } from '../geometry';
import type { CutJob } from './cut-sheets';
import { cutList } from './cut-list';
import { lyingOutline, movedBy } from './lying';

/** A part where it lies on its sheet: its true outline in mm from the sheet's left and top edges. */
export interface LaidPart {
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
export const laidParts = (job: CutJob, sheetIndex: number): readonly LaidPart[] =>
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
    rings: movedBy(lyingOutline(part, { turned, half }), leftMm, topMm).rings,
  }));
