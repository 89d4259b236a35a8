import { type Box, type Point, type Region, bent, boxAround, lineLengthMm, regionOf, roundRing, stripRegion } from '../geometry';
import type { Shape } from './plan';

/** The ground a shape covers. */
export function shapeRegion(shape: Shape): Region {
  switch (shape.form) {
    case 'outline':
      return regionOf(shape.points);
    case 'round':
      return regionOf(roundRing(shape.centre, shape.radiusMm));
    case 'strip':
      return stripRegion(middleLine(shape), shape.widthMm);
    default:
      throw shape satisfies never;
  }
}

/** A strip's middle line with its bends rounded. */
export const middleLine = (strip: Extract<Shape, { form: 'strip' }>): readonly Point[] => bent(strip.points, strip.bendMm);
/** mm along a strip's middle line. */
export const stripLengthMm = (strip: Extract<Shape, { form: 'strip' }>): number => lineLengthMm(middleLine(strip));

/** The points that can be taken hold of. */
export const shapePoints = (shape: Shape): readonly Point[] => (shape.form === 'round' ? [shape.centre] : shape.points);

/** Box around what the shape covers, for sizes on screen. */
export function shapeBox(shape: Shape): Box {
  if (shape.form === 'outline') return boxAround(shape.points);
  if (shape.form === 'round') {
    const { centre, radiusMm } = shape;
    return { left: centre.x - radiusMm, top: centre.y - radiusMm, right: centre.x + radiusMm, bottom: centre.y + radiusMm };
  }
  return boxAround(shapeRegion(shape).rings.flat());
}

/** The whole shape moved. */
export function movedBy(shape: Shape, dxMm: number, dyMm: number): Shape {
  const move = ({ x, y }: Point): Point => ({ x: tidy(x + dxMm), y: tidy(y + dyMm) });
  return shape.form === 'round' ? { ...shape, centre: move(shape.centre) } : { ...shape, points: shape.points.map(move) };
}

/** One point put somewhere else. */
export function withPoint(shape: Shape, index: number, to: Point): Shape {
  const point = { x: tidy(to.x), y: tidy(to.y) };
  if (shape.form === 'round') return { ...shape, centre: point };
  return { ...shape, points: shape.points.map((old, i) => (i === index ? point : old)) };
}

/** A new point after `index`, half-way to the next. */
export function withPointAfter(shape: Shape, index: number): Shape {
  if (shape.form === 'round') return shape;
  const a = shape.points[index]!;
  const b = shape.points[(index + 1) % shape.points.length]!;
  const middle = { x: tidy((a.x + b.x) / 2), y: tidy((a.y + b.y) / 2) };
  return { ...shape, points: shape.points.toSpliced(index + 1, 0, middle) };
}

/** Whether a point can go and leave a shape. */
export const mayLosePoint = (shape: Shape): boolean =>
  shape.form === 'outline' ? shape.points.length > 3 : shape.form === 'strip' && shape.points.length > 2;

/** One point taken out. */
export function withoutPoint(shape: Shape, index: number): Shape {
  return shape.form === 'round' || !mayLosePoint(shape) ? shape : { ...shape, points: shape.points.toSpliced(index, 1) };
}

/** An outline stretched into a box, keeping its proportions along each side. */
export function fittedTo(shape: Extract<Shape, { form: 'outline' }>, box: Box): Shape {
  const old = boxAround(shape.points);
  const along = (v: number, from: number, to: number, start: number, end: number): number =>
    tidy(to === from ? start : start + ((v - from) / (to - from)) * (end - start));
  const fit = ({ x, y }: Point): Point => ({
    x: along(x, old.left, old.right, box.left, box.right),
    y: along(y, old.top, old.bottom, box.top, box.bottom),
  });
  return { ...shape, points: shape.points.map(fit) };
}

/** A rectangle from two opposite corners. */
export function rectangle(a: Point, b: Point): Extract<Shape, { form: 'outline' }> {
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
export function widthThrough(strip: Extract<Shape, { form: 'strip' }>, edge: Point): number {
  const line = middleLine(strip);
  let nearest = Infinity;
  for (let i = 1; i < line.length; i++) nearest = Math.min(nearest, distanceToLeg(edge, line[i - 1]!, line[i]!));
  return tidy(nearest * 2);
}

/** Where a strip's width is taken hold of: on its right-hand edge, half-way along its longest leg. */
export function widthHandle(strip: Extract<Shape, { form: 'strip' }>): Point {
  const line = strip.points;
  let best = 1;
  const length = (i: number): number => Math.hypot(line[i]!.x - line[i - 1]!.x, line[i]!.y - line[i - 1]!.y);
  for (let i = 2; i < line.length; i++) if (length(i) > length(best)) best = i;
  const [a, b] = [line[best - 1]!, line[best]!];
  const long = length(best) || 1;
  const half = strip.widthMm / 2;
  return { x: (a.x + b.x) / 2 - ((b.y - a.y) / long) * half, y: (a.y + b.y) / 2 + ((b.x - a.x) / long) * half };
}

function distanceToLeg(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const lengthSquared = dx * dx + dy * dy;
  const t = lengthSquared === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / lengthSquared));
  return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
}

/** A hundredth of a mm: keeps typed and dragged numbers clean in the document. */
const tidy = (mm: number): number => Math.round(mm * 100) / 100;
