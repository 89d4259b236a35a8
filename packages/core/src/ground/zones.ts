import { areaMm2, innerEdgeMm } from '../geometry';
import { ZONE_KINDS, type ZoneKind } from '../plan';
import { type Figure, inSquareMetres, reckon, total } from '../units';
import type { FeatureGround } from './feature-ground';
import type { Ground } from './ground';

/** All surface of one kind on the board: what shows from above, the upright faces, and the two together. */
export interface Zone {
  readonly kind: ZoneKind;
  readonly surface: Figure<'mm²'>;
  readonly coated: Figure<'m²'>;
  readonly features: readonly FeatureGround[];
}
/** How much of a kind of surface is on one tile. */
export interface TileZone {
  readonly tileId: string;
  readonly kind: ZoneKind;
  readonly surfaceMm2: number;
  readonly coatedMm2: number;
}
export interface Zones {
  readonly byKind: Readonly<Record<ZoneKind, Zone>>;
  readonly byTile: readonly TileZone[];
}

/** Second stage: surfaces by kind, on the board and on each tile. Open ground is what no feature takes. */
export function zonesOf(ground: Ground): Zones {
  const zone = (kind: ZoneKind): Zone => {
    const features = ground.features.filter((feature) => feature.kind === kind && feature.surface.value > 0);
    const surface =
      kind === 'open'
        ? openSurface(ground)
        : total(
            `${ZONE_NAMES[kind]}, surface`,
            'mm²',
            features.map((f) => f.surface),
          );
    const faces = total(
      `${ZONE_NAMES[kind]}, upright faces`,
      'mm²',
      features.map((feature) => feature.sides),
    );
    const both = faces.value === 0 ? surface : reckon(`${ZONE_NAMES[kind]}, all to coat`, 'mm²', surface, '+', faces);
    return { kind, surface, coated: inSquareMetres(both), features };
  };
  const byKind = Object.fromEntries(ZONE_KINDS.map((kind) => [kind, zone(kind)])) as Record<ZoneKind, Zone>;
  return { byKind, byTile: ground.tiles.flatMap((tile) => tileZones(ground, tile)) };
}

/** What each kind of surface is called on screen. */
export const ZONE_NAMES: Readonly<Record<ZoneKind, string>> = {
  open: 'Open ground',
  raised: 'Raised ground',
  route: 'Routes',
  pit: 'Pits',
  water: 'Water beds',
};

function openSurface(ground: Ground): Figure<'mm²'> {
  const taken = total(
    'Taken by features',
    'mm²',
    ground.features.map((feature) => feature.surface),
  );
  return reckon(`${ZONE_NAMES.open}, surface`, 'mm²', ground.tableArea, '−', taken);
}

function tileZones(ground: Ground, { id, box }: Ground['tiles'][number]): TileZone[] {
  const sums = new Map<ZoneKind, { surfaceMm2: number; coatedMm2: number }>();
  let takenMm2 = 0;
  for (const { land, body, shows } of ground.onTile.get(id)!) {
    const surfaceMm2 = areaMm2(shows);
    const sidesMm2 = innerEdgeMm(body, box) * Math.abs(land.levelMm - land.baseMm);
    const sum = sums.get(land.feature.kind) ?? { surfaceMm2: 0, coatedMm2: 0 };
    sums.set(land.feature.kind, { surfaceMm2: sum.surfaceMm2 + surfaceMm2, coatedMm2: sum.coatedMm2 + surfaceMm2 + sidesMm2 });
    takenMm2 += surfaceMm2;
  }
  const openMm2 = Math.max(0, (box.right - box.left) * (box.bottom - box.top) - takenMm2);
  sums.set('open', { surfaceMm2: openMm2, coatedMm2: openMm2 });
  return ZONE_KINDS.flatMap((kind) => {
    const sum = sums.get(kind);
    return sum === undefined || sum.coatedMm2 < 1 ? [] : [{ tileId: id, kind, ...sum }];
  });
}
