import { describe, expect, test } from 'vitest';
import { type Point, boxAround } from '../../base/geometry';
import { seeded } from '../../base/random';
import { hullOf } from './measure';
import { leastRectangle } from './least-rectangle';

/** The box of points turned by an angle. */
const boxAt = (points: readonly Point[], angle: number): number => {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const { left, right, top, bottom } = boxAround(points.map(({ x, y }) => ({ x: cos * x + sin * y, y: cos * y - sin * x })));
  return (right - left) * (bottom - top);
};
const areaOf = (points: readonly Point[]): number => {
  const { longMm, shortMm } = leastRectangle(points)!;
  return longMm * shortMm;
};

describe('the least rectangle', () => {
  test('of 500 outlines is that of the best edge of the hull, each tried whole, and no angle between beats it', () => {
    const random = seeded(36);
    for (let run = 0; run < 500; run++) {
      const count = 3 + Math.floor(random() * 14);
      const points = Array.from({ length: count }, () => ({ x: random() * 400, y: random() * (20 + random() * 400) }));
      const hull = hullOf(points);
      const byEdge = Math.min(
        ...hull.map((from, i) => {
          const to = hull[(i + 1) % hull.length]!;
          return boxAt(hull, Math.atan2(to.y - from.y, to.x - from.x));
        }),
      );
      expect(Math.abs(areaOf(points) / byEdge - 1)).toBeLessThan(1e-9);
      for (let angle = 0; angle < Math.PI / 2; angle += 0.05) expect(boxAt(hull, angle)).toBeGreaterThan(areaOf(points) * (1 - 1e-9));
    }
  });
  test('of a rectangle turned anyhow is the rectangle, its longer side along', () => {
    const [cos, sin] = [Math.cos(0.7), Math.sin(0.7)];
    const corners = [
      { x: 0, y: 0 },
      { x: 30, y: 0 },
      { x: 30, y: 80 },
      { x: 0, y: 80 },
    ].map(({ x, y }) => ({ x: cos * x - sin * y, y: sin * x + cos * y }));
    const found = leastRectangle(corners)!;
    expect([found.longMm, found.shortMm]).toEqual([expect.closeTo(80, 9), expect.closeTo(30, 9)]);
    expect(Math.abs(found.along.x * -sin + found.along.y * cos)).toBeCloseTo(1, 9);
  });
  test('there is none round points on a line', () => {
    expect(leastRectangle([0, 1, 2].map((x) => ({ x, y: 2 * x })))).toBeNull();
  });
});
