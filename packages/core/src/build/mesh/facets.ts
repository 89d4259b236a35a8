import cdt2d from 'cdt2d';
import Coordinate from 'jsts/org/locationtech/jts/geom/Coordinate.js';
import PrecisionModel from 'jsts/org/locationtech/jts/geom/PrecisionModel.js';
import ArrayList from 'jsts/java/util/ArrayList.js';
import NodedSegmentString from 'jsts/org/locationtech/jts/noding/NodedSegmentString.js';
import MCIndexSnapRounder from 'jsts/org/locationtech/jts/noding/snapround/MCIndexSnapRounder.js';
import { type Box, type Point, type Ring, boxRegion, distanceMm } from '../../base/geometry';

/** The table seen from above, all of it in triangles that share their corners. */
export interface Facets {
  readonly corners: readonly Point[];
  /** Three corners each, counter-clockwise as one looks down on the plan. */
  readonly triangles: readonly Triangle[];
  readonly sides: readonly Side[];
}
export type Triangle = readonly [number, number, number];
/** A side of a triangle, and the triangle that has it too. */
export interface Side {
  readonly from: number;
  readonly to: number;
  readonly triangle: number;
  /** Which of the triangle's corners the side begins at. */
  readonly at: number;
  readonly beyond: { readonly triangle: number; readonly at: number } | null;
}

/**
 * Corners are moved to a grid this fine: outlines that run along one another, parted only by the clipper's rounding, come to lie on one another and
 * leave no slivers between them.
 */
const GRID_PER_MM = 50;
/** A side shorter than this is left out: no eye and no nozzle finds it. */
const MIN_SIDE_MM = 0.1;

/** Cuts the table along closed lines, which may cross. @param rings none of them leaves the table */
export function facetsOf(table: Box, rings: readonly Ring[]): Facets {
  const index = new Map<string, number>();
  const points: [number, number][] = [];
  const at = ({ x, y }: Point): number => {
    const key = `${x} ${y}`;
    let known = index.get(key);
    if (known === undefined) {
      known = points.push([x, y]) - 1;
      index.set(key, known);
    }
    return known;
  };
  const edges = new Map<string, [number, number]>();
  for (const line of noded([...boxRegion(table).rings, ...rings])) {
    line.map(at).forEach((to, i, placed) => {
      const from = placed[i - 1];
      if (from !== undefined && from !== to) edges.set(from < to ? `${from} ${to}` : `${to} ${from}`, [from, to]);
    });
  }
  const triangles = triangulated(points, [...edges.values()]);
  return { corners: points.map(([x, y]) => ({ x: x / GRID_PER_MM, y: y / GRID_PER_MM })), triangles, sides: sidesOf(triangles) };
}

/** Lines in whole steps of the grid, broken wherever two of them cross or touch. */
function noded(rings: readonly Ring[]): Point[][] {
  const strings = new ArrayList(null);
  for (const ring of rings) {
    const placed = apart(ring).map(({ x, y }) => new Coordinate(Math.round(x * GRID_PER_MM), Math.round(y * GRID_PER_MM)));
    const closed = [...placed, placed[0]!].filter((point, i, all) => i === 0 || point.x !== all[i - 1]!.x || point.y !== all[i - 1]!.y);
    if (closed.length > 2) strings.add(new NodedSegmentString(closed, null));
  }
  const noder = new MCIndexSnapRounder(new PrecisionModel(1));
  noder.computeNodes(strings);
  return noder
    .getNodedSubstrings()
    .toArray()
    .map((line) => line.getCoordinates());
}

function sidesOf(triangles: readonly Triangle[]): Side[] {
  const open = new Map<string, { readonly triangle: number; readonly at: number }>();
  const found: Side[] = [];
  triangles.forEach((corners, triangle) => {
    for (let at = 0; at < 3; at++) {
      const [from, to] = [corners[at]!, corners[(at + 1) % 3]!];
      const other = open.get(`${to} ${from}`);
      if (other === undefined) open.set(`${from} ${to}`, { triangle, at });
      else {
        open.delete(`${to} ${from}`);
        found.push({ from, to, triangle, at, beyond: other });
      }
    }
  });
  for (const { triangle, at } of open.values()) {
    const corners = triangles[triangle]!;
    found.push({ from: corners[at]!, to: corners[(at + 1) % 3]!, triangle, at, beyond: null });
  }
  return found;
}

/** Triangles within the hull of some corners, counter-clockwise as one looks down on the plan. */
export function triangulated(points: readonly (readonly [number, number])[], edges: readonly (readonly [number, number])[]): Triangle[] {
  return cdt2d(points, edges, { delaunay: true, exterior: true }).map(([a, b, c]) => {
    const [[ax, ay], [bx, by], [cx, cy]] = [points[a]!, points[b]!, points[c]!];
    return (bx - ax) * (cy - ay) - (by - ay) * (cx - ax) < 0 ? [a, b, c] : [a, c, b];
  });
}

/** The corners of a ring without those that lie too near the one before. */
function apart(ring: Ring): readonly Point[] {
  const kept: Point[] = [];
  for (const point of ring) if (kept.length === 0 || distanceMm(kept.at(-1)!, point) >= MIN_SIDE_MM) kept.push(point);
  return kept;
}
