import { type Figure, given, calculate } from '../../base/units';
import type { Course } from './course';
import type { AirAt } from './vapour';

/** How fast something goes on, against the pace its times are stated for. */
export interface Pace {
  /** When so many stated minutes that begin at a time are over; Infinity where they never are. */
  readonly after: (fromMin: number, statedMin: number) => number;
  /** The latest start so that they are over by a time; −Infinity where there is none. */
  readonly before: (byMin: number, statedMin: number) => number;
  /** How much longer than stated it takes at the quickest. */
  readonly least: number;
  /** How much longer it takes on the whole, for what has no date yet; null where it never is over. */
  readonly usual: Figure<'1'> | null;
  readonly isSteady: boolean;
}

const ONCE = given('As stated', 1, '1', 'definition');
/** By the clock. */
export const CLOCK: Pace = {
  after: (fromMin, statedMin) => fromMin + statedMin,
  before: (byMin, statedMin) => byMin - statedMin,
  least: 1,
  usual: ONCE,
  isSteady: true,
};

/** Always as much slower. */
export function steadyPace(factor: Figure<'1'>): Pace {
  const { value } = factor;
  return {
    after: (fromMin, statedMin) => (statedMin <= 0 ? fromMin : fromMin + statedMin * value),
    before: (byMin, statedMin) => (statedMin <= 0 ? byMin : byMin - statedMin * value),
    least: value,
    usual: factor,
    isSteady: true,
  };
}

/** Always as never. */
export const NEVER: Pace = {
  after: (fromMin, statedMin) => (statedMin <= 0 ? fromMin : Infinity),
  before: (byMin, statedMin) => (statedMin <= 0 ? byMin : -Infinity),
  least: Infinity,
  usual: null,
  isSteady: true,
};

/** As much longer for something that the air does not tell; the very same where there is nothing. */
export function slowed(pace: Pace, factor: Figure<'1'> | null): Pace {
  if (factor === null) return pace;
  const { value } = factor;
  return {
    after: (fromMin, statedMin) => pace.after(fromMin, statedMin * value),
    before: (byMin, statedMin) => pace.before(byMin, statedMin * value),
    least: pace.least * value,
    usual: pace.usual === null ? null : calculate(pace.usual.label, '1', pace.usual, '×', factor),
    isSteady: pace.isSteady,
  };
}

const HOUR_MIN = 60;
/** The last bits of sums of minutes. */
const EXACT_MIN = 1e-9;
const MAX_HOURS = 24 * 730;
const WEEK_HOURS = 24 * 7;

/**
 * As the air of each hour lets it: stated minutes add up hour by hour, and one that ends later is never over earlier.
 * @param speedIn how much faster than stated it goes in some air; 0 where it does not go on at all
 * @param label of the mean of the first week, told where there is no date yet
 */
export function hourlyPace(course: Course, speedIn: (air: AirAt) => number, label: string, source: string): Pace {
  const speeds: number[] = [];
  /** Stated minutes that are over by each full hour. */
  const sums: number[] = [0];
  const grow = (): void => {
    const speed = speedIn(course.at(speeds.length * HOUR_MIN));
    speeds.push(speed);
    sums.push(sums.at(-1)! + speed * HOUR_MIN);
  };
  while (speeds.length < WEEK_HOURS) grow();
  // Once it has settled every day is like another: where that day brings nothing, none does.
  const settledHour = Math.ceil(course.settledMin / HOUR_MIN);
  let dayBrings: number | null = null;
  const isOver = (): boolean => {
    if (speeds.length < settledHour + 24) return false;
    dayBrings ??= Array.from({ length: 24 }, (_, i) => speedIn(course.at((settledHour + i) * HOUR_MIN))).reduce((sum, own) => sum + own, 0);
    return dayBrings === 0;
  };
  const doneAt = (timeMin: number): number => {
    if (timeMin <= 0) return timeMin * speeds[0]!;
    const hour = Math.floor(timeMin / HOUR_MIN);
    while (speeds.length <= hour && speeds.length < MAX_HOURS) grow();
    const last = Math.min(hour, speeds.length - 1);
    return sums[last]! + speeds[last]! * (timeMin - last * HOUR_MIN);
  };
  const whenDone = (stated: number): number => {
    while (sums.at(-1)! < stated) {
      if (speeds.length >= MAX_HOURS || isOver()) return Infinity;
      grow();
    }
    let [low, high] = [0, speeds.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (sums[middle + 1]! >= stated) high = middle;
      else low = middle + 1;
    }
    return low * HOUR_MIN + (stated - sums[low]!) / (speeds[low]! || 1);
  };
  const lastWhenDone = (stated: number): number => {
    if (stated < -EXACT_MIN) return speeds[0]! > 0 ? stated / speeds[0]! : -Infinity;
    let [low, high] = [0, speeds.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (sums[middle]! <= stated + EXACT_MIN) low = middle;
      else high = middle - 1;
    }
    return speeds[low]! > 0 ? low * HOUR_MIN + (stated - sums[low]!) / speeds[low]! : (low + 1) * HOUR_MIN;
  };
  const settled = Array.from({ length: 24 }, (_, i) => speedIn(course.at((settledHour + i) * HOUR_MIN)));
  // A first week of nothing but cold is no measure of the rest.
  const week = sums[WEEK_HOURS]! / (WEEK_HOURS * HOUR_MIN);
  const brings = week > 0 ? week : settled.reduce((sum, own) => sum + own, 0) / settled.length;
  const fastest = speeds.slice(0, WEEK_HOURS).reduce((most, own) => Math.max(most, own), 0);
  return {
    after: (fromMin, statedMin) => (statedMin <= 0 ? fromMin : whenDone(doneAt(fromMin) + statedMin)),
    before: (byMin, statedMin) => (statedMin <= 0 ? byMin : Math.min(byMin, lastWhenDone(doneAt(byMin) - statedMin))),
    // After its spells a place may be better than in its first week.
    least: 1 / Math.max(fastest, ...settled),
    usual: brings > 0 ? given(label, 1 / brings, '1', 'calendar', source) : null,
    isSteady: false,
  };
}
