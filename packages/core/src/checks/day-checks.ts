import { type Days, dayAfter, dayText } from '../days';
import type { Calendar } from '../plan';
import { DAY_MIN } from '../base/units';
import type { Warning } from './warning';

/** A board that is wanted for a day is wanted by then, in the evening. */
const WANTED_BY_MIN = 18 * 60;

/** A board that is ready too late for what it is wanted for, and by how much. */
export function* dayWarnings({ days, calendar }: { readonly days: Days; readonly calendar: Calendar }): Generator<Warning> {
  const { ready, bound } = days;
  const { deadline, startsOn } = calendar;
  if (deadline === null || ready === null) return;
  const day = dayAfter(startsOn, deadline);
  const byMin = day * DAY_MIN + WANTED_BY_MIN;
  const lateMin = ready.at.value - byMin;
  if (lateMin <= 0) return;
  const never = bound !== null && bound.at.value > byMin;
  yield {
    id: 'days/late',
    code: 'days/late',
    severity: 'care',
    featureId: null,
    title: `Wanted for ${dayText(startsOn, day * DAY_MIN)}`,
    text: [
      `it is ready ${ready.text}, ${spanText(lateMin)} too late. `,
      never
        ? `No order of work makes it: the slowest workpiece alone is through ${bound.text}. What would bring it forward is told under Days.`
        : 'Better evenings or what would bring it forward may: both are looked for under Days.',
    ],
    mends: [],
  };
}

/** `3 d 4 h`, an hour at least. */
function spanText(min: number): string {
  const hours = Math.max(1, Math.ceil(min / 60));
  const [days, rest] = [Math.floor(hours / 24), hours % 24];
  return [...(days > 0 ? [`${days}\u00a0d`] : []), ...(rest > 0 ? [`${rest}\u00a0h`] : [])].join('\u00a0');
}
