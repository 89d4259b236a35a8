import { DAY_MIN } from '../../base/units';
import type { AirAt } from './vapour';

/** Air over time, hour by hour. Times are minutes since midnight before the first day. */
export interface Course {
  readonly at: (timeMin: number) => AirAt;
  /** The same at every hour. */
  readonly isSteady: boolean;
  /** From here on every day is like the one before. */
  readonly settledMin: number;
}

/** A stretch of whole days with air of its own: a cold spell, a heated week. */
export interface Spell extends AirAt {
  readonly fromMin: number;
  readonly toMin: number;
}
/** Air of one day, hour by hour. */
export type DayOfAir = readonly AirAt[];

export const steady = (air: AirAt): Course => ({ at: () => air, isSteady: true, settledMin: 0 });
export const daily = (hours: DayOfAir): Course => ({ at: (timeMin) => hours[hourOf(timeMin)]!, isSteady: false, settledMin: 0 });
const HOUR_MIN = 60;
const hourOf = (timeMin: number): number => Math.floor((((timeMin % DAY_MIN) + DAY_MIN) % DAY_MIN) / HOUR_MIN);

/** The same with some days otherwise. */
export function withSpells(course: Course, spells: readonly Spell[]): Course {
  if (spells.length === 0) return course;
  const settledMin = Math.max(course.settledMin, ...spells.map(({ toMin }) => toMin));
  return {
    at: (timeMin) => spells.find(({ fromMin, toMin }) => timeMin >= fromMin && timeMin < toMin) ?? course.at(timeMin),
    isSteady: false,
    settledMin,
  };
}

/** A day between its coldest and its warmest hour; damp runs against warmth. */
export interface DayCurve {
  readonly lowC: number;
  readonly highC: number;
  readonly lowPct: number;
  readonly highPct: number;
}
/** Warmest in the middle of the afternoon. */
const WARMEST_HOUR = 15;
/** @source figures.md: outdoors follows a simple day curve */
export const dayOf = ({ lowC, highC, lowPct, highPct }: DayCurve): DayOfAir =>
  Array.from({ length: 24 }, (_, hour) => {
    const warmth = (1 + Math.cos((2 * Math.PI * (hour + 0.5 - WARMEST_HOUR)) / 24)) / 2;
    return { airC: lowC + (highC - lowC) * warmth, humidityPct: highPct - (highPct - lowPct) * warmth };
  });
/** As much warmer or colder at every hour, with the same water in the air. */
export const shifted = (course: Course, byC: number, humidityAt: (air: AirAt, airC: number) => number): Course => {
  const moved = (air: AirAt): AirAt => ({ airC: air.airC + byC, humidityPct: humidityAt(air, air.airC + byC) });
  return { ...course, at: (timeMin) => moved(course.at(timeMin)) };
};
