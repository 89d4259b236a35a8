import { type Point, type Region, regionBox, regionOf } from '../../../base/geometry';
import { type Feature, pieceTurnOn } from '../../../plan/features';
import { shapeRegion } from '../../../plan/shapes';
import type { Footprint } from './footprint';
import type { MadePiece } from '../making/made';

/** From places about the middle of a footprint to places on the plan, and back. */
export interface Placing {
  readonly to: (at: Point) => Point;
  readonly back: (at: Point) => Point;
}
/** A piece lies on its plot with its middle on the middle of the plot's box, turned as the plot says. */
export function placingOn(plot: Feature): Placing {
  const { left, right, top, bottom } = regionBox(shapeRegion(plot.shape));
  const [x, y] = [(left + right) / 2, (top + bottom) / 2];
  const turn = (pieceTurnOn(plot) * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return {
    to: (at) => ({ x: x + at.x * cos - at.y * sin, y: y + at.x * sin + at.y * cos }),
    back: (at) => ({ x: (at.x - x) * cos + (at.y - y) * sin, y: (at.y - y) * cos - (at.x - x) * sin }),
  };
}
/** The ground a piece covers on its plot. */
export const placedHull = (plot: Feature, { hull }: Footprint): Region => regionOf(hull.map(placingOn(plot).to));

/** A way into a piece as it lies on the plan: along its threshold, and through it inwards. */
export interface PlacedWay {
  readonly name: string;
  readonly threshold: readonly [Point, Point];
  readonly inwards: readonly [Point, Point];
}
/** An arrow as long as this leads in. */
const ARROW_MM = 14;
export function placedWays(plot: Feature, { shape, objects }: MadePiece, { middle }: Footprint): readonly PlacedWay[] {
  const { to } = placingOn(plot);
  // A plan has y towards the viewer, a piece away from him.
  const onPlan = (x: number, y: number): Point => to({ x: x - middle.x, y: middle.y - y });
  return (shape?.waysIn ?? [])
    .filter(({ objectId }) => objectId === objects[0]?.id)
    .map(({ name, at: [x, y], out: [ox, oy], widthMm }) => ({
      name,
      threshold: [onPlan(x - (oy * widthMm) / 2, y + (ox * widthMm) / 2), onPlan(x + (oy * widthMm) / 2, y - (ox * widthMm) / 2)],
      inwards: [onPlan(x + ox * ARROW_MM, y + oy * ARROW_MM), onPlan(x, y)],
    }));
}
