import cdt2d from 'cdt2d';
import cleanPSLG from 'clean-pslg';
import { type Box, type Point, type Ring, boxRegion, distanceMm } from '../base/geometry';

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
const LEAST_SIDE_MM = 0.1;

/** Cuts the table along closed lines, which may cross. @param rings none of them leaves the table */
export function facetsOf(table: Box, rings: readonly Ring[]): Facets {
  // In whole steps of the grid, on which exact arithmetic is quick.
  const index = new Map<string, number>();
  const points: [number, number][] = [];
  const at = (x: number, y: number): number => {
    const key = `${x} ${y}`;
    let known = index.get(key);
    if (known === undefined) {
      known = points.push([x, y]) - 1;
      index.set(key, known);
    }
    return known;
  };
  const edges: [number, number][] = [];
  for (const ring of [...boxRegion(table).rings, ...rings]) {
    const placed = apart(ring).map(({ x, y }) => at(Math.round(x * GRID_PER_MM), Math.round(y * GRID_PER_MM)));
    placed.forEach((from, i) => {
      const to = placed[(i + 1) % placed.length]!;
      if (from !== to) edges.push([from, to]);
    });
  }
  cleanPSLG(points, edges);
  const corners = points.map(([x, y]) => ({ x: x / GRID_PER_MM, y: y / GRID_PER_MM }));
  const triangles = triangulated(points, edges);
  return { corners, triangles, sides: sidesOf(triangles) };
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
  for (const point of ring) if (kept.length === 0 || distanceMm(kept.at(-1)!, point) >= LEAST_SIDE_MM) kept.push(point);
  return kept;
}
