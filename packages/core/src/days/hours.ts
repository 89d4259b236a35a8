import { DAY_MIN } from '../base/units';
import type { Calendar } from '../plan';
import { type Result, fail, ok } from '../base/result';

/** Why typed hours were refused. */
export interface HoursProblem {
  readonly code: 'hours/unreadable';
  readonly message: string;
}

const SPAN = /^(\d{1,2})(?::(\d\d))?\s*[-–]\s*(\d{1,2})(?::(\d\d))?$/;
const LEAST_MIN = 15;

/**
 * The week's hours with one day's replaced by what was typed: `19:00–21:00`, `10-12:30, 14-17`, or nothing.
 * @param weekday 1 Monday … 7 Sunday
 */
export function withHours(hours: Calendar['hours'], weekday: number, typed: string): Result<Calendar['hours'], HoursProblem> {
  const others = hours.filter((entry) => entry.weekday !== weekday);
  if (typed.trim() === '') {
    return others.length > 0
      ? ok(others)
      : fail({ code: 'hours/unreadable', message: 'one day at least needs hours, such as 19:00–21:00.' });
  }
  const spans: { weekday: number; fromMin: number; toMin: number }[] = [];
  for (const text of typed.split(',')) {
    const match = SPAN.exec(text.trim());
    const [fromMin, toMin] = match === null ? [-1, -1] : [minutes(match[1], match[2]), minutes(match[3], match[4])];
    if (fromMin < 0 || toMin > DAY_MIN || toMin - fromMin < LEAST_MIN) {
      return fail({
        code: 'hours/unreadable',
        message: `“${text.trim().slice(0, 24)}” is not a span of at least ${LEAST_MIN} minutes; 19:00–21:00 would do.`,
      });
    }
    spans.push({ weekday, fromMin, toMin });
  }
  return ok([...others, ...spans].sort((a, b) => a.weekday - b.weekday || a.fromMin - b.fromMin));
}

const minutes = (hour: string | undefined, minute: string | undefined): number => Number(hour) * 60 + Number(minute ?? 0);
