import { areaMm2, innerEdgeMm } from '../geometry';
import { ZONE_KINDS, type ZoneKind } from '../plan';
import { type Figure, given, inSquareMetres, reckon, total } from '../units';
import type { FeatureGround } from './feature-ground';
import type { Ground } from './ground';
import type { Land } from './land';
import { bowlShare, faceHeightMm, isBowl } from './profile';

/** All surface of one kind on the board: what shows from above, the upright faces, and the two together. */
export interface Zone {
  readonly kind: ZoneKind;
  readonly surface: Figure<'mm²'>;
  readonly coated: Figure<'m²'>;
  readonly features: readonly FeatureGround[];
  /** Rims heaped from the texture paste of this surface, over its film. */
  readonly heaped: Figure<'mm³'> | null;
  /** Room for water in each basin that shows, brim and bowl allowed for. */
  readonly basins: readonly { readonly featureId: string; readonly name: string; readonly room: Figure<'mm³'> }[];
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
    const features = ground.features.filter((feature) => feature.zone === kind && feature.surface.value > 0);
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
    return {
      kind,
      surface,
      coated: inSquareMetres(both),
      features,
      heaped: heapedOn(kind, ground),
      basins: kind === 'water' ? basinsOf(ground) : [],
    };
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
  plot: 'Plots',
  field: 'Fields',
};

/**
 * Paste in the rims of craters.
 * @source a parabola of height h over a width w has ⅔·h·w of section; its ring runs on the circle through its middle
 */
function heapedOn(kind: ZoneKind, ground: Ground): Figure<'mm³'> | null {
  const rims = ground.lands.flatMap((land) =>
    land.role === 'surface' && land.zone === kind && land.feature.kind === 'crater' ? [rimOf(land)] : [],
  );
  return rims.length === 0 ? null : total(`${ZONE_NAMES[kind]}, heaped rims`, 'mm³', rims);
}

function rimOf({ feature, name }: Land): Figure<'mm³'> {
  if (feature.kind !== 'crater') throw new TypeError(`only craters have rims, got ${feature.kind}`);
  const { shape, rimMm, rimWidthMm } = feature;
  const box = reckon(
    `${name}, height × width`,
    'mm²',
    given(`${name}, height`, rimMm, 'mm', 'plan'),
    '×',
    given(`${name}, width`, rimWidthMm, 'mm', 'plan'),
  );
  const section = reckon(`${name}, section`, 'mm²', box, '×', given('Share of a parabola', 2 / 3, '1', 'definition'));
  const round = given(`${name}, length`, 2 * Math.PI * (shape.radiusMm + rimWidthMm / 2), 'mm', 'drawing', '2π × the radius to its middle');
  return reckon(`${name}, paste`, 'mm³', section, '×', round);
}

function basinsOf(ground: Ground): Zone['basins'] {
  return ground.features.flatMap((measured, i) => {
    const { feature } = ground.lands[i]!;
    if (feature.kind !== 'water' || measured.surface.value <= 0) return [];
    const { name, featureId, surface } = measured;
    const full = reckon(`${name}, room`, 'mm³', surface, '×', given(`${name}, water depth`, feature.waterMm, 'mm', 'plan'));
    if (!isBowl(feature)) return [{ featureId, name, room: full }];
    const share = given(
      `${name}, share a bowl holds`,
      bowlShare(feature.shape, feature.depthMm, Math.min(feature.waterMm, feature.depthMm)),
      '1',
      'drawing',
      'measured on its floor',
    );
    return [{ featureId, name, room: reckon(`${name}, room in the bowl`, 'mm³', full, '×', share) }];
  });
}

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
    if (land.zone === null) continue;
    const sidesMm2 = innerEdgeMm(body, box) * faceHeightMm(land);
    const sum = sums.get(land.zone) ?? { surfaceMm2: 0, coatedMm2: 0 };
    sums.set(land.zone, { surfaceMm2: sum.surfaceMm2 + surfaceMm2, coatedMm2: sum.coatedMm2 + surfaceMm2 + sidesMm2 });
    takenMm2 += surfaceMm2;
  }
  const openMm2 = Math.max(0, (box.right - box.left) * (box.bottom - box.top) - takenMm2);
  sums.set('open', { surfaceMm2: openMm2, coatedMm2: openMm2 });
  return ZONE_KINDS.flatMap((kind) => {
    const sum = sums.get(kind);
    return sum === undefined || sum.coatedMm2 < 1 ? [] : [{ tileId: id, kind, ...sum }];
  });
}
