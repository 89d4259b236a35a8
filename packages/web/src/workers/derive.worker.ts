import { expose } from 'comlink';
import type { Catalogue } from '@spare-acre/core/catalogue';
import type { Figure } from '@spare-acre/core/base/units';
import type { Shift } from '@spare-acre/core/schedule/tasks';
import type { Board, Change } from '@spare-acre/core/plan';
import type { Stock } from '@spare-acre/core/plan/workshop';
import { type Answer, Answering, type Place, figureAt } from './answering';
import { BoardCopy } from './board-copy';
import { ReadyDates } from './ready-dates';
import type { Look, SliceName } from './slices';

/** Slices that only some views look at: what reckons them is fetched with the first of these. */
const FINISHED: ReadonlySet<SliceName> = new Set([
  'matrix',
  'mixes',
  'strewn',
  'floors',
  'basins',
  'section',
  'heights',
  'byWorkpiece',
  'moves',
  'move',
]);
/** The board is drawn and counted before it is judged: checks are fetched for the second answer. */
let isJudged = false;
const copy = new BoardCopy();
const answering = new Answering();
const dates = new ReadyDates();
let look: Look = { slices: [], chosen: [] };
async function answer(isEarly = false): Promise<Answer> {
  const judges = isJudged;
  await copy.ready({ finish: look.slices.some((name) => FINISHED.has(name)), checks: judges });
  isJudged = true;
  const derivation = copy.derived();
  const told = answering.answer(derivation, look, isEarly);
  if (told.isWhole) dates.note(derivation.days);
  return { ...told, isJudged: judges };
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
  working: (place: Place, label: string): Figure | null => figureAt(place, label, copy.derived(), look.chosen),
};

export type Reckoner = typeof reckoner;
expose(reckoner);
