import { type Vec, placesOf } from '../shell';
import type { MadeObject } from './making/made-object';

/** The upright box round an object and what is heaped on it, from its lowest to its highest corner, mm. */
export function boxOf({ bodies, loose }: Pick<MadeObject, 'bodies' | 'loose'>): readonly [low: Vec, high: Vec] {
  const low: [number, number, number] = [Infinity, Infinity, Infinity];
  const high: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (const places of [...bodies.map((body) => placesOf(body)), ...loose.map(({ mesh }) => mesh.places)]) {
    for (const place of places) {
      for (const axis of [0, 1, 2] as const) {
        low[axis] = Math.min(low[axis], place[axis]);
        high[axis] = Math.max(high[axis], place[axis]);
      }
    }
  }
  return [low, high];
}
