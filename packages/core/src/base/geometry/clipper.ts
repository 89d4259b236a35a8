import { ClipType, ClipperD, ClipperOffset, EndType, FillRule, JoinType } from 'clipper2-ts';
import type { Point } from './point';

/** A closed run of points; the last joins the first. */
export type Ring = readonly Point[];

/** Decimals kept by the polygon clipper: a thousandth of a mm, far under any blade. */
const CLIP_DECIMALS = 3;
export const CLIPS_PER_MM = 10 ** CLIP_DECIMALS;

// The clipper's types ask for mutable arrays; it copies before it works. Its classes are used and not the one object of functions it has around
// them, which brings all of it into the page.
const mutable = (rings: readonly Ring[]): Point[][] => rings as Point[][];

function combined(how: ClipType, rings: readonly Ring[], others: readonly Ring[], fill: FillRule): Point[][] {
  const clipper = new ClipperD(CLIP_DECIMALS);
  clipper.addSubjectPaths(mutable(rings));
  if (others.length > 0) clipper.addClipPaths(mutable(others));
  const found: Point[][] = [];
  clipper.execute(how, fill, found);
  return found;
}
export const united = (rings: readonly Ring[]): Point[][] => combined(ClipType.Union, rings, [], FillRule.NonZero);
export const unitedEvenOdd = (rings: readonly Ring[]): Point[][] => combined(ClipType.Union, rings, [], FillRule.EvenOdd);
export const intersected = (rings: readonly Ring[], others: readonly Ring[]): Point[][] =>
  combined(ClipType.Intersection, rings, others, FillRule.NonZero);
export const subtracted = (rings: readonly Ring[], others: readonly Ring[]): Point[][] =>
  combined(ClipType.Difference, rings, others, FillRule.NonZero);

/** Closed rings made larger all round, corners rounded. @param arcMm how far the chords may lie off an arc */
export const inflated = (rings: readonly Ring[], byMm: number, arcMm: number): Point[][] =>
  offset(rings, byMm, { join: JoinType.Round, end: EndType.Polygon, miterLimit: 2, arcMm });

/** A line made into a strip with square ends and mitred corners. */
export const alongBoth = (line: readonly Point[], byMm: number): Point[][] =>
  offset([line], byMm, { join: JoinType.Miter, end: EndType.Butt, miterLimit: 4, arcMm: 0 });

interface OffsetStyle {
  readonly join: JoinType;
  readonly end: EndType;
  readonly miterLimit: number;
  readonly arcMm: number;
}
function offset(lines: readonly (readonly Point[])[], byMm: number, { join, end, miterLimit, arcMm }: OffsetStyle): Point[][] {
  const clipper = new ClipperOffset(miterLimit, arcMm * CLIPS_PER_MM);
  const scaled = lines.map((line) => line.map(({ x, y }) => ({ x: Math.round(x * CLIPS_PER_MM), y: Math.round(y * CLIPS_PER_MM) })));
  clipper.addPaths(scaled, join, end);
  const found: Point[][] = [];
  clipper.execute(byMm * CLIPS_PER_MM, found);
  return found.map((ring) => ring.map(({ x, y }) => ({ x: x / CLIPS_PER_MM, y: y / CLIPS_PER_MM })));
}

/** mm², positive for an outer ring of a region, negative for a hole of it. */
export function signedMm2(ring: Ring): number {
  let sum = 0;
  let before = ring.at(-1);
  for (const point of ring) {
    sum += (before!.y + point.y) * (before!.x - point.x);
    before = point;
  }
  return sum / 2;
}
