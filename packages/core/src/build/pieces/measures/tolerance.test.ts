import { expect, test } from 'vitest';
import { seeded } from '../../../base/random';
import { bevelDeg, resolved } from '../../shell';
import { regularRing, walled } from './enclosure';
import { driftMm, driftsOf, gapDeg, sparesFor } from './tolerance';

test.each([
  [5, 0.3],
  [12, 0.3],
  [24, 0.8],
])('a row of %d squares, each off by %d mm: four thousand floors stray as the formula says', (count, errorMm) => {
  const strays = driftsOf(seeded(9), count, errorMm, 4_000);
  const rms = Math.sqrt(strays.reduce((sum, mm) => sum + mm * mm, 0) / strays.length);
  expect(rms / driftMm(count, errorMm, 'edge')).toBeCloseTo(1, 1);
  // Half the run from the middle: the worse of its two ends is no worse than one over the root of two.
  expect(driftMm(count, errorMm, 'middle') / driftMm(count, errorMm, 'edge')).toBeCloseTo(Math.SQRT1_2, 9);
});

test('the same seed lays the same floors', () => {
  expect(driftsOf(seeded(4), 10, 0.3, 20)).toEqual(driftsOf(seeded(4), 10, 0.3, 20));
});

test('two spares at least, then three in a hundred', () => {
  expect([3, 60, 67, 200].map(sparesFor)).toEqual([2, 2, 3, 6]);
});

test.each([3, 5, 8, 16])('mitres of a ring of %d walls: all their turns make a circle, and an error in each adds up', (sides) => {
  const walls = walled({
    id: 'wall',
    name: String,
    role: 'wall',
    ring: regularRing(sides, 40),
    topMm: () => 30,
    corners: 'mitre',
    grows: 'out',
    bottom: { joint: 'free' },
    top: () => ({ joint: 'free' }),
  });
  const answer = resolved(
    { id: 'ring', name: 'Ring', count: 1, faces: walls },
    { wall: { thicknessMm: 3, widthMm: null, isRound: false } },
  );
  if (!answer.ok) throw new Error(answer.problem.code);
  const leans = answer.value.flatMap((body) => (body.kind === 'plate' ? body.loops[0]!.cuts.map(bevelDeg) : []));
  const turns = leans.reduce((sum, deg) => sum + Math.abs(deg), 0);
  expect(turns).toBeCloseTo(360, 6);
  // Every one of those cuts a tenth of a degree off
  const cuts = leans.filter((deg) => Math.abs(deg) > 1).length;
  expect(gapDeg(sides, 0.1)).toBeCloseTo(cuts * 0.1, 9);
});
