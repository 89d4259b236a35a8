import { type Point, type Ring, alongLine } from '../../base/geometry';
import { deepestInsetMm } from './contours';
import type { Shape } from './schema';
import { middleLine, shapeRegion } from './shape';

/**
 * How far inside a shape's edge a point lies, mm; negative outside. Rounds and strips by their closed form, outlines by the nearest side.
 * The ends of a strip are open.
 */
export function insetOf(shape: Shape): (point: Point) => number {
  if (shape.form === 'round') return ({ x, y }) => shape.radiusMm - Math.hypot(x - shape.centre.x, y - shape.centre.y);
  if (shape.form === 'strip') {
    const line = middleLine(shape);
    return (point) => shape.widthMm / 2 - alongLine(line, point).offMm;
  }
  const rings = shape.form === 'outline' ? [shape.points] : shape.levels[0]!;
  const closed = rings.map((ring: Ring) => [...ring, ring[0]!]);
  return (point) => Math.min(...closed.map((ring) => alongLine(ring, point).offMm));
}

/** How far in a shape's middle lies from its edge, mm. */
export function depthOfShapeMm(shape: Shape): number {
  if (shape.form === 'round') return shape.radiusMm;
  if (shape.form === 'strip') return shape.widthMm / 2;
  let known = DEEPEST.get(shape);
  if (known === undefined) DEEPEST.set(shape, (known = deepestInsetMm(shapeRegion(shape))));
  return known;
}
/** Shapes never change; finding the middle of an outline takes some milliseconds. */
const DEEPEST = new WeakMap<Shape, number>();
