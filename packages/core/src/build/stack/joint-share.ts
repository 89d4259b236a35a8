import { type Ground, type TileLand, type Zones, tileShare } from '../../terrain/ground';
import { areaMm2 } from '../../base/geometry';
import { memoize } from '../../base/memory';
import type { Joint } from './joint';

interface ShareInputs {
  readonly joints: readonly Joint[];
  readonly zones: Zones;
  readonly ground: Ground;
}

/** The share of a joint's whole face that lies on a tile, 0 to 1. */
export function jointShares({ zones, ground }: ShareInputs): (joint: Joint, tileId: string) => number {
  const tiles = new Map(ground.tiles.map((tile) => [tile.id, tile]));
  const onTile = new Map(ground.tileLands.map((tileLand) => [`${tileLand.tileId} ${tileLand.land.id}`, tileLand]));
  const bodies = new Map(ground.features.map(({ landId, body }) => [landId, body.value]));
  return ({ place, area, landId }, tileId) => {
    if (place.part === 'ground') return tileShare(tiles.get(tileId)!, ground);
    if (place.part === 'facing') {
      const here = zones.onTile.get(tileId)?.find((zone) => zone.kind === place.groundKind);
      return here === undefined || area.value <= 0 ? 0 : Math.min(1, here.surfaceMm2 / area.value);
    }
    const here = landId === null ? undefined : onTile.get(`${tileId} ${landId}`);
    const wholeMm2 = landId === null ? 0 : (bodies.get(landId) ?? 0);
    return here === undefined || wholeMm2 <= 0 ? 0 : Math.min(1, bodyMm2(here) / wholeMm2);
  };
}

const bodyMm2 = memoize(({ body }: TileLand): number => areaMm2(body));
