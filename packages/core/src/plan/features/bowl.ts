import { type Shape, depthOfShapeMm, insetOf, shapeRegion } from '../shapes';
import { type Point, type Region, areaMm2, grown, intersection, isEmpty } from '../../base/geometry';

/** A bowl: from the edge inwards the floor falls as a parabola to its deepest, so that a round one is a paraboloid. */
export function bowl(shape: Shape, deepestMm: number): (point: Point) => number {
  const inset = insetOf(shape);
  const reach = depthOfShapeMm(shape) || 1;
  return (point) => {
    const out = 1 - Math.max(0, Math.min(1, inset(point) / reach));
    return deepestMm * (1 - out * out);
  };
}

/** Rings a bowl is built of. */
const RINGS = 8;

/** Lines round a bowl's floor, even steps inwards, and the water's edge. @param waterMm over the deepest floor; null for a dry one */
export function bowlRings(shape: Shape, deepMm: number, waterMm: number | null): readonly Region[] {
  const region = shapeRegion(shape);
  const reach = depthOfShapeMm(shape) || 1;
  const shares = Array.from({ length: RINGS - 1 }, (_, i) => (i + 1) / RINGS);
  if (waterMm !== null && waterMm > 0 && waterMm < deepMm) shares.push(1 - Math.sqrt(waterMm / deepMm));
  return shares.map((share) => setIn(shape, region, share * reach));
}

/** A shape smaller all round as {@link insetOf} counts it: the ends of a strip are open. */
function setIn(shape: Shape, region: Region, byMm: number): Region {
  if (shape.form === 'round') return shapeRegion({ ...shape, radiusMm: shape.radiusMm - byMm });
  if (shape.form === 'strip') return shapeRegion({ ...shape, widthMm: shape.widthMm - 2 * byMm });
  return grown(region, -byMm);
}

/**
 * What a bowl holds, mm³, by whole contours of its floor: over out = 1 − inset ÷ reach the floor is as deep as depth·(1 − out²), so that the volume under the water's
 * surface is the integral of (area within a contour) · 2·depth·out from the middle to the water's edge. Areas are those of the shape set in, so that the sum is exact for
 * round, straight and convex shapes and to some ten-thousandths for others.
 * @param depthMm deepest floor; @param fillMm how high over the deepest floor it is filled, up to the brim
 * @param within what of the shape counts; all of it where left out
 */
export function bowlVolumeMm3(shape: Shape, depthMm: number, fillMm: number, within: Region | null = null): number {
  const region = shapeRegion(shape);
  if (isEmpty(region) || depthMm <= 0 || fillMm <= 0) return 0;
  const reach = depthOfShapeMm(shape) || 1;
  const edge = Math.sqrt(Math.min(1, fillMm / depthMm));
  let sum = 0;
  for (const [at, weight] of GAUSS) {
    const out = (edge * (1 + at)) / 2;
    const contour = setIn(shape, region, reach * (1 - out));
    const mm2 = areaMm2(within === null ? contour : intersection(contour, within));
    sum += weight * mm2 * 2 * depthMm * out;
  }
  return (sum * edge) / 2;
}
/** Gauss–Legendre on −1 to 1 with eight points: exact to the fifteenth power. */
const GAUSS = [
  [0.1834346424956498, 0.362683783378362],
  [0.525532409916329, 0.3137066458778873],
  [0.7966664774136267, 0.2223810344533745],
  [0.9602898564975363, 0.1012285362903763],
].flatMap(([at, weight]): [number, number][] => [
  [at!, weight!],
  [-at!, weight!],
]);

/** What a bowl holds as a share of a flat floor filled as deep: ½·w/D for a round one. */
export function bowlShare(shape: Shape, depthMm: number, fillMm: number): number {
  const known = SHARES.get(shape) ?? new Map<string, number>();
  SHARES.set(shape, known);
  const key = `${depthMm} ${fillMm}`;
  let share = known.get(key);
  if (share === undefined) {
    const boxMm3 = areaMm2(shapeRegion(shape)) * fillMm;
    known.set(key, (share = boxMm3 > 0 ? bowlVolumeMm3(shape, depthMm, fillMm) / boxMm3 : 0));
  }
  return share;
}
/** Shapes never change. */
const SHARES = new WeakMap<Shape, Map<string, number>>();

/** How much of a box over its footprint a bowl takes, filled to its brim. */
export const bowlOfBox = (shape: Shape, depthMm: number): { readonly share: number; readonly note: string } => ({
  share: bowlShare(shape, depthMm, depthMm),
  note: 'a bowl, measured on its floor',
});
