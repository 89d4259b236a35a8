import type { Remote } from 'comlink';
import type { Catalogue } from '@spare-acre/core/catalogue';
import { type Board, changesBetween } from '@spare-acre/core/plan';
import type { Stock } from '@spare-acre/core/plan/workshop';
import type { Searches } from './searches.worker';

type Opened = readonly [Board, Catalogue, Stock];
let opened: Opened | null = null;
let shelved: Stock | null = null;
/** All that a worker which starts anew has to be told. */
let whole: Opened | null = null;
/** The board that the searches have, and the one they are to have. */
let told: Board | null = null;
let present: Board | null = null;

/** Keeps the copy of the open board that searches are made on. Nothing is sent before something is asked. */
export const searchedBoard = {
  open(...board: Opened): void {
    [opened, whole, shelved] = [board, board, null];
    [told, present] = [board[0], board[0]];
  },
  shelve(stock: Stock): void {
    shelved = stock;
    if (whole !== null) whole = [whole[0], whole[1], stock];
  },
  change(board: Board): void {
    present = board;
  },
  /** The worker that was told is gone: the next is told all of it. */
  forgetTold(): void {
    if (whole !== null && present !== null) searchedBoard.open(present, whole[1], whole[2]);
  },
  /** Tells what changed since it was last told. */
  tell(to: Remote<Searches>): void {
    if (opened !== null) quietly(to.open(...opened));
    if (shelved !== null) quietly(to.shelve(shelved));
    if (told !== null && present !== null && told !== present) quietly(to.change(changesBetween(told, present)));
    [opened, shelved, told] = [null, null, present];
  },
};

/** A worker that dies over it is heard of by the search that is asked next. */
const quietly = (telling: Promise<unknown>): void => void telling.catch(() => undefined);
