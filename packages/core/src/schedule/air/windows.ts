import type { Course } from './course';
import type { AirAt } from './vapour';

/** A run of time, minutes since midnight before the first day. */
export interface Run {
  readonly fromMin: number;
  readonly toMin: number;
}
const HOUR_MIN = 60;

/**
 * When the air is fit for something, hour by hour, in order and apart.
 * @returns null where it always is; none where it never is
 */
export function fitRuns(course: Course, isFit: (air: AirAt) => boolean, untilMin: number): readonly Run[] | null {
  if (course.isSteady) return isFit(course.at(0)) ? null : [];
  const runs: { fromMin: number; toMin: number }[] = [];
  let isAlways = true;
  for (let atMin = 0; atMin < untilMin; atMin += HOUR_MIN) {
    if (!isFit(course.at(atMin))) {
      isAlways = false;
      continue;
    }
    const last = runs.at(-1);
    if (last?.toMin === atMin) last.toMin = atMin + HOUR_MIN;
    else runs.push({ fromMin: atMin, toMin: atMin + HOUR_MIN });
  }
  return isAlways ? null : runs;
}
/** Times that lie in both; null stands for always. */
export function inBoth(a: readonly Run[] | null, b: readonly Run[] | null): readonly Run[] | null {
  if (a === null) return b;
  if (b === null) return a;
  const both: Run[] = [];
  for (let i = 0, j = 0; i < a.length && j < b.length;) {
    const fromMin = Math.max(a[i]!.fromMin, b[j]!.fromMin);
    const toMin = Math.min(a[i]!.toMin, b[j]!.toMin);
    if (toMin > fromMin) both.push({ fromMin, toMin });
    if (a[i]!.toMin < b[j]!.toMin) i++;
    else j++;
  }
  return both;
}
/** Runs that end so much sooner; those that are shorter are gone. */
export const shortened = (runs: readonly Run[] | null, byMin: number): readonly Run[] | null =>
  runs === null ? null : runs.flatMap(({ fromMin, toMin }) => (toMin - byMin > fromMin ? [{ fromMin, toMin: toMin - byMin }] : []));
