import type { Ring } from '@spare-acre/core/base/geometry';

/** Closed lines as one path. */
export const ringPath = (rings: readonly Ring[]): string =>
  rings.map((ring) => `M${ring.map(({ x, y }) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}Z`).join('');
