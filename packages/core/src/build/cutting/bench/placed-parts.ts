import type { Point } from '../../../base/geometry';
import type { CutJob } from '../job';
import { cutList } from './cut-list';
import { placedOutline, shifted } from '../nesting';
import type { Part } from '../parts';

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
  /** What is marked on it: the outline on its other side where edges lean, folds and scores. */
  readonly marks: readonly { readonly what: 'far' | 'fold' | 'score'; readonly points: readonly Point[] }[];
}
/** What is drawn on a part besides its outline. */
export type Mark = PlacedPart['marks'][number];

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
    marks: marksOf(part.marks).map(({ what, points }) => ({
      what,
      points: shifted(placedOutline({ ...part, outline: { rings: [points] } }, { turned, half }), leftMm, topMm).rings[0]!,
    })),
  }));

/** Lines of a part within its box that are not cut through. */
export function marksOf(marks: Part['marks']): readonly Mark[] {
  if (marks === undefined) return [];
  const leans = marks.bevels.length > 0;
  return [
    ...(leans ? [...marks.drawn, ...marks.far].map((ring): Mark => ({ what: 'far', points: [...ring, ring[0]!] })) : []),
    ...marks.folds.map(({ from, to }): Mark => ({ what: 'fold', points: [from, to] })),
    ...marks.scores.map(({ from, to }): Mark => ({ what: 'score', points: [from, to] })),
  ];
}
