import { expose } from 'comlink';
import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Figure } from '@spare-acre/core/base/units';
import type { Shift } from '@spare-acre/core/schedule/tasks';
import type { Board, Change } from '@spare-acre/core/plan';
import type { Stock } from '@spare-acre/core/plan/workshop';
import { type Answer, Answering, type Place, figureAt } from './answering';
import { NotLoaded } from '@spare-acre/core/pipeline/derive';
import { BoardCopy } from './board-copy';
import { ReadyDates } from './ready-dates';
import type { Look } from './slices';

const copy = new BoardCopy();
const answering = new Answering();
const dates = new ReadyDates();
let look: Look = { slices: [], chosen: [] };
/** The board is drawn and counted before it is judged: the first answer is given without what is still to be fetched. */
let isFirst = true;
async function answer(isEarly = false): Promise<Answer> {
  const mayLack = isFirst;
  const answered = await withUnits(() => answering.answer(copy.derived(), look, isEarly, mayLack));
  isFirst = false;
  if (answered.isWhole && answered.isComplete) dates.note(copy.derived().days);
  return answered;
}
/** Asks again for as long as a unit is missing; all that was calculated on the way is kept. */
async function withUnits<T>(ask: () => T): Promise<T> {
  for (;;) {
    try {
      return ask();
    } catch (error) {
      if (!(error instanceof NotLoaded)) throw error;
      await copy.load(error.unit);
    }
  }
}

const reckoner = {
  open(board: Board, catalogue: Catalogue, stock: Stock, looked: Look): Promise<Answer> {
    copy.open(board, catalogue, stock);
    answering.forget();
    dates.forget();
    look = looked;
    return answer();
  },
  /** Takes what the rack holds now. */
  shelve(stock: Stock): Promise<Answer> {
    copy.shelve(stock);
    return answer();
  },
  /** @param isEarly the evenings may be left out: they are asked for after with {@link rest} */
  change(changes: readonly Change[], isEarly: boolean): Promise<Answer> {
    copy.change(changes);
    return answer(isEarly);
  },
  /** What an early answer left out. */
  rest: (): Promise<Answer> => answer(),
  /** Takes what is looked at now. */
  look(looked: Look): Promise<Answer> {
    look = looked;
    return answer();
  },
  /** Why the board is ready at another time than when it was ready at `fromMin`; null where that is no longer known. */
  shift: (fromMin: number): Promise<Shift | null> => dates.since(fromMin, copy.plan),
  /** The working of a figure that was told without it; null where it is another by now. */
  working: (place: Place, label: string): Promise<Figure | null> => withUnits(() => figureAt(place, label, copy.derived(), look.chosen)),
};

export type Reckoner = typeof reckoner;
expose(reckoner);
