import { COATS_MISHAPS } from './coats-mishaps';
import { GROUND_MISHAPS } from './ground-mishaps';
import { PIECES_MISHAPS } from './pieces-mishaps';
import type { Mishap } from './mishap';

/** Everything that goes wrong at this craft often enough to have a name. */
export const MISHAPS: readonly Mishap[] = [...GROUND_MISHAPS, ...COATS_MISHAPS, ...PIECES_MISHAPS];
