import { expect, test } from 'vitest';
import { paceOf } from './pace';

/** Draws frames so far apart; says the sharpness of each picture that was not drawn as the one before. */
function drawn(gapsMs: readonly number[]): { readonly shares: readonly number[]; readonly pace: ReturnType<typeof paceOf> } {
  const shares: number[] = [];
  const pace = paceOf((share) => {
    if (shares.at(-1) !== share) shares.push(share);
  });
  let nowMs = 0;
  for (const gap of [0, ...gapsMs]) pace.moved((nowMs += gap));
  return { shares, pace };
}
const times = (count: number, ms: number): number[] => Array.from({ length: count }, () => ms);

test('slow frames make the picture coarser step by step, but never coarser than the last', () => {
  expect(drawn(times(8, 90)).shares).toEqual([0.75, 0.5]);
  expect(drawn(times(60, 90)).shares).toEqual([0.75, 0.5, 0.35]);
});

test('quick frames and frames after a rest change nothing', () => {
  expect(drawn(times(60, 16)).shares).toEqual([]);
  expect(drawn(times(20, 900)).shares).toEqual([]);
});

test('a picture that rests is drawn sharp once, and coarse again when it moves on', () => {
  const { shares, pace } = drawn(times(4, 90));
  expect(pace.rested()).toBe(true);
  expect(pace.rested()).toBe(false);
  expect(shares).toEqual([0.75, 1]);
});

test('where frames come quickly again it grows finer', () => {
  expect(drawn([...times(4, 90), ...times(40, 10)]).shares).toEqual([0.75, 1]);
});
