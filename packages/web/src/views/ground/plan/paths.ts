import type { Point, Region, Ring } from '@spare-acre/core/base/geometry';
import { type Feature, kindOf } from '@spare-acre/core/plan/features';

export type ToPx = (point: Point) => Point;

/** A region as an SVG path; draw it with `fill-rule="evenodd"` where it may have holes. */
export const regionPath = (region: Region, toPx: ToPx): string => ringsPath(region.rings, toPx);
export const ringsPath = (rings: readonly Ring[], toPx: ToPx): string => rings.map((ring) => `${linePath(ring, toPx)}Z`).join('');

/** An open line as an SVG path. */
export function linePath(points: readonly Point[], toPx: ToPx): string {
  return points.map((point, i) => `${i === 0 ? 'M' : 'L'}${number(toPx(point).x)} ${number(toPx(point).y)}`).join('');
}

/** Features from the lowest to what lies on top of it: raised by height, surfaces, what is sunk through all of it, then what stands. */
export function drawingOrder(features: readonly Feature[]): readonly Feature[] {
  const rankOf = (feature: Feature): number => kindOf(feature).rank(feature);
  return [...features].sort((a, b) => rankOf(a) - rankOf(b));
}

/** The hatch of a feature's surface. */
export function fillOf(feature: Feature): string {
  const hatch = kindOf(feature).hatch(feature);
  return hatch === null ? 'none' : `url(#hatch-${hatch})`;
}

const number = (px: number): string => px.toFixed(1);
