import { describe, expect, test } from 'vitest';
import { type Point, type Region, areaMm2, bent, boxRegion, evenOdd, stripRegion, unite, without } from '../../base/geometry';
import { seeded } from '../../base/random';
import { rolledFillets } from './fillets';
import { filled } from './junctions';

const DISC = { radiusMm: 20, arcMm: 0.001 };
const summed = (regions: readonly Region[]): number => regions.reduce((sum, region) => sum + areaMm2(region), 0);
/** A strip of two points through the middle, turned. */
const turned = (deg: number, widthMm: number): Region => {
  const [x, y] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  return stripRegion(
    [
      { x: -400 * x, y: -400 * y },
      { x: 400 * x, y: 400 * y },
    ],
    widthMm,
  );
};
/** In a corner of θ an arc of radius r leaves r² (1 ÷ tan(θ/2) − (π − θ)/2) to fill. */
const inCorner = (theta: number, radiusMm: number): number => radiusMm ** 2 * (1 / Math.tan(theta / 2) - (Math.PI - theta) / 2);

describe('fillets between two strips', () => {
  test.each([90, 75, 50, 28, 130])('straight, at %i degrees: two corners of that angle and two of its rest', (deg) => {
    const fillets = rolledFillets(turned(0, 60), turned(deg, 44), DISC)!;
    const theta = (deg * Math.PI) / 180;
    expect(fillets).toHaveLength(4);
    expect(summed(fillets) / (2 * inCorner(theta, 20) + 2 * inCorner(Math.PI - theta, 20))).toBeCloseTo(1, 2);
  });
  test('neither runs on beyond the other: a T has two corners, in an outline drawn either way round', () => {
    const box = boxRegion({ left: -30, right: 30, top: 0, bottom: 300 });
    const back: Region = { rings: [box.rings[0]!.toReversed()] };
    for (const own of [box, back]) {
      const fillets = rolledFillets(own, turned(0, 60), DISC)!;
      expect(fillets).toHaveLength(2);
      expect(summed(fillets) / (2 * inCorner(Math.PI / 2, 20))).toBeCloseTo(1, 2);
    }
  });
  test('where strips bend, the same ground as a disc rolled round with the clipper', () => {
    const random = seeded(11);
    let compared = 0;
    for (let i = 0; i < 60; i++) {
      const at = (x: number, y: number): Point => ({ x: x + random() * 80, y: y + random() * 80 });
      const own = stripRegion(bent([at(-300, -40), at(-40, -40), at(260, 160)], 60), 40 + random() * 20);
      const other = stripRegion(bent([at(-40, -300), at(-40, -40), at(-140, 300)], 60), 40 + random() * 20);
      const fillets = rolledFillets(own, other, { radiusMm: 12, arcMm: 0.1 });
      if (fillets === null) continue;
      const [rolled, clipped] = [unite([own, other, ...fillets]), unite([own, other, ...filled(own, other, 12)])];
      const apart = areaMm2(without(rolled, [clipped])) + areaMm2(without(clipped, [rolled]));
      // The clipper rounds the bends of a single strip too; those are a few square millimetres.
      expect(apart, `strip ${i}`).toBeLessThan(0.1 * summed(fillets));
      compared++;
    }
    expect(compared).toBeGreaterThan(45);
  });
  test('joins what it rounds without a gap', () => {
    const own = turned(0, 60);
    expect(unite([own, ...rolledFillets(own, turned(60, 40), DISC)!]).rings).toHaveLength(1);
  });
  test('where the disc would run into something else, or sides lie on one line, there is none', () => {
    const comb = evenOdd(
      [turned(0, 60), ...[-60, 0, 60].map((x) => boxRegion({ left: x, right: x + 34, top: 20, bottom: 90 }))].flatMap(({ rings }) => rings),
    );
    expect(rolledFillets(boxRegion({ left: -200, right: 200, top: 50, bottom: 70 }), comb, DISC)).toBeNull();
    expect(rolledFillets(turned(0, 60), boxRegion({ left: 0, right: 90, top: -30, bottom: 200 }), DISC)).toBeNull();
  });
  test('nor where its own ground rises within reach of the arc', () => {
    const tooth = (leftMm: number): Region =>
      unite([
        boxRegion({ left: -200, right: 200, top: -30, bottom: 30 }),
        boxRegion({ left: leftMm, right: leftMm + 30, top: -120, bottom: 0 }),
      ]);
    const across = boxRegion({ left: -22, right: 22, top: -200, bottom: 200 });
    expect(rolledFillets(tooth(90), across, DISC)).toHaveLength(4);
    expect(rolledFillets(tooth(46), across, DISC)).toBeNull();
  });
  test('what does not meet, or lies wholly within, has no corners', () => {
    expect(rolledFillets(turned(0, 60), boxRegion({ left: 500, right: 600, top: 0, bottom: 90 }), DISC)).toEqual([]);
    expect(rolledFillets(turned(0, 60), boxRegion({ left: 0, right: 20, top: -10, bottom: 10 }), DISC)).toEqual([]);
  });
});
