import { type Point, contains } from '../../base/geometry';
import type { GroundKind } from '../../plan/surfaces';
import type { Ground } from './ground';
import type { Land } from './land';
import { type HeightAt, overlayOf, profileOf } from './profile';

/** What the stack makes of the drawn heights: how high masses come out of stock, and how thick each kind of surface is covered, mm. */
export interface Heights {
  readonly built: BuiltMm;
  readonly coveredMm: (zone: GroundKind) => number;
}

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

/** The surface that holds at a point, bare: foam or floor, and what lies on it. Water is not counted. See {@link surfaceAt}. */
export const bareAt = (ground: Lands, at: Point, built: BuiltMm = asDrawn): HeightAt => surfaceAt(ground, at, { built, coveredMm: bare });

/**
 * The surface that holds at a point, to be read at points near it that it does not break off before: foam or floor, what lies on it, and what covers it.
 * Sunk ground cuts through raised ground, of which the highest counts.
 */
export function surfaceAt(ground: Lands, at: Point, { built, coveredMm }: Heights): HeightAt {
  let foam: HeightAt | null = null;
  let [isHole, highestMm] = [false, 0];
  let zone: GroundKind = 'open';
  const over: HeightAt[] = [];
  for (const land of ground.lands) {
    if (land.role === 'hole' && contains(land.body, at)) [foam, isHole] = [heightsOf(land), true];
    else if (land.role === 'mass' && !isHole && contains(land.body, at)) {
      const own = heightsOf(land, built);
      const mm = own(at);
      if (mm > highestMm) [foam, highestMm] = [own, mm];
    }
    if (land.zone === null || !contains(land.shows, at)) continue;
    zone = land.zone;
    const overlay = overlayOf(land);
    if (overlay !== null) over.push(overlay);
  }
  const coverMm = coveredMm(zone);
  return (point) => (foam?.(point) ?? 0) + over.reduce((sum, overlay) => sum + overlay(point), coverMm);
}
const bare = (): number => 0;
