import { CLIPS_PER_MM, type Ring, boxed, inflated, intersected, signedMm2, subtracted, united, unitedEvenOdd } from './clipper';
import { type Box, type Point, boxAround, boxHolds, boxesOverlap, distanceMm, turnsOneWay } from './point';

export type { Ring } from './clipper';

/** An area of any shape in mm: outer rings turn one way, holes the other, none cross. Empty means no area. */
export interface Region {
  readonly rings: readonly Ring[];
}

/** Slivers under this are rounding dust of the clipper, not ground. */
const DUST_MM2 = 0.01;

/** How far a rounded corner's chords may lie off the arc. */
const ARC_MM = 0.05;

export const EMPTY: Region = { rings: [] };

/** The region that a single ring encloses that does not cross itself, whichever way it turns. */
export const regionOf = (ring: Ring): Region => regionWith(ring, []);
/** The same with openings that lie within it and apart from one another, whichever way they turn. */
export const regionWith = (ring: Ring, openings: readonly Ring[]): Region => ({
  rings: [turned(ring, 1), ...openings.map((opening) => turned(opening, -1))],
});
function turned(ring: Ring, way: 1 | -1): Ring {
  const kept = ring.map(({ x, y }) => ({ x: clipped(x), y: clipped(y) }));
  return way * signedMm2(kept) < 0 ? kept.reverse() : kept;
}
/** As the clipper would keep it. */
const clipped = (mm: number): number => Math.round(mm * CLIPS_PER_MM) / CLIPS_PER_MM;

/** The region that rings enclose an odd number of times: a ring within a ring is a hollow. */
export const evenOdd = (rings: readonly Ring[]): Region => swept(unitedEvenOdd(rings));

/**
 * A region made larger all round, corners rounded; smaller for a negative distance, in mm.
 * @param arcMm how far the chords of rounded corners may lie off the arc
 */
export function grown(region: Region, byMm: number, arcMm = ARC_MM): Region {
  if (byMm === 0 || region.rings.length === 0) return region;
  return swept(inflated(region.rings, byMm, arcMm));
}

/** A box as a region. */
export const boxRegion = ({ left, top, right, bottom }: Box): Region => ({
  rings: [
    [
      { x: left, y: top },
      { x: right, y: top },
      { x: right, y: bottom },
      { x: left, y: bottom },
    ],
  ],
});

/** All ground covered by any of the regions. */
export function unite(regions: readonly Region[]): Region {
  const rings = regions.flatMap((region) => region.rings);
  return rings.length === 0 ? EMPTY : swept(united(rings));
}

/** Ground in both. */
export function intersection(a: Region, b: Region): Region {
  if (!mayMeet(a, b)) return EMPTY;
  return swept(intersected(a.rings, b.rings));
}

/** What of a region lies in a box; itself where the box holds it, which spares most calls the clipper. */
export function clippedTo(region: Region, box: Box): Region {
  if (isEmpty(region) || boxHolds(box, regionBox(region))) return region;
  if (!boxesOverlap(regionBox(region), box)) return EMPTY;
  const [ring, hollow] = region.rings;
  return hollow === undefined && turnsOneWay(ring!) ? swept([boxed(ring!, box)]) : intersection(region, boxRegion(box));
}

/** Ground in `a` and in none of `cutters`. */
export function without(a: Region, cutters: readonly Region[]): Region {
  const rings = cutters.filter((cutter) => mayMeet(a, cutter)).flatMap((cutter) => cutter.rings);
  if (rings.length === 0 || a.rings.length === 0) return a;
  return swept(subtracted(a.rings, rings));
}

/** mm², holes taken off. */
export function areaMm2(region: Region): number {
  let sum = 0;
  for (const ring of region.rings) sum += signedMm2(ring);
  return Math.abs(sum);
}

/** mm, outer and inner edges together. */
export function edgeMm(region: Region): number {
  return region.rings.reduce((sum, ring) => sum + ringLengthMm(ring), 0);
}

/** mm of edge that does not run along the sides of `box`: what stays visible of a region cut to a tile. */
export function innerEdgeMm(region: Region, box: Box): number {
  const onSide = (a: Point, b: Point): boolean =>
    (near(a.x, b.x) && (near(a.x, box.left) || near(a.x, box.right))) || (near(a.y, b.y) && (near(a.y, box.top) || near(a.y, box.bottom)));
  let sum = 0;
  for (const ring of region.rings) {
    ring.forEach((a, i) => {
      const b = ring[(i + 1) % ring.length]!;
      if (!onSide(a, b)) sum += distanceMm(a, b);
    });
  }
  return sum;
}

/** The box around a region. @throws RangeError for an empty one */
export function regionBox(region: Region): Box {
  let box = BOXES.get(region);
  if (box === undefined) {
    box = region.rings.length === 1 ? boxAround(region.rings[0]!) : boxAround(region.rings.flat());
    BOXES.set(region, box);
  }
  return box;
}

/** Boxes asked for again: overlap tests of 200 features took 9 of 10 parts of a derive without this. Regions never change. */
const BOXES = new WeakMap<Region, Box>();

export const isEmpty = (region: Region): boolean => region.rings.length === 0;

/**
 * The separate pieces of a region, each an outer ring with its own holes: what comes apart in the hand when it is cut out.
 */
export function pieces(region: Region): readonly Region[] {
  if (region.rings.length < 2) return isEmpty(region) ? [] : [region];
  const outers = region.rings.filter((ring) => signedMm2(ring) > 0);
  const holes = region.rings.filter((ring) => signedMm2(ring) <= 0);
  const bySize = [...outers].sort((a, b) => signedMm2(a) - signedMm2(b));
  return outers.map((outer) => ({
    // A hole belongs to the smallest outer ring around it.
    rings: [outer, ...holes.filter((hole) => bySize.find((ring) => contains({ rings: [ring] }, midEdge(hole))) === outer)],
  }));
}

/** Whether a point lies in a region (even-odd over all rings); on the edge either answer may come. */
export function contains(region: Region, { x, y }: Point): boolean {
  if (region.rings.length === 0) return false;
  // Most points asked about lie outside most boxes: a third of a derive of 200 features went on walking round far-away outlines.
  const box = regionBox(region);
  if (x < box.left || x > box.right || y < box.top || y > box.bottom) return false;
  let inside = false;
  for (const ring of region.rings) {
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const a = ring[i]!;
      const b = ring[j]!;
      if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
    }
  }
  return inside;
}

/** Where the line from `a` to `b` crosses the region's edges, as shares of its length in (0, 1), sorted. */
export function crossings(region: Region, a: Point, b: Point): number[] {
  const found: number[] = [];
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  for (const ring of region.rings) {
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const p = ring[j]!;
      const q = ring[i]!;
      const [ex, ey] = [q.x - p.x, q.y - p.y];
      const cross = dx * ey - dy * ex;
      if (cross === 0) continue; // along the line: the neighbouring edges give the ends
      const t = ((p.x - a.x) * ey - (p.y - a.y) * ex) / cross;
      const u = ((p.x - a.x) * dy - (p.y - a.y) * dx) / cross;
      if (u >= 0 && u <= 1 && t > 0 && t < 1) found.push(t);
    }
  }
  return found.sort((s, t) => s - t);
}

const midEdge = (ring: Ring): Point => ({ x: (ring[0]!.x + ring[1]!.x) / 2, y: (ring[0]!.y + ring[1]!.y) / 2 });

/** Two coordinates the clipper cannot tell apart, with slack for its rounding. */
const near = (a: number, b: number): boolean => Math.abs(a - b) < 0.002;

function ringLengthMm(ring: Ring): number {
  return ring.reduce((sum, a, i) => sum + distanceMm(a, ring[(i + 1) % ring.length]!), 0);
}

function mayMeet(a: Region, b: Region): boolean {
  return !isEmpty(a) && !isEmpty(b) && boxesOverlap(regionBox(a), regionBox(b));
}

function swept(rings: readonly Ring[]): Region {
  const kept = rings.filter((ring) => Math.abs(signedMm2(ring)) > DUST_MM2);
  return kept.length === 0 ? EMPTY : { rings: kept };
}
