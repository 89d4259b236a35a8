import { describe, expect, test } from 'vitest';
import { type Plan, newPerson, newPlace } from '../../plan';
import { CATALOGUE, aBench, aCalendar, aSpot, aWorkStep, inTurn } from '../../testing';
import type { Bench } from './hours/bench';
import { planDays } from './days';
import type { Step } from './step';
import { scheduleIssuesOf } from './schedule-issues';

const EVENINGS = aCalendar([1, 2, 3, 4, 5, 6, 7].map((weekday) => ({ weekday, fromMin: 1_140, toMin: 1_260 })));
const [ROOM] = CATALOGUE.starter.places;
const garage = (change: Partial<Plan['places'][number]> = {}) => ({
  ...newPlace({ ...ROOM!, id: 'garage', name: 'Garage', kindId: 'garage', by: 'typed', airC: 12, humidityPct: 60 }),
  ...change,
});
const found = (steps: readonly Step[], change: Partial<Bench> = {}, drinks = false) => {
  const bench = aBench(change.calendar ?? EVENINGS, change);
  const days = planDays({ ...bench, steps, seed: 1 });
  return { days, troubles: scheduleIssuesOf({ ...bench, steps, slots: days.slots, blocked: days.blocked, relaxed: days.relaxed, drinks }) };
};

describe('cold', () => {
  const spells = [{ id: 'a', from: '2026-11-30', to: '2026-12-06', airC: 6, humidityPct: 80 }];
  const glue = (place: Plan['places'][number]) => [
    aWorkStep('glue', [['A1', 30, 60]], { asks: { leastC: 8 }, spot: aSpot({ airC: 12, humidityPct: 60 }, place) }),
  ];
  test('a spell holds the glue back until the evening after it, and is told with its end', () => {
    const { days, troubles } = found(glue(garage({ spells })));
    expect(days.slots[0]!.startMin).toBe(7 * 1_440 + 1_140);
    expect(troubles).toMatchObject([{ kind: 'cold', placeName: 'Garage', leastC: 8, airC: 6, untilText: 'Mon 7 Dec, 00:00', others: 0 }]);
  });
  test('for good it is never, and nothing after it is planned', () => {
    const steps = inTurn([...glue(garage({ air: { ...garage().air, airC: 5 } })), aWorkStep('paint', [['A1', 30, 60]])]);
    const { days, troubles } = found(steps);
    expect(days.ready).toBeNull();
    expect(days.blocked.map(({ go, why }) => [go.stepId, why])).toEqual([
      ['glue', 'air'],
      ['paint', 'after'],
    ]);
    expect(troubles).toMatchObject([{ kind: 'cold', untilText: null }]);
  });
  test('warm enough: nothing to say', () => expect(found(glue(garage())).troubles).toEqual([]));
});

describe('who may', () => {
  const knife = [aWorkStep('cut', [['A1', 30, 0]], { asks: { cautionIds: ['blade'] } })];
  const child = { ...newPerson('kid', 'Kit'), isChild: true };
  test('a child alone cuts nothing; with someone else at the bench that one does', () => {
    expect(found(knife, { people: [child] }).troubles).toMatchObject([{ kind: 'nobody', what: 'cut', names: ['Kit'] }]);
    const { days, troubles } = found(knife, { people: [child, newPerson('you', 'You')] });
    expect(troubles).toEqual([]);
    expect(days.slots[0]!.people).toEqual(['you']);
  });
  test('an allergy keeps one off what has that caution, and off nothing else', () => {
    const allergic = { ...newPerson('a', 'Ada'), avoids: ['sensitiser'] };
    const steps = [aWorkStep('foam', [['A1', 30, 0]], { asks: { cautionIds: ['sensitiser'] } }), aWorkStep('paint', [['B1', 30, 0]])];
    const { days } = found(steps, { people: [allergic, newPerson('b', 'Ben')] });
    expect(days.slots.find(({ task }) => task.stepId === 'foam')!.people).toEqual(['b']);
    expect(found(steps, { people: [allergic] }).days.blocked.map(({ go }) => go.stepId)).toEqual(['foam']);
  });
  test('someone with hours of their own is there in those', () => {
    const saturdays = { ...newPerson('s', 'Sam'), hours: [{ weekday: 6, fromMin: 600, toMin: 720 }] };
    expect(found(knife, { people: [saturdays] }).days.slots[0]!.startMin).toBe(5 * 1_440 + 600);
  });
});

describe('hours and places', () => {
  test('noise keeps to its hours; where the bench is only open outside them it finds no time, and that is told', () => {
    const saw = [aWorkStep('saw', [['A1', 30, 0]], { asks: { isNoisy: true } })];
    expect(found(saw, { calendar: { ...EVENINGS, noise: { fromMin: 600, toMin: 1_200 } } }).days.slots[0]).toMatchObject({
      startMin: 1_140,
      endMin: 1_170,
    });
    expect(found(saw, { calendar: { ...EVENINGS, noise: { fromMin: 600, toMin: 1_080 } } }).troubles).toMatchObject([
      { kind: 'no-time', why: 'none-free' },
    ]);
  });
  test('spraying wants extraction, or a dry day outside', () => {
    const spray = [aWorkStep('spray', [['A1', 30, 0]], { asks: { isSprayed: true } })];
    const indoors = { ...newPlace(ROOM!), hasExtraction: false };
    expect(found(spray, { places: [indoors] }).troubles).toMatchObject([{ kind: 'no-spray' }]);
    expect(found(spray, { places: [{ ...indoors, hasExtraction: true }] }).troubles).toEqual([]);
    const outside = (humidityPct: number) =>
      newPlace({ ...ROOM!, id: 'out', name: 'Outside', kindId: 'outside', humidityPct, hasExtraction: false });
    const saturdays = aCalendar([{ weekday: 6, fromMin: 600, toMin: 720 }]);
    expect(found(spray, { places: [indoors, outside(60)], calendar: saturdays }).days.slots[0]!.startMin).toBe(5 * 1_440 + 600);
    expect(found(spray, { places: [indoors, outside(95)], calendar: saturdays }).troubles).toMatchObject([{ kind: 'no-spray' }]);
  });
  test('what is ordered comes first; planned anew nothing begins before', () => {
    const paint = [aWorkStep('paint', [['A1', 30, 0]], { asks: { stockIds: ['craft-acrylic'] } })];
    const arrivals = [{ stockId: 'craft-acrylic', day: '2026-12-03' }];
    expect(found(paint, { calendar: { ...EVENINGS, arrivals } }).days.slots[0]!.startMin).toBe(3 * 1_440 + 1_140);
    const notBefore = { day: '2026-12-05', atMin: 1_200 };
    expect(found(paint, { calendar: { ...EVENINGS, notBefore } }).days.slots[0]!.startMin).toBe(5 * 1_440 + 1_200);
  });
});

describe('room, weights and hands', () => {
  const two = (change: (task: Step['tasks'][number]) => Partial<Step['tasks'][number]>) => {
    const step = aWorkStep('glue', [
      ['A1', 20, 600],
      ['B1', 20, 600],
    ]);
    return [{ ...step, tasks: step.tasks.map((task) => ({ ...task, touch: task.wait, ...change(task) })) }];
  };
  const starts = (steps: readonly Step[], change: Partial<Bench> = {}): readonly number[] =>
    found(steps, change)
      .days.slots.map(({ startMin }) => startMin)
      .sort((a, b) => a - b);
  const oneFlat = [{ ...newPlace(ROOM!), flatPlaces: 1 }];
  test('one flat place: the second lies down the next evening, and that is told', () => {
    const steps = two(() => ({ isFlat: true }));
    expect(starts(steps, { places: oneFlat })).toEqual([1_140, 1_440 + 1_140]);
    expect(found(steps, { places: oneFlat }).troubles).toMatchObject([{ kind: 'full', what: 'a flat place in Room', count: 1 }]);
    expect(starts(steps)).toEqual([1_140, 1_160]);
  });
  test('on edge once it can be touched it takes no flat place', () => {
    const onEdge = { ...aSpot({ airC: 20, humidityPct: 50 }, { flatPlaces: 1 }), lies: 'edge' as const };
    expect(
      starts(
        two(() => ({ isFlat: true, spot: onEdge })),
        { places: oneFlat },
      ),
    ).toEqual([1_140, 1_160]);
  });
  test('weights for one at a time: the second waits for them', () => {
    const weighed = two(({ work }) => ({ weights: { ...work, label: 'Weights', value: 40, unit: 'kg' } as never }));
    expect(starts(weighed, { kit: { weightsKg: 60, fans: 1 } })).toEqual([1_140, 1_440 + 1_140]);
    expect(starts(weighed, { kit: { weightsKg: 90, fans: 1 } })).toEqual([1_140, 1_160]);
    // Where there is less than one wants it gets all there is.
    expect(starts(weighed, { kit: { weightsKg: 10, fans: 1 } })).toEqual([1_140, 1_440 + 1_140]);
  });
  test('two hands: only when both are there', () => {
    const late = { ...newPerson('b', 'Ben'), hours: [{ weekday: 3, fromMin: 1_200, toMin: 1_260 }] };
    expect(
      starts(
        two(() => ({ hands: 2 })),
        { people: [newPerson('a', 'Ada'), late] },
      ),
    ).toEqual([2 * 1_440 + 1_200, 2 * 1_440 + 1_220]);
  });
  test('air moved in more places than there are fans is told', () => {
    const blown = two(() => ({ spot: aSpot({ airC: 20, humidityPct: 50, airId: 'fan' }) }));
    expect(found(blown, { kit: { weightsKg: 60, fans: 0 } }).troubles).toMatchObject([{ kind: 'fans', wanted: 1, there: 0 }]);
    expect(found(blown).troubles).toEqual([]);
  });
});

describe('tasks that are arranged', () => {
  const steps = inTurn([aWorkStep('glue', [['A1', 40, 600]]), aWorkStep('paint', [['A1', 30, 60]]), aWorkStep('wash', [['A1', 20, 0]])]);
  const arranged = (taskId: string, change: object) => [{ taskId, pin: null, notBefore: null, isSkipped: false, goes: 1, ...change }];
  const days = (tasks: Bench['calendar']['tasks'], doneTasks: Bench['doneTasks'] = {}) =>
    found(steps, { calendar: { ...EVENINGS, tasks }, doneTasks });
  const done = (taskId: string, day: string, atMin: number, change: Partial<Bench['doneTasks'][string]> = {}): Bench['doneTasks'] => ({
    [taskId]: { at: { day, atMin }, part: null, by: '', workedMin: null, uses: [], ...change },
  });
  test('a pin is kept, and what comes after it waits for it', () => {
    const { slots } = days(arranged('paint-A1', { pin: { day: '2026-12-05', atMin: 1_150 } })).days;
    expect(slots.find(({ task }) => task.id === 'paint-A1')).toMatchObject({ startMin: 5 * 1_440 + 1_150, because: { kind: 'pin' } });
    expect(slots.find(({ task }) => task.id === 'wash-A1')!.startMin).toBe(5 * 1_440 + 1_240);
  });
  test('a pin before what it comes after is dry is let go of and told', () => {
    const { days: own, troubles } = days(arranged('paint-A1', { pin: { day: '2026-11-30', atMin: 1_200 } }));
    expect(troubles).toMatchObject([{ kind: 'pins', taskIds: ['paint-A1'] }]);
    expect(own.ready).not.toBeNull();
  });
  test('what is left out leaves what comes after it to what was before', () => {
    const { slots } = days(arranged('paint-A1', { isSkipped: true })).days;
    expect(slots.map(({ task }) => task.id)).toEqual(['glue-A1', 'wash-A1']);
    expect(slots[1]!.startMin).toBe(1_440 + 1_140);
  });
  test('what is left out is told by its name and is no work for the hands; done all the same it is neither', () => {
    const handsOn = (tasks: Bench['calendar']['tasks'] = [], doneTasks: Bench['doneTasks'] = {}) => {
      const own = days(tasks, doneTasks).days;
      return [own.handsOn.value, own.leftOut.map(({ id }) => id)];
    };
    const setUps = days([]).days.handsOn.value - (40 + 30 + 20);
    expect(handsOn()).toEqual([90 + setUps, []]);
    const [min, left] = handsOn(arranged('paint-A1', { isSkipped: true }));
    expect(left).toEqual(['paint-A1']);
    expect(min).toBeLessThanOrEqual(60 + setUps);
    expect(handsOn(arranged('glue-A1', { isSkipped: true }), done('glue-A1', '2026-12-02', 1_100))[1]).toEqual([]);
    const all = ['glue-A1', 'paint-A1', 'wash-A1'].flatMap((id) => arranged(id, { isSkipped: true }));
    expect(handsOn(all)).toEqual([0, ['glue-A1', 'paint-A1', 'wash-A1']]);
  });
  test('split in two it is two tasks of half the work, one after the other', () => {
    const { slots } = days(arranged('glue-A1', { goes: 2 })).days;
    const [first, second] = slots.filter(({ task }) => task.ofTask === 'glue-A1');
    expect([first!.task.work.value, second!.task.work.value]).toEqual([20, 20]);
    expect(second!.startMin).toBeGreaterThanOrEqual(first!.endMin);
    expect(slots.find(({ task }) => task.id === 'paint-A1')!.startMin).toBeGreaterThanOrEqual(second!.endMin + 600);
  });
  test('what was done is done, and the rest goes on from when it was', () => {
    const { slots } = days([], done('glue-A1', '2026-12-02', 1_100)).days;
    expect(slots[0]).toMatchObject({ startMin: 2 * 1_440 + 1_060, endMin: 2 * 1_440 + 1_100, because: { kind: 'done' } });
    expect(slots[1]!.startMin).toBe(3 * 1_440 + 1_140);
    // Nothing else begins before it either, though it comes after nothing.
    const other = inTurn([aWorkStep('glue', [['A1', 40, 600]])]).concat(aWorkStep('cut', [['B1', 30, 0]]));
    const { slots: both } = found(other, { calendar: EVENINGS, doneTasks: done('glue-A1', '2026-12-02', 1_200) }).days;
    expect(both.find(({ task }) => task.id === 'cut-B1')!.startMin).toBe(2 * 1_440 + 1_200);
    const timed = days([], done('glue-A1', '2026-12-02', 1_100, { workedMin: 75 })).days.slots[0]!;
    expect(timed.startMin).toBe(2 * 1_440 + 1_025);
  });
  test('of what is done in part the rest is planned, and what comes after waits for that', () => {
    const { slots } = days([], done('glue-A1', '2026-11-30', 1_200, { part: { done: 3, of: 4 } })).days;
    expect(slots[0]).toMatchObject({ task: { id: 'glue-A1' } });
    expect(slots[0]!.task.work.value).toBe(10);
    expect(slots[1]!.startMin).toBeGreaterThanOrEqual(slots[0]!.endMin + 600);
  });
  test('what is put off is not begun before, and what was skipped and is done all the same is done', () => {
    const { slots } = days(arranged('glue-A1', { notBefore: { day: '2026-12-03', atMin: 0 } })).days;
    expect(slots[0]!.startMin).toBe(3 * 1_440 + 1_140);
    const both = days(arranged('glue-A1', { isSkipped: true }), done('glue-A1', '2026-12-02', 1_100)).days.slots;
    expect(both[0]).toMatchObject({ task: { id: 'glue-A1' }, because: { kind: 'done' } });
  });
});

describe('what sets, what moulds, what is wetted', () => {
  test('what must follow within a time that no evening leaves is told, and planned all the same', () => {
    const [paste, press] = inTurn([aWorkStep('paste', [['A1', 70, 0]]), aWorkStep('press', [['A1', 80, 0]])]);
    const most = { ...aWorkStep('x', [['A1', 1, 10]]).tasks[0]!.wait.stated, label: 'Paste, workable for' };
    const steps = [
      paste!,
      { ...press!, tasks: press!.tasks.map((task) => ({ ...task, after: task.after.map((one) => ({ ...one, most })) })) },
    ];
    const { days, troubles } = found(steps);
    expect(troubles).toMatchObject([{ kind: 'too-slow', most: 'Paste, workable for' }]);
    expect(days.slots).toHaveLength(2);
  });
  test('card in damp air for days grows mould; dry air, or foam alone, does not', () => {
    const wet = (humidityPct: number, drinks = true) =>
      found(
        [
          aWorkStep('paste', [['A1', 30, 4 * 1_440]], {
            spot: aSpot({ airC: 15, humidityPct }, garage({ air: { ...garage().air, humidityPct } })),
          }),
        ],
        {},
        drinks,
      ).troubles.map(({ kind }) => kind);
    expect([wet(88), wet(60), wet(88, false)]).toEqual([['mould'], [], []]);
  });
  test('on a floor under the dew point it gets wet again; on a shelf not', () => {
    const damp = { ...newPlace({ ...ROOM!, id: 'garage', name: 'Garage', kindId: 'garage', by: 'typed', airC: 10, humidityPct: 90 }) };
    const spotOn = (on: 'floor' | 'shelf') => aSpot({ airC: 10, humidityPct: 90, on, kindId: 'garage' }, damp);
    const kinds = (on: 'floor' | 'shelf') =>
      found([aWorkStep('paste', [['A1', 30, 600]], { spot: spotOn(on) })], { places: [damp] }).troubles.map(({ kind }) => kind);
    expect([kinds('floor'), kinds('shelf')]).toEqual([['dew'], []]);
  });
});
