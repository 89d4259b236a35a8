import { type Region, regionBox, regionOf } from '../base/geometry';
import { type Feature, pieceTurnOn } from '../features';
import { shapeRegion } from '../shapes';
import type { Footprint } from './footprint';

/** Where a piece lies on its plot: its middle on the middle of the plot's box, turned as the plot says. */
export function placedHull(plot: Feature, { hull }: Footprint): Region {
  const { left, right, top, bottom } = regionBox(shapeRegion(plot.shape));
  const [x, y] = [(left + right) / 2, (top + bottom) / 2];
  const turn = (pieceTurnOn(plot) * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return regionOf(hull.map((point) => ({ x: x + point.x * cos - point.y * sin, y: y + point.x * sin + point.y * cos })));
}
