import { clock } from '../../../base/dates';
import { DAY_MIN } from '../../../base/units';
import type { Calendar } from '../../../plan';
import { type Result, fail, ok } from '../../../base/result';

/** Why typed hours or days were refused. */
export interface HoursProblem {
  readonly code: 'hours/unreadable';
  readonly message: string;
}

const SPAN = /^(\d{1,2})(?::(\d\d))?\s*[-–]\s*(\d{1,2})(?::(\d\d))?$/;
const MIN_MIN = 15;

/**
 * The week's hours with one day's replaced by what was typed: `19:00–21:00`, `10-12:30, 14-17`, or nothing.
 * @param weekday 1 Monday … 7 Sunday
 */
export function withHours(hours: Calendar['hours'], weekday: number, typed: string): Result<Calendar['hours'], HoursProblem> {
  const others = hours.filter((entry) => entry.weekday !== weekday);
  if (typed.trim() === '') {
    return others.length > 0
      ? ok(others)
      : fail({ code: 'hours/unreadable', message: 'at least one day needs hours, such as 19:00–21:00.' });
  }
  const spans: { weekday: number; fromMin: number; toMin: number }[] = [];
  for (const text of typed.split(',')) {
    const span = spanFrom(text);
    if (!span.ok) return span;
    spans.push({ weekday, ...span.value });
  }
  return ok([...others, ...spans].sort((a, b) => a.weekday - b.weekday || a.fromMin - b.fromMin));
}

/** A run of hours in a day as it is typed: `19:00–21:00`, `10-12:30`. */
export function spanFrom(typed: string): Result<{ readonly fromMin: number; readonly toMin: number }, HoursProblem> {
  const match = SPAN.exec(typed.trim());
  const [fromMin, toMin] = match === null ? [-1, -1] : [minutes(match[1], match[2]), minutes(match[3], match[4])];
  if (fromMin >= 0 && toMin <= DAY_MIN && toMin - fromMin >= MIN_MIN) return ok({ fromMin, toMin });
  return fail({
    code: 'hours/unreadable',
    message: `“${typed.trim().slice(0, 24)}” is not a time span of at least ${MIN_MIN} minutes. Enter 19:00–21:00, for example.`,
  });
}

const DAY_NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
/** Someone's own hours as they are typed: `Sat 10:00–12:00, Sun 14-17`, or nothing for whenever the bench is open. */
export function ownHoursFrom(typed: string): Result<Calendar['hours'], HoursProblem> {
  const hours: { weekday: number; fromMin: number; toMin: number }[] = [];
  for (const part of typed.split(',').map((one) => one.trim())) {
    if (part === '') continue;
    const [, day = '', text = ''] = /^([A-Za-z]{3,9})\s+(.+)$/.exec(part) ?? [];
    const weekday = day === '' ? 0 : DAY_NAMES.findIndex((name) => day.toLowerCase().startsWith(name.toLowerCase())) + 1;
    if (weekday === 0)
      return fail({
        code: 'hours/unreadable',
        message: `“${part.slice(0, 24)}” does not name a day. Enter, for example, Sat 10:00–12:00.`,
      });
    const span = spanFrom(text);
    if (!span.ok) return span;
    hours.push({ weekday, ...span.value });
  }
  return ok(hours.sort((a, b) => a.weekday - b.weekday || a.fromMin - b.fromMin));
}
/** The same written out. */
export const ownHoursText = (hours: Calendar['hours']): string =>
  hours.map(({ weekday, fromMin, toMin }) => `${DAY_NAMES[weekday - 1]!} ${clock(fromMin)}–${clock(toMin)}`).join(', ');

/** A time of day as it is typed, minutes since midnight. */
export function timeFrom(typed: string): Result<number, HoursProblem> {
  const match = /^(\d{1,2}):(\d\d)$/.exec(typed.trim());
  const atMin = match === null || Number(match[2]) > 59 ? NaN : minutes(match[1], match[2]);
  return atMin < DAY_MIN
    ? ok(atMin)
    : fail({ code: 'hours/unreadable', message: `“${typed.trim().slice(0, 12)}” is not a time of day. Enter 19:30, for example.` });
}

const minutes = (hour: string | undefined, minute: string | undefined): number => Number(hour) * 60 + Number(minute ?? 0);

const DAYS = /^(20\d\d-\d\d-\d\d)(?:\s*(?:–|to)\s*(20\d\d-\d\d-\d\d))?$/;
/** More than this in one run is a year's mistake. */
const MAX_DAYS_OFF = 60;

/** Days off as they are typed: `2026-12-24, 2026-12-25 – 2026-12-27`, or nothing. @returns every day of them */
export function daysOffFrom(typed: string): Result<readonly string[], HoursProblem> {
  const days: string[] = [];
  const parts = typed
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '');
  for (const part of parts) {
    const match = DAYS.exec(part);
    const [first, last] = match === null ? [NaN, NaN] : [dayNumber(match[1]!), dayNumber(match[2] ?? match[1]!)];
    if (!(last >= first) || last - first > MAX_DAYS_OFF) {
      const message = `“${part.slice(0, 30)}” is not a date or a range of up to ${MAX_DAYS_OFF} days. Enter 2026-12-24 or 2026-12-24 – 2026-12-26.`;
      return fail({ code: 'hours/unreadable', message });
    }
    for (let day = first; day <= last; day++) days.push(new Date(day * DAY_MS).toISOString().slice(0, 10));
  }
  return ok([...new Set(days)].sort());
}
/** The same written short: days that follow on one another as a run. */
export function daysOffText(daysOff: readonly string[]): string {
  const runs: { first: string; last: string }[] = [];
  for (const day of daysOff) {
    const run = runs.at(-1);
    if (run !== undefined && dayNumber(day) === dayNumber(run.last) + 1) run.last = day;
    else runs.push({ first: day, last: day });
  }
  return runs.map(({ first, last }) => (first === last ? first : `${first} – ${last}`)).join(', ');
}
const DAY_MS = DAY_MIN * 60_000;
const dayNumber = (day: string): number => Math.round(Date.parse(`${day}T00:00:00Z`) / DAY_MS);
