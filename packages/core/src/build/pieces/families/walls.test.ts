import { expect, test } from 'vitest';
import { areaMm2 } from '../../../base/geometry';
import { CATALOGUE } from '../../../testing';
import { makePiece, newPiece } from '..';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const wallOf = (settings: Readonly<Record<string, number>>, objectId: string): number => {
  const piece = newPiece('walls', 'one', SCALE, [], CATALOGUE);
  const { objects, problem } = makePiece({ ...piece, settings: { ...piece.settings, ...settings } }, SCALE, CATALOGUE);
  expect(problem).toBeNull();
  return areaMm2({ rings: objects.find(({ id }) => id === objectId)!.sheets[0]!.drawn });
};

test.each([1, 2, 3, 50])('the two halves of a run broken by number %i come to one whole run', (seed) => {
  const set = { brokenPairs: 1, segmentMm: 90, heightMm: 30, seed };
  expect(wallOf(set, 'broken-left') + wallOf(set, 'broken-right')).toBeCloseTo(90 * 30, 6);
  // Neither is the half of a straight cut.
  expect(Math.abs(wallOf(set, 'broken-left') - 90 * 30 * 0.51)).toBeGreaterThan(1);
});
test('the same number breaks the same, another otherwise; a broken top is lower than a whole one and leaves some', () => {
  const top = (seed: number): number => wallOf({ brokenTops: 1, segmentMm: 90, heightMm: 30, seed }, 'broken-top');
  expect(top(4)).toBe(top(4));
  expect(top(4)).not.toBe(top(5));
  expect(top(4)).toBeLessThan(90 * 30 * 0.9);
  expect(top(4)).toBeGreaterThan(90 * 30 * 0.4);
});
