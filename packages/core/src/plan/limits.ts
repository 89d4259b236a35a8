import type { Limits } from '../units';

/** What a plan may hold. One place for the schema, the fields on screen and the tests. */
export const LIMITS = {
  /** A tile narrower than a hand or longer than any sheet carried home is a slip of the finger. */
  tileMm: { min: 40, max: 3_000 },
  tableMm: { min: 40, max: 12_000 },
  tilesAlong: { min: 1, max: 12 },
  seamAllowanceMm: { min: 0, max: 10 },
  coordinateMm: { min: -20_000, max: 20_000 },
  stripWidthMm: { min: 2, max: 2_000 },
  radiusMm: { min: 2, max: 3_000 },
  bendMm: { min: 0, max: 2_000 },
  heightMm: { min: 1, max: 600 },
  depthMm: { min: 0.5, max: 300 },
  waterMm: { min: 0.5, max: 300 },
  filmMm: { min: 0.1, max: 20 },
  figureHeightMm: { min: 5, max: 120 },
  thicknessMm: { min: 0.1, max: 200 },
  airC: { min: -20, max: 45 },
  humidityPct: { min: 5, max: 98 },
  trimMm: { min: 0, max: 50 },
} as const satisfies Record<string, Limits>;

/** Corners of one feature. */
export const MAX_POINTS = 300;
/** Features of one plan: over this the ground is a drawing, not a table. */
export const MAX_FEATURES = 400;
