import ICAL from 'ical.js';
import { describe, expect, test } from 'vitest';
import { brinefold } from '../../demo';
import { dayNamed } from '../../base/dates';
import { CATALOGUE, derived } from '../../testing';
import { busyFrom, calendarFileOf } from './calendar-file';

const plan = brinefold(CATALOGUE);
const all = derived(plan);
const file = (agenda = all.agenda, stamp = '20261129T063000Z') =>
  calendarFileOf({
    boardId: 'b1',
    boardName: plan.name,
    startsOn: plan.calendar.startsOn,
    agenda,
    stepName: (id) => all.steps.find((step) => step.id === id)!.name,
    stamp,
    readyMin: all.days.ready!.at.value,
  });
const eventsIn = (text: string) =>
  new ICAL.Component(ICAL.parse(text) as never).getAllSubcomponents('vevent').map((own) => new ICAL.Event(own));

describe('evenings as a calendar file', () => {
  const events = eventsIn(file());
  const sittings = events.filter(({ uid }) => !uid.startsWith('ready'));
  test('a parser reads back an event for every sitting, at its time', () => {
    const [first] = all.agenda;
    expect(sittings.length).toBeGreaterThanOrEqual(all.agenda.length);
    const { year, month, day, hour, minute } = sittings[0]!.startDate;
    expect([hour, minute].map((part) => String(part).padStart(2, '0')).join(':')).toBe(first!.entries[0]!.fromText);
    expect(`${year}-${month}-${String(day).padStart(2, '0')}`).toBe(dayNamed(plan.calendar.startsOn, first!.day));
    expect(sittings[0]!.description).toContain(`${first!.entries[0]!.fromText}–${first!.entries[0]!.toText}`);
    expect(sittings[0]!.startDate.zone).toBe(ICAL.Timezone.localTimezone);
  });
  test('one alarm a sitting, and none for being ready', () =>
    expect(
      events.map(({ component, uid }) => component.getAllSubcomponents('valarm').length === (uid.startsWith('ready') ? 0 : 1)),
    ).not.toContain(false));
  test('ids are all different, and stay when the work of an evening is another', () => {
    const ids = events.map(({ uid }) => uid);
    expect(new Set(ids).size).toBe(ids.length);
    const changed = all.agenda.map((day, i) => (i === 0 ? { ...day, entries: day.entries.slice(0, 1) } : day));
    expect(eventsIn(file(changed, '20261201T000000Z')).map(({ uid }) => uid)).toEqual(ids);
  });
});

describe('busy times from a calendar file', () => {
  const wrapped = (...lines: readonly string[]): string => ['BEGIN:VCALENDAR', 'VERSION:2.0', ...lines, 'END:VCALENDAR'].join('\r\n');
  const event = (...lines: readonly string[]): string[] => ['BEGIN:VEVENT', 'UID:x', 'DTSTAMP:20261101T000000Z', ...lines, 'END:VEVENT'];
  const busy = (...lines: readonly string[]) => {
    const read = busyFrom(wrapped(...lines), '2026-11-30', 60);
    return read.ok ? read.value : read.problem.message;
  };
  test('an evening by the clock on the wall, and one told in universal time', () => {
    expect(busy(...event('DTSTART:20261201T190000', 'DTEND:20261201T203000'))).toEqual([
      { day: '2026-12-01', fromMin: 1_140, toMin: 1_230 },
    ]);
    expect(busy(...event('DTSTART:20261201T190000Z', 'DTEND:20261201T203000Z'))).toEqual([
      { day: '2026-12-01', fromMin: 1_200, toMin: 1_290 },
    ]);
  });
  test('whole days, over midnight, every week', () => {
    expect(busy(...event('DTSTART;VALUE=DATE:20261224', 'DTEND;VALUE=DATE:20261226')).length).toBe(2);
    expect(busy(...event('DTSTART:20261201T220000', 'DTEND:20261202T010000'))).toEqual([
      { day: '2026-12-01', fromMin: 1_320, toMin: 1_440 },
      { day: '2026-12-02', fromMin: 0, toMin: 60 },
    ]);
    const weekly = busy(...event('DTSTART:20261201T190000', 'DTEND:20261201T200000', 'RRULE:FREQ=WEEKLY;COUNT=4'));
    expect((weekly as readonly { day: string }[]).map(({ day }) => day)).toEqual(['2026-12-01', '2026-12-08', '2026-12-15', '2026-12-22']);
  });
  test('what is marked free, cancelled, long past, or our own is none; free/busy is read as well', () => {
    expect(busy(...event('DTSTART:20261201T190000', 'DTEND:20261201T200000', 'TRANSP:TRANSPARENT'))).toEqual([]);
    expect(busy(...event('DTSTART:20261201T190000', 'DTEND:20261201T200000', 'STATUS:CANCELLED'))).toEqual([]);
    expect(busy(...event('DTSTART:20251201T190000', 'DTEND:20251201T200000'))).toEqual([]);
    expect(busyFrom(file(), '2026-11-30', 0)).toMatchObject({ ok: true, value: [] });
    const free = [
      'BEGIN:VFREEBUSY',
      'FREEBUSY:20261203T180000Z/20261203T190000Z',
      'FREEBUSY;FBTYPE=FREE:20261204T180000Z/PT1H',
      'END:VFREEBUSY',
    ];
    expect(busy(...free)).toEqual([{ day: '2026-12-03', fromMin: 1_140, toMin: 1_200 }]);
  });
  test.each(['', 'hello', 'BEGIN:VCARD\r\nEND:VCARD'])('%j is refused in words', (text) => {
    const read = busyFrom(text, '2026-11-30', 0);
    expect(!read.ok && read.problem.message).toMatch(/calendar|VCALENDAR/);
  });
});

test('forty thousand events are read once each, not once for each other', () => {
  const events = Array.from(
    { length: 40_000 },
    (_, i) => `BEGIN:VEVENT\r\nUID:e${i}\r\nDTSTART:2020${String(1 + (i % 12)).padStart(2, '0')}05T100000\r\nDURATION:PT1H\r\nEND:VEVENT`,
  );
  const file = `BEGIN:VCALENDAR\r\nVERSION:2.0\r\n${events.join('\r\n')}\r\nEND:VCALENDAR\r\n`;
  expect(busyFrom(file, '2026-11-30', 0)).toEqual({ ok: true, value: [] });
});
