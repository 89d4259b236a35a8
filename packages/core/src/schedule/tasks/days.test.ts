import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { clock, dayText, momentText, weekdayOf } from '../../base/dates';
import { newPerson } from '../../plan';
import { aBench, aCalendar, aWorkStep, inTurn } from '../../testing';
import { agendaOf } from './agenda';
import { sittingsOf } from './hours/bench';
import { planDays } from './days';
import { daysOffFrom, daysOffText, ownHoursFrom, ownHoursText, spanFrom, timeFrom, withHours } from './hours/hours';
import type { Step } from './step';

/** 2026-11-30 is a Monday. */
const CALENDAR = aCalendar([
  { weekday: 2, fromMin: 1140, toMin: 1260 },
  { weekday: 4, fromMin: 1140, toMin: 1260 },
  { weekday: 6, fromMin: 600, toMin: 750 },
]);
const DAY = 1440;
const planned = (steps: readonly Step[], calendar = CALENDAR) => planDays({ ...aBench(calendar), steps, seed: 1 });
const scheduled = (steps: readonly Step[]) => planned(steps).slots;
const YOU = newPerson('you', 'You');

describe('bench hours', () => {
  test('a Monday start with Tuesday, Thursday and Saturday hours: windows on days 1, 3, 5, 8', () => {
    const sittings = sittingsOf(YOU, CALENDAR, 9 * DAY);
    expect(sittings.map(({ fromMin }) => fromMin)).toEqual([DAY + 1140, 3 * DAY + 1140, 5 * DAY + 600, 8 * DAY + 1140]);
  });

  test('hours that overlap count once', () => {
    const hours = [
      { weekday: 1, fromMin: 60, toMin: 120 },
      { weekday: 1, fromMin: 100, toMin: 180 },
    ];
    expect(sittingsOf(YOU, aCalendar(hours), DAY)).toEqual([{ fromMin: 60, toMin: 180 }]);
  });

  test('what takes their time is taken out of it, at the end, in the middle, altogether', () => {
    const busy = [
      { day: '2026-12-01', fromMin: 1_200, toMin: 1_300 },
      { day: '2026-12-03', fromMin: 1_160, toMin: 1_180 },
      { day: '2026-12-05', fromMin: 0, toMin: 1_440 },
    ];
    expect(sittingsOf(YOU, { ...CALENDAR, busy }, 7 * DAY)).toEqual([
      { fromMin: DAY + 1_140, toMin: DAY + 1_200 },
      { fromMin: 3 * DAY + 1_140, toMin: 3 * DAY + 1_160 },
      { fromMin: 3 * DAY + 1_180, toMin: 3 * DAY + 1_260 },
    ]);
  });

  test('moments are told in words', () => {
    expect(weekdayOf('2026-11-30')).toBe(1);
    expect(momentText('2026-11-30', 12 * DAY + 860)).toBe('Sat 12 Dec, 14:20');
    expect(dayText('2026-12-31', DAY)).toBe('Fri 1 Jan');
    expect(clock(59.6)).toBe('01:00');
  });

  test('typed hours: a span, several, none, nonsense', () => {
    const typed = (text: string) => withHours(CALENDAR.hours, 2, text);
    expect(typed('19-21:30')).toMatchObject({
      ok: true,
      value: [{ weekday: 2, fromMin: 1140, toMin: 1290 }, { weekday: 4 }, { weekday: 6 }],
    });
    expect(typed('9:00–10:00, 14-16')).toMatchObject({ ok: true, value: [{ fromMin: 540 }, { fromMin: 840 }, {}, {}] });
    expect(typed('')).toMatchObject({ ok: true, value: [{ weekday: 4 }, { weekday: 6 }] });
    for (const bad of ['abc', '21:00-19:00', '19:00-19:05', '22-25', '-5']) expect(typed(bad)).toMatchObject({ ok: false });
    expect(withHours([{ weekday: 2, fromMin: 0, toMin: 60 }], 2, '')).toMatchObject({ ok: false });
  });
});

describe('hours of one’s own, spans and times of day', () => {
  test('typed with their days in any order, and written out again', () => {
    const read = ownHoursFrom('Sunday 14-17, sat 10:00–12:30');
    expect(read).toEqual({
      ok: true,
      value: [
        { weekday: 6, fromMin: 600, toMin: 750 },
        { weekday: 7, fromMin: 840, toMin: 1_020 },
      ],
    });
    expect(read.ok && ownHoursText(read.value)).toBe('Sat 10:00–12:30, Sun 14:00–17:00');
    expect(ownHoursFrom(' ')).toEqual({ ok: true, value: [] });
  });
  test.each(['someday 10-12', '10-12', 'Sat', 'Sat 12-10'])('own hours “%s” are refused', (typed) =>
    expect(ownHoursFrom(typed).ok).toBe(false),
  );
  test('a span and a time of day, and what is none', () => {
    expect(spanFrom('8–21')).toEqual({ ok: true, value: { fromMin: 480, toMin: 1_260 } });
    expect(timeFrom('7:05')).toEqual({ ok: true, value: 425 });
    expect(['24:00', '12:60', 'noon', ''].filter((typed) => timeFrom(typed).ok)).toEqual([]);
    expect(spanFrom('21–8').ok).toBe(false);
  });
});

describe('evenings', () => {
  test('two tiles share an evening; the second coat waits for the first to dry', () => {
    const steps = [
      aWorkStep('paint', [
        ['A1', 40, 60],
        ['B1', 40, 60],
      ]),
      aWorkStep('wash', [
        ['A1', 20, 60],
        ['B1', 20, 60],
      ]),
    ];
    const slots = scheduled(inTurn(steps));
    expect(slots.map(({ task, startMin }) => [task.id, startMin - DAY])).toEqual([
      ['paint-A1', 1140],
      ['paint-B1', 1180],
      ['wash-A1', 1240], // dry at 1240, the evening ends at 1260
      ['wash-B1', 2 * DAY + 1140], // dry at 1280: Thursday
    ]);
    const { ready, handsOn } = planned(inTurn(steps));
    expect(ready!.text).toBe('Thu 3 Dec, 20:20');
    expect(handsOn.value).toBe(120);
  });

  test('a task longer than any evening goes on the next ones', () => {
    const [slot] = scheduled([aWorkStep('cut', [['A1', 200, 0]])]);
    expect(slot!.stretches).toEqual([
      { fromMin: DAY + 1140, toMin: DAY + 1260 },
      { fromMin: 3 * DAY + 1140, toMin: 3 * DAY + 1220 },
    ]);
  });

  test('the bound leaves set-up to others and breaks off what fits no evening', () => {
    const days = planned([aWorkStep('paint', [['A1', 160, 60]], { setUpMin: 10 })]);
    // 170 minutes in evenings of 120 and 150: Tuesday, and fifty on Thursday.
    expect(days.ready!.text).toBe('Thu 3 Dec, 20:50');
    expect(days.bound!.text).toBe('Thu 3 Dec, 20:40');
  });

  test('hands-on counts the set-up of a step once for every sitting of it', () => {
    const handsOn = (workMin: number): number =>
      planned([
        aWorkStep(
          'paint',
          [
            ['A1', workMin, 0],
            ['B1', workMin, 0],
          ],
          { setUpMin: 10 },
        ),
      ]).handsOn.value;
    // Both in one evening of 120 minutes, or one in each of two.
    expect([handsOn(20), handsOn(100)]).toEqual([20 + 20 + 10, 100 + 100 + 2 * 10]);
  });

  test('the bound tells the slowest chain, not what else there is to do', () => {
    const days = planned(
      inTurn([
        aWorkStep('glue', [
          ['A1', 30, 2_000],
          ['B1', 30, 60],
        ]),
        aWorkStep('paint', [
          ['A1', 40, 60],
          ['B1', 20, 60],
        ]),
      ]),
    );
    expect(days.bound!.chain).toEqual(['glue-A1', 'paint-A1']);
    const labels = JSON.stringify(days.bound!.at);
    expect([labels.includes('glue A1'), labels.includes('B1')]).toEqual([true, false]);
  });

  test('nothing to do is never ready nor late', () => {
    expect(planned([])).toMatchObject({ ready: null, bound: null });
  });

  test('the agenda names each sitting with its tiles', () => {
    const steps = [
      aWorkStep('paint', [
        ['A1', 40, 60],
        ['B1', 40, 60],
      ]),
    ];
    const [day] = agendaOf({ slots: scheduled(inTurn(steps)), steps, startsOn: CALENDAR.startsOn });
    expect(day).toMatchObject({
      text: 'Tue 1 Dec',
      entries: [{ workpieces: ['A1', 'B1'], fromText: '19:00', toText: '20:20', work: { value: 80 } }],
    });
  });
});

test('whichever order is through first is kept: the slow one of two boards is begun before the quick one', () => {
  const anHour = aCalendar([1, 2, 3, 4, 5, 6, 7].map((weekday) => ({ weekday, fromMin: 1_140, toMin: 1_200 })));
  const steps = [
    aWorkStep('glue', [
      ['A1', 60, 0],
      ['B1', 60, 3 * DAY],
    ]),
    aWorkStep('paint', [
      ['A1', 60, 0],
      ['B1', 60, 0],
    ]),
  ];
  const { slots, ready } = planned(inTurn(steps), anHour);
  // Step by step B1 is glued on Tuesday and painted on Saturday; begun on Monday it is painted on Friday.
  expect(slots[0]!.task.id).toBe('glue-B1');
  expect(ready!.text).toBe('Fri 4 Dec, 20:00');
});

test('a start says why it is not sooner: what had to dry, what the hands did, or that the bench was closed', () => {
  const steps = inTurn([
    aWorkStep('glue', [
      ['A1', 30, 20],
      ['B1', 30, 20],
    ]),
    aWorkStep('paint', [
      ['A1', 30, 600],
      ['B1', 20, 0],
    ]),
    aWorkStep('wash', [['A1', 20, 0]]),
  ]);
  const because = new Map(scheduled(steps).map(({ task, because: why }) => [task.id, why]));
  expect(because.get('glue-A1')).toEqual({ kind: 'bench', after: null });
  expect(because.get('glue-B1')).toEqual({ kind: 'hands', taskId: 'glue-A1' });
  expect(because.get('paint-A1')).toMatchObject({ kind: 'hands', taskId: 'glue-B1' });
  expect(because.get('wash-A1')).toMatchObject({ kind: 'bench', after: { taskId: 'paint-A1' } });
});

const anySteps = fc.array(
  fc.array(fc.tuple(fc.constantFrom('A1', 'B1', 'C1'), fc.integer({ min: 1, max: 300 }), fc.integer({ min: 0, max: 4000 })), {
    minLength: 1,
    maxLength: 3,
  }),
  { minLength: 1, maxLength: 7 },
);

test('for any work: one pair of hands, only in bench hours, dry before the next coat, and the chain to ready adds up', () => {
  fc.assert(
    fc.property(anySteps, (drawn) => {
      const steps = drawn.map((tasks, i) => aWorkStep(`s${i}`, [...new Map(tasks.map((task) => [task[0], task])).values()]));
      const days = planned(inTurn(steps));
      const stretches = days.slots.flatMap((slot) => slot.stretches).sort((a, b) => a.fromMin - b.fromMin);
      stretches.forEach((stretch, i) => {
        if (i > 0) expect(stretch.fromMin).toBeGreaterThanOrEqual(stretches[i - 1]!.toMin - 1e-6);
        const inDay = stretch.fromMin % DAY;
        const hours = CALENDAR.hours.find(({ weekday }) => weekday === (Math.floor(stretch.fromMin / DAY) % 7) + 1);
        expect(hours !== undefined && inDay >= hours.fromMin && inDay + (stretch.toMin - stretch.fromMin) <= hours.toMin + 1e-6).toBe(true);
      });
      for (const slot of days.slots) {
        const worked = slot.stretches.reduce((sum, { fromMin, toMin }) => sum + toMin - fromMin, 0);
        expect(worked).toBeCloseTo(slot.task.work.value, 5);
        const earlier = days.slots.slice(0, days.slots.indexOf(slot)).filter(({ task }) => task.workpieceId === slot.task.workpieceId);
        for (const before of earlier) expect(slot.startMin).toBeGreaterThanOrEqual(before.nextMin - 1e-6);
      }
      const last = Math.max(...days.slots.map(({ curedMin }) => curedMin));
      expect(days.ready!.at.value).toBeCloseTo(last, 3);
      expect(days.bound!.at.value).toBeLessThanOrEqual(last + 1e-6);
    }),
    { numRuns: 200 },
  );
});

describe('days off', () => {
  test('typed as days and runs, written short again', () => {
    const read = daysOffFrom('2026-12-26, 2026-12-24 – 2026-12-25, 2027-01-01');
    expect(read.ok && read.value).toEqual(['2026-12-24', '2026-12-25', '2026-12-26', '2027-01-01']);
    expect(read.ok && daysOffText(read.value)).toBe('2026-12-24 – 2026-12-26, 2027-01-01');
    expect(daysOffFrom('')).toMatchObject({ ok: true, value: [] });
  });
  test.each(['tomorrow', '2026-12-31 – 2026-12-01', '2026-01-01 – 2026-12-31', '2026-13-45'])('%s is refused in words', (typed) => {
    const read = daysOffFrom(typed);
    expect(!read.ok && read.problem.message).toContain(typed);
  });
  test('no bench time on them: the first evening is the next one', () => {
    const steps = inTurn([aWorkStep('cut', [['A1', 60, 0]])]);
    const [first] = planned(steps).slots;
    const day = Math.floor(first!.startMin / DAY);
    const off = new Date(Date.parse(`${CALENDAR.startsOn}T00:00:00Z`) + day * DAY * 60_000).toISOString().slice(0, 10);
    const [later] = planned(steps, { ...CALENDAR, daysOff: [off] }).slots;
    expect(later!.startMin).toBeGreaterThan(first!.startMin);
    expect(Math.floor(later!.startMin / DAY)).toBeGreaterThan(day);
  });
});
