import { z } from 'zod';
import { mm, oneOf, whole, within, yesOrNo } from '../../../../plan/fields';
import { SIZES } from '../../asks';

export const settings = z.strictObject({
  widthMm: mm(SIZES.lengthMm),
  heightMm: mm(SIZES.lengthMm),
  columns: whole({ min: 1, max: 12 }),
  rows: whole({ min: 1, max: 8 }),
  /** Clear inside; the lid of each is a platform for the row above. */
  boxWideMm: mm(SIZES.openingMm),
  boxHighMm: mm(SIZES.openingMm),
  boxDeepMm: mm(SIZES.openingMm),
  doorWidthMm: mm(SIZES.openingMm),
  doorHeightMm: mm(SIZES.openingMm),
  overhangMm: mm({ min: 0, max: 20 }),
  /** Of the places for boxes, so many are taken. */
  filledPct: within({ min: 10, max: 100 }, '%'),
  /** By how much boxes may stand back behind the deepest. */
  strayPct: within({ min: 0, max: 50 }, '%'),
  /** What the other places have. */
  free: oneOf(['nothing', 'holes', 'tubes', 'galleries']),
  /** Flights from landing to landing up the right side. */
  stairs: yesOrNo(),
  stairsMm: mm({ min: 20, max: 400 }),
  footMm: mm({ min: 10, max: 300 }),
  seed: whole({ min: 1, max: 9_999 }),
});
export type Front = z.infer<typeof settings>;
export const STAIRS_IN_MM = 8;
export const LANDING_SHARE = 0.3;
/** What walls, lids and floors of the stoutest sheet take between two boxes. */
export const BETWEEN_MM = 14;
/** The side of a box that the panel closes. */
export const BEHIND = 2;
