import { areaMm2 } from '../geometry';
import { type Ground, type Zones, tileShare } from '../ground';
import type { Joint } from './stack';

/** The share of a joint's whole face that lies on one tile, 0 to 1. */
export function jointShare(joint: Joint, tileId: string, zones: Zones, ground: Ground): number {
  const { place } = joint;
  if (place.part === 'facing') {
    const here = zones.byTile.find((zone) => zone.tileId === tileId && zone.kind === place.zone);
    return here === undefined || joint.area.value <= 0 ? 0 : Math.min(1, here.surfaceMm2 / joint.area.value);
  }
  if (place.part === 'ground')
    return tileShare(
      ground.tiles.find(({ id }) => id === tileId)!,
      ground,
    );
  const onTile = ground.onTile.get(tileId)!.find(({ land }) => land.id === joint.landId);
  if (onTile === undefined || onTile.body.rings.length === 0) return 0;
  const whole = ground.features.find(({ landId }) => landId === joint.landId)!.body.value;
  return whole <= 0 ? 0 : Math.min(1, areaMm2(onTile.body) / whole);
}
