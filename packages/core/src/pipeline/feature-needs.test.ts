import { namedSurface } from '../plan/surfaces';
import { describe, expect, test } from 'vitest';
import type { Plan } from '../plan';
import { CATALOGUE, aBoard, aMound, aPit, aPool, aTrack } from '../testing';
import { derivePipeline } from './full';

/** The figures of one feature by their short names. */
function needsOf(plan: Plan, featureId: string): Record<string, number> {
  const { figures } = derivePipeline()(plan, CATALOGUE).needs.find((one) => one.featureId === featureId)!;
  return Object.fromEntries(figures.map(({ label, value }) => [label, value]));
}

describe('what a feature measures and takes', () => {
  test('a mound of 300 × 200, 60 mm high from 50 + 10: two glued faces, top and sides to paint', () => {
    const needs = needsOf(aBoard({}, aMound([100, 100, 300, 200], 60)), 'mound');
    const all = (60_000 + 1000 * 60) / 1e6;
    expect(needs['Surface']).toBeCloseTo(60_000, 3);
    expect(needs['Upright faces']).toBeCloseTo(60_000, 3);
    expect(needs['Adhesive']).toBeCloseTo(2 * 0.06 * 350 * 1.1, 4);
    expect(needs['Texture']).toBeCloseTo(all * 1.15 * 1.5 * 1000 * 1.1, 2);
    expect(needs['Paint']).toBeCloseTo(all * 1.1 * 1000 * (1 / 5 + 0.35 / 6 + 1 / 11 + 0.08 / 6), 2);
  });

  test('a pool says what it holds, its banks, and the floor left under it', () => {
    const needs = needsOf(aBoard({}, aPool([100, 100, 300, 200], 8, 5)), 'pool');
    expect(needs['Banks']).toBeCloseTo(1000 * 8, 3);
    expect(needs['Floor left under it']).toBe(22);
    expect(needs['To pour']).toBeCloseTo(300 * 200 * 5 * 0.001 * 1.08, 3);
  });

  test('a pit takes no pour, a track has a length', () => {
    const plan = aBoard(
      {},
      aPit([100, 100, 300, 200], 8),
      aTrack(
        [
          [0, 600],
          [300, 600],
          [300, 750],
        ],
        40,
      ),
    );
    expect(needsOf(plan, 'pit')).not.toHaveProperty('To pour');
    expect(needsOf(plan, 'track')['Length']).toBeCloseTo(450, 6);
  });

  test('two pools share the pour of the board by what each holds', () => {
    const plan = aBoard({}, aPool([100, 100, 300, 200], 8, 5, 'a'), aPool([700, 100, 150, 200], 8, 4, 'b'));
    const { supplies } = derivePipeline()(plan, CATALOGUE);
    const whole = ['resin', 'hardener'].reduce((sum, id) => sum + supplies.rows.find((row) => row.id === `stuff ${id}`)!.need.value, 0);
    expect(needsOf(plan, 'a')['To pour']! + needsOf(plan, 'b')['To pour']!).toBeCloseTo(whole, 6);
  });

  test('paint and texture of all mounds add up to what raised ground takes', () => {
    const plan = aBoard({}, aMound([50, 50, 200, 100], 20, 'a'), aMound([700, 450, 120, 90], 40, 'b'));
    const { coats } = derivePipeline()(plan, CATALOGUE);
    const whole = coats
      .filter(({ surfaceId, coating }) => surfaceId === namedSurface('rock-face') && coating.family === 'texture')
      .reduce((sum, { volume }) => sum + volume.value, 0);
    expect(needsOf(plan, 'a')['Texture']! + needsOf(plan, 'b')['Texture']!).toBeCloseTo(whole, 6);
  });

  test('names the tiles it lies on, none for one that is off the table', () => {
    const { needs } = derivePipeline()(
      aBoard({}, aMound([500, 300, 200, 200], 20, 'middle'), aMound([3000, 0, 50, 50], 20, 'away')),
      CATALOGUE,
    );
    expect(needs.map(({ tiles }) => tiles)).toEqual([['A1', 'B1', 'A2', 'B2'], []]);
  });
});
