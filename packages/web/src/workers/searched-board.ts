import type { Remote } from 'comlink';
import type { Patch } from 'immer';
import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Board } from '@spare-acre/core/plan';
import type { Stock } from '@spare-acre/core/shop';
import type { Searches } from './searches.worker';

type Opened = readonly [Board, Catalogue, Stock];
let opened: Opened | null = null;
let shelved: Stock | null = null;
let patches: Patch[] = [];

/** Keeps the copy of the open board that searches are made on. Nothing is sent before something is asked. */
export const searchedBoard = {
  open(...board: Opened): void {
    [opened, shelved, patches] = [board, null, []];
  },
  shelve(stock: Stock): void {
    shelved = stock;
  },
  change(changes: readonly Patch[]): void {
    patches.push(...changes);
  },
  /** Tells what changed since it was last told. */
  tell(to: Remote<Searches>): void {
    if (opened !== null) void to.open(...opened);
    if (shelved !== null) void to.shelve(shelved);
    if (patches.length > 0) void to.change(patches);
    [opened, shelved, patches] = [null, null, []];
  },
};
