/** A place or a direction in a piece's own space, in mm: x to the right, y away from the viewer, z up. */
export type Vec = readonly [x: number, y: number, z: number];

export const UP: Vec = [0, 0, 1];

export const plus = (a: Vec, b: Vec): Vec => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const minus = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const times = (a: Vec, by: number): Vec => [a[0] * by, a[1] * by, a[2] * by];
export const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vec, b: Vec): Vec => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
export const lengthOf = (a: Vec): number => Math.hypot(a[0], a[1], a[2]);
export const spaceMm = (a: Vec, b: Vec): number => lengthOf(minus(a, b));
/** @throws RangeError for a direction without length (our bug) */
export function unit(a: Vec): Vec {
  const long = lengthOf(a);
  if (!(long > 1e-12)) throw new RangeError('expected a direction, got the same point twice');
  return times(a, 1 / long);
}
export const midOf = (points: readonly Vec[]): Vec =>
  times(
    points.reduce((sum, point) => plus(sum, point), [0, 0, 0] as Vec),
    1 / points.length,
  );
/** The way a flat ring of places faces: they run counter-clockwise as seen from there. @source Newell's method */
export function facingOf(corners: readonly Vec[]): Vec {
  let sum: Vec = [0, 0, 0];
  corners.forEach((corner, i) => (sum = plus(sum, cross(corner, corners[(i + 1) % corners.length]!))));
  return unit(sum);
}

/** All places p with normal · p = atMm. */
export interface Plane {
  readonly normal: Vec;
  readonly atMm: number;
}
export const planeThrough = (point: Vec, normal: Vec): Plane => ({ normal, atMm: dot(normal, point) });
/** How far a place lies beyond a plane, along its normal. */
export const beyondMm = ({ normal, atMm }: Plane, point: Vec): number => dot(normal, point) - atMm;

/** A body's own axes: u and v in its face, w into its thickness. */
export interface Frame {
  readonly origin: Vec;
  readonly u: Vec;
  readonly v: Vec;
  readonly w: Vec;
}
export const placeIn = ({ origin, u, v, w }: Frame, x: number, y: number, depthMm: number): Vec => [
  origin[0] + u[0] * x + v[0] * y + w[0] * depthMm,
  origin[1] + u[1] * x + v[1] * y + w[1] * depthMm,
  origin[2] + u[2] * x + v[2] * y + w[2] * depthMm,
];
/** A place in a frame's own axes. */
export function within({ origin, u, v, w }: Frame, point: Vec): Vec {
  const from = minus(point, origin);
  return [dot(from, u), dot(from, v), dot(from, w)];
}
/** A plane in a frame's own axes. */
export const planeWithin = ({ origin, u, v, w }: Frame, { normal, atMm }: Plane): Plane => ({
  normal: [dot(normal, u), dot(normal, v), dot(normal, w)],
  atMm: atMm - dot(normal, origin),
});
