import type { LogEntry } from './entry';
import { type Total, totalsOf } from './totals';

/** What a board took, and what one with another amount of ground would by the same hand. */
export interface Likely extends Total {
  readonly likely: number;
}
/**
 * By the ground: what is cut, glued, coated and poured goes by the area, all but set-up. What was logged of a board in part tells of that part alone.
 * @param share ground of the new one over ground of the old, 1.2 for 20 % more
 */
export const likelyFrom = (entries: readonly LogEntry[], share: number): readonly Likely[] =>
  totalsOf(entries).map((total) => ({ ...total, likely: total.real * share }));
