import { type Point, contains } from '../base/geometry';
import type { Ground } from './ground';
import type { Land } from './land';
import { type HeightAt, overlayOf, profileOf } from './profile';

/** The lands to look among: all of a ground, or those of one tile. */
export type Lands = Pick<Ground, 'lands'>;

/** The land whose foam or hole is at a point, the one standing highest first; null on plain ground. */
export function landAt(ground: Lands, point: Point): Land | null {
  const here = ground.lands.filter(({ body }) => contains(body, point));
  const hole = here.find(({ role }) => role === 'hole');
  if (hole !== undefined) return hole;
  return here.reduce<Land | null>((best, land) => (best === null || land.levelMm > best.levelMm ? land : best), null);
}

/** The land whose surface shows at a point; null on open ground. */
export const shownAt = (ground: Lands, point: Point): Land | null => ground.lands.find(({ shows }) => contains(shows, point)) ?? null;

/** How high a mass really comes out once built of stock, over the ground in mm. */
export type BuiltMm = (land: Land) => number;
const asDrawn: BuiltMm = ({ levelMm }) => levelMm;

/** Height of a land's surface at a point of its body, as it will be built. */
export function heightsOf(land: Land, built: BuiltMm = asDrawn): HeightAt {
  const profile = profileOf(land);
  const ratio = land.role === 'mass' && land.levelMm > 0 ? built(land) / land.levelMm : 1;
  return ratio === 1 ? profile : (point) => profile(point) * ratio;
}

/** Height of the surface at a point over the ground, mm: foam or floor, and what lies on it. Water is not counted. */
export function heightAt(ground: Lands, point: Point, built: BuiltMm = asDrawn): number {
  let heightMm = 0;
  let isHole = false;
  for (const land of ground.lands) {
    if (land.role === 'hole' && contains(land.body, point)) [heightMm, isHole] = [heightsOf(land)(point), true];
    else if (land.role === 'mass' && !isHole && contains(land.body, point)) heightMm = Math.max(heightMm, heightsOf(land, built)(point));
  }
  for (const land of ground.lands) {
    if (land.role !== 'surface' || !contains(land.shows, point)) continue;
    heightMm += overlayOf(land)?.(point) ?? 0;
  }
  return heightMm;
}
