import { marksWords } from '../../cutting/bench';
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

function wordsFor({ bevels, folds, scores, isBent, fromStrip }: FlatPart): string {
  const marks = marksWords({ bevels, folds, scores });
  return (
    [...(marks === '' ? [] : [marks]), ...(isBent ? ['bent round'] : []), ...(fromStrip ? ['cut from a glued strip'] : [])].join('; ') ||
    'cut square'
  );
}
