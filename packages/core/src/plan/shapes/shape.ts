import { tidyMm } from '../../base/rounding';
import { memoize } from '../../base/memory';
import {
  type Box,
  type Point,
  type Region,
  alongLine,
  bent,
  boxAround,
  distanceMm,
  evenOdd,
  lineLengthMm,
  regionOf,
  roundRing,
  stripRegion,
} from '../../base/geometry';
import type { Outline, Shape, Strip } from './schema';

/** The ground a shape covers. */
export const shapeRegion = memoize((shape: Shape): Region => {
  switch (shape.form) {
    case 'outline':
      return regionOf(shape.points);
    case 'round':
      return regionOf(roundRing(shape.centre, shape.radiusMm));
    case 'strip':
      return stripRegion(middleLine(shape), shape.widthMm);
    case 'contours':
      return levelRegion(shape.levels[0]!);
    default:
      throw shape satisfies never;
  }
});

/** What the rings of one contour level enclose. */
export const levelRegion = (rings: readonly (readonly Point[])[]): Region => evenOdd(rings);

/** A strip's middle line with its bends rounded. */
export const middleLine = memoize((strip: Strip): readonly Point[] => bent(strip.points, strip.bendMm));
/** mm along a strip's middle line. */
export const stripLengthMm = memoize((strip: Strip): number => lineLengthMm(middleLine(strip)));

/** The points that can be taken hold of. */
export function shapePoints(shape: Shape): readonly Point[] {
  if (shape.form === 'round') return [shape.centre];
  return shape.form === 'contours' ? [] : shape.points;
}

/** Box around what the shape covers, for sizes on screen. */
export const shapeBox = memoize((shape: Shape): Box => {
  if (shape.form === 'outline') return boxAround(shape.points);
  if (shape.form === 'round') {
    const { centre, radiusMm } = shape;
    return { left: centre.x - radiusMm, top: centre.y - radiusMm, right: centre.x + radiusMm, bottom: centre.y + radiusMm };
  }
  return boxAround(shape.form === 'contours' ? shape.levels[0]!.flat() : shapeRegion(shape).rings.flat());
});

/** The shape with every point put through a change of place; its widths and radii times `grow`. */
export function mapped(shape: Shape, to: (point: Point) => Point, grow = 1): Shape {
  const put = (point: Point): Point => {
    const { x, y } = to(point);
    return { x: tidyMm(x), y: tidyMm(y) };
  };
  switch (shape.form) {
    case 'round':
      return { ...shape, centre: put(shape.centre), radiusMm: tidyMm(shape.radiusMm * grow) };
    case 'strip':
      return { ...shape, points: shape.points.map(put), widthMm: tidyMm(shape.widthMm * grow), bendMm: tidyMm(shape.bendMm * grow) };
    case 'outline':
      return { ...shape, points: shape.points.map(put) };
    case 'contours':
      return { ...shape, levels: shape.levels.map((rings) => rings.map((ring) => ring.map(put))) };
    default:
      throw shape satisfies never;
  }
}

/** The whole shape moved. */
export const movedBy = (shape: Shape, dxMm: number, dyMm: number): Shape => mapped(shape, ({ x, y }) => ({ x: x + dxMm, y: y + dyMm }));

/** One point put somewhere else. */
export function withPoint(shape: Shape, index: number, to: Point): Shape {
  const point = { x: tidyMm(to.x), y: tidyMm(to.y) };
  if (shape.form === 'round') return { ...shape, centre: point };
  if (shape.form === 'contours') return shape;
  return { ...shape, points: shape.points.map((old, i) => (i === index ? point : old)) };
}

/** A new point after `index`, half-way to the next. */
export function withPointAfter(shape: Shape, index: number): Shape {
  if (shape.form === 'round' || shape.form === 'contours') return shape;
  const a = shape.points[index]!;
  const b = shape.points[(index + 1) % shape.points.length]!;
  const middle = { x: tidyMm((a.x + b.x) / 2), y: tidyMm((a.y + b.y) / 2) };
  return { ...shape, points: shape.points.toSpliced(index + 1, 0, middle) };
}

/** Whether a point can go and leave a shape. */
export const mayLosePoint = (shape: Shape): boolean =>
  shape.form === 'outline' ? shape.points.length > 3 : shape.form === 'strip' && shape.points.length > 2;

/** One point taken out. */
export function withoutPoint(shape: Shape, index: number): Shape {
  return shape.form === 'round' || shape.form === 'contours' || !mayLosePoint(shape)
    ? shape
    : { ...shape, points: shape.points.toSpliced(index, 1) };
}

/** A shape stretched into a box, keeping its proportions along each side; widths and radii stay. */
export function fittedTo(shape: Shape, box: Box): Shape {
  const old = shape.form === 'outline' ? boxAround(shape.points) : shapeBox(shape);
  const along = (v: number, from: number, to: number, start: number, end: number): number =>
    to === from ? start : start + ((v - from) / (to - from)) * (end - start);
  return mapped(shape, ({ x, y }) => ({
    x: along(x, old.left, old.right, box.left, box.right),
    y: along(y, old.top, old.bottom, box.top, box.bottom),
  }));
}

/** A rectangle from two opposite corners. */
export function rectangle(a: Point, b: Point): Outline {
  const { left, top, right, bottom } = boxAround([a, b]);
  return {
    form: 'outline',
    points: [
      { x: left, y: top },
      { x: right, y: top },
      { x: right, y: bottom },
      { x: left, y: bottom },
    ],
  };
}

/** Width of a strip whose edge is pulled to a point: twice the distance to the nearest leg of its middle line. */
export const widthThrough = (strip: Strip, edge: Point): number => tidyMm(alongLine(middleLine(strip), edge).offMm * 2);

/** Where a strip's width is taken hold of: on its right-hand edge, half-way along its longest leg. */
export function widthHandle(strip: Strip): Point {
  const line = strip.points;
  let best = 1;
  const length = (i: number): number => distanceMm(line[i - 1]!, line[i]!);
  for (let i = 2; i < line.length; i++) if (length(i) > length(best)) best = i;
  const [a, b] = [line[best - 1]!, line[best]!];
  const long = length(best) || 1;
  const half = strip.widthMm / 2;
  return { x: (a.x + b.x) / 2 - ((b.y - a.y) / long) * half, y: (a.y + b.y) / 2 + ((b.x - a.x) / long) * half };
}
