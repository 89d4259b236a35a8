import type { Unit } from '../base/units';
import type { Implied } from '../hand';

/** A figure as it was planned and as it really came out. */
export interface Logged {
  /** `Spread, tile A1` or `White glue`. */
  readonly name: string;
  readonly unit: Unit;
  readonly planned: number;
  readonly real: number;
  /** What that says of the catalogue; null where nothing of it explains the figure. */
  readonly implied: Implied | null;
}
/** One thing that was done or seen at the bench. */
export interface LogEntry {
  readonly id: string;
  /** The task it was; null for a free note. */
  readonly taskId: string | null;
  readonly name: string;
  /** `2026-11-29`. */
  readonly day: string;
  readonly who: string;
  readonly figures: readonly Logged[];
  readonly note: string;
}
