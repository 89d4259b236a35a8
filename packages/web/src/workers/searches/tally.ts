import { type Bare, bareOf } from '@spare-acre/core/base/units';
import { type Tally, derivePipeline } from '@spare-acre/core/pipeline';
import type { Plan } from '@spare-acre/core/plan';
import type { BoardCopy } from '../board-copy';

/** The tally of a plan that is not the open one: an earlier version of it, reckoned with today's catalogue, rack and cut sheets. */
export const tallyThen = (board: BoardCopy, plan: Plan): Bare<Tally> => bareOf(derivePipeline()(plan, board.catalogue, board.shop).tally);
