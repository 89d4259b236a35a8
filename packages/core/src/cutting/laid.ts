import type { Point } from '../geometry';
import type { CutJob } from './cut-sheets';
import { cutList } from './cut-list';

/** A part where it lies on its sheet: its true outline in mm from the sheet's left and top edges. */
export interface LaidPart {
  readonly id: string;
  readonly number: number;
  readonly name: string;
  readonly leftMm: number;
  readonly topMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly rings: readonly (readonly Point[])[];
}

/** The parts of one sheet as they lie, numbered as in the cut list. A part that lies turned is turned by a quarter, never flipped over: its face stays its face. */
export const laidParts = (job: CutJob, sheetIndex: number): readonly LaidPart[] =>
  cutList(job, sheetIndex).map(({ part, number, leftMm, topMm, widthMm, depthMm, turned }) => {
    const place = ({ x, y }: Point): Point => (turned ? { x: leftMm + part.depthMm - y, y: topMm + x } : { x: leftMm + x, y: topMm + y });
    return {
      id: part.id,
      number,
      name: part.name,
      leftMm,
      topMm,
      widthMm,
      depthMm,
      rings: part.outline.rings.map((ring) => ring.map(place)),
    };
  });
