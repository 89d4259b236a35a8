import { expect, test } from 'vitest';
import { seasonOf } from '.';

test.each([
  ['2026-11-30', 'autumn'],
  ['2026-12-01', 'winter'],
  ['2027-01-15', 'winter'],
  ['2027-02-28', 'winter'],
  ['2027-03-01', 'spring'],
  ['2027-06-01', 'summer'],
  ['2027-09-01', 'autumn'],
] as const)('%s is in %s', (day, season) => expect(seasonOf(day)).toBe(season));
