import type { Figure } from '@spare-acre/core/base/units';
import { type Uncertainty, drawsFor, readyDraw, readySureOf, uncertaintyOf, widthOf } from '@spare-acre/core/pipeline/uncertainty';
import type { BoardCopy } from '../board-copy';

/** Dates planned for a board that is looked at: fewer than of figures, since each is a plan of its own. */
const DATES = 400;
/** Dates planned between two looks at what else is asked. */
const DATES_AT_ONCE = 40;
let turn = 0;

/** How sure the open board is: bands of figures first, then the date, planned chance by chance. Asked again, what is under way ends. */
export async function sure(board: BoardCopy, told: (sureness: Uncertainty) => void | Promise<void>): Promise<void> {
  const mine = ++turn;
  const { plan, catalogue } = board;
  const draws = drawsFor(plan, catalogue);
  const derivation = board.derived();
  const figures = uncertaintyOf(derivation, draws);
  await told(figures);
  const readyAt = readyDraw(plan, catalogue, derivation, draws);
  if (readyAt === null) return;
  const chances = new Float64Array(DATES);
  for (let chance = 0; chance < DATES; chance++) {
    if (chance % DATES_AT_ONCE === 0) {
      await new Promise((resume) => setTimeout(resume));
      if (mine !== turn) return;
    }
    chances[chance] = readyAt(chance);
  }
  await told({ ...figures, ready: readySureOf(chances, plan) });
}

/** What one figure's width comes from. */
export const width = (board: BoardCopy, figure: Figure): ReturnType<typeof widthOf> =>
  widthOf(figure, drawsFor(board.plan, board.catalogue));
