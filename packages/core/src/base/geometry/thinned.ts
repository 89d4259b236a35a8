import { simplifyPath } from 'clipper2-ts';
import type { Point } from './point';

/** Thousandths: the clipper's thinning works on whole numbers. */
const PER_MM = 1_000;

/** A closed run of points with those left out that lie within a distance of the line through their neighbours. */
export function thinned(ring: readonly Point[], slackMm: number): readonly Point[] {
  const scaled = ring.map(({ x, y }) => ({ x: Math.round(x * PER_MM), y: Math.round(y * PER_MM) }));
  return simplifyPath(scaled, slackMm * PER_MM, true).map(({ x, y }) => ({ x: x / PER_MM, y: y / PER_MM }));
}
