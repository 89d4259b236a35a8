import type { Point } from '../../base/geometry';
import { hullOf } from './measure';

/** The least rectangle round some points: its sizes, the longer first, and the way its longer side runs. */
export interface LeastRectangle {
  readonly longMm: number;
  readonly shortMm: number;
  /** Unit vector along the longer side. */
  readonly along: Point;
}

/**
 * The rectangle of the least area round some points, at any angle: one of its sides lies along an edge of their hull, so that each edge is tried, with the three
 * corners that reach farthest carried on from edge to edge.
 * @returns null where the points lie on a line
 * @source rotating calipers
 */
export function leastRectangle(points: readonly Point[]): LeastRectangle | null {
  const hull = hullOf(points);
  const count = hull.length;
  if (count < 3) return null;
  const corner = (i: number): Point => hull[i % count]!;
  let best: LeastRectangle | null = null;
  let [right, far, left] = [1, 1, 1];
  for (let i = 0; i < count; i++) {
    const from = corner(i);
    const [dx, dy] = [corner(i + 1).x - from.x, corner(i + 1).y - from.y];
    const longMm = Math.hypot(dx, dy);
    const along = { x: dx / longMm, y: dy / longMm };
    const on = (k: number): number => (corner(k).x - from.x) * along.x + (corner(k).y - from.y) * along.y;
    const off = (k: number): number => (corner(k).y - from.y) * along.x - (corner(k).x - from.x) * along.y;
    // The hull turns one way, so that none of the three ever goes back.
    right = Math.max(right, i + 1);
    while (on(right + 1) > on(right)) right++;
    far = Math.max(far, right);
    while (off(far + 1) > off(far)) far++;
    left = Math.max(left, far);
    while (on(left + 1) < on(left)) left++;
    const [wideMm, highMm] = [on(right) - on(left), off(far)];
    if (best !== null && wideMm * highMm >= best.longMm * best.shortMm) continue;
    best =
      wideMm >= highMm
        ? { longMm: wideMm, shortMm: highMm, along }
        : { longMm: highMm, shortMm: wideMm, along: { x: -along.y, y: along.x } };
  }
  return best;
}
