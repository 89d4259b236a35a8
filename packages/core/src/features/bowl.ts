import { type Shape, depthOfShapeMm, insetOf, shapeRegion } from '../shapes';
import { type Point, type Region, contains, grown, isEmpty, regionBox } from '../base/geometry';

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

/** Samples across a shape's box when a bowl's contents are measured. */
const SAMPLES = 120;

/**
 * What a bowl holds as a share of a flat floor filled as deep: ½·w/D for a round one, measured for all shapes on a grid.
 * @param depthMm deepest floor; @param fillMm how high over the deepest floor it is filled, up to the brim
 */
export function bowlShare(shape: Shape, depthMm: number, fillMm: number): number {
  const known = SHARES.get(shape) ?? new Map<string, number>();
  SHARES.set(shape, known);
  const key = `${depthMm} ${fillMm}`;
  let share = known.get(key);
  if (share === undefined) known.set(key, (share = measured(shape, depthMm, fillMm)));
  return share;
}
/** Shapes never change; 14 400 samples of an outline took some milliseconds each time it was asked. */
const SHARES = new WeakMap<Shape, Map<string, number>>();

function measured(shape: Shape, depthMm: number, fillMm: number): number {
  const inset = insetOf(shape);
  const reach = depthOfShapeMm(shape) || 1;
  const region = shapeRegion(shape);
  if (isEmpty(region)) return 0;
  const { left, top, right, bottom } = regionBox(region);
  let [inside, held] = [0, 0];
  for (let i = 0; i < SAMPLES; i++) {
    for (let j = 0; j < SAMPLES; j++) {
      const point = { x: left + ((i + 0.5) / SAMPLES) * (right - left), y: top + ((j + 0.5) / SAMPLES) * (bottom - top) };
      if (!contains(region, point)) continue;
      inside += 1;
      const out = 1 - Math.max(0, Math.min(1, inset(point) / reach));
      held += Math.max(0, depthMm * (1 - out * out) - (depthMm - fillMm));
    }
  }
  return inside === 0 ? 0 : held / inside / fillMm;
}

/** How much of a box over its footprint a bowl takes, filled to its brim. */
export const bowlOfBox = (shape: Shape, depthMm: number): { readonly share: number; readonly note: string } => ({
  share: bowlShare(shape, depthMm, depthMm),
  note: 'a bowl, measured on its floor',
});
