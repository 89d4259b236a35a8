import ICAL from 'ical.js';
import { dayAfter, dayNamed } from '../../base/dates';
import { listedBy } from '../../base/grouping';
import { DAY_MIN } from '../../base/units';
import { type Result, fail, ok } from '../../base/result';
import type { Calendar } from '../../plan';
import type { AgendaDay } from '../../schedule/tasks';

/** What of an agenda a calendar file tells. */
type SittingsOf = Pick<AgendaDay, 'day'> & {
  readonly entries: readonly Pick<AgendaDay['entries'][number], 'fromText' | 'toText' | 'stepId' | 'workpieces'>[];
};
/** What an agenda file is made of. */
export interface CalendarFile {
  readonly boardId: string;
  readonly boardName: string;
  readonly startsOn: string;
  readonly agenda: readonly SittingsOf[];
  readonly stepName: (stepId: string) => string;
  /** When it is written, `20261129T063000Z`. */
  readonly stamp: string;
  readonly readyMin: number | null;
}
/** One alarm a sitting, so long before it. */
const ALARM = '-PT30M';

/**
 * The evenings as a calendar file: an event for every sitting, its work in the description. A sitting keeps its id for as long as there is one on that day, so that a calendar that reads the file again changes its entries
 * instead of doubling them.
 */
export function calendarFileOf({ boardId, boardName, startsOn, agenda, stepName, stamp, readyMin }: CalendarFile): string {
  const calendar = new ICAL.Component(['vcalendar', [], []]);
  calendar.updatePropertyWithValue('prodid', '-//Spare Acre//Schedule//EN');
  calendar.updatePropertyWithValue('version', '2.0');
  const event = (uid: string, fromMin: number, toMin: number, summary: string, description: string): ICAL.Component => {
    const own = new ICAL.Component('vevent');
    own.updatePropertyWithValue('uid', uid);
    own.updatePropertyWithValue('dtstamp', ICAL.Time.fromString(isoStamp(stamp), undefined as never));
    own.updatePropertyWithValue('dtstart', at(startsOn, fromMin));
    own.updatePropertyWithValue('dtend', at(startsOn, toMin));
    own.updatePropertyWithValue('summary', summary);
    own.updatePropertyWithValue('description', description);
    calendar.addSubcomponent(own);
    return own;
  };
  for (const { day, sittings } of agenda.map((own) => ({ day: own.day, sittings: sittingsOf(own) }))) {
    sittings.forEach(({ fromMin, toMin, lines }, i) => {
      const lined = lines.map(
        ({ fromText, toText, stepId, workpieces }) => `${fromText}–${toText} ${stepName(stepId)}: ${workpieces.join(', ')}`,
      );
      const own = event(`${dayNamed(startsOn, day)}-${i + 1}@${boardId}.spare-acre`, fromMin, toMin, boardName, lined.join('\n'));
      const alarm = new ICAL.Component('valarm');
      alarm.updatePropertyWithValue('action', 'DISPLAY');
      alarm.updatePropertyWithValue('description', boardName);
      alarm.updatePropertyWithValue('trigger', ICAL.Duration.fromString(ALARM));
      own.addSubcomponent(alarm);
    });
  }
  if (readyMin !== null) event(`ready@${boardId}.spare-acre`, readyMin, readyMin, `${boardName} is ready`, '');
  return calendar.toString();
}

interface Sitting {
  readonly fromMin: number;
  readonly toMin: number;
  readonly lines: SittingsOf['entries'];
}
/** Entries of a day with less than this between them are one sitting. */
const BREAK_MIN = 90;
function sittingsOf({ day, entries }: SittingsOf): readonly Sitting[] {
  const sittings: { fromMin: number; toMin: number; lines: SittingsOf['entries'][number][] }[] = [];
  for (const entry of entries) {
    const [fromMin, toMin] = [minutes(entry.fromText) + day * DAY_MIN, minutes(entry.toText) + day * DAY_MIN];
    const last = sittings.at(-1);
    if (last !== undefined && fromMin - last.toMin < BREAK_MIN) {
      last.toMin = Math.max(last.toMin, toMin);
      last.lines.push(entry);
    } else sittings.push({ fromMin, toMin, lines: [entry] });
  }
  return sittings;
}
const minutes = (clock: string): number => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3));
const isoStamp = (stamp: string): string => stamp.replace(/^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z$/, '$1-$2-$3T$4:$5:$6Z');
/** The builder's own clock, whatever zone that is in. */
const at = (startsOn: string, atMin: number): ICAL.Time => {
  const whole = Math.round(atMin);
  const inDay = ((whole % DAY_MIN) + DAY_MIN) % DAY_MIN;
  const clock = [Math.floor(inDay / 60), inDay % 60, 0].map((part) => String(part).padStart(2, '0')).join(':');
  return ICAL.Time.fromDateTimeString(`${dayNamed(startsOn, Math.floor(whole / DAY_MIN))}T${clock}`);
};

/** Why a calendar file was not taken. */
export interface CalendarProblem {
  readonly code: 'calendar/unreadable';
  readonly message: string;
}
/** More than this of repeated events is not asked of one. */
const MAX_REPEATS = 400;
const MAX_BUSY = 1_000;

/**
 * Busy times from a calendar file: events and free/busy entries that are not marked free, of the coming year. Whole days count as such, what repeats is repeated; an event that this program wrote itself is none.
 * @param offsetMin of the builder's clock from universal time
 */
export function busyFrom(file: string, startsOn: string, offsetMin: number): Result<Calendar['busy'], CalendarProblem> {
  const unreadable = (message: string): Result<never, CalendarProblem> => fail({ code: 'calendar/unreadable', message });
  let root: ICAL.Component;
  try {
    root = new ICAL.Component(ICAL.parse(file) as never);
  } catch {
    return unreadable('this is not a calendar file: a calendar file begins with BEGIN:VCALENDAR.');
  }
  if (root.name !== 'vcalendar') return unreadable(`this file holds a ${root.name}. Choose a file with a VCALENDAR.`);
  const busy = new BusyTimes(startsOn, offsetMin);
  try {
    for (const own of root.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(own);
    busy.addEvents(root.getAllSubcomponents('vevent'));
    for (const component of root.getAllSubcomponents('vfreebusy'))
      for (const property of component.getAllProperties('freebusy'))
        if (property.getParameter('fbtype') !== 'FREE') busy.addPeriods(property.getValues() as readonly ICAL.Period[]);
  } catch (error) {
    return unreadable(`an entry of this calendar cannot be read: ${error instanceof Error ? error.message : String(error)}`);
  }
  return ok(busy.sorted());
}

/** Busy times as they are found, cut into days: each session has its own. */
class BusyTimes {
  private readonly times: { day: string; fromMin: number; toMin: number }[] = [];

  constructor(
    private readonly startsOn: string,
    private readonly offsetMin: number,
  ) {}

  sorted(): Calendar['busy'] {
    return this.times.sort((a, b) => (a.day === b.day ? a.fromMin - b.fromMin : a.day < b.day ? -1 : 1));
  }
  addPeriods(periods: readonly ICAL.Period[]): void {
    for (const period of periods) this.add(this.minOf(period.start), this.minOf(period.getEnd()));
  }
  addEvents(components: readonly ICAL.Component[]): void {
    const moved = listedBy(
      components.filter((own) => own.hasProperty('recurrence-id')),
      (own) => String(own.getFirstPropertyValue('uid')),
    );
    for (const component of components) {
      // Told which exceptions belong to it, an event does not look through all others for them.
      const uid = String(component.getFirstPropertyValue('uid'));
      const exceptions = component.hasProperty('recurrence-id') ? [] : (moved.get(uid) ?? []);
      const event = new ICAL.Event(component, { strictExceptions: true, exceptions: [...exceptions] });
      if (!isFree(component) && !event.uid?.endsWith('.spare-acre') && event.startDate !== null) this.addEvent(event);
    }
  }

  private addEvent(event: ICAL.Event): void {
    const longMin = event.duration.toSeconds() / 60;
    if (!event.isRecurring()) return this.add(this.minOf(event.startDate), this.minOf(event.startDate) + longMin);
    const repeats = event.iterator();
    for (let k = 0; k < MAX_REPEATS * 10; k++) {
      const next = repeats.next();
      if (next === null || next === undefined) return;
      const fromMin = this.minOf(next);
      if (fromMin > LAST_DAY * DAY_MIN) return;
      this.add(fromMin, fromMin + longMin);
    }
  }
  private add(fromMin: number, toMin: number): void {
    for (let day = Math.floor(fromMin / DAY_MIN); day * DAY_MIN < toMin; day++) {
      if (day < 0 || day > LAST_DAY || this.times.length >= MAX_BUSY) continue;
      const [from, to] = [Math.max(0, fromMin - day * DAY_MIN), Math.min(DAY_MIN, toMin - day * DAY_MIN)];
      if (to - from >= 1)
        this.times.push({ day: dayNamed(this.startsOn, day), fromMin: Math.min(1_439, Math.floor(from)), toMin: Math.ceil(to) });
    }
  }
  /** Minutes from the first day. Times in universal time or a zone of their own are told in the builder's; what has none is told as it stands. */
  private minOf(time: ICAL.Time): number {
    const isFloating = time.zone === ICAL.Timezone.localTimezone || time.isDate;
    if (!isFloating) return time.toUnixTime() / 60 + this.offsetMin - Date.parse(`${this.startsOn}T00:00:00Z`) / 60_000;
    const day = dayAfter(this.startsOn, `${String(time.year).padStart(4, '0')}-${two(time.month)}-${two(time.day)}`);
    return day * DAY_MIN + (time.isDate ? 0 : time.hour * 60 + time.minute);
  }
}
const LAST_DAY = 366;
const isFree = (component: ICAL.Component): boolean =>
  component.getFirstPropertyValue('transp') === 'TRANSPARENT' || component.getFirstPropertyValue('status') === 'CANCELLED';
const two = (value: number): string => String(value).padStart(2, '0');
