import { regionBox } from '../../../base/geometry';
import type { FlatPart } from '../../shell';

/** One line of the parts sheet: a flat part with its size, and what is to be known at the blade in words. */
export interface PartRow extends Pick<FlatPart, 'id' | 'name' | 'drawn' | 'far' | 'folds'> {
  readonly widthMm: number;
  readonly depthMm: number;
  readonly says: string;
}

export const partRows = (sheets: readonly FlatPart[]): readonly PartRow[] =>
  sheets.map((part) => {
    const { right, bottom } = regionBox(part.blank);
    return {
      id: part.id,
      name: part.name,
      drawn: part.drawn,
      far: part.far,
      folds: part.folds,
      widthMm: right,
      depthMm: bottom,
      says: wordsFor(part),
    };
  });

/** `2 edges bevelled 22.5°; 3 V-cuts of 90°, 10 mm wide, from inside`. */
function wordsFor({ bevels, folds, isBent, fromStrip }: FlatPart): string {
  const byLean = counted(bevels.map(({ deg }) => `${Math.abs(deg).toFixed(1)}°`));
  const leans = [...byLean].map(([deg, count]) => `${count} ${count === 1 ? 'edge' : 'edges'} bevelled ${deg}`);
  const byFold = counted(
    folds.map(
      ({ by, bendDeg, grooveMm, side }) =>
        `${by === 'v-cut' ? 'V-cut' : 'score'} of ${bendDeg.toFixed(1)}°, ${grooveMm.toFixed(1)} mm wide, from ${side === 'drawn' ? 'the drawn side' : 'the far side'}`,
    ),
  );
  const bends = [...byFold].map(([what, count]) => `${count} × ${what}`);
  return (
    [...leans, ...bends, ...(isBent ? ['bent round'] : []), ...(fromStrip ? ['cut from a glued strip'] : [])].join('; ') || 'cut square'
  );
}
function counted(words: readonly string[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const word of words) counts.set(word, (counts.get(word) ?? 0) + 1);
  return counts;
}
