import { type Point, contains } from '../geometry';
import type { Ground } from './ground';
import { type Land, isRaised, isSunk } from './land';

/** The feature whose foam or hole is at a point, the one standing highest first; null on plain ground. */
export function landAt(ground: Ground, point: Point): Land | null {
  const here = ground.lands.filter(({ body }) => contains(body, point));
  const pit = here.find(({ feature }) => isSunk(feature));
  if (pit !== undefined) return pit;
  const raised = here.filter(({ feature }) => isRaised(feature));
  return raised.reduce<Land | null>((best, land) => (best === null || land.levelMm > best.levelMm ? land : best), null);
}

/** The kind of surface that shows at a point. */
export const surfaceAt = (ground: Ground, point: Point): Land['feature']['kind'] | 'open' =>
  ground.lands.find(({ shows }) => contains(shows, point))?.feature.kind ?? 'open';
