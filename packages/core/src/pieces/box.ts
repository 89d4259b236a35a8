import { type Body, type Vec, placesOf } from '../shell';

/** The upright box round bodies, from its lowest to its highest corner, mm. */
export function boxOf(bodies: readonly Body[]): readonly [low: Vec, high: Vec] {
  const low: [number, number, number] = [Infinity, Infinity, Infinity];
  const high: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (const body of bodies) {
    for (const place of placesOf(body)) {
      for (const axis of [0, 1, 2] as const) {
        low[axis] = Math.min(low[axis], place[axis]);
        high[axis] = Math.max(high[axis], place[axis]);
      }
    }
  }
  return [low, high];
}
