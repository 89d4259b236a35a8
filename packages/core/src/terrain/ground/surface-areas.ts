import {
  type Region,
  areaMm2,
  boxRegion,
  boxesOverlap,
  clippedTo,
  innerEdgeMm,
  intersection,
  isEmpty,
  regionBox,
  without,
} from '../../base/geometry';
import { memoize } from '../../base/memory';
import { type Figure, given, inSquareMetres, calculate, total } from '../../base/units';
import { kindOf } from '../../plan/features';
import { type GroundKind, type SurfaceId, GROUND_KIND_NAMES, namedSurface } from '../../plan/surfaces';
import type { Basin } from './basins';
import type { Ground, TileLand } from './ground';
import type { Land } from './land';
import { facesOf } from './profile';
import type { Zones } from './zones';

/** A stretch of ground that wears one surface. */
export interface Stretch {
  readonly name: string;
  readonly kind: GroundKind;
  /** What shows it; null for open ground and for patches on it. */
  readonly land: Land | null;
  /** How far its edge fades into its neighbours, mm. */
  readonly softMm: number;
  /** What of it shows from above. Costs clipper passes for open ground: made when it is asked for. */
  readonly region: () => Region;
}
/** All ground that wears one surface. */
export interface SurfaceArea {
  readonly surfaceId: SurfaceId;
  readonly name: string;
  readonly surface: Figure<'mm²'>;
  readonly coated: Figure<'m²'>;
  /** Rims heaped from its texture paste, over its film. */
  readonly heaped: Figure<'mm³'> | null;
  readonly basins: readonly Basin[];
  readonly stretches: readonly Stretch[];
}
/** How much of a surface is on one tile. */
export interface TileSurface {
  readonly tileId: string;
  readonly surfaceId: SurfaceId;
  readonly name: string;
  readonly surfaceMm2: number;
  readonly coatedMm2: number;
}
export interface SurfaceAreas {
  readonly list: readonly SurfaceArea[];
  readonly onTile: ReadonlyMap<string, readonly TileSurface[]>;
}

interface AreaInputs {
  readonly ground: Ground;
  readonly zones: Zones;
  readonly basins: readonly Basin[];
  readonly wears: Readonly<Record<GroundKind, string>>;
  /** Of all surfaces, side by side. */
  readonly surfaceIds: readonly string[];
  readonly surfaceNames: readonly string[];
}
/** A patch as it shows: less the patches over it. */
interface Patch {
  readonly land: Land;
  readonly surfaceId: string;
  readonly region: Region;
}
/** A piece of surface with its measures. */
interface Share {
  readonly surfaceId: string;
  readonly stretch: Stretch;
  readonly surface: Figure<'mm²'>;
  readonly sides: Figure<'mm²'> | null;
  readonly heaped: Figure<'mm³'> | null;
}

/** The board by what its ground wears: what a feature says of itself before what its kind of ground wears, and patches over all but water. */
export function surfaceAreas(inputs: AreaInputs): SurfaceAreas {
  const { ground, basins, wears, surfaceIds, surfaceNames } = inputs;
  const patches = patchesOn(ground, surfaceIds);
  const worn = (land: Land): string => wornBy(land, wears, surfaceIds);
  const shares = [...ground.lands.flatMap((land, i) => landShares(land, i, worn(land), patches, inputs)), ...openShares(patches, inputs)];
  const list = surfaceIds.map((id, i): SurfaceArea => {
    const own = shares.filter(({ surfaceId }) => surfaceId === id);
    const name = surfaceNames[i]!;
    const surface = summed(
      `${name}, surface`,
      own.map((share) => share.surface),
    );
    const faces = own.flatMap(({ sides }) => (sides === null || sides.value === 0 ? [] : [sides]));
    const both =
      faces.length === 0 ? surface : calculate(`${name}, area to coat`, 'mm²', surface, '+', total(`${name}, upright faces`, 'mm²', faces));
    const heaps = own.flatMap(({ heaped }) => (heaped === null ? [] : [heaped]));
    const features = new Set(own.map(({ stretch }) => stretch.land?.feature.id));
    return {
      surfaceId: namedSurface(id),
      name,
      surface,
      coated: inSquareMetres(both),
      heaped: heaps.length === 0 ? null : total(`${name}, heaped rims`, 'mm³', heaps),
      basins: basins.filter(({ featureId }) => features.has(featureId)),
      stretches: own.map(({ stretch }) => stretch),
    };
  });
  const onTile = ground.tiles.map(
    (tile) => [tile.id, tileSurfaces(ground.onTile.get(tile.id)!, tile, patches, { wears, surfaceIds, surfaceNames })] as const,
  );
  return { list, onTile: new Map(onTile) };
}

/** What a land wears; a surface that is gone counts as none said. */
const wornBy = ({ feature, zone }: Land, wears: AreaInputs['wears'], surfaceIds: readonly string[]): string =>
  feature.surfaceId !== null && surfaceIds.includes(feature.surfaceId) ? feature.surfaceId : wears[zone!];

/** Patches that change anything: of two the later lies over the other, and none colours a water bed. */
function patchesOn({ lands }: Ground, surfaceIds: readonly string[]): readonly Patch[] {
  const all = lands.filter(
    ({ feature, role }) => role === 'patch' && kindOf(feature).patch !== undefined && surfaceIds.includes(feature.surfaceId ?? ''),
  );
  if (all.length === 0) return [];
  const beds = lands.filter(({ zone }) => zone === 'water').map(({ shows }) => shows);
  return all
    .map((land, i) =>
      asItShows(
        land,
        all.slice(i + 1).map(({ whole }) => whole),
        beds,
      ),
    )
    .filter(({ region }) => !isEmpty(region));
}

const asItShows = memoize((land: Land, over: readonly Region[], beds: readonly Region[]): Patch => ({
  land,
  surfaceId: land.feature.surfaceId!,
  region: without(land.whole, [...over, ...beds]),
}));

/** A land's surface, less the patches on it, and those patches. */
function landShares(land: Land, index: number, surfaceId: string, patches: readonly Patch[], { ground }: AreaInputs): readonly Share[] {
  if (land.zone === null) return [];
  const { surface, sides } = ground.features[index]!;
  if (surface.value <= 0 && sides.value <= 0) return [];
  const kind = land.zone;
  const over = isEmpty(land.shows) ? [] : patches.flatMap((patch) => patchOnLand(patch, land));
  const left = over.reduce<Figure<'mm²'>>(
    (sum, { area }) => calculate(`${land.name}, surface left by patches`, 'mm²', sum, '−', area),
    surface,
  );
  const heap = land.role === 'surface' ? (kindOf(land.feature).heaped?.(land.feature, land.name) ?? null) : null;
  const own: Share = {
    surfaceId,
    stretch: {
      name: land.name,
      kind,
      land,
      softMm: 0,
      region:
        over.length === 0
          ? () => land.shows
          : () =>
              without(
                land.shows,
                over.map(({ region }) => region),
              ),
    },
    surface: left,
    sides,
    heaped: heap,
  };
  return [
    own,
    ...over.map(({ patch, region, area }): Share => ({
      surfaceId: patch.surfaceId,
      stretch: { name: `${patch.land.name} on ${land.name}`, kind, land, softMm: softOf(patch), region: () => region },
      surface: area,
      sides: null,
      heaped: null,
    })),
  ];
}

const softOf = ({ land: { feature } }: Patch): number => kindOf(feature).patch?.(feature).softMm ?? 0;

/** What of a patch lies on a land. */
function patchOnLand(
  patch: Patch,
  land: Land,
): readonly { readonly patch: Patch; readonly region: Region; readonly area: Figure<'mm²'> }[] {
  if (!boxesOverlap(regionBox(patch.region), regionBox(land.shows))) return [];
  const region = intersection(patch.region, land.shows);
  if (areaMm2(region) < MIN_MM2) return [];
  const area = given(`${patch.land.name} on ${land.name}`, areaMm2(region), 'mm²', 'drawing', 'measured on the plan');
  return [{ patch, region, area }];
}
/** Less than this of a patch on a neighbour is the clipper's rounding. */
const MIN_MM2 = 1;

/** Open ground, and what of the patches lies on it. */
function openShares(patches: readonly Patch[], { ground, zones, wears }: AreaInputs): readonly Share[] {
  const onOpen = patches.flatMap((patch) => {
    const region = without(
      patch.region,
      ground.lands.filter(({ zone }) => zone !== null).map(({ shows }) => shows),
    );
    const mm2 = areaMm2(region);
    const name = `${patch.land.name} on open ground`;
    return mm2 < MIN_MM2 ? [] : [{ patch, region, name, area: given(name, mm2, 'mm²', 'drawing', 'measured on the plan') }];
  });
  const { surface } = zones.byKind.open;
  const left = onOpen.reduce<Figure<'mm²'>>((sum, { area }) => calculate('Open ground left by patches', 'mm²', sum, '−', area), surface);
  const own: Share = {
    surfaceId: wears.open,
    stretch: {
      name: GROUND_KIND_NAMES.open,
      kind: 'open',
      land: null,
      softMm: 0,
      region: () =>
        without(
          openRegion(ground),
          onOpen.map(({ region }) => region),
        ),
    },
    surface: left,
    sides: null,
    heaped: null,
  };
  return [
    ...(left.value > 0 ? [own] : []),
    ...onOpen.map(({ patch, region, name, area }): Share => ({
      surfaceId: patch.surfaceId,
      stretch: { name, kind: 'open', land: null, softMm: softOf(patch), region: () => region },
      surface: area,
      sides: null,
      heaped: null,
    })),
  ];
}

/** Ground that no feature takes. */
export const openRegion = memoize(({ tiles, lands }: Ground): Region => {
  if (tiles.length === 0) return { rings: [] };
  const table = {
    left: Math.min(...tiles.map(({ box }) => box.left)),
    top: Math.min(...tiles.map(({ box }) => box.top)),
    right: Math.max(...tiles.map(({ box }) => box.right)),
    bottom: Math.max(...tiles.map(({ box }) => box.bottom)),
  };
  return without(
    boxRegion(table),
    lands.filter(({ zone }) => zone !== null).map(({ shows }) => shows),
  );
});

/** Surfaces there are, and which of them each kind of ground wears. */
interface WornSurfaces {
  readonly wears: AreaInputs['wears'];
  readonly surfaceIds: readonly string[];
  readonly surfaceNames: readonly string[];
}
const tileSurfaces = memoize(
  (
    here: readonly TileLand[],
    { id, box }: Ground['tiles'][number],
    patches: readonly Patch[],
    { wears, surfaceIds, surfaceNames }: WornSurfaces,
  ): readonly TileSurface[] => {
    const sums = new Map<string, { surfaceMm2: number; coatedMm2: number }>();
    const add = (surfaceId: string, surfaceMm2: number, sidesMm2: number): void => {
      const sum = sums.get(surfaceId) ?? { surfaceMm2: 0, coatedMm2: 0 };
      sums.set(surfaceId, { surfaceMm2: sum.surfaceMm2 + surfaceMm2, coatedMm2: sum.coatedMm2 + surfaceMm2 + sidesMm2 });
    };
    const near = patches.map((patch) => ({ ...patch, region: clippedTo(patch.region, box) })).filter(({ region }) => !isEmpty(region));
    const openOf = near.map(({ region }) => areaMm2(region));
    let takenMm2 = 0;
    for (const { land, body, shows } of here) {
      if (land.zone === null) continue;
      let surfaceMm2 = areaMm2(shows);
      takenMm2 += surfaceMm2;
      near.forEach((patch, i) => {
        const mm2 = isEmpty(shows) ? 0 : areaMm2(intersection(patch.region, shows));
        if (mm2 === 0) return;
        add(patch.surfaceId, mm2, 0);
        surfaceMm2 -= mm2;
        openOf[i]! -= mm2;
      });
      add(wornBy(land, wears, surfaceIds), surfaceMm2, innerEdgeMm(body, box) * facesOf(land).heightMm);
    }
    let openMm2 = Math.max(0, (box.right - box.left) * (box.bottom - box.top) - takenMm2);
    near.forEach(({ surfaceId }, i) => {
      const mm2 = Math.max(0, openOf[i]!);
      if (mm2 < MIN_MM2) return;
      add(surfaceId, mm2, 0);
      openMm2 = Math.max(0, openMm2 - mm2);
    });
    add(wears.open, openMm2, 0);
    return [...sums].flatMap(([surfaceId, sum]) =>
      sum.coatedMm2 < MIN_MM2
        ? []
        : [{ tileId: id, surfaceId: namedSurface(surfaceId), name: surfaceNames[surfaceIds.indexOf(surfaceId)] ?? surfaceId, ...sum }],
    );
  },
);

const summed = (label: string, parts: readonly Figure<'mm²'>[]): Figure<'mm²'> => total(label, 'mm²', parts);
