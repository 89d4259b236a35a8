import { type Catalogue, figuresOf } from '../../catalogue';
import { type Reading, correctionsFrom, readingsOf } from './corrections';
import { corrected } from './hand';

/** What was believed of a value after so many readings, each in times the catalogue's own figure. */
export interface Learnt {
  readonly readings: number;
  /** What was read last; null before the first. */
  readonly read: number | null;
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/**
 * How a value came to be known, reading by reading: the range that the catalogue gives first, then what each reading left of it.
 * @param readings in the order in which they were written down
 * @returns nothing where the catalogue has no such value, or one that no ratio can be taken of
 */
export function courseOf(readings: readonly Reading[], catalogue: Catalogue, path: string, who: string): readonly Learnt[] {
  const figure = figuresOf(catalogue).get(path);
  if (figure === undefined || figure.value <= 0) return [];
  const own = readingsOf(readings, path, who);
  const ours = figure.value;
  return [null, ...own].map((last, count): Learnt => {
    const correction = correctionsFrom(own.slice(0, count), catalogue)[0];
    const { value, low, high } = correction === undefined ? figure : corrected(figure, correction);
    return { readings: count, read: last === null ? null : last.value / ours, value: value / ours, low: low / ours, high: high / ours };
  });
}
