import { type Box, type Point, type Region, between, contains, distanceMm, intersection, isEmpty } from '../../base/geometry';
import { type Role, kindOf } from '../../plan/features';
import { type Ground, type Heights, type Land, type Upright, bendsOf, standsMm, surfaceAt, waterLevelMm } from '../../terrain/ground';
import { type Between, type Heights3, type Solid, bodyOf } from './body';
import { type Facets, facetsOf } from './facets';

/** Something on the table, or in it, as a body of its own. */
export interface Standing {
  readonly featureId: string;
  readonly what: 'water' | 'fixed' | 'loose';
  readonly solid: Solid;
}
/** The table in the round. */
export interface TableSolids {
  /** The ground alone. */
  readonly ground: Solid;
  readonly standing: readonly Standing[];
  /** The ground and all that is fixed to it as one closed body, for a printer or a mill. */
  readonly printed: Solid;
}

/** So far inside a triangle its heights are read, mm: at its very edge two heights may meet, and corners lie on a grid. */
const INSIDE_MM = 0.02;
/** No nearer to the middle than this share of the way. */
const MAX_INSIDE = 0.3;

/**
 * The table as closed bodies with exact outlines.
 * @param heights what the stack makes of the drawn heights
 * @param deepMm how far the underside lies below the ground's surface
 */
export function tableSolids(ground: Ground, table: Box, heights: Heights, deepMm: number, uprights: readonly Upright[] = []): TableSolids {
  const facets = facetsOf(table, linesOf(ground));
  const read = readerOf(facets);
  const surface = facets.triangles.map((_, t) => read(t, (centre) => surfaceAt(ground, centre, heights)));
  const shaped = new Set(uprights.map(({ featureId }) => featureId));
  const things = ground.lands.flatMap((land) => (shaped.has(land.feature.id) ? [] : thingOf(land, facets, surface)));
  const topOf = (t: number): Heights3 =>
    things.reduce<Heights3>((top, { what, between }) => (what === 'fixed' ? higher(top, between.top(t)) : top), surface[t]!);
  return {
    ground: bodyOf(facets, { top: (t) => surface[t]!, under: -deepMm }),
    standing: [
      ...things.map(({ featureId, what, between }) => ({ featureId, what, solid: bodyOf(facets, between) })),
      ...uprights.map((upright) => ({
        featureId: upright.featureId,
        what: 'loose' as const,
        solid: uprightSolid(upright, facets, surface),
      })),
    ],
    printed: bodyOf(facets, { top: topOf, under: -deepMm }),
  };
}

/** Something with a shape of its own, all its parts as one, on the highest ground under it. */
function uprightSolid({ ground, meshes }: Upright, facets: Facets, surface: readonly Heights3[]): Solid {
  const inside = within(ground, facets);
  const footMm = surface.reduce((high, mm, t) => (inside[t] === true ? Math.max(high, ...mm) : high), 0);
  const [positions, indices]: [number[], number[]] = [[], []];
  for (const { places, triangles } of meshes()) {
    const first = positions.length / 3;
    for (const [x, y, up] of places) positions.push(x, footMm + up, y);
    for (const corners of triangles) indices.push(...corners.map((i) => first + i));
  }
  return { positions: new Float32Array(positions), indices: new Uint32Array(indices), topTriangles: 0, sideTriangles: indices.length / 3 };
}

interface Thing extends Pick<Standing, 'featureId' | 'what'> {
  readonly between: Between;
}
type Read = (triangle: number, at: (centre: Point) => (point: Point) => number) => Heights3;

/** Reads heights within a triangle and carries them on to its three corners, which is exact for all that slopes evenly. */
function readerOf(facets: Facets): Read {
  return (t, at) => {
    const [a, b, c] = cornersOf(facets, t);
    const centre = middleOf([a, b, c]);
    // The middle lies a third of the least height of the triangle from the nearest side.
    const middleMm = leastHeightMm(a, b, c) / 3;
    const share = Math.min(MAX_INSIDE, INSIDE_MM / middleMm);
    const height = at(centre);
    const read = [a, b, c].map((corner) => height(between(corner, centre, share)));
    const mean = (read[0]! + read[1]! + read[2]!) / 3;
    const [p, q, r] = read.map((mm) => mean + (mm - mean) / (1 - share));
    return [p!, q!, r!];
  };
}

type Corners = readonly [Point, Point, Point];
function cornersOf({ corners, triangles }: Facets, t: number): Corners {
  const [a, b, c] = triangles[t]!;
  return [corners[a]!, corners[b]!, corners[c]!];
}
const middleOf = ([a, b, c]: Corners): Point => ({ x: (a.x + b.x + c.x) / 3, y: (a.y + b.y + c.y) / 3 });

function leastHeightMm(a: Point, b: Point, c: Point): number {
  const twiceMm2 = Math.abs((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x));
  return twiceMm2 / Math.max(distanceMm(a, b), distanceMm(b, c), distanceMm(c, a));
}

/** Everything that the ground's surface breaks or bends along. What a land has under others is left out: it would only make more corners. */
function linesOf(ground: Ground): Region['rings'] {
  return ground.lands.flatMap((land) => {
    const own = ownGround(land);
    return [own, ...bendsOf(land).map((bend) => intersection(bend, own))].flatMap(({ rings }) => rings);
  });
}
const OWN = { hole: 'body', mass: 'body', surface: 'shows', standing: 'whole', patch: 'body', mark: 'body' } as const satisfies Record<
  Role,
  keyof Land
>;
/** What stands somewhere is built to its whole outline, whatever is dug away under it. */
const ownGround = (land: Land): Region => (standsMm(land) > 0 ? land.whole : land[OWN[land.role]]);

/** What stands on a land or is filled into it. */
function thingOf(land: Land, facets: Facets, surface: readonly Heights3[]): Thing[] {
  const brimMm = waterLevelMm(land);
  if (brimMm !== null) {
    const inside = within(land.body, facets);
    const under = (t: number): Heights3 => surface[t]!.map((mm) => Math.min(mm, brimMm)) as unknown as Heights3;
    return [
      { featureId: land.feature.id, what: 'water', between: { under, top: (t) => (inside[t] === true ? [brimMm, brimMm, brimMm] : null) } },
    ];
  }
  const tallMm = standsMm(land);
  if (tallMm === 0) return [];
  const inside = within(land.whole, facets);
  const footMm = surface.reduce((low, mm, t) => (inside[t] === true ? Math.min(low, ...mm) : low), Infinity);
  if (footMm === Infinity) return [];
  const top: Heights3 = [footMm + tallMm, footMm + tallMm, footMm + tallMm];
  return [
    {
      featureId: land.feature.id,
      what: kindOf(land.feature).isPlot === true ? 'loose' : 'fixed',
      between: { top: (t) => (inside[t] === true ? higher(surface[t]!, top) : null), under: (t) => surface[t]! },
    },
  ];
}

/** Which triangles lie in a region. */
const within = (region: Region, facets: Facets): readonly boolean[] =>
  isEmpty(region) ? [] : facets.triangles.map((_, t) => contains(region, middleOf(cornersOf(facets, t))));

const higher = (a: Heights3, b: Heights3 | null): Heights3 =>
  b === null ? a : [Math.max(a[0], b[0]), Math.max(a[1], b[1]), Math.max(a[2], b[2])];
