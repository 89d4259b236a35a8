import { expose } from 'comlink';
import type { Figure } from '@spare-acre/core/base/units';
import type { Shift } from '@spare-acre/core/schedule/tasks';
import { type Answer, Answering, type Place, figureAt } from './answering';
import { NotLoaded } from '@spare-acre/core/pipeline/derive';
import { BoardCopy } from './board-copy';
import { ReadyDates } from './ready-dates';
import type { Look } from './slices';
import type { News } from './told';

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
  /**
   * Takes what changed, and what is looked at where that is another.
   * @param isEarly the evenings may be left out: they are asked for after, with no news
   */
  tell(news: News, looked: Look | null, isEarly: boolean): Promise<Answer> {
    copy.take(news);
    if (news.whole !== undefined) {
      answering.forget();
      dates.forget();
    }
    look = looked ?? look;
    return answer(isEarly);
  },
  /** Why the board is ready at another time than when it was ready at `fromMin`; null where that is no longer known. */
  shift: (fromMin: number): Promise<Shift | null> => dates.since(fromMin, copy.plan),
  /** The working of a figure that was told without it; null where it is another by now. */
  working: (place: Place, label: string): Promise<Figure | null> => withUnits(() => figureAt(place, label, copy.derived(), look.chosen)),
};

export type Reckoner = typeof reckoner;
expose(reckoner);
