import { alongBoth } from './clipper';
import { type Point, between, distanceMm, turn, turnsOneWay } from './point';
import { type Region, type Ring, regionOf } from './region';

/** Sides of the polygon that stands for a circle: 0.16 % less area than the true one, flats 0.12 % nearer the middle. */
export const ROUND_SIDES = 64;
/** Chords of a rounded bend turn at most this much each. */
const BEND_STEP_RAD = Math.PI / 24;

/** A circle as a ring of {@link ROUND_SIDES} corners on it. */
export function roundRing(centre: Point, radiusMm: number): Ring {
  return Array.from({ length: ROUND_SIDES }, (_, i) => {
    const angle = (2 * Math.PI * i) / ROUND_SIDES;
    return { x: centre.x + radiusMm * Math.cos(angle), y: centre.y + radiusMm * Math.sin(angle) };
  });
}

/**
 * A line with its corners rounded to arcs. An arc takes at most half of either neighbouring leg, so a tight corner gets
 * a smaller radius instead of a loop.
 */
export function bent(points: readonly Point[], radiusMm: number): readonly Point[] {
  if (radiusMm <= 0 || points.length < 3) return points;
  const line: Point[] = [points[0]!];
  for (let i = 1; i < points.length - 1; i++) line.push(...arcAt(points[i - 1]!, points[i]!, points[i + 1]!, radiusMm));
  line.push(points.at(-1)!);
  return line;
}

/** A strip of even width along a line, square at both ends, corners mitred. */
export function stripRegion(line: readonly Point[], widthMm: number): Region {
  const [from, to] = line;
  if (line.length === 2 && distanceMm(from!, to!) > 0) return straightStrip(from!, to!, widthMm / 2);
  return { rings: alongBoth(line, widthMm / 2) };
}

function straightStrip(from: Point, to: Point, halfMm: number): Region {
  const lengthMm = distanceMm(from, to);
  const [x, y] = [(-(to.y - from.y) * halfMm) / lengthMm, ((to.x - from.x) * halfMm) / lengthMm];
  const beside = (point: Point, side: 1 | -1): Point => ({ x: point.x + x * side, y: point.y + y * side });
  return regionOf([beside(from, -1), beside(to, -1), beside(to, 1), beside(from, 1)]);
}

/** mm along a line. */
export function lineLengthMm(line: readonly Point[]): number {
  let sum = 0;
  for (let i = 1; i < line.length; i++) sum += distanceMm(line[i - 1]!, line[i]!);
  return sum;
}

/** Where a point lies by a line: how far off it, and how far along it (mm) its nearest place is. */
export function alongLine(line: readonly Point[], { x, y }: Point): { readonly offMm: number; readonly atMm: number } {
  let [best, at, passed] = [Infinity, 0, 0];
  for (let i = 1; i < line.length; i++) {
    const [a, b] = [line[i - 1]!, line[i]!];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const squared = dx * dx + dy * dy;
    const t = squared === 0 ? 0 : Math.max(0, Math.min(1, ((x - a.x) * dx + (y - a.y) * dy) / squared));
    const off = Math.hypot(x - a.x - t * dx, y - a.y - t * dy);
    const leg = Math.sqrt(squared);
    if (off < best) [best, at] = [off, passed + t * leg];
    passed += leg;
  }
  return { offMm: best, atMm: at };
}

/** The point a share (0 to 1) of the way along a line. */
export function pointAlong(line: readonly Point[], share: number): Point {
  let left = lineLengthMm(line) * share;
  for (let i = 1; i < line.length; i++) {
    const [a, b] = [line[i - 1]!, line[i]!];
    const leg = distanceMm(a, b);
    if (left <= leg + 1e-9 && leg > 0) return between(a, b, Math.min(1, left / leg));
    left -= leg;
  }
  return line.at(-1)!;
}

/**
 * The first two sides of a ring that cross or touch where they should not, by their index; null for a sound outline. Only sides whose boxes meet are
 * looked at closely. The boxes are flat arrays of numbers: at the few hundred corners an outline may have, comparing all of them takes a tenth of the
 * time of sorting them first.
 */
export function selfCrossing(ring: Ring): readonly [number, number] | null {
  // Four corners that all turn one way go round once.
  if (ring.length <= 4 && turnsOneWay(ring)) return null;
  const { left, right, top, bottom } = boxesOfSides(ring);
  for (let i = 0; i < ring.length; i++) {
    const [fromX, toX, fromY, toY] = [left[i]!, right[i]!, top[i]!, bottom[i]!];
    for (let j = i + 1; j < ring.length; j++) {
      if (left[j]! > toX || right[j]! < fromX || top[j]! > toY || bottom[j]! < fromY) continue;
      if (sidesCross(ring, i, j)) return [i, j];
    }
  }
  return null;
}

function boxesOfSides(ring: Ring): Readonly<Record<'left' | 'right' | 'top' | 'bottom', Float64Array>> {
  const boxes = {
    left: new Float64Array(ring.length),
    right: new Float64Array(ring.length),
    top: new Float64Array(ring.length),
    bottom: new Float64Array(ring.length),
  };
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    [boxes.left[i], boxes.right[i]] = [Math.min(a.x, b.x), Math.max(a.x, b.x)];
    [boxes.top[i], boxes.bottom[i]] = [Math.min(a.y, b.y), Math.max(a.y, b.y)];
  });
  return boxes;
}

function sidesCross(ring: Ring, i: number, j: number): boolean {
  const count = ring.length;
  const closes = i === 0 && j === count - 1;
  const [a, b, c, d] = [ring[i]!, ring[(i + 1) % count]!, ring[j]!, ring[(j + 1) % count]!];
  if (j === i + 1 || closes) return foldsBack(closes ? [c, d, b] : [a, b, d]);
  return segmentsMeet(a, b, c, d);
}

function foldsBack([a, corner, b]: readonly [Point, Point, Point]): boolean {
  const isStraight = turn(a, corner, b) === 0;
  return isStraight && (a.x - corner.x) * (b.x - corner.x) + (a.y - corner.y) * (b.y - corner.y) > 0;
}

function segmentsMeet(a: Point, b: Point, c: Point, d: Point): boolean {
  const [aside, bside] = [turn(c, d, a), turn(c, d, b)];
  if (aside * bside > 0) return false;
  const [cside, dside] = [turn(a, b, c), turn(a, b, d)];
  if (aside * bside < 0 && cside * dside < 0) return true;
  return (
    (aside === 0 && boxSpans(c, d, a)) ||
    (bside === 0 && boxSpans(c, d, b)) ||
    (cside === 0 && boxSpans(a, b, c)) ||
    (dside === 0 && boxSpans(a, b, d))
  );
}

/** Whether a point lies in the box that two others span. */
const boxSpans = (p: Point, q: Point, { x, y }: Point): boolean =>
  Math.min(p.x, q.x) <= x && x <= Math.max(p.x, q.x) && Math.min(p.y, q.y) <= y && y <= Math.max(p.y, q.y);

function arcAt(before: Point, corner: Point, after: Point, radiusMm: number): Point[] {
  const legIn = distanceMm(before, corner);
  const legOut = distanceMm(corner, after);
  if (legIn === 0 || legOut === 0) return [corner];
  const directionIn = Math.atan2(corner.y - before.y, corner.x - before.x);
  const directionOut = Math.atan2(after.y - corner.y, after.x - corner.x);
  const swing = Math.atan2(Math.sin(directionOut - directionIn), Math.cos(directionOut - directionIn));
  if (Math.abs(swing) < 1e-6 || Math.abs(swing) > Math.PI - 1e-3) return [corner];
  // The tangent points lie r·tan(|swing|/2) from the corner.
  const reach = Math.min(radiusMm * Math.tan(Math.abs(swing) / 2), legIn / 2, legOut / 2);
  const radius = reach / Math.tan(Math.abs(swing) / 2);
  const start = between(corner, before, reach / legIn);
  const side = Math.sign(swing);
  const centre = { x: start.x - side * radius * Math.sin(directionIn), y: start.y + side * radius * Math.cos(directionIn) };
  const steps = Math.max(1, Math.ceil(Math.abs(swing) / BEND_STEP_RAD));
  return Array.from({ length: steps + 1 }, (_, i) => {
    const angle = directionIn + (swing * i) / steps;
    return { x: centre.x + side * radius * Math.sin(angle), y: centre.y - side * radius * Math.cos(angle) };
  });
}
