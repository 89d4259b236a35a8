import type { Point, Region } from '@spare-acre/core/geometry';
import type { Feature } from '@spare-acre/core/plan';

export type ToPx = (point: Point) => Point;

/** A region as an SVG path; draw it with `fill-rule="evenodd"` where it may have holes. */
export function regionPath(region: Region, toPx: ToPx): string {
  return region.rings.map((ring) => `${linePath(ring, toPx)}Z`).join('');
}

/** An open line as an SVG path. */
export function linePath(points: readonly Point[], toPx: ToPx): string {
  return points.map((point, i) => `${i === 0 ? 'M' : 'L'}${number(toPx(point).x)} ${number(toPx(point).y)}`).join('');
}

/** Features from the lowest to what lies on top of it: raised by height, routes, then what is sunk through all of it. */
export function drawingOrder(features: readonly Feature[]): readonly Feature[] {
  const rank = (feature: Feature): number => (feature.kind === 'raised' ? feature.heightMm : feature.kind === 'route' ? 10_000 : 20_000);
  return [...features].sort((a, b) => rank(a) - rank(b));
}

/** Ground this high is hatched more closely. */
const HIGH_MM = 30;

/** The hatch of a feature's surface. */
export function fillOf(feature: Feature): string {
  if (feature.kind === 'raised') return feature.heightMm >= HIGH_MM ? 'url(#hatch-raised-more)' : 'url(#hatch-raised)';
  return `url(#hatch-${feature.kind})`;
}

const number = (px: number): string => px.toFixed(1);
