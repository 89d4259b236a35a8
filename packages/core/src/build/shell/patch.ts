import type { Flat } from './flats';
import type { Round } from './rounds';

/** A place where two bodies touch. */
export interface Patch {
  /** The flats that meet there, and the round skins. */
  readonly flats: readonly Flat[];
  readonly rounds: readonly Round[];
  readonly mm2: number;
  /** What of each flat nobody sees any more: more than touches, where a tube stands on it. */
  readonly coversMm2: number;
  /** How far it reaches at its longest. */
  readonly longMm: number;
}
/** Faces nearer than this touch: what glue fills. */
export const TOUCHES_MM = 0.2;
