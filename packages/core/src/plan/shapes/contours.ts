import { tidyMm } from '../../base/rounding';
import { type Region, areaMm2, grown, pieces } from '../../base/geometry';
import type { Contours, Shape } from './schema';
import { shapeRegion } from './shape';

/** Steps smaller than this are not worth a saw cut. */
const MIN_STEP_MM2 = 100;
/** As many halvings as find an inset to a tenth of a mm in the largest shape. */
const HALVINGS = 18;

/**
 * Contours of a hill that rises evenly from an outline to its middle.
 * @param steps wanted; fewer come back where the shape is too narrow for all
 */
export function contoursWithin(shape: Exclude<Shape, Contours>, steps: number): Contours {
  const foot = shapeRegion(shape);
  const inMm = deepestInsetMm(foot) / steps;
  const levels: Region[] = [foot];
  for (let i = 1; i < steps; i++) {
    const level = grown(foot, -inMm * i);
    if (areaMm2(level) < MIN_STEP_MM2) break;
    levels.push(level);
  }
  return { form: 'contours', levels: levels.map(ringsOf) };
}

/** How far a region can be set in before nothing is left of it, mm. */
export function deepestInsetMm(region: Region): number {
  let [low, high] = [0, Math.sqrt(areaMm2(region))];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (pieces(grown(region, -middle)).length > 0) low = middle;
    else high = middle;
  }
  return low;
}

const ringsOf = (region: Region): { x: number; y: number }[][] =>
  region.rings.map((ring) => ring.map(({ x, y }) => ({ x: tidyMm(x), y: tidyMm(y) })));
