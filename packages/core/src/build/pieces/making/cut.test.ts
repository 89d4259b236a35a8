import { describe, expect, test } from 'vitest';
import { areaMm2 } from '../../../base/geometry';
import { seeded } from '../../../base/random';
import type { Piece } from '../../../plan';
import { type Body, plumbThrough, volumeMm3 } from '../../shell';
import { solidsOf } from './solids';
import { CATALOGUE } from '../../../testing';
import { FAMILY_NAMES, cutRange, cutThrough, makePiece, newPiece } from '../index';

const SCALE = { figureMm: 28, baseMm: 25, ratio: 28 / 1_650 };
const bodiesOf = (family: (typeof FAMILY_NAMES)[number], settings: Piece['settings'] = {}) => {
  const fresh = newPiece(family, 'one', SCALE, [], CATALOGUE);
  return makePiece({ ...fresh, settings: { ...fresh.settings, ...settings } }, SCALE, CATALOGUE).objects[0]!.bodies;
};
const shown = (bodies: readonly Body[]) => ({ bodies, loose: [] });
const SHED = { roof: 'flat', seat: 'on-walls', windowsFront: 0, windowsBack: 0, windowsEnds: 0, wallMm: 45, overhangMm: 5 };

describe('a shed of 77 × 52 mm in 5 mm board, cut through', () => {
  test('from front to back: wall, room, wall; floor, headroom, roof', () => {
    const cut = cutThrough(shown(bodiesOf('shed', SHED)), { squareTo: 'x', atMm: 20 })!;
    const sizes = (list: typeof cut.across): (readonly [number, boolean])[] =>
      list.map(({ fromMm, toMm, isClear }) => [Math.round((toMm - fromMm) * 100) / 100, isClear]);
    expect(sizes(cut.across)).toEqual([
      [5, false],
      [52, true],
      [5, false],
    ]);
    expect(sizes(cut.up)).toEqual([
      [2, false],
      [45, true],
      [5, false],
    ]);
  });
  test('from side to side the room is 77 mm; past its end there is nothing', () => {
    const cut = cutThrough(shown(bodiesOf('shed', SHED)), { squareTo: 'y', atMm: 26 })!;
    expect(cut.across.filter(({ isClear }) => isClear).map(({ fromMm, toMm }) => toMm - fromMm)).toEqual([expect.closeTo(77, 6)]);
    expect(cutThrough(shown(bodiesOf('shed', SHED)), { squareTo: 'y', atMm: 500 })).toBeNull();
  });
});

test.each(FAMILY_NAMES)('%s: areas of many cuts add up to its volume, either way; what a plumb line meets lies in the cut', (family) => {
  const bodies = bodiesOf(family);
  const whole = bodies.reduce((sum, body) => sum + volumeMm3(body), 0);
  for (const squareTo of ['x', 'y'] as const) {
    const { fromMm, toMm } = cutRange(shown(bodies), squareTo);
    const count = 160;
    const step = (toMm - fromMm) / count;
    let sum = 0;
    for (let i = 0; i < count; i++) {
      const cut = cutThrough(shown(bodies), { squareTo, atMm: fromMm + (i + 0.5) * step });
      for (const { rings } of cut?.faces ?? []) sum += areaMm2({ rings }) * step;
    }
    expect(Math.abs(sum / whole - 1), `${family} ${squareTo}`).toBeLessThan(0.04);
  }
  const random = seeded(11);
  const [xs, ys] = (['x', 'y'] as const).map((squareTo) => cutRange(shown(bodies), squareTo)) as [
    ReturnType<typeof cutRange>,
    ReturnType<typeof cutRange>,
  ];
  const plumb = plumbThrough(solidsOf(shown(bodies)));
  for (let i = 0; i < 40; i++) {
    const at = { x: xs.fromMm + random() * (xs.toMm - xs.fromMm), y: ys.fromMm + random() * (ys.toMm - ys.fromMm) };
    const met = plumb(at).reduce((mm, span) => mm + span.toMm - span.fromMm, 0);
    const cut = cutThrough(shown(bodies), { squareTo: 'y', atMm: at.y });
    let inCut = 0;
    for (const { rings } of cut?.faces ?? []) {
      const heights = rings.flatMap((ring) =>
        ring.flatMap((from, k) => {
          const to = ring[(k + 1) % ring.length]!;
          if (from.x > at.x === to.x > at.x) return [];
          return [from.y + ((to.y - from.y) * (at.x - from.x)) / (to.x - from.x)];
        }),
      );
      heights.sort((a, b) => a - b);
      for (let k = 0; k + 1 < heights.length; k += 2) inCut += heights[k + 1]! - heights[k]!;
    }
    expect(Math.abs(inCut - met), `${family} at ${at.x.toFixed(3)}, ${at.y.toFixed(3)}`).toBeLessThan(0.1 + met * 0.02);
  }
});
