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
import type { OnProgress } from './progress';

/** The table split in every sensible way. */
export async function split(board: BoardCopy, onProgress: OnProgress): Promise<readonly SplitOption[] | null> {
  let options: readonly SplitOption[] = [];
  for (const progress of splitAdvice(board.plan, board.catalogue)) {
    ({ options } = progress);
    if (!(await onProgress(progress.done, progress.of))) return null;
  }
  return options;
}

/** The same board built in every way there is a choice of. */
export async function buildOptions(board: BoardCopy, onProgress: OnProgress): Promise<readonly BuildOption[] | null> {
  let options: readonly BuildOption[] = [];
  for (const progress of buildOptionsOf(board.plan, board.catalogue, board.shop)) {
    options = progress.buildOptions;
    if (!(await onProgress(progress.done, progress.of))) return null;
  }
  return options;
}

/** The same board with its water made in every way there is. */
export async function waterOptions(board: BoardCopy, onProgress: OnProgress): Promise<readonly WaterOption[] | null> {
  let options: readonly WaterOption[] = [];
  for (const progress of waterOptionsOf(board.plan, board.catalogue, board.shop)) {
    ({ options } = progress);
    if (!(await onProgress(progress.done, progress.of))) return null;
  }
  return options;
}

/** The same board with whatever might make it ready sooner. */
export async function earlierOptions(board: BoardCopy, onProgress: OnProgress): Promise<readonly EarlierOption[] | null> {
  let options: readonly EarlierOption[] = [];
  for (const progress of earlierOptionsOf(board.plan, board.catalogue, board.shop)) {
    ({ options } = progress);
    if (!(await onProgress(progress.done, progress.of))) return null;
  }
  return options;
}

/** Small changes of the board that save sheets. */
export async function fitOffers(board: BoardCopy, onProgress: OnProgress): Promise<readonly FitOffer[] | null> {
  let offers: readonly FitOffer[] = [];
  for (const progress of fitOffersOf(board.plan, board.catalogue, board.shop)) {
    ({ offers } = progress);
    if (!(await onProgress(progress.done, progress.of))) return null;
  }
  return offers;
}

/** A piece made in every way its family knows. */
export async function pieceWays(board: BoardCopy, pieceId: string, onProgress: OnProgress): Promise<readonly PieceWay[] | null> {
  let ways: readonly PieceWay[] = [];
  for (const progress of pieceWaysOf(board.plan, pieceId, board.catalogue, board.shop)) {
    ({ ways } = progress);
    if (!(await onProgress(progress.done, progress.of))) return null;
  }
  return ways;
}
