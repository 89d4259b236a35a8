import {
  type BuildOption,
  type EarlierOption,
  type FitOffer,
  type PieceWay,
  type SplitOption,
  type WaterOption,
  buildOptionsOf,
  earlierOptionsOf,
  fitOffersOf,
  pieceWaysOf,
  splitAdvice,
  waterOptionsOf,
} from '@spare-acre/core/pipeline';
import type { BoardCopy } from '../board-copy';
import { type OnProgress, foundBy } from './progress';

/** What was found; null where the search was told to stop. */
type List<Found> = Promise<readonly Found[] | null>;

/** The table split in every sensible way. */
export const split = ({ plan, catalogue }: BoardCopy, onProgress: OnProgress): List<SplitOption> =>
  foundBy(splitAdvice(plan, catalogue), ({ options }) => options, onProgress);

/** The same board built in every way there is a choice of. */
export const buildOptions = ({ plan, catalogue, shop }: BoardCopy, onProgress: OnProgress): List<BuildOption> =>
  foundBy(buildOptionsOf(plan, catalogue, shop), (step) => step.buildOptions, onProgress);

/** The same board with its water made in every way there is. */
export const waterOptions = ({ plan, catalogue, shop }: BoardCopy, onProgress: OnProgress): List<WaterOption> =>
  foundBy(waterOptionsOf(plan, catalogue, shop), ({ options }) => options, onProgress);

/** The same board with whatever might make it ready sooner. */
export const earlierOptions = ({ plan, catalogue, shop }: BoardCopy, onProgress: OnProgress): List<EarlierOption> =>
  foundBy(earlierOptionsOf(plan, catalogue, shop), ({ options }) => options, onProgress);

/**
 * Small changes of the board that save sheets.
 * @param onOffers told of the offers so far, the best first, as soon as another is worked out
 */
export const fitOffers = (
  { plan, catalogue, shop }: BoardCopy,
  onProgress: OnProgress,
  onOffers: (offers: readonly FitOffer[]) => unknown,
): List<FitOffer> => foundBy(fitOffersOf(plan, catalogue, shop), ({ offers }) => offers, onProgress, onOffers);

/** A piece made in every way its family knows. */
export const pieceWays = ({ plan, catalogue, shop }: BoardCopy, pieceId: string, onProgress: OnProgress): List<PieceWay> =>
  foundBy(pieceWaysOf(plan, pieceId, catalogue, shop), ({ ways }) => ways, onProgress);
