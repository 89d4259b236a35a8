import { type MishapFacts, type Traces } from './facts';

/** Work that puts a mishap right, as far as it can be: planned and bought like any other. */
export interface MendWork {
  readonly name: string;
  readonly workMin: number;
  readonly waitMin: number;
  /** So much a square metre of the workpiece of the workshop's sealer, of the glue it is made with, or of nothing. */
  readonly takes: { readonly of: 'sealer' | 'glue'; readonly perM2: number } | null;
}
/** What a mishap may come of. */
export interface Cause {
  readonly id: string;
  readonly name: string;
  /** Its traces in a board's own plan, climate and log. */
  readonly traces: (facts: MishapFacts) => Traces;
  readonly now: string;
  readonly next: string;
  readonly mend: MendWork | null;
}
/** What is seen, and what it may come of, the most usual first. */
export interface Mishap {
  readonly id: string;
  readonly name: string;
  readonly causes: readonly Cause[];
}
