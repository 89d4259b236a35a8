import { tidyMm } from '../base/rounding';
import { type Point, distanceMm } from '../base/geometry';
import type { Underlay } from './plan';

/**
 * A picture grown or shrunk about the first of two points, so that they lie their true distance apart.
 * @param trueMm what lies between them in truth; the same picture comes back where the points are one
 */
export function scaledUnderlay(underlay: Underlay, [a, b]: readonly [Point, Point], trueMm: number): Underlay {
  const seenMm = distanceMm(a, b);
  if (seenMm === 0) return underlay;
  const grow = trueMm / seenMm;
  return {
    ...underlay,
    mmPerPx: underlay.mmPerPx * grow,
    at: { x: tidyMm(a.x + (underlay.at.x - a.x) * grow), y: tidyMm(a.y + (underlay.at.y - a.y) * grow) },
  };
}
