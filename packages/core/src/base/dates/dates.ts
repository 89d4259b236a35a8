import { DAY_MIN } from '../units';

/** `Sat 12 Dec, 14:20` for minutes since midnight before the first day. */
export function momentText(startsOn: string, atMin: number): string {
  return `${dayText(startsOn, atMin)}, ${clock(atMin)}`;
}
/** `Sat 12 Dec`. */
export function dayText(startsOn: string, atMin: number): string {
  const day = moment(startsOn, atMin);
  return `${WEEKDAYS[(day.getUTCDay() + 6) % 7]!.slice(0, 3)} ${day.getUTCDate()} ${MONTHS[day.getUTCMonth()]!}`;
}
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
const moment = (day: string, atMin: number): Date => new Date(Date.parse(`${day}T00:00:00Z`) + Math.round(atMin) * 60_000);

/** The day so many days after another, `2026-12-12`. */
export const dayNamed = (startsOn: string, dayCount: number): string =>
  moment(startsOn, dayCount * DAY_MIN)
    .toISOString()
    .slice(0, 10);
/** Minutes since midnight before the first day, of a day and a time in it. */
export const minutesAt = (startsOn: string, { day, atMin }: { readonly day: string; readonly atMin: number }): number =>
  dayAfter(startsOn, day) * DAY_MIN + atMin;

// A plan names its days by the hundred, and asking the locale for each takes longer than placing a task.
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sept', 'Oct', 'Nov', 'Dec'] as const;

/** Weekdays from 1 Monday to 7 Sunday. */
export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;
/** All seven, beginning with one. @param first 1 Monday … 7 Sunday */
export const weekFrom = (first: number): readonly number[] => WEEKDAYS.map((_, i) => ((first - 1 + i) % 7) + 1);

/** Whole months, as north of the equator. @param day `2026-11-29` */
export function seasonOf(day: string): 'winter' | 'spring' | 'summer' | 'autumn' {
  const month = Number(day.slice(5, 7));
  return month === 12 || month <= 2 ? 'winter' : month <= 5 ? 'spring' : month <= 8 ? 'summer' : 'autumn';
}
