import { type Box, type Region, EMPTY, areaMm2, boxRegion, boxesOverlap, intersection, isEmpty, regionBox, without } from '../geometry';
import type { Feature, Shape, Table } from '../plan';
import { tableBox } from './tiles';

/** A feature settled among its neighbours: what of it is foam or hole, and what of it shows. */
export interface Land {
  readonly feature: Feature;
  /** What the shape covers of the table. */
  readonly whole: Region;
  /** The foam of raised ground or the hole of sunk ground; empty for a route. */
  readonly body: Region;
  /** The surface that shows from above and takes this feature's coats. */
  readonly shows: Region;
  /** Height of the foot over the ground: 0, or the top of the raised ground it stands on. */
  readonly baseMm: number;
  /** Height of the surface over the ground: negative in pits; 0 for a route, which follows what it lies on. */
  readonly levelMm: number;
}

/** A stay in a place under this is the clipper's rounding. */
const INSIDE_MM2 = 1;

/**
 * Settles overlaps. Sunk ground cuts through raised ground, and of two pits the later in the list counts. Of two raised
 * features the higher counts; one that lies wholly within a lower one stands on it. A route lies on top of what is there
 * and stops at pits. The order of the list decides ties: later wins.
 * @param regionOfShape the ground a shape covers; passed in so that the pipeline can keep unchanged shapes
 */
export function settle(table: Table, features: readonly Feature[], regionOfShape: (shape: Shape) => Region): readonly Land[] {
  const tableRegion = boxRegion(tableBox(table));
  const spots = features.map((feature, order): Spot => {
    const whole = intersection(regionOfShape(feature.shape), tableRegion);
    return { feature, order, whole, box: isEmpty(whole) ? null : regionBox(whole) };
  });
  return spots.map((spot) => settleOne(spot, neighboursOf(spot, spots)));
}

/** A feature on its place in the list, with what it covers of the table. */
interface Spot {
  readonly feature: Feature;
  readonly order: number;
  readonly whole: Region;
  readonly box: Box | null;
}

/** Only what the boxes of two features let meet needs the polygon clipper: 200 features have few true neighbours. */
function neighboursOf(spot: Spot, spots: readonly Spot[]): readonly Spot[] {
  const { box } = spot;
  return box === null ? [] : spots.filter((other) => other !== spot && other.box !== null && boxesOverlap(box, other.box));
}

function settleOne(spot: Spot, neighbours: readonly Spot[]): Land {
  const { feature, order, whole } = spot;
  const sunk = neighbours.filter((other) => isSunk(other.feature));
  const routes = neighbours.filter((other) => other.feature.kind === 'route');
  const regions = (spots: readonly Spot[]): Region[] => spots.map((other) => other.whole);
  if (isSunk(feature)) {
    const body = without(whole, regions(sunk.filter((other) => other.order > order)));
    return { feature, whole, body, shows: body, baseMm: 0, levelMm: -feature.depthMm };
  }
  if (!isRaised(feature)) {
    const shows = without(whole, regions([...sunk, ...routes.filter((other) => other.order > order)]));
    return { feature, whole, body: EMPTY, shows, baseMm: 0, levelMm: 0 };
  }
  const raised = neighbours.filter((other) => isRaised(other.feature));
  const over = raised.filter((other) => isOver(other, spot));
  const beside = over.filter((other) => !standsOn(other, spot));
  const hosts = raised.filter((other) => standsOn(spot, other));
  const body = without(whole, regions([...sunk, ...beside]));
  return {
    feature,
    whole,
    body,
    shows: without(body, regions([...over, ...routes])),
    baseMm: Math.max(0, ...hosts.map(heightOf)),
    levelMm: feature.heightMm,
  };
}

const heightOf = ({ feature }: Spot): number => (isRaised(feature) ? feature.heightMm : 0);

function isOver(other: Spot, spot: Spot): boolean {
  return heightOf(other) === heightOf(spot) ? other.order > spot.order : heightOf(other) > heightOf(spot);
}

function standsOn(upper: Spot, lower: Spot): boolean {
  return heightOf(upper) > heightOf(lower) && areaMm2(without(upper.whole, [lower.whole])) < INSIDE_MM2;
}

export type Raised = Extract<Feature, { kind: 'raised' }>;
export type Sunk = Extract<Feature, { kind: 'pit' | 'water' }>;
export const isRaised = (feature: Feature): feature is Raised => feature.kind === 'raised';
export const isSunk = (feature: Feature): feature is Sunk => feature.kind === 'pit' || feature.kind === 'water';
