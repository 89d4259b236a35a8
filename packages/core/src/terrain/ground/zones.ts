import { type GroundKind, byGroundKind, GROUND_KIND_NAMES, GROUND_KINDS } from '../../plan/surfaces';
import { memoize } from '../../base/memory';
import type { Ground, TileLand } from './ground';
import { kindOf } from '../../plan/features';
import { facesOf } from './profile';
import { areaMm2, innerEdgeMm } from '../../base/geometry';
import { type Figure, inSquareMetres, calculate, total } from '../../base/units';
import type { FeatureGround } from './feature-ground';

/** All surface of one kind on the board, whatever it wears: what shows from above, the upright faces, and the two together. */
export interface Zone {
  readonly kind: GroundKind;
  readonly surface: Figure<'mm²'>;
  readonly coated: Figure<'m²'>;
  readonly features: readonly FeatureGround[];
  /** Rims heaped from the texture paste of this surface, over its film. */
  readonly heaped: Figure<'mm³'> | null;
}
/** How much of a kind of surface is on one tile. */
export interface TileZone {
  readonly tileId: string;
  readonly kind: GroundKind;
  readonly surfaceMm2: number;
  readonly coatedMm2: number;
}
export interface Zones {
  readonly byKind: Readonly<Record<GroundKind, Zone>>;
  readonly byTile: readonly TileZone[];
  /** The same, by tile. */
  readonly onTile: ReadonlyMap<string, readonly TileZone[]>;
}

/** Surfaces by kind, on the board and on each tile. Open ground is what no feature takes. */
export function zonesOf({ ground }: { readonly ground: Ground }): Zones {
  const zone = (kind: GroundKind): Zone => {
    const features = ground.features.filter((feature) => feature.zone === kind && feature.surface.value > 0);
    const surface =
      kind === 'open'
        ? openSurface(ground)
        : total(
            `${GROUND_KIND_NAMES[kind]}, surface`,
            'mm²',
            features.map((f) => f.surface),
          );
    const faces = total(
      `${GROUND_KIND_NAMES[kind]}, upright faces`,
      'mm²',
      features.map((feature) => feature.sides),
    );
    const both = faces.value === 0 ? surface : calculate(`${GROUND_KIND_NAMES[kind]}, area to coat`, 'mm²', surface, '+', faces);
    return { kind, surface, coated: inSquareMetres(both), features, heaped: heapedOn(kind, ground) };
  };
  const byKind = byGroundKind(zone);
  const onTile = new Map(ground.tiles.map((tile) => [tile.id, tileZones(tile, ground.onTile.get(tile.id)!)]));
  return { byKind, byTile: [...onTile.values()].flat(), onTile };
}

/** Paste heaped over the film of the surface it lies on. */
function heapedOn(kind: GroundKind, ground: Ground): Figure<'mm³'> | null {
  const heaps = ground.lands.flatMap(({ role, zone, feature, name }) => {
    const heap = role === 'surface' && zone === kind ? kindOf(feature).heaped?.(feature, name) : null;
    return heap === null || heap === undefined ? [] : [heap];
  });
  return heaps.length === 0 ? null : total(`${GROUND_KIND_NAMES[kind]}, heaped rims`, 'mm³', heaps);
}

function openSurface(ground: Ground): Figure<'mm²'> {
  const taken = total(
    'Covered by features',
    'mm²',
    ground.features.map((feature) => feature.surface),
  );
  return calculate(`${GROUND_KIND_NAMES.open}, surface`, 'mm²', ground.tableArea, '−', taken);
}

const tileZones = memoize(({ id, box }: Ground['tiles'][number], here: readonly TileLand[]): readonly TileZone[] => {
  const sums = new Map<GroundKind, { surfaceMm2: number; coatedMm2: number }>();
  let takenMm2 = 0;
  for (const { land, body, shows } of here) {
    if (land.zone === null) continue;
    const surfaceMm2 = areaMm2(shows);
    const sidesMm2 = innerEdgeMm(body, box) * facesOf(land).heightMm;
    const sum = sums.get(land.zone) ?? { surfaceMm2: 0, coatedMm2: 0 };
    sums.set(land.zone, { surfaceMm2: sum.surfaceMm2 + surfaceMm2, coatedMm2: sum.coatedMm2 + surfaceMm2 + sidesMm2 });
    takenMm2 += surfaceMm2;
  }
  const openMm2 = Math.max(0, (box.right - box.left) * (box.bottom - box.top) - takenMm2);
  sums.set('open', { surfaceMm2: openMm2, coatedMm2: openMm2 });
  return GROUND_KINDS.flatMap((kind) => {
    const sum = sums.get(kind);
    return sum === undefined || sum.coatedMm2 < 1 ? [] : [{ tileId: id, kind, ...sum }];
  });
});
