import { ClipType, ClipperD, ClipperOffset, EndType, FillRule, JoinType } from 'clipper2-ts';
import type { Box, Point } from './point';

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

/**
 * What of a ring that turns one way lies in a box; nothing for none. The clipper's own way with rectangles is not used: it loses corners of such rings.
 * @source Sutherland and Hodgman, "Reentrant Polygon Clipping", 1974
 */
export function boxed(ring: Ring, { left, top, right, bottom }: Box): Ring {
  const sides = [
    ['x', left, 1],
    ['x', right, -1],
    ['y', top, 1],
    ['y', bottom, -1],
  ] as const;
  const kept = sides
    .reduce((rest, [axis, atMm, way]) => cutOff(rest, axis, atMm, way), ring)
    .map(({ x, y }) => ({ x: inClips(x) / CLIPS_PER_MM, y: inClips(y) / CLIPS_PER_MM }));
  return kept.filter(({ x, y }, i) => x !== kept.at(i - 1)!.x || y !== kept.at(i - 1)!.y);
}
/** A ring without what lies before a line, or beyond it. @param way 1 keeps what lies beyond, −1 what lies before */
function cutOff(ring: Ring, axis: 'x' | 'y', atMm: number, way: 1 | -1): Ring {
  const kept: Point[] = [];
  let before = ring.at(-1)!;
  for (const point of ring) {
    const [from, to] = [way * (before[axis] - atMm), way * (point[axis] - atMm)];
    if (from < 0 !== to < 0) {
      const share = from / (from - to);
      const across = { x: before.x + (point.x - before.x) * share, y: before.y + (point.y - before.y) * share };
      kept.push({ ...across, [axis]: atMm });
    }
    if (to >= 0) kept.push(point);
    before = point;
  }
  return kept;
}
const inClips = (mm: number): number => Math.round(mm * CLIPS_PER_MM);
const inMm = (ring: Ring): Point[] => ring.map(({ x, y }) => ({ x: x / CLIPS_PER_MM, y: y / CLIPS_PER_MM }));

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
  const scaled = lines.map((line) => line.map(({ x, y }) => ({ x: inClips(x), y: inClips(y) })));
  clipper.addPaths(scaled, join, end);
  const found: Point[][] = [];
  clipper.execute(byMm * CLIPS_PER_MM, found);
  return found.map(inMm);
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
