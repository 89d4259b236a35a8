import { expect, test } from 'vitest';
import { type Timer, countdown, nextRing, ringsOf, rungBetween } from './index';

const MIN = 60_000;
const NOW = Date.UTC(2026, 10, 30, 19);
const timer = (name: string, min: number, change: Partial<Timer> = {}): Timer => ({
  id: '00000000-0000-4000-8000-000000000001',
  name,
  use: 'own',
  taskId: null,
  fromMs: NOW,
  dueMs: NOW + min * MIN,
  everyMin: null,
  ...change,
});

test('a timer rings when it is due; what is tended calls back until then', () => {
  expect(ringsOf(timer('Pot', 25)).map(({ atMs, isDue }) => [(atMs - NOW) / MIN, isDue])).toEqual([[25, true]]);
  expect(ringsOf(timer('Paste', 90, { everyMin: 30 })).map(({ atMs, isDue }) => [(atMs - NOW) / MIN, isDue])).toEqual([
    [30, false],
    [60, false],
    [90, true],
  ]);
  expect(ringsOf(timer('Paste', 70, { everyMin: 30 })).map(({ atMs }) => (atMs - NOW) / MIN)).toEqual([30, 60, 70]);
  expect(nextRing(timer('Paste', 90, { everyMin: 30 }), NOW + 45 * MIN)).toMatchObject({ atMs: NOW + 60 * MIN, isDue: false });
  expect(nextRing(timer('Pot', 25), NOW + 26 * MIN)).toBeNull();
});

test('a device that slept for an hour hears of all that rang, once, and is as right as before', () => {
  const timers = [timer('Pot', 25), timer('Weights', 90), timer('Paste', 75, { everyMin: 30 })];
  let lastMs = NOW;
  const heard: string[] = [];
  const look = (atMs: number): void => {
    heard.push(...rungBetween(timers, lastMs, atMs).map((ring) => `${ring.timer.name} ${(ring.atMs - NOW) / MIN}`));
    lastMs = atMs;
  };
  for (let s = 1; s <= 10; s++) look(NOW + s * 1_000);
  look(NOW + 10_000 + 60 * MIN);
  expect(heard).toEqual(['Pot 25', 'Paste 30', 'Paste 60']);
  expect(countdown(timers[1]!.dueMs - lastMs)).toBe('29:50');
  look(lastMs);
  look(NOW + 75 * MIN);
  look(NOW + 75 * MIN + 500);
  look(NOW + 91 * MIN);
  expect(heard.slice(3)).toEqual(['Paste 75', 'Weights 90']);
});

test('time is told to the second, over and under', () => {
  expect([0, 900, 1_000, 61_000, 3_909_000, -1, -20_000].map(countdown)).toEqual([
    '0:00',
    '0:01',
    '0:01',
    '1:01',
    '1:05:09',
    '−0:01',
    '−0:20',
  ]);
});
