import { z } from 'zod';
import { mm, oneOf, whole, within, yesOrNo } from '../../../../plan/fields';
import type { EdgeJoint } from '../../../shell';
import { SIZES } from '../../asks';

export const settings = z.strictObject({
  /** Room for so many bases side by side, and one behind the other. */
  basesWide: within(SIZES.bases, 'bases'),
  basesDeep: within(SIZES.bases, 'bases'),
  slackMm: mm(SIZES.slackMm),
  /** Whether the sizes are those of the room, or those it takes up. */
  sized: oneOf(['inside', 'outside']),
  wallMm: mm(SIZES.wallMm),
  corners: oneOf(['butt', 'mitre', 'fold']),
  roof: oneOf(['gable', 'lean-to', 'flat', 'hipped']),
  pitchDeg: within(SIZES.pitchDeg, '°'),
  overhangMm: mm(SIZES.overhangMm),
  /** A flat roof lies on the walls, or on a ledge between them one roof thickness down. */
  seat: oneOf(['on-walls', 'on-ledge']),
  doorWidthMm: mm(SIZES.openingMm),
  doorHeightMm: mm(SIZES.openingMm),
  /** Off the middle of the front, to the right. */
  doorOffMm: mm({ min: -1_000, max: 1_000 }),
  windowsFront: whole(SIZES.count),
  windowsBack: whole(SIZES.count),
  windowsEnds: whole(SIZES.count),
  windowWidthMm: mm(SIZES.openingMm),
  windowHeightMm: mm(SIZES.openingMm),
  sillMm: mm(SIZES.openingMm),
  floor: yesOrNo(),
  /** Layers under the floor, each a step: the lowest is the widest. */
  baseLayers: whole({ min: 0, max: 8 }),
  baseMarginMm: mm({ min: 1, max: 60 }),
  treadMm: mm({ min: 3, max: 60 }),
  lined: yesOrNo(),
  /** Sills, posts and plates on the outside. */
  frame: yesOrNo(),
});
export type Shed = z.infer<typeof settings>;

export interface Sizes {
  readonly wideMm: number;
  readonly deepMm: number;
  /** The ridge runs along x. */
  readonly ridgeAlong: boolean;
  readonly riseMm: number;
}
/** The room of a shed, or what it takes up, by the bases it is for. */
export function sizesOf({ basesWide, basesDeep, slackMm, roof, pitchDeg }: Shed, baseMm: number): Sizes {
  const [wideMm, deepMm] = [basesWide * baseMm + slackMm, basesDeep * baseMm + slackMm];
  const ridgeAlong = wideMm >= deepMm;
  const tan = Math.tan((pitchDeg * Math.PI) / 180);
  const spanMm = roof === 'lean-to' ? deepMm : Math.min(wideMm, deepMm) / 2;
  return { wideMm, deepMm, ridgeAlong, riseMm: roof === 'flat' ? 0 : spanMm * tan };
}

export type Side = 'front' | 'right' | 'back' | 'left';
export const WALL_NAMES: Readonly<Record<Side, string>> = {
  front: 'Front wall',
  right: 'Right wall',
  back: 'Back wall',
  left: 'Left wall',
};
export const FREE: EdgeJoint = { joint: 'free' };
