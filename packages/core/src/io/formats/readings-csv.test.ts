import { expect, test } from 'vitest';
import { readingsCsv, readingsFromCsv } from './readings-csv';

const read = (text: string, offsetMin = 0) => {
  const found = readingsFromCsv(text, offsetMin);
  return found.ok ? found.value : found.problem.message;
};
test('columns are told by their heads, in any order, with a comma for the point', () => {
  const text = 'Humidity (%RH);Date/Time;Temperature °C\n76,5;2026-11-30 19:30;9,4\n77;2026-11-30T20:00:00Z;9.1 °C';
  expect(read(text, 60)).toEqual({
    readings: [
      { atMs: Date.UTC(2026, 10, 30, 18, 30), airC: 9.4, humidityPct: 76.5 },
      { atMs: Date.UTC(2026, 10, 30, 20), airC: 9.1, humidityPct: 77 },
    ],
    bad: [],
  });
});
test('bad rows are told by line, the good ones are kept', () => {
  expect(read('time,air °C,humidity %\nyesterday,9,76\n2026-11-30 19:30,9,76\n2026-11-30 20:00,warm,76\n2026-11-30 20:30,9,')).toEqual({
    readings: [{ atMs: Date.UTC(2026, 10, 30, 19, 30), airC: 9, humidityPct: 76 }],
    bad: [
      { line: 2, message: '“yesterday” is not a date and time. Enter 2026-11-30 19:30, for example' },
      { line: 4, message: '“warm” is not a temperature' },
      { line: 5, message: '“” is not a humidity' },
    ],
  });
});
test.each([
  ['', 'the first line is'],
  ['a,b,c\n1,2,3', 'Enter time, air °C, humidity %'],
  ['time,air °C,humidity %', 'there are no rows'],
  ['time,air °C,humidity %\nx,1,2', 'line 2'],
])('%j is refused in words', (text, said) => expect(read(text)).toContain(said));
test('what is written is read again', () => {
  const readings = [{ atMs: Date.UTC(2026, 10, 30, 18), heardMs: 0, airC: 9.25, humidityPct: 76.1, fault: null }];
  expect(read(readingsCsv(readings))).toMatchObject({ readings: [{ atMs: readings[0]!.atMs, airC: 9.25, humidityPct: 76.1 }], bad: [] });
  expect(readingsCsv([{ ...readings[0]!, fault: 'stuck' }])).toContain('repeats the same value');
});
