import {
  type Box,
  type Region,
  EMPTY,
  areaMm2,
  boxHolds,
  boxesOverlap,
  clippedTo,
  grown,
  intersection,
  isEmpty,
  regionBox,
  unite,
  without,
} from '../geometry';
import { type Feature, type Shape, type Table, type ZoneKind, levelRegion } from '../plan';
import { tableBox } from './tiles';

/**
 * What a feature does to the ground: `mass` adds foam, `hole` takes it away, `surface` lies on what is there, `standing`
 * is in the way above it, `mark` is only an intention.
 */
export type Role = 'mass' | 'hole' | 'surface' | 'standing' | 'mark';

/** A feature, or one step of it, settled among its neighbours: what of it is foam or hole, and what of it shows. */
export interface Land {
  /** The feature's own id, with the step's number behind it where there are several. */
  readonly id: string;
  readonly name: string;
  readonly feature: Feature;
  readonly role: Role;
  /** The kind of surface it shows; null for what shows none of its own. */
  readonly zone: ZoneKind | null;
  /** What the shape covers of the table. */
  readonly whole: Region;
  /** The foam of raised ground or the hole of sunk ground; empty for the rest. */
  readonly body: Region;
  /** The surface that shows from above and takes coats. */
  readonly shows: Region;
  /** Height of the foot over the ground: 0, or the top of the raised ground it stands on. */
  readonly baseMm: number;
  /** Height of the surface over the ground at its highest (a hole's at its deepest); 0 for what follows what it lies on. */
  readonly levelMm: number;
}

/** A stay in a place under this is the clipper's rounding. */
const INSIDE_MM2 = 1;

/** One land before it is settled. */
interface Spot extends Pick<Land, 'id' | 'name' | 'feature' | 'role' | 'zone' | 'levelMm'> {
  readonly order: number;
  readonly whole: Region;
  readonly box: Box | null;
}

/**
 * Settles overlaps. Sunk ground cuts through raised ground, and of two pits the later in the list counts. Of two raised
 * features the higher counts; one that lies wholly within a lower one stands on it. What lies on the ground lies on top of what is there
 * and stops at pits. The order of the list decides ties: later wins.
 * @param regionOfShape the ground a shape covers; passed in so that the pipeline can keep unchanged shapes
 */
export function settle(table: Table, features: readonly Feature[], regionOfShape: (shape: Shape) => Region): readonly Land[] {
  const onTable = tableBox(table);
  const spots = features.flatMap((feature, order) =>
    spotsOf(feature, withFillets(features, order, regionOfShape), regionOfShape).map(({ region, ...rest }): Spot => {
      const whole = clippedTo(region, onTable);
      return { ...rest, order, whole, box: isEmpty(whole) ? null : regionBox(whole) };
    }),
  );
  return spots.map((spot) => settleOne(spot, neighboursOf(spot, spots)));
}

type Piece = Pick<Land, 'id' | 'name' | 'feature' | 'role' | 'zone' | 'levelMm'> & { readonly region: Region };

/** What a feature is made of: itself, or its steps, or a bowl and its rim. */
function spotsOf(feature: Feature, region: Region, regionOfShape: (shape: Shape) => Region): Piece[] {
  const one = (role: Role, zone: ZoneKind | null, levelMm: number): Piece[] => [
    { id: feature.id, name: feature.name, feature, role, zone, levelMm, region },
  ];
  switch (feature.kind) {
    case 'raised':
      return steps(
        feature,
        Array.from({ length: feature.steps }, (_, i) => (i === 0 ? region : grown(region, -feature.stepInMm * i))),
        (i) => (feature.heightMm * (i + 1)) / feature.steps,
      );
    case 'hill':
      return steps(feature, feature.shape.levels.map(levelRegion), (i) => feature.stepMm * (i + 1));
    case 'bank':
      return one('mass', 'raised', feature.heightMm);
    case 'ramp':
      return one('mass', 'raised', Math.max(feature.fromMm, feature.toMm));
    case 'pit':
    case 'water':
      return one('hole', feature.kind, -feature.depthMm);
    case 'crater': {
      const bowl = one('hole', 'pit', -feature.depthMm);
      if (feature.rimMm === 0 || feature.rimWidthMm === 0) return bowl;
      const { shape } = feature;
      const rim = without(regionOfShape({ ...shape, radiusMm: shape.radiusMm + feature.rimWidthMm }), [region]);
      return [
        ...bowl,
        { ...bowl[0]!, id: `${feature.id}-rim`, name: `${feature.name}, rim`, role: 'surface', zone: 'raised', levelMm: 0, region: rim },
      ];
    }
    case 'route':
    case 'plot':
    case 'field':
      return one('surface', feature.kind, 0);
    case 'wall':
      return one('standing', null, 0);
    case 'clear':
    case 'light':
      return one('mark', null, 0);
    default:
      throw feature satisfies never;
  }
}

function steps(feature: Feature, regions: readonly Region[], levelMm: (i: number) => number): Piece[] {
  const all = regions.filter((region) => !isEmpty(region));
  return all.map((region, i) => ({
    id: all.length === 1 ? feature.id : `${feature.id}-${i + 1}`,
    name: all.length === 1 ? feature.name : `${feature.name}, step ${i + 1}`,
    feature,
    role: 'mass',
    zone: 'raised',
    levelMm: levelMm(i),
    region,
  }));
}

/** A route's ground with the corners rounded where it meets earlier routes. */
function withFillets(features: readonly Feature[], order: number, regionOfShape: (shape: Shape) => Region): Region {
  const feature = features[order]!;
  const own = regionOfShape(feature.shape);
  if (feature.kind !== 'route' || feature.junctionMm === 0 || isEmpty(own)) return own;
  const { junctionMm } = feature;
  const near = features
    .slice(0, order)
    .filter((other) => other.kind === 'route')
    .map((other) => regionOfShape(other.shape))
    .filter((other) => !isEmpty(other) && boxesOverlap(regionBox(own), regionBox(other)));
  if (near.length === 0) return own;
  const known = FILLETED.get(own);
  if (known?.junctionMm === junctionMm && known.near.length === near.length && known.near.every((other, i) => other === near[i]))
    return known.region;
  const region = unite([own, ...near.flatMap((other) => filletsBetween(own, other, junctionMm))]);
  FILLETED.set(own, { junctionMm, near, region });
  return region;
}

/** Rounded junctions asked for again: while one feature is dragged the others' stay as they are. */
const FILLETED = new WeakMap<Region, { readonly junctionMm: number; readonly near: readonly Region[]; readonly region: Region }>();

/** A rounded kerb is cut by eye: chords a little coarser than elsewhere. */
const FILLET_ARC_MM = 0.1;

/** What a disc rolled round the corners between two routes leaves filled: their union near the crossing, closed by the disc, less themselves. */
function filletsBetween(own: Region, other: Region, radiusMm: number): Region[] {
  const crossing = intersection(own, other);
  if (isEmpty(crossing)) return [];
  const { left, top, right, bottom } = regionBox(crossing);
  const reachMm = radiusMm * 3;
  const around = { left: left - reachMm, top: top - reachMm, right: right + reachMm, bottom: bottom + reachMm };
  // Growing joins the two as it goes.
  const here = { rings: [...clippedTo(own, around).rings, ...clippedTo(other, around).rings] };
  return [without(grown(grown(here, radiusMm, FILLET_ARC_MM), -radiusMm, FILLET_ARC_MM), [own, other])];
}

/** Only what the boxes of two features let meet needs the polygon clipper: 200 features have few true neighbours. */
function neighboursOf(spot: Spot, spots: readonly Spot[]): readonly Spot[] {
  const { box } = spot;
  return box === null ? [] : spots.filter((other) => other !== spot && other.box !== null && boxesOverlap(box, other.box));
}

function settleOne(spot: Spot, neighbours: readonly Spot[]): Land {
  const { id, name, feature, role, zone, levelMm, order, whole } = spot;
  const kept = { id, name, feature, role, zone, whole, levelMm };
  const as = (wanted: Role): readonly Spot[] => neighbours.filter((other) => other.role === wanted);
  const regions = (spots: readonly Spot[]): Region[] => spots.map((other) => other.whole);
  const later = (other: Spot): boolean => other.order > order;
  switch (role) {
    case 'standing':
    case 'mark':
      return { ...kept, body: EMPTY, shows: EMPTY, baseMm: 0 };
    case 'hole': {
      const body = without(whole, regions(as('hole').filter(later)));
      return { ...kept, body, shows: body, baseMm: 0 };
    }
    case 'surface': {
      const shows = without(whole, regions([...as('hole'), ...as('surface').filter(later)]));
      return { ...kept, body: EMPTY, shows, baseMm: 0 };
    }
    case 'mass': {
      const raised = as('mass');
      const over = raised.filter((other) => isOver(other, spot));
      const beside = over.filter((other) => !standsOn(other, spot));
      const hosts = raised.filter((other) => standsOn(spot, other));
      const body = without(whole, regions([...as('hole'), ...beside]));
      return {
        ...kept,
        body,
        shows: without(body, regions([...over, ...as('surface')])),
        baseMm: Math.max(0, ...hosts.map((host) => host.levelMm)),
      };
    }
    default:
      throw role satisfies never;
  }
}

function isOver(other: Spot, spot: Spot): boolean {
  return other.levelMm === spot.levelMm ? other.order > spot.order : other.levelMm > spot.levelMm;
}

/** Nested steps of one feature stand on one another by the way they are made; others have to be measured. */
function standsOn(upper: Spot, lower: Spot): boolean {
  if (upper.levelMm <= lower.levelMm) return false;
  if (upper.feature === lower.feature) return true;
  if (upper.box === null || lower.box === null || !boxHolds(widened(lower.box), upper.box)) return false;
  return areaMm2(without(upper.whole, [lower.whole])) < INSIDE_MM2;
}

/** A box by the reach of what {@link INSIDE_MM2} forgives: what juts out further does not stand inside. */
const widened = ({ left, top, right, bottom }: Box): Box => ({ left: left - 1, top: top - 1, right: right + 1, bottom: bottom + 1 });

export type Sunk = Extract<Feature, { kind: 'pit' | 'water' | 'crater' }>;
export const isSunk = (feature: Feature): feature is Sunk =>
  feature.kind === 'pit' || feature.kind === 'water' || feature.kind === 'crater';
