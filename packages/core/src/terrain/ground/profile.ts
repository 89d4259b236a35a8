import { kindOf } from '../../plan/features';
import type { Point, Region } from '../../base/geometry';
import { memoize } from '../../base/memory';
import type { Land } from './land';

/** A height for each point, over the ground in mm. */
export type HeightAt = (point: Point) => number;

/**
 * Height of a land's own surface at a point, over the ground in mm: foam of a mass, floor of a hole. Only meant for points of
 * its body; one description serves the section, the height field and every check, so that none can part from the others.
 */
export const profileOf = memoize((land: Land): HeightAt => slopeOf(land) ?? (() => land.levelMm));

/** Its profile where it is anything but level. */
const slopeOf = memoize((land: Land): HeightAt | null => kindOf(land.feature).profile?.(land.feature, land) ?? null);

/** Whether a land's surface is anything but level. */
export const isSloped = (land: Land): boolean => slopeOf(land) !== null;

/** What lies on the ground above it at a point, mm: a kerb along a route's edges, the heaped rim of a crater; null where it is always flat. */
export const overlayOf = memoize((land: Land): HeightAt | null => kindOf(land.feature).overlay?.(land.feature, land) ?? null);

/** Closed lines along which its surface bends or breaks within its outline; none where it is level or slopes evenly. */
export const bendsOf = memoize((land: Land): readonly Region[] => kindOf(land.feature).bends?.(land.feature, land) ?? []);

/** How high something stands there, in the way of figures and eyes, mm; 0 for nothing. */
export const standsMm = ({ feature }: Pick<Land, 'feature'>): number => kindOf(feature).standsMm?.(feature) ?? 0;

/** A hole with a floor that falls from its edge: no layer is cut away to its outline. */
export const isBowl = ({ feature, role }: Pick<Land, 'feature' | 'role'>): boolean =>
  role === 'hole' && kindOf(feature).sunk?.(feature).isBowl === true;

/** Mean height of a land's upright faces, mm, in words how it came about where it is not its level over its foot. */
export function facesOf(land: Pick<Land, 'feature' | 'role' | 'levelMm' | 'baseMm'>): {
  readonly heightMm: number;
  readonly note?: string;
} {
  const { feature, role, levelMm, baseMm } = land;
  if (role !== 'mass' && role !== 'hole') return { heightMm: 0 };
  return kindOf(feature).faces?.(feature, land) ?? { heightMm: role === 'hole' ? -levelMm : levelMm - baseMm };
}

/** Depth of water over a hole's deepest floor, mm; null where it is dry. */
export const waterMm = ({ feature, role }: Pick<Land, 'feature' | 'role'>): number | null =>
  role === 'hole' ? (kindOf(feature).sunk?.(feature).waterMm ?? null) : null;
/** Height of the water's surface over the ground, mm; null where it is dry. */
export function waterLevelMm(land: Land): number | null {
  const deepMm = waterMm(land);
  return deepMm === null ? null : land.levelMm + deepMm;
}
