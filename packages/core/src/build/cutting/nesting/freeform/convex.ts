import cdt2d from 'cdt2d';
import { type Point, type Region, areaMm2, regionBox } from '../../../../base/geometry';

/** A convex piece of an outline: its corners in turn, the outward normals of its sides and how far out each side lies, and its box; mm. */
export interface ConvexPiece {
  readonly xs: Float64Array;
  readonly ys: Float64Array;
  readonly normalX: Float64Array;
  readonly normalY: Float64Array;
  readonly out: Float64Array;
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Turns that are straight to within this are no corners, mm². */
const STRAIGHT_MM2 = 1e-7;
/** An outline that touches itself half-way along a side may be taken for none; what loses more than such a share is laid by its box. */
const LOST = 1e-3;
/** Corners nearer to each other than this are one, mm. */
const SAME_MM = 1e-6;

/**
 * An outline in few convex pieces that cover it: triangles, joined as long as what they come to is convex.
 * @source Hertel & Mehlhorn 1983
 */
export function convexPieces(region: Region): readonly ConvexPiece[] {
  const { points, edges } = meshOf(region.rings);
  const turn = (a: number, b: number, c: number): number =>
    (points[b]!.x - points[a]!.x) * (points[c]!.y - points[a]!.y) - (points[b]!.y - points[a]!.y) * (points[c]!.x - points[a]!.x);
  const polygons = cdt2d(
    points.map(({ x, y }) => [x, y]),
    edges,
    { exterior: false },
  )
    .filter(([a, b, c]) => Math.abs(turn(a, b, c)) > STRAIGHT_MM2)
    .map(([a, b, c]) => (turn(a, b, c) > 0 ? [a, b, c] : [a, c, b]));
  const isConvex = (polygon: readonly number[]): boolean =>
    polygon.every((_, i) => turn(polygon[i]!, polygon[(i + 1) % polygon.length]!, polygon[(i + 2) % polygon.length]!) > -STRAIGHT_MM2);
  const joined = (one: readonly number[], other: readonly number[]): number[] | null => {
    for (let i = 0; i < one.length; i++) {
      const [a, b] = [one[i]!, one[(i + 1) % one.length]!];
      const j = other.findIndex((own, k) => own === b && other[(k + 1) % other.length] === a);
      if (j < 0) continue;
      const from = [...one.slice(i + 1), ...one.slice(0, i + 1)];
      const rest = [...other.slice(j + 1), ...other.slice(0, j + 1)].slice(1, -1);
      return [...from, ...rest];
    }
    return null;
  };
  for (let isChanged = true; isChanged;) {
    isChanged = false;
    for (let i = 0; i < polygons.length && !isChanged; i++) {
      for (let j = i + 1; j < polygons.length && !isChanged; j++) {
        const made = joined(polygons[i]!, polygons[j]!);
        if (made === null || !isConvex(made)) continue;
        polygons[i] = made;
        polygons.splice(j, 1);
        isChanged = true;
      }
    }
  }
  const pieces = polygons.map((polygon) => pieceOf(polygon.map((i) => points[i]!)));
  const found = polygons.reduce(
    (sum, polygon) => sum + polygon.slice(2).reduce((own, _, i) => own + turn(polygon[0]!, polygon[i + 1]!, polygon[i + 2]!) / 2, 0),
    0,
  );
  return Math.abs(found - areaMm2(region)) <= LOST * found ? pieces : [boxOf(region)];
}

/** Corners and sides of rings: corners that rings share are one. */
function meshOf(rings: Region['rings']): { readonly points: readonly Point[]; readonly edges: readonly [number, number][] } {
  const points: Point[] = [];
  const known = new Map<string, number>();
  const indexOf = (point: Point): number => {
    const key = `${Math.round(point.x / SAME_MM)} ${Math.round(point.y / SAME_MM)}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    known.set(key, points.length);
    return points.push(point) - 1;
  };
  const edges = rings.flatMap((ring) => {
    const corners = ring.map(indexOf);
    return corners.map((corner, i): [number, number] => [corner, corners[(i + 1) % corners.length]!]).filter(([from, to]) => from !== to);
  });
  return { points, edges };
}

function boxOf(region: Region): ConvexPiece {
  const { left, top, right, bottom } = regionBox(region);
  return pieceOf([
    { x: left, y: top },
    { x: right, y: top },
    { x: right, y: bottom },
    { x: left, y: bottom },
  ]);
}

/** @param corners of a convex polygon, in the turn in which x goes to y */
function pieceOf(corners: readonly Point[]): ConvexPiece {
  const xs = Float64Array.from(corners, ({ x }) => x);
  const ys = Float64Array.from(corners, ({ y }) => y);
  const normals = corners.map(({ x, y }, i) => {
    const next = corners[(i + 1) % corners.length]!;
    const length = Math.hypot(next.x - x, next.y - y);
    return { x: (next.y - y) / length, y: (x - next.x) / length };
  });
  return {
    xs,
    ys,
    normalX: Float64Array.from(normals, ({ x }) => x),
    normalY: Float64Array.from(normals, ({ y }) => y),
    out: Float64Array.from(normals, ({ x, y }, i) => x * xs[i]! + y * ys[i]!),
    left: Math.min(...xs),
    top: Math.min(...ys),
    right: Math.max(...xs),
    bottom: Math.max(...ys),
  };
}

/**
 * How deep two pieces lie in each other, or nearer than a distance: by the least way out along any side's normal, 0 where they are clear. Corners that pass each other slantwise may count as
 * a little too near, never as clear when they are not.
 * @param dx, dy where the second lies, seen from the first, mm
 */
export function depthOf(one: ConvexPiece, other: ConvexPiece, dx: number, dy: number, nearMm: number): number {
  if (other.left + dx - one.right >= nearMm || one.left - other.right - dx >= nearMm) return 0;
  if (other.top + dy - one.bottom >= nearMm || one.top - other.bottom - dy >= nearMm) return 0;
  let gap = -Infinity;
  for (let i = 0; i < one.out.length; i++) {
    const nx = one.normalX[i]!;
    const ny = one.normalY[i]!;
    const from = one.out[i]! - nx * dx - ny * dy;
    let least = Infinity;
    for (let k = 0; k < other.xs.length; k++) {
      const at = nx * other.xs[k]! + ny * other.ys[k]!;
      if (at < least) least = at;
    }
    if (least - from > gap) gap = least - from;
    if (gap >= nearMm) return 0;
  }
  for (let i = 0; i < other.out.length; i++) {
    const nx = other.normalX[i]!;
    const ny = other.normalY[i]!;
    const from = other.out[i]! + nx * dx + ny * dy;
    let least = Infinity;
    for (let k = 0; k < one.xs.length; k++) {
      const at = nx * one.xs[k]! + ny * one.ys[k]!;
      if (at < least) least = at;
    }
    if (least - from > gap) gap = least - from;
    if (gap >= nearMm) return 0;
  }
  return nearMm - gap;
}
