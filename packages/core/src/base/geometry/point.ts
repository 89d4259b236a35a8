/** A place on the plan: mm from the table's left back corner, x to the right, y towards the near edge. */
export interface Point {
  readonly x: number;
  readonly y: number;
}
/** A rectangle along the axes, in mm. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Straight distance in mm. */
export const distanceMm = (a: Point, b: Point): number => Math.hypot(b.x - a.x, b.y - a.y);

/** The point a share `t` (0 to 1) of the way from `a` to `b`. */
export const between = (a: Point, b: Point, t: number): Point => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });

/** Twice the signed area of the triangle `a b c`, mm²: positive when c lies clockwise of a→b with y downwards. */
export const turn = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);

/** The smallest box around points. @throws RangeError for no points */
export function boxAround(points: readonly Point[]): Box {
  if (points.length === 0) throw new RangeError('boxAround: expected at least one point, got none');
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { x, y } of points) {
    if (x < left) left = x;
    if (x > right) right = x;
    if (y < top) top = y;
    if (y > bottom) bottom = y;
  }
  return { left, top, right, bottom };
}

/** Whether a box lies wholly within another. */
export const boxHolds = (outer: Box, inner: Box): boolean =>
  outer.left <= inner.left && inner.right <= outer.right && outer.top <= inner.top && inner.bottom <= outer.bottom;

/** Whether a point lies in a box; on its edge too. */
export const boxContains = ({ left, top, right, bottom }: Box, { x, y }: Point): boolean =>
  left <= x && x <= right && top <= y && y <= bottom;

/** Whether two boxes share more than an edge. */
export const boxesOverlap = (a: Box, b: Box): boolean => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

/** Whether a ring that does not cross itself turns the same way at every corner, and nowhere runs straight on. */
export function turnsOneWay(ring: readonly Point[]): boolean {
  let way = 0;
  for (let i = 0; i < ring.length; i++) {
    const [before, at, after] = [ring[(i + ring.length - 1) % ring.length]!, ring[i]!, ring[(i + 1) % ring.length]!];
    const turned = (at.x - before.x) * (after.y - at.y) - (at.y - before.y) * (after.x - at.x);
    if (Math.abs(turned) <= STRAIGHT_MM2 || turned * way < 0) return false;
    way = turned;
  }
  return true;
}
const STRAIGHT_MM2 = 1e-6;
