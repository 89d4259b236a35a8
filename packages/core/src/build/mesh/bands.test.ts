import { expect, test } from 'vitest';
import { CATALOGUE, aBoard, aMound, derived } from '../../testing';
import { bandsOf } from './bands';

test('the layers lie on one another without a gap, from the underside to the top of the highest ground and what it stands on', () => {
  const { stack } = derived(
    aBoard({}, aMound([100, 100, 400, 300], 20), aMound([200, 150, 120, 100], 40, 'upper'), aMound([700, 100, 100, 100], 10, 'low')),
  );
  const bands = bandsOf(stack, CATALOGUE);
  expect(bands[0]!.bottomMm).toBe(stack.base[0]!.bottomMm - stack.ground.value);
  expect(bands.at(-1)!.topMm).toBe(40);
  bands.slice(1).forEach((band, i) => expect(band.bottomMm).toBe(bands[i]!.topMm));
  expect(bands.some(({ topMm }) => topMm === 0)).toBe(true);
});

test('without raised ground they end at the surface', () => {
  expect(bandsOf(derived(aBoard()).stack, CATALOGUE).at(-1)!.topMm).toBe(0);
});
