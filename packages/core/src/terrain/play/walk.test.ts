import { expect, test } from 'vitest';
import type { Feature } from '../../plan/features';
import { fieldOf, tableBox } from '../ground';
import { aBoard, aMound, aPit, aRamp, aWall, derived } from '../../testing';
import { walkTowards } from './walk';

const BASE_MM = 20;

/** Walks to the right along the middle of the board from x = 100 to x = 500 and says where it ends. */
function endsAt(...features: readonly Feature[]): number {
  const plan = aBoard({}, ...features);
  const field = fieldOf(derived(plan).ground, tableBox(plan.table), 4);
  return walkTowards(field, { x: 100, y: 400 }, { x: 500, y: 400 }, { ...plan.play, stepUpMm: 6, walkDeg: 30, baseMm: BASE_MM }).x;
}

test('over open ground a figure gets where it is going, and over a step it can climb', () => {
  expect(endsAt()).toBe(500);
  expect(endsAt(aMound([300, 300, 100, 200], 5))).toBe(500);
});

test('a step too high, a drop and a wall stop it short of them by half its base, within a cell', () => {
  for (const feature of [
    aMound([300, 300, 100, 200], 12),
    aPit([300, 300, 100, 200], 12),
    aWall(
      [
        [304, 300],
        [304, 500],
      ],
      8,
      25,
    ),
  ]) {
    const end = endsAt(feature);
    expect(end).toBeLessThanOrEqual(300 - BASE_MM / 2);
    expect(end).toBeGreaterThan(292 - BASE_MM / 2);
  }
});

test('a ramp it can walk is walked; one too steep is not, though no single step is too high', () => {
  const onto = (lengthMm: number): number =>
    endsAt(
      aRamp(
        [
          [300 - lengthMm, 400],
          [300, 400],
        ],
        120,
        0,
        24,
      ),
      aMound([300, 340, 300, 120], 24),
    );
  expect(onto(80)).toBe(500);
  expect(onto(25)).toBeLessThan(300);
});

test('it stays on the table', () => {
  const plan = aBoard();
  const field = fieldOf(derived(plan).ground, tableBox(plan.table), 4);
  expect(walkTowards(field, { x: 1190, y: 400 }, { x: 1250, y: 400 }, plan.play).x).toBeLessThanOrEqual(1200);
});
