import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { given } from '../../base/units';
import { daily, dayOf, steady, withSpells } from './course';
import { CLOCK, NEVER, hourlyPace, slowed, steadyPace } from './pace';
import { type Reading, dayFromReadings, judged, stateOf } from './readings';
import { deficitKPa, dewPointC, humidityAtPct, vapourDeficit } from './vapour';
import { fitRuns, inBoth, shortened } from './windows';

const DAY = 1_440;

describe('vapour', () => {
  test('air that touches a cold face is full there, never more than full', () => {
    expect(humidityAtPct({ airC: 20, humidityPct: 90 }, 5)).toBe(100);
    expect(humidityAtPct({ airC: 20, humidityPct: 40 }, 20)).toBeCloseTo(40, 9);
  });
  test.each([
    // Psychrometric tables, rounded to a tenth there.
    [20, 50, 9.3],
    [10, 80, 6.7],
    [25, 60, 16.7],
    [5, 90, 3.5],
  ])('air of %i °C and %i % wets what is at %f °C', (airC, humidityPct, dew) =>
    expect(dewPointC({ airC, humidityPct })).toBeCloseTo(dew, 1),
  );
  test('at its dew point air is full: the way there and back agree within 0.05 °C', () =>
    fc.assert(
      fc.property(fc.double({ min: -10, max: 40, noNaN: true }), fc.double({ min: 5, max: 100, noNaN: true }), (airC, humidityPct) => {
        const dew = dewPointC({ airC, humidityPct });
        expect(humidityAtPct({ airC, humidityPct }, dew)).toBeCloseTo(100, 6);
        // By bisection on the pressure itself.
        const held = (at: number): number => 0.6108 * Math.exp((17.27 * at) / (at + 237.3));
        let [low, high] = [-80, 45];
        for (let i = 0; i < 60; i++) {
          const middle = (low + high) / 2;
          if (held(middle) < (held(airC) * humidityPct) / 100) low = middle;
          else high = middle;
        }
        expect(Math.abs(dew - low)).toBeLessThan(0.05);
      }),
    ));
  test('the pull as a figure and as a plain number are one', () =>
    fc.assert(
      fc.property(fc.double({ min: -10, max: 40, noNaN: true }), fc.double({ min: 5, max: 98, noNaN: true }), (airC, humidityPct) => {
        const figure = vapourDeficit('Pull', given('Air', airC, '°C', 'plan'), given('Humidity', humidityPct / 100, '1', 'plan'));
        expect(figure.value).toBeCloseTo(deficitKPa({ airC, humidityPct }), 9);
      }),
    ));
});

describe('a course of air', () => {
  const garage = daily(dayOf({ lowC: 7, highC: 11, lowPct: 70, highPct: 85 }));
  test('is warmest and driest in the middle of the afternoon, coldest before morning, the same every day', () => {
    const hours = Array.from({ length: 24 }, (_, hour) => garage.at(hour * 60));
    expect(hours.indexOf(hours.reduce((a, b) => (b.airC > a.airC ? b : a)))).toBe(14);
    expect(hours.indexOf(hours.reduce((a, b) => (b.airC < a.airC ? b : a)))).toBe(2);
    expect(hours.indexOf(hours.reduce((a, b) => (b.humidityPct < a.humidityPct ? b : a)))).toBe(14);
    expect(garage.at(5 * DAY + 60)).toEqual(garage.at(60));
  });
  test('takes another air on the days of a spell, and settles after it', () => {
    const cold = withSpells(garage, [{ fromMin: DAY, toMin: 2 * DAY, airC: 2, humidityPct: 90 }]);
    expect([cold.at(DAY - 1).airC, cold.at(DAY).airC, cold.at(2 * DAY - 1).airC, cold.at(2 * DAY).airC]).toEqual([
      garage.at(DAY - 1).airC,
      2,
      2,
      garage.at(2 * DAY).airC,
    ]);
    expect(cold.settledMin).toBe(2 * DAY);
  });
  test('is fit in runs of hours; always and never are told apart', () => {
    const warm = (leastC: number) => fitRuns(garage, ({ airC }) => airC >= leastC, 2 * DAY);
    expect(warm(5)).toBeNull();
    expect(warm(20)).toEqual([]);
    const [first, second] = warm(9)!;
    expect(second!.fromMin - first!.fromMin).toBe(DAY);
    expect(fitRuns(steady({ airC: 6, humidityPct: 50 }), ({ airC }) => airC >= 8, DAY)).toEqual([]);
    expect(
      shortened(
        [
          { fromMin: 0, toMin: 60 },
          { fromMin: 100, toMin: 130 },
        ],
        40,
      ),
    ).toEqual([{ fromMin: 0, toMin: 20 }]);
    expect(
      inBoth(
        [
          { fromMin: 0, toMin: 60 },
          { fromMin: 90, toMin: 200 },
        ],
        [{ fromMin: 30, toMin: 100 }],
      ),
    ).toEqual([
      { fromMin: 30, toMin: 60 },
      { fromMin: 90, toMin: 100 },
    ]);
  });
});

describe('pace', () => {
  test('by the clock an hour is an hour', () => expect([CLOCK.after(100, 60), CLOCK.before(160, 60)]).toEqual([160, 100]));
  test('where no day brings anything it is never over, and that is known at once', () => {
    const frost = hourlyPace(
      daily(dayOf({ lowC: 0, highC: 4, lowPct: 80, highPct: 90 })),
      ({ airC }) => (airC >= 8 ? 1 : 0),
      'Slower',
      'garage',
    );
    expect(frost.after(0, 10)).toBe(Infinity);
    expect(frost.usual).toBeNull();
    expect([frost.after(77, 0), NEVER.after(77, 0), NEVER.after(0, 1), NEVER.before(77, 1)]).toEqual([77, 77, Infinity, -Infinity]);
  });
  test('the latest start waits out what brings nothing', () => {
    const byDay = hourlyPace(
      daily(Array.from({ length: 24 }, (_, hour) => ({ airC: hour >= 8 && hour < 20 ? 20 : 0, humidityPct: 50 }))),
      ({ airC }) => airC / 20,
      '',
      '',
    );
    expect(byDay.after(19 * 60, 90)).toBe(DAY + 8 * 60 + 30);
    // Through at nine in the morning: put on by half past seven the evening before.
    expect(byDay.before(DAY + 9 * 60, 90)).toBe(19 * 60 + 30);
  });
});

describe('readings of a thermo-hygrometer', () => {
  const START = Date.UTC(2026, 10, 30);
  const HALF_HOUR = 30 * 60_000;
  /** A real one: never quite the same twice. */
  const sound = (count: number): Reading[] =>
    Array.from({ length: count }, (_, i) => {
      const atMs = START + i * HALF_HOUR;
      return {
        atMs,
        heardMs: atMs + 2_000,
        airC: 9 + Math.sin(i / 7) + 0.03 * (i % 3),
        humidityPct: 75 + 4 * Math.cos(i / 7) + 0.1 * (i % 4),
      };
    });
  const faultsOf = (readings: readonly Reading[]) => judged(readings).map(({ fault }) => fault);
  test('a week of an honest one: nothing is found', () => expect(faultsOf(sound(336)).every((fault) => fault === null)).toBe(true));
  test('a spike is one, its neighbours are not', () => {
    const readings = sound(40);
    readings[20] = { ...readings[20]!, airC: 31 };
    expect(faultsOf(readings)).toEqual(readings.map((_, i) => (i === 20 ? 'spike' : null)));
  });
  test('a heater switched on is no spike: it does not come back', () => {
    const readings = sound(40).map((reading, i) => (i >= 20 ? { ...reading, airC: reading.airC + 9 } : reading));
    expect(faultsOf(readings).every((fault) => fault === null)).toBe(true);
  });
  test('what no air is', () => {
    const readings = sound(5);
    readings[2] = { ...readings[2]!, airC: 85, humidityPct: 0 };
    expect(faultsOf(readings)[2]).toBe('out-of-range');
    expect(faultsOf([{ ...readings[0]!, airC: NaN }])).toEqual(['out-of-range']);
  });
  test('stuck: the same for hours, told from the second on; twice the same in an hour is not', () => {
    const readings = sound(60).map((reading, i) => (i >= 20 && i < 40 ? { ...reading, airC: 9, humidityPct: 76 } : reading));
    const faults = faultsOf(readings);
    expect(faults.map((fault, i) => (fault === 'stuck' ? i : -1)).filter((i) => i >= 0)).toEqual(
      Array.from({ length: 19 }, (_, i) => 21 + i),
    );
    const twice = sound(10).map((reading, i) => (i === 4 || i === 5 ? { ...reading, airC: 9, humidityPct: 76 } : reading));
    expect(faultsOf(twice).every((fault) => fault === null)).toBe(true);
  });
  test('a clock that is wrong', () => {
    const readings = sound(4);
    readings[3] = { ...readings[3]!, atMs: readings[3]!.atMs - 3 * 3_600_000 };
    expect(faultsOf(readings)).toEqual([null, null, null, 'clock']);
  });
  test('how it fares: the last that is believed, silent after three hours', () => {
    const readings = sound(12);
    readings[11] = { ...readings[11]!, airC: 85 };
    const all = judged(readings);
    const nowMs = readings[11].heardMs + 60_000;
    expect(stateOf(all, nowMs)).toMatchObject({ fault: 'out-of-range', lies: 1, last: { atMs: readings[10]!.atMs } });
    expect(stateOf(all, nowMs + 4 * 3_600_000).fault).toBe('gap');
    expect(stateOf([], nowMs)).toMatchObject({ last: null, dewC: null, fault: 'gap' });
    expect(stateOf(judged(sound(12)), nowMs).dewC).toBeCloseTo(dewPointC(sound(12)[11]!), 9);
  });
  test('the day they make is the mean of each hour, without what lies, in the builder’s own hours', () => {
    const readings = sound(96).map((reading, i) => ({ ...reading, airC: (i % 48 < 24 ? 6 : 10) + 0.01 * (i % 5) }));
    readings[4] = { ...readings[4]!, airC: 60 };
    const day = dayFromReadings(judged(readings), 0)!;
    expect(day[2]!.airC).toBeCloseTo(6.02, 1);
    expect(day[20]!.airC).toBeCloseTo(10.02, 1);
    expect(dayFromReadings(judged(readings), 60)![3]!.airC).toBeCloseTo(day[2]!.airC, 9);
  });
  test('hours that nobody heard come from their neighbours; from nothing there is no day', () => {
    const few = judged([sound(1)[0]!, { ...sound(20)[12]!, airC: 15 }]);
    const day = dayFromReadings(few, 0)!;
    expect(day[3]!.airC).toBeCloseTo((sound(1)[0]!.airC + 15) / 2, 6);
    expect(dayFromReadings(judged([{ ...sound(1)[0]!, airC: 99 }]), 0)).toBeNull();
  });
});

describe('a place that dries slower than its air says', () => {
  const factor = given('Garage in winter', 1.3, '1', 'catalogue');
  const steadily = steadyPace(given('Slower', 2, '1', 'definition'));
  const hourly = hourlyPace(daily(dayOf({ lowC: 8, highC: 20, lowPct: 40, highPct: 80 })), ({ airC }) => airC / 20, 'Slower', 'test');
  test.each([
    ['steady', steadily],
    ['hour by hour', hourly],
  ])('%s: as if so much more had to dry, there and back', (_, pace) => {
    const slower = slowed(pace, factor);
    for (const fromMin of [0, 400, 2_000]) {
      expect(slower.after(fromMin, 100)).toBeCloseTo(pace.after(fromMin, 130), 6);
      expect(slower.before(slower.after(fromMin, 100), 100)).toBeCloseTo(fromMin, 3);
    }
    expect(slower.usual!.value / pace.usual!.value).toBeCloseTo(1.3, 9);
    expect(slower.least / pace.least).toBeCloseTo(1.3, 9);
  });
  test('never stays never; where nothing is known it is the very same', () => {
    expect(slowed(NEVER, factor).after(0, 1)).toBe(Infinity);
    expect(slowed(NEVER, factor).usual).toBeNull();
    expect(slowed(hourly, null)).toBe(hourly);
  });
});

describe('a reading that jumps out and back', () => {
  const AT_MS = Date.UTC(2026, 10, 30);
  const said = (...airs: readonly [number, number][]) =>
    judged(airs.map(([airC, humidityPct], i) => ({ airC, humidityPct, atMs: AT_MS + i * 600_000, heardMs: AT_MS + i * 600_000 }))).map(
      ({ fault }) => fault,
    );
  test.each([
    ['6.5 °C', 26.5, 50, 'spike'],
    ['5.5 °C', 25.5, 50, null],
    ['26 % humidity', 20, 76, 'spike'],
    ['24 % humidity', 20, 74, null],
  ] as const)('by %s', (_what, airC, humidityPct, fault) =>
    expect(said([20, 50], [airC, humidityPct], [20.1, 50])).toEqual([null, fault, null]),
  );
  test('one that stays there is believed', () => expect(said([20, 50], [28, 50], [28.1, 50])).toEqual([null, null, null]));
});
