import { expose } from 'comlink';
import type { Patch } from 'immer';
import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Figure } from '@spare-acre/core/base/units';
import type { Board } from '@spare-acre/core/plan';
import type { Offcut } from '@spare-acre/core/shop';
import { type Answer, Answering, type Place, figureAt } from './answering';
import { BoardCopy } from './board-copy';
import type { Look } from './slices';

const copy = new BoardCopy();
const answering = new Answering();
let look: Look = { slices: [], chosen: [] };
const answer = (): Answer => answering.answer(copy.derived(), look);

const reckoner = {
  open(board: Board, catalogue: Catalogue, offcuts: readonly Offcut[], looked: Look): Answer {
    copy.open(board, catalogue, offcuts);
    answering.forget();
    look = looked;
    return answer();
  },
  /** Takes what the rack holds now. */
  shelve(offcuts: readonly Offcut[]): Answer {
    copy.shelve(offcuts);
    return answer();
  },
  change(patches: readonly Patch[]): Answer {
    copy.change(patches);
    return answer();
  },
  /** Takes what is looked at now. */
  look(looked: Look): Answer {
    look = looked;
    return answer();
  },
  /** The working of a figure that was told without it; null where it is another by now. */
  working: (place: Place, label: string): Figure | null => figureAt(place, label, copy.derived(), look.chosen),
};

export type Reckoner = typeof reckoner;
expose(reckoner);
