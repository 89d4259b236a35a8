import { type Point, type Ring, alongLine, contains, isEmpty, regionBox } from '../geometry';
import { type Feature, type Shape, type Strip, deepestInsetMm, middleLine, shapeRegion, stripLengthMm } from '../plan';
import type { Land } from './land';

/**
 * Height of a land's own surface at a point, over the ground in mm: foam of a mass, floor of a hole. Only meant for points of
 * its body; one description serves the section, the height field and every check, so that none can part from the others.
 */
export function profileOf(land: Land): (point: Point) => number {
  const { feature, levelMm } = land;
  switch (feature.kind) {
    case 'bank': {
      const { shape, crownMm } = feature;
      const runMm = bankRunMm(shape, crownMm);
      const line = middleLine(shape);
      if (runMm <= 0) return () => levelMm;
      return (point) => levelMm * Math.max(0, Math.min(1, (shape.widthMm / 2 - alongLine(line, point).offMm) / runMm));
    }
    case 'ramp': {
      const line = middleLine(feature.shape);
      const lengthMm = stripLengthMm(feature.shape);
      const { fromMm, toMm } = feature;
      return (point) => fromMm + (toMm - fromMm) * (lengthMm === 0 ? 0 : alongLine(line, point).atMm / lengthMm);
    }
    case 'pit':
    case 'water':
      return feature.floor === 'flat' ? () => levelMm : bowl(feature.shape, levelMm);
    case 'crater':
      return land.role === 'hole' ? bowl(feature.shape, levelMm) : () => levelMm;
    default:
      return () => levelMm;
  }
}

/** What lies on the ground above it at a point, mm: a kerb along a route's edges, the heaped rim of a crater; null where it is always flat. */
export function overlayOf(land: Land): ((point: Point) => number) | null {
  const { feature } = land;
  if (feature.kind === 'route' && feature.kerbMm > 0 && feature.kerbWidthMm > 0) {
    const inside = insetOf(feature.shape);
    return (point) => {
      const inMm = inside(point);
      return inMm >= 0 && inMm < feature.kerbWidthMm ? feature.kerbMm : 0;
    };
  }
  if (feature.kind === 'crater' && land.role === 'surface') {
    const { shape, rimMm, rimWidthMm } = feature;
    return ({ x, y }) => {
      // A parabola over the rim's width, 0 at both its edges.
      const across = ((Math.hypot(x - shape.centre.x, y - shape.centre.y) - shape.radiusMm) / rimWidthMm) * 2 - 1;
      return rimMm * Math.max(0, 1 - across * across);
    };
  }
  return null;
}

/** Whether a land's surface is anything but level. */
export function isSloped(land: Land): boolean {
  const { feature } = land;
  if (feature.kind === 'bank' || feature.kind === 'ramp') return true;
  if (feature.kind === 'pit' || feature.kind === 'water') return feature.floor === 'bowl';
  return feature.kind === 'crater';
}

/** Horizontal run of each side of a bank, mm. */
export const bankRunMm = (shape: Strip, crownMm: number): number => Math.max(0, (shape.widthMm - crownMm) / 2);

/**
 * How far inside a shape's edge a point lies, mm; negative outside. Rounds and strips by their closed form, outlines by the nearest side.
 * The ends of a strip are open.
 */
export function insetOf(shape: Shape): (point: Point) => number {
  if (shape.form === 'round') return ({ x, y }) => shape.radiusMm - Math.hypot(x - shape.centre.x, y - shape.centre.y);
  if (shape.form === 'strip') {
    const line = middleLine(shape);
    return (point) => shape.widthMm / 2 - alongLine(line, point).offMm;
  }
  const rings = shape.form === 'outline' ? [shape.points] : shape.levels[0]!;
  const closed = rings.map((ring: Ring) => [...ring, ring[0]!]);
  return (point) => Math.min(...closed.map((ring) => alongLine(ring, point).offMm));
}

/** How far in a shape's middle lies from its edge, mm. */
export function depthOfShapeMm(shape: Shape): number {
  if (shape.form === 'round') return shape.radiusMm;
  if (shape.form === 'strip') return shape.widthMm / 2;
  let known = DEEPEST.get(shape);
  if (known === undefined) DEEPEST.set(shape, (known = deepestInsetMm(shapeRegion(shape))));
  return known;
}
/** Shapes never change; finding the middle of an outline takes some milliseconds. */
const DEEPEST = new WeakMap<Shape, number>();

/** A bowl: from the edge inwards the floor falls as a parabola to its deepest, so that a round one is a paraboloid. */
function bowl(shape: Shape, deepestMm: number): (point: Point) => number {
  const inset = insetOf(shape);
  const reach = depthOfShapeMm(shape) || 1;
  return (point) => {
    const out = 1 - Math.max(0, Math.min(1, inset(point) / reach));
    return deepestMm * (1 - out * out);
  };
}

/** Samples across a shape's box when a bowl's contents are measured. */
const BOWL_SAMPLES = 120;

/**
 * What a bowl holds as a share of a flat floor filled as deep: ½·w/D for a round one, measured for all shapes on a grid.
 * @param depthMm deepest floor; @param fillMm how high over the deepest floor it is filled, up to the brim
 */
export function bowlShare(shape: Shape, depthMm: number, fillMm: number): number {
  const inset = insetOf(shape);
  const reach = depthOfShapeMm(shape) || 1;
  const region = shapeRegion(shape);
  if (isEmpty(region)) return 0;
  const { left, top, right, bottom } = regionBox(region);
  let [inside, held] = [0, 0];
  for (let i = 0; i < BOWL_SAMPLES; i++) {
    for (let j = 0; j < BOWL_SAMPLES; j++) {
      const point = { x: left + ((i + 0.5) / BOWL_SAMPLES) * (right - left), y: top + ((j + 0.5) / BOWL_SAMPLES) * (bottom - top) };
      if (!contains(region, point)) continue;
      inside += 1;
      const out = 1 - Math.max(0, Math.min(1, inset(point) / reach));
      held += Math.max(0, depthMm * (1 - out * out) - (depthMm - fillMm));
    }
  }
  return inside === 0 ? 0 : held / inside / fillMm;
}

/** Mean height of a land's upright faces, mm; for a bank what its slant is longer than its run. */
export function faceHeightMm({ feature, role, levelMm, baseMm }: Pick<Land, 'feature' | 'role' | 'levelMm' | 'baseMm'>): number {
  if (role === 'hole') return isBowl(feature) ? 0 : -levelMm;
  if (role !== 'mass') return 0;
  if (feature.kind === 'ramp') return Math.max(0, (feature.fromMm + feature.toMm) / 2 - baseMm);
  if (feature.kind === 'bank') {
    const runMm = bankRunMm(feature.shape, feature.crownMm);
    return Math.hypot(runMm, levelMm - baseMm) - runMm;
  }
  return levelMm - baseMm;
}

export const isBowl = (feature: Feature): boolean =>
  feature.kind === 'crater' || ((feature.kind === 'pit' || feature.kind === 'water') && feature.floor === 'bowl');
