import { expose } from 'comlink';
import { ALL_UNITS, LoadedUnits } from '@spare-acre/core/pipeline';
import { BoardCopy } from './board-copy';
import { betterEvenings } from './searches/better-evenings';
import { betterLayout } from './searches/better-layout';
import { diagnose } from './searches/diagnose';
import { look } from './searches/look';
import { buy, needed, substitutes, wantsOf } from './searches/buying';
import { now } from './searches/now';
import { buildOptions, earlierOptions, fitOffers, pieceWays, split, waterOptions } from './searches/options';
import { play } from './searches/play';
import { sight } from './searches/sight';
import { sure, width } from './searches/sure';
import { tallyThen } from './searches/tally';
import { weigh } from './searches/weigh';
import { browse, count, forced, tables } from './searches/tables';

const board = new BoardCopy(new LoadedUnits(ALL_UNITS));
/** A search of the board that this worker holds. */
const ofBoard =
  <Rest extends readonly unknown[], Found>(search: (of: BoardCopy, ...rest: Rest) => Found) =>
  (...rest: Rest): Found =>
    search(board, ...rest);

const searches = {
  take: board.take.bind(board),
  play: ofBoard(play),
  sight: ofBoard(sight),
  look: ofBoard(look),
  tables: ofBoard(tables),
  count: ofBoard(count),
  browse: ofBoard(browse),
  forced: ofBoard(forced),
  split: ofBoard(split),
  buildOptions: ofBoard(buildOptions),
  waterOptions: ofBoard(waterOptions),
  earlierOptions: ofBoard(earlierOptions),
  fitOffers: ofBoard(fitOffers),
  pieceWays: ofBoard(pieceWays),
  tallyThen: ofBoard(tallyThen),
  sure: ofBoard(sure),
  width: ofBoard(width),
  now: ofBoard(now),
  diagnose: ofBoard(diagnose),
  buy: ofBoard(buy),
  weigh: ofBoard(weigh),
  needed: ofBoard(needed),
  substitutes: ofBoard(substitutes),
  wantsOf: ofBoard(wantsOf),
  betterEvenings: ofBoard(betterEvenings),
  betterLayout: ofBoard(betterLayout),
};

export type Searches = typeof searches;
expose(searches);
