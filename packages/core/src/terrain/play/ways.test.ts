import { expect, test } from 'vitest';
import type { Point } from '../../base/geometry';
import type { Feature } from '../../plan/features';
import { fieldOf, tableBox } from '../ground';
import { aBoard, aPit, derived } from '../../testing';
import { widestBase } from './clearance';

const CELL_MM = 4;
/** Two pits with a level way of 60 mm between them, turned; above and below they reach the table's edges, so that it is the only one. */
function gapBetween(depthMm: number, turnDeg: number): number {
  const slope = Math.tan((turnDeg * Math.PI) / 180);
  const half = 30 / Math.cos((turnDeg * Math.PI) / 180);
  const middle = (x: number): number => 400 + slope * (x - 600);
  const outline = (id: string, points: readonly Point[]): Feature =>
    ({ ...aPit([0, 0, 1, 1], depthMm, id, true), shape: { form: 'outline', points } }) as Feature;
  const far = outline('far', [
    { x: 450, y: -10 },
    { x: 750, y: -10 },
    { x: 750, y: middle(750) - half },
    { x: 450, y: middle(450) - half },
  ]);
  const near = outline('near', [
    { x: 450, y: middle(450) + half },
    { x: 750, y: middle(750) + half },
    { x: 750, y: 810 },
    { x: 450, y: 810 },
  ]);
  const plan = aBoard({}, far, near);
  const field = fieldOf(derived(plan).ground, tableBox(plan.table), CELL_MM);
  return widestBase(field, { ...plan.play, stepUpMm: 5, walkDeg: 30 }, 'left', 'right').baseMm;
}

test.each([
  [6, 0],
  [8, 0],
  [10, 0],
  [30, 0],
  [15, 45],
  [10, 45],
  [30, 45],
])('a way of 60 mm between pits %i mm deep, turned %i°, is 60 mm wide to within one cell', (depthMm, turnDeg) => {
  expect(Math.abs(gapBetween(depthMm, turnDeg) - 60)).toBeLessThanOrEqual(CELL_MM + 1);
});
