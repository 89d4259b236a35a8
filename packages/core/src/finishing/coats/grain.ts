import type { Coating } from '../../catalogue';

/** What grains are called by their real size, the smallest first. @source the usual limits of soil science: silt to 0.063 mm, sand to 2, gravel to 63, cobbles to 200 */
const NAMES = [
  { upToMm: 0.063, name: 'dust' },
  { upToMm: 2, name: 'sand' },
  { upToMm: 63, name: 'gravel' },
  { upToMm: 200, name: 'stones' },
  { upToMm: Infinity, name: 'rocks' },
] as const;
export type GrainName = (typeof NAMES)[number]['name'];

/** How grains look beside figures. */
export interface GrainLook {
  /** Their size in the world of the figures. */
  readonly realLeastMm: number;
  readonly realMostMm: number;
  readonly readsAs: GrainName;
  /** Its biggest are larger than anything strewn would be. */
  readonly isCoarse: boolean;
}

/** What a grain reads as at a board's scale: its real size over the scale. @param scale 1/60 for figures of 28 mm; @returns null for what has no grain @source craft.md §6 */
export function grainLook({ grainMm, family, spread }: Pick<Coating, 'grainMm' | 'family' | 'spread'>, scale: number): GrainLook | null {
  if (grainMm === null) return null;
  const [realLeastMm, realMostMm] = [grainMm.least / scale, grainMm.most / scale];
  const middle = Math.sqrt(realLeastMm * realMostMm);
  const readsAs = NAMES.find(({ upToMm }) => middle <= upToMm)!.name;
  return { realLeastMm, realMostMm, readsAs, isCoarse: family === 'grain' && spread.by !== 'count' && readsAs === 'rocks' };
}
