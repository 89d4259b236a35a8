import type { Ring } from '@spare-acre/core/base/geometry';

/** Closed lines as one path. */
export const ringPath = (rings: readonly Ring[]): string =>
  rings.map((ring) => `M${ring.map(({ x, y }) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}Z`).join('');

type At = { readonly x: number; readonly y: number };
/** Open lines as one path. */
export const linePath = (lines: readonly (readonly [At, At])[]): string =>
  lines.map(([from, to]) => `M${from.x.toFixed(2)} ${from.y.toFixed(2)}L${to.x.toFixed(2)} ${to.y.toFixed(2)}`).join('');
