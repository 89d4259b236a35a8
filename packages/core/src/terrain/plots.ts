import { memoize } from '../base/memory';
import type { Pieces } from '../build/pieces';
import { type Feature, carrying, pieceOn } from '../plan/features';

const asHigh = memoize(carrying);
/** Features with every plot as high as the piece on it. */
export function withPieces({
  features,
  footprints,
}: {
  readonly features: readonly Feature[];
  readonly footprints: Pieces['footprints'];
}): readonly Feature[] {
  if (footprints.size === 0) return features;
  return features.map((feature) => {
    const pieceId = pieceOn(feature);
    const footprint = pieceId === null ? undefined : footprints.get(pieceId);
    return footprint === undefined ? feature : asHigh(feature, Math.round(footprint.highMm * 10) / 10);
  });
}
