import { DAY_MIN } from '../base/units';
import type { Calendar } from '../plan';

/** A run of free bench time, in minutes since midnight before the first day. */
export interface Window {
  readonly fromMin: number;
  readonly toMin: number;
}

/** Bench hours in order, without end. Hours that touch or overlap on a day count once; days off have none. */
export function* windowsOf(calendar: Calendar): Generator<Window, never, void> {
  const firstWeekday = weekdayOf(calendar.startsOn);
  const week = Array.from({ length: 7 }, (_, day) => hoursOn(calendar, ((firstWeekday - 1 + day) % 7) + 1));
  const off = new Set(calendar.daysOff.map((day) => dayAfter(calendar.startsOn, day)));
  for (let day = 0; ; day++) {
    if (off.has(day)) continue;
    for (const { fromMin, toMin } of week[day % 7]!) yield { fromMin: day * DAY_MIN + fromMin, toMin: day * DAY_MIN + toMin };
  }
}

/** `Sat 12 Dec, 14:20` for minutes since midnight before the first day. */
export function momentText(startsOn: string, atMin: number): string {
  return `${dayText(startsOn, atMin)}, ${clock(atMin)}`;
}
/** `Sat 12 Dec`. */
export const dayText = (startsOn: string, atMin: number): string => DAY.format(moment(startsOn, atMin)).replace(',', '');
/** `14:20` for minutes since any midnight. */
export function clock(atMin: number): string {
  const inDay = ((Math.round(atMin) % DAY_MIN) + DAY_MIN) % DAY_MIN;
  return `${String(Math.floor(inDay / 60)).padStart(2, '0')}:${String(inDay % 60).padStart(2, '0')}`;
}
/** How many days a day lies after another; less than none before it. */
export const dayAfter = (startsOn: string, day: string): number =>
  Math.round((moment(day, 0).getTime() - moment(startsOn, 0).getTime()) / (DAY_MIN * 60_000));
/** 1 Monday … 7 Sunday. */
export const weekdayOf = (day: string): number => ((moment(day, 0).getUTCDay() + 6) % 7) + 1;

// The plan's days are civil days of wherever the builder is; UTC here only keeps this machine's own zone out.
const DAY = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' });
const moment = (day: string, atMin: number): Date => new Date(Date.parse(`${day}T00:00:00Z`) + Math.round(atMin) * 60_000);

function hoursOn(calendar: Calendar, weekday: number): Window[] {
  const hours = calendar.hours.filter((h) => h.weekday === weekday).sort((a, b) => a.fromMin - b.fromMin);
  const merged: { fromMin: number; toMin: number }[] = [];
  for (const { fromMin, toMin } of hours) {
    const last = merged.at(-1);
    if (last !== undefined && fromMin <= last.toMin) last.toMin = Math.max(last.toMin, toMin);
    else merged.push({ fromMin, toMin });
  }
  return merged;
}
