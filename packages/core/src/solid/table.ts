import { type Box, type Region, clippedTo, contains, isEmpty } from '../base/geometry';
import { kindOf } from '../features';
import { type Ground, type Heights, type Land, bendsOf, standsMm, surfaceAt, waterLevelMm } from '../ground';
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

/** So far a height is read from its corner into the triangle it is read for: on a face two heights meet. */
const INTO = 1e-3;

/**
 * The table as closed bodies with exact outlines.
 * @param heights what the stack makes of the drawn heights
 * @param deepMm how far the underside lies below the ground's surface
 */
export function tableSolids(ground: Ground, table: Box, heights: Heights, deepMm: number): TableSolids {
  const facets = facetsOf(table, linesOf(ground, table));
  const read = readerOf(facets);
  const surface = facets.triangles.map((_, t) => read(t, (centre) => surfaceAt(ground, centre, heights)));
  const things = ground.lands.flatMap((land) => thingOf(land, facets, surface, read));
  const topOf = (t: number): Heights3 =>
    things.reduce<Heights3>((top, { what, between }) => (what === 'fixed' ? higher(top, between.top(t)) : top), surface[t]!);
  return {
    ground: bodyOf(facets, { top: (t) => surface[t]!, under: -deepMm }),
    standing: things.map(({ featureId, what, between }) => ({ featureId, what, solid: bodyOf(facets, between) })),
    printed: bodyOf(facets, { top: topOf, under: -deepMm }),
  };
}

interface Thing extends Pick<Standing, 'featureId' | 'what'> {
  readonly between: Between;
}
type Read = (
  triangle: number,
  at: (centre: { readonly x: number; readonly y: number }) => (point: { readonly x: number; readonly y: number }) => number,
) => Heights3;

/** Reads a height at the three corners of a triangle, from within it. */
function readerOf({ corners, triangles }: Facets): Read {
  return (t, at) => {
    const [a, b, c] = triangles[t]!.map((corner) => corners[corner]!);
    const centre = { x: (a!.x + b!.x + c!.x) / 3, y: (a!.y + b!.y + c!.y) / 3 };
    const height = at(centre);
    const [p, q, r] = [a!, b!, c!].map(({ x, y }) => height({ x: x + (centre.x - x) * INTO, y: y + (centre.y - y) * INTO }));
    return [p!, q!, r!];
  };
}

/** Everything that the ground's surface breaks or bends along. */
function linesOf(ground: Ground, table: Box): Region['rings'] {
  return ground.lands.flatMap((land) =>
    [land.whole, ...bendsOf(land).map((region) => clippedTo(region, table))].flatMap(({ rings }) => rings),
  );
}

/** What stands on a land or is filled into it. */
function thingOf(land: Land, facets: Facets, surface: readonly Heights3[], read: Read): Thing[] {
  const brimMm = waterLevelMm(land);
  if (brimMm !== null) {
    const inside = within(land.body, facets, read);
    const under = (t: number): Heights3 => surface[t]!.map((mm) => Math.min(mm, brimMm)) as unknown as Heights3;
    return [
      { featureId: land.feature.id, what: 'water', between: { under, top: (t) => (inside[t] === true ? [brimMm, brimMm, brimMm] : null) } },
    ];
  }
  const tallMm = standsMm(land);
  if (tallMm === 0) return [];
  const inside = within(land.whole, facets, read);
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
function within(region: Region, { triangles }: Facets, read: Read): readonly boolean[] {
  if (isEmpty(region)) return [];
  return triangles.map((_, t) => read(t, (centre) => () => Number(contains(region, centre)))[0] === 1);
}

const higher = (a: Heights3, b: Heights3 | null): Heights3 =>
  b === null ? a : [Math.max(a[0], b[0]), Math.max(a[1], b[1]), Math.max(a[2], b[2])];
