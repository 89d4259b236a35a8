import type { Limits } from '../base/units';

/** What a plan may hold. One place for the schema, the fields on screen and the tests. */
export const LIMITS = {
  /** A tile narrower than a hand or longer than any sheet carried home is a slip of the finger. */
  tileMm: { min: 40, max: 3_000 },
  tableMm: { min: 40, max: 12_000 },
  tilesAlong: { min: 1, max: 12 },
  seamAllowanceMm: { min: 0, max: 10 },
  rimHeightMm: { min: 3, max: 120 },
  joinOffsetMm: { min: 10, max: 1_400 },
  passageMm: { min: 50, max: 5_000 },
  coordinateMm: { min: -20_000, max: 20_000 },
  stripWidthMm: { min: 2, max: 2_000 },
  radiusMm: { min: 2, max: 3_000 },
  bendMm: { min: 0, max: 2_000 },
  heightMm: { min: 1, max: 600 },
  steps: { min: 1, max: 12 },
  stepInMm: { min: 0, max: 300 },
  hillStepMm: { min: 1, max: 100 },
  crownMm: { min: 0, max: 2_000 },
  rampMm: { min: 0, max: 600 },
  depthMm: { min: 0.5, max: 300 },
  waterMm: { min: 0.5, max: 300 },
  rimMm: { min: 0, max: 60 },
  rimWidthMm: { min: 0, max: 200 },
  lanes: { min: 1, max: 6 },
  kerbMm: { min: 0, max: 20 },
  kerbWidthMm: { min: 0, max: 60 },
  plotHeightMm: { min: 0, max: 600 },
  rowMm: { min: 3, max: 200 },
  turnDeg: { min: -360, max: 360 },
  plantMm: { min: 1, max: 200 },
  grooveMm: { min: 1, max: 40 },
  lamps: { min: 1, max: 60 },
  filmMm: { min: 0.1, max: 20 },
  figureHeightMm: { min: 5, max: 120 },
  thicknessMm: { min: 0.1, max: 200 },
  airC: { min: -20, max: 45 },
  humidityPct: { min: 5, max: 98 },
  trimMm: { min: 0, max: 50 },
  battens: { min: 1, max: 12 },
  allowanceMm: { min: 0, max: 60 },
  kerfMm: { min: 0, max: 10 },
  sheetMm: { min: 0, max: 20_000 },
  baseMm: { min: 5, max: 300 },
  tiltDeg: { min: 1, max: 45 },
  stepUpMm: { min: 0, max: 60 },
  walkDeg: { min: 1, max: 60 },
  reachMm: { min: 100, max: 1_500 },
  handMm: { min: 10, max: 200 },
  underlayPxPerMm: { min: 0.002, max: 200 },
  opacityPct: { min: 5, max: 100 },
  pieces: { min: 0, max: 80 },
  pieceCount: { min: 1, max: 50 },
  pixels: { min: 1, max: 12_000 },
} as const satisfies Record<string, Limits>;

/** Corners of one outline, points of one line or of one contour ring. */
export const MAX_POINTS = 300;
/** Levels of one hill, and points of all its rings together. */
export const MAX_CONTOURS = 24;
export const MAX_CONTOUR_POINTS = 4_000;
/** Features of one plan: over this the ground is a drawing, not a table. */
export const MAX_FEATURES = 400;
