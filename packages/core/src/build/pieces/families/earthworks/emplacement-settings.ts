import { z } from 'zod';
import type { Point } from '../../../../base/geometry';
import { mm, oneOf, text, whole, within, yesOrNo } from '../../../../plan/fields';
import { SIZES } from '../../asks';
import { CORNER_LETTERS } from '../../measures/corners';
import { type EmplacementPlan, turnAtDeg } from './emplacement-plan';

export const settings = z.strictObject({
  plan: oneOf(['splayed', 'drawn']),
  /** Of a drawn one: its corners inside. */
  trace: text(CORNER_LETTERS),
  /** Bases side by side behind the front. */
  basesWide: within(SIZES.bases, 'bases'),
  basesDeep: within(SIZES.bases, 'bases'),
  slackMm: mm(SIZES.slackMm),
  /** How far the outer fronts are turned back, and what part of the width they take together. */
  splayDeg: within({ min: 10, max: 80 }, '°'),
  frontPct: within({ min: 10, max: 90 }, '%'),
  wallMm: mm(SIZES.wallMm),
  corners: oneOf(['mitre', 'butt', 'v-fold', 'score-fold']),
  embrasures: yesOrNo(),
  embrasureMm: mm(SIZES.openingMm),
  embrasureHeightMm: mm({ min: 1, max: 60 }),
  embrasureSillMm: mm(SIZES.openingMm),
  embrasureSplayDeg: within({ min: 0, max: 45 }, '°'),
  doorWidthMm: mm(SIZES.openingMm),
  doorHeightMm: mm(SIZES.openingMm),
  roof: oneOf(['none', 'on-walls', 'on-ledge']),
  overhangMm: mm(SIZES.overhangMm),
  /** Its roof is glued on, or lifts off. */
  isRoofFixed: yesOrNo(),
  columns: whole({ min: 0, max: 6 }),
  /** A step behind the fronts that figures stand on to look over; 0 for none. */
  platformMm: mm({ min: 0, max: 120 }),
  platformDeepMm: mm({ min: 5, max: 300 }),
  /** Upright ribs against every wall without an opening. */
  buttresses: whole({ min: 0, max: 6 }),
  buttressMm: mm({ min: 3, max: 80 }),
});
export type Emplacement = z.infer<typeof settings>;
/** Walls without an opening, both corners of them turning outwards: room for buttresses. */
export const blindWalls = (own: Emplacement, { ring, back, fronts }: EmplacementPlan): readonly number[] =>
  [...ring.keys()].filter(
    (i) => i !== back && !(own.embrasures && fronts.includes(i)) && turnAtDeg(ring, i) > 0 && turnAtDeg(ring, (i + 1) % ring.length) > 0,
  );
/** A step over the front part of the floor, and the risers under its free edges. */
export interface Platform {
  readonly ring: readonly Point[];
  /** Walls its sides run along, by side; null for a free edge. */
  readonly along: readonly (number | null)[];
}
