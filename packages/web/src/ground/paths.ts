import type { Point, Region, Ring } from '@spare-acre/core/geometry';
import type { Feature } from '@spare-acre/core/plan';

export type ToPx = (point: Point) => Point;

/** A region as an SVG path; draw it with `fill-rule="evenodd"` where it may have holes. */
export const regionPath = (region: Region, toPx: ToPx): string => ringsPath(region.rings, toPx);
export const ringsPath = (rings: readonly Ring[], toPx: ToPx): string => rings.map((ring) => `${linePath(ring, toPx)}Z`).join('');

/** An open line as an SVG path. */
export function linePath(points: readonly Point[], toPx: ToPx): string {
  return points.map((point, i) => `${i === 0 ? 'M' : 'L'}${number(toPx(point).x)} ${number(toPx(point).y)}`).join('');
}

/** Higher than any ground, so that what lies on it comes after. */
const ON_TOP = 10_000;
const RANKS: Readonly<Record<Feature['kind'], (feature: never) => number>> = {
  raised: ({ heightMm }: Feature & { kind: 'raised' }) => heightMm,
  hill: ({ stepMm }: Feature & { kind: 'hill' }) => stepMm,
  bank: ({ heightMm }: Feature & { kind: 'bank' }) => heightMm,
  ramp: ({ fromMm, toMm }: Feature & { kind: 'ramp' }) => Math.max(fromMm, toMm) + 0.5,
  field: () => ON_TOP,
  route: () => ON_TOP,
  pit: () => 2 * ON_TOP,
  water: () => 2 * ON_TOP,
  crater: () => 2 * ON_TOP,
  plot: () => 3 * ON_TOP,
  wall: () => 4 * ON_TOP,
  light: () => 5 * ON_TOP,
  clear: () => 6 * ON_TOP,
};

/** Features from the lowest to what lies on top of it: raised by height, surfaces, what is sunk through all of it, then what stands. */
export function drawingOrder(features: readonly Feature[]): readonly Feature[] {
  return [...features].sort((a, b) => RANKS[a.kind](a as never) - RANKS[b.kind](b as never));
}

/** Ground this high is hatched more closely. */
const HIGH_MM = 30;
/** The hatch of a feature's surface. */
export function fillOf(feature: Feature): string {
  switch (feature.kind) {
    case 'raised':
      return feature.heightMm >= HIGH_MM ? 'url(#hatch-raised-more)' : 'url(#hatch-raised)';
    case 'hill':
    case 'bank':
      return 'url(#hatch-raised)';
    case 'crater':
      return 'url(#hatch-pit)';
    case 'clear':
    case 'light':
      return 'none';
    default:
      return `url(#hatch-${feature.kind})`;
  }
}

const number = (px: number): string => px.toFixed(1);
