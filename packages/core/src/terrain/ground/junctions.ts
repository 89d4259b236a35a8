import { type Region, boxesOverlap, clippedTo, grown, intersection, isEmpty, regionBox, unite, without } from '../../base/geometry';
import { memoize, memoizePairs } from '../../base/memory';
import { rolledFillets } from './fillets';

/** A feature whose corners are rounded where it meets others of its kind. */
export interface Meeting {
  readonly region: Region;
  /** Radius of its own junctions, 0 for none. */
  readonly junctionMm: number;
}

/** A rounded kerb is cut by eye: chords a little coarser than elsewhere. */
const ARC_MM = 0.1;

/** The ground of one that meets earlier ones, corners filled where they cross. @param earlier in their order */
export function withJunctions({ region, junctionMm }: Meeting, earlier: readonly Region[]): Region {
  if (junctionMm === 0 || isEmpty(region)) return region;
  const near = earlier.filter((other) => !isEmpty(other) && boxesOverlap(regionBox(region), regionBox(other)));
  return near.length === 0 ? region : joined(region, junctionMm, ...near);
}

const joined = memoize((own: Region, radiusMm: number, ...near: readonly Region[]): Region => {
  const fillets = near.flatMap((other) => filletsBetween(own, other, radiusMm));
  return fillets.length === 0 ? own : unite([own, ...fillets]);
});

/** While one is dragged, the others' corners stay as they are. The clipper takes many times as long and serves what a rolled disc gets stuck in. */
const filletsBetween = memoizePairs(
  (own: Region, other: Region, radiusMm: number): readonly Region[] =>
    rolledFillets(own, other, { radiusMm, arcMm: ARC_MM }) ?? filled(own, other, radiusMm),
);

/** What a disc rolled round the corners between two leaves filled: their union near the crossing, closed by the disc, less themselves. */
export function filled(own: Region, other: Region, radiusMm: number): readonly Region[] {
  const crossing = intersection(own, other);
  if (isEmpty(crossing)) return [];
  const { left, top, right, bottom } = regionBox(crossing);
  const reachMm = radiusMm * 3;
  const around = { left: left - reachMm, top: top - reachMm, right: right + reachMm, bottom: bottom + reachMm };
  // Growing joins the two as it goes.
  const here = { rings: [...clippedTo(own, around).rings, ...clippedTo(other, around).rings] };
  return [without(grown(grown(here, radiusMm, ARC_MM), -radiusMm, ARC_MM), [own, other])];
}
