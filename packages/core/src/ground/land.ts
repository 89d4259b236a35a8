import { type Region, EMPTY, areaMm2, boxRegion, intersection, isEmpty, without } from '../geometry';
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
  const wholes = new Map(features.map((feature) => [feature, intersection(regionOfShape(feature.shape), tableRegion)]));
  const whole = (feature: Feature): Region => wholes.get(feature)!;
  const sunk = features.filter(isSunk);
  const raised = features.filter(isRaised);
  const routes = features.filter(({ kind }) => kind === 'route');
  const sunkWholes = sunk.map(whole);
  const later = (list: readonly Feature[], feature: Feature): Region[] => list.slice(list.indexOf(feature) + 1).map(whole);

  return features.map((feature): Land => {
    if (isSunk(feature)) {
      const body = without(whole(feature), later(sunk, feature));
      return { feature, whole: whole(feature), body, shows: body, baseMm: 0, levelMm: -feature.depthMm };
    }
    if (isRaised(feature)) return raisedLand(feature);
    const shows = without(whole(feature), [...sunkWholes, ...later(routes, feature)]);
    return { feature, whole: whole(feature), body: EMPTY, shows, baseMm: 0, levelMm: 0 };
  });

  function raisedLand(feature: Raised): Land {
    const over = raised.filter((other) => isOver(other, feature));
    const beside = over.filter((other) => !standsOn(other, feature));
    const hosts = raised.filter((other) => other.heightMm < feature.heightMm && standsOn(feature, other));
    const body = without(whole(feature), [...sunkWholes, ...beside.map(whole)]);
    return {
      feature,
      whole: whole(feature),
      body,
      shows: without(body, [...over, ...routes].map(whole)),
      baseMm: Math.max(0, ...hosts.map(({ heightMm }) => heightMm)),
      levelMm: feature.heightMm,
    };
  }

  function isOver(other: Raised, feature: Raised): boolean {
    if (other.heightMm !== feature.heightMm) return other.heightMm > feature.heightMm;
    return raised.indexOf(other) > raised.indexOf(feature);
  }

  function standsOn(upper: Raised, lower: Raised): boolean {
    if (upper.heightMm <= lower.heightMm || isEmpty(whole(upper))) return false;
    return areaMm2(without(whole(upper), [whole(lower)])) < INSIDE_MM2;
  }
}

export type Raised = Extract<Feature, { kind: 'raised' }>;
export type Sunk = Extract<Feature, { kind: 'pit' | 'water' }>;
export const isRaised = (feature: Feature): feature is Raised => feature.kind === 'raised';
export const isSunk = (feature: Feature): feature is Sunk => feature.kind === 'pit' || feature.kind === 'water';
