import type { Point } from '../../base/geometry';

/** What is drawn on a feature beside its outline, in mm: lines between lanes, planted rows, lamps along a cable, the way up, a battery box. */
export interface FeatureMarks {
  readonly lines: readonly (readonly Point[])[];
  readonly dashed: boolean;
  readonly dots: readonly Point[];
  /** A line with an arrow at its end. */
  readonly arrow: readonly Point[];
  readonly box: Point | null;
}

export const NO_MARKS: FeatureMarks = { lines: [], dashed: false, dots: [], arrow: [], box: null };
