import type { Edit, EditCode } from '../plan/edits';
import type { Random } from '../base/random';
import { type Board } from '../plan';

import { BUILD_SAMPLES } from './samples/build-samples';
import { GROUND_SAMPLES } from './samples/ground-samples';
import type { Samples } from './samples/of-board';
import { PLAN_SAMPLES } from './samples/plan-samples';

/** A new kind of edit is a line here, or it does not compile: what is remembered is compared with what is reckoned afresh after every kind there is. */
export const SAMPLE_EDITS = { ...PLAN_SAMPLES, ...GROUND_SAMPLES, ...BUILD_SAMPLES } satisfies Samples;

/** An edit of a code on a board; null where there is nothing of that sort to change. */
export const sampleEdit = (code: EditCode, board: Board, random: Random): Edit | null =>
  (SAMPLE_EDITS[code] as (board: Board, random: Random) => Edit | null)(board, random);
