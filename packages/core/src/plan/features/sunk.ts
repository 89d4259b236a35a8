import { z } from 'zod';
import { type Region, grown } from '../../base/geometry';
import { LIMITS, askChoice, askLength, askTick, mm } from '../fields';
import type { Shape } from '../shapes';
import { bowl, bowlOfBox, bowlRings } from './bowl';
import { RANK } from './kind';

/** What pits, water and craters share: `depthMm` under the ground; `cutThrough`: down to the substrate on purpose. */
export const sunk = { depthMm: mm(LIMITS.depthMm), cutThrough: z.boolean() };
export const floor = z.enum(['flat', 'bowl']);

export const askDepth = askLength('depthMm', 'Depth', LIMITS.depthMm);
export const askCutThrough = askTick('cutThrough', 'Cut down to the substrate');
export const askFloor = askChoice('floor', 'Floor', { flat: 'flat: figures can stand', bowl: 'bowl' });

interface Basin {
  readonly shape: Shape;
  readonly depthMm: number;
  readonly floor: 'flat' | 'bowl';
}
/** Where the wall of a bowl is drawn to begin, mm inside its edge. */
const BOWL_LINE_MM = 8;

/** What a hole with a floor of either sort does, whether it holds water or not. */
export const withFloor = {
  profile: ({ shape, floor: own }: Basin, { levelMm }: { readonly levelMm: number }) => (own === 'bowl' ? bowl(shape, levelMm) : null),
  faces: ({ floor: own }: Basin) => (own === 'bowl' ? { heightMm: 0, note: 'a bowl has no upright banks' } : null),
  bends: ({ shape, floor: own, waterMm }: Basin & { readonly waterMm?: number }, { levelMm }: { readonly levelMm: number }) =>
    own === 'bowl' ? bowlRings(shape, -levelMm, waterMm ?? null) : [],
  boxShare: ({ shape, floor: own }: Basin, { levelMm }: { readonly levelMm: number }) =>
    own === 'bowl' ? bowlOfBox(shape, -levelMm) : null,
  innerEdges: ({ floor: own }: Basin, region: Region) => (own === 'bowl' ? [grown(region, -BOWL_LINE_MM)] : []),
  rank: () => RANK.sunk,
  runsOn: true,
  /** Sunk by at least half a mm: anything less is a scratch. */
  atLevel: <F extends { readonly depthMm: number }>(feature: F, levelMm: number): F | null =>
    levelMm > -0.5 ? null : { ...feature, depthMm: -levelMm },
} as const;
