import { DAY_MIN } from '../../base/units';
import type { Calendar } from '../../plan';
import { dayAfter, dayText } from '../../base/dates';
import type { Ready } from './ready';

/** A board that is wanted for a day is wanted by then, in the evening. */
const WANTED_BY_MIN = 18 * 60;

/** A board that is ready too late for the day it is wanted for. */
export interface Late {
  readonly wantedText: string;
  readonly readyText: string;
  readonly lateMin: number;
  /** No order of work makes it; when the slowest workpiece alone is through. */
  readonly notBeforeText: string | null;
}

/** By how much a board misses the day it is wanted for; null where it does not, or where no day is named. */
export function lateOf(ready: Ready | null, bound: Ready | null, { deadline, startsOn }: Calendar): Late | null {
  if (deadline === null || ready === null) return null;
  const dayMin = dayAfter(startsOn, deadline) * DAY_MIN;
  const byMin = dayMin + WANTED_BY_MIN;
  const lateMin = ready.at.value - byMin;
  if (lateMin <= 0) return null;
  const notBeforeText = bound !== null && bound.at.value > byMin ? bound.text : null;
  return { wantedText: dayText(startsOn, dayMin), readyText: ready.text, lateMin, notBeforeText };
}
