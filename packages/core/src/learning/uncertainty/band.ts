import { quantileSorted, sampleCorrelation } from 'simple-statistics';
import { type Figure, type Range, operands } from '../../base/units';
import type { Draws } from './draws';
import { type Drawn, Redrawn } from './redrawn';

/** Where a figure really comes to lie: one chance in ten below the first, one in ten above the second. */
export interface Band {
  readonly low: number;
  readonly high: number;
}
/** An input whose range a figure's width comes from. */
export interface VarianceDriver {
  readonly label: string;
  /** Where it stands in the catalogue; null for what has no place there. */
  readonly path: string | null;
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly unit: Figure['unit'];
  readonly origin: string;
  /** Of the whole width, 0 to 1. */
  readonly share: number;
}

/** The chance of a band on each side that is left out. */
const TAIL = 0.1;

/** The value that so many of the chances do not go beyond. @param share 0 to 1 */
export function quantile(drawn: Drawn, share: number): number {
  if (typeof drawn === 'number') return drawn;
  return quantileSorted(sortedOf(drawn), share)!;
}
/** Null for a figure that nothing unsure goes into. */
export function bandOf(drawn: Drawn): Band | null {
  if (typeof drawn === 'number') return null;
  const sorted = sortedOf(drawn);
  return { low: quantileSorted(sorted, TAIL)!, high: quantileSorted(sorted, 1 - TAIL)! };
}

const sortedOf = (drawn: Float64Array): number[] => Array.from(drawn.toSorted());

/** Less than this of a width is not worth a word. */
const MIN_SHARE = 0.03;

/**
 * What a figure's width comes from, the widest first: how much of it each input explains by going up and down with it.
 * @source squared correlation of input and outcome, which for a sum of inputs is each one's share of the variance
 */
export function varianceDriversOf(figure: Figure, draws: Draws, redrawn = new Redrawn(draws)): readonly VarianceDriver[] {
  const drawn = redrawn.of(figure);
  if (typeof drawn === 'number') return [];
  const inputs = new Map<Range, { readonly label: string; readonly unit: Figure['unit']; readonly note: string }>();
  const seen = new Set<Figure>();
  const visit = (step: Figure, of: string): void => {
    if (seen.has(step)) return;
    seen.add(step);
    if ('source' in step && step.range !== undefined && !inputs.has(step.range))
      inputs.set(step.range, {
        label: of === '' || step.label.includes(',') ? step.label : `${of}: ${step.label.toLowerCase()}`,
        unit: step.unit,
        note: step.note ?? '',
      });
    for (const part of operands(step)) visit(part, step.label);
  };
  visit(figure, '');
  const found = [...inputs].map(([range, input]) => ({ range, input, explained: explains(draws.of(range), drawn) }));
  // What hangs together by chance alone explains a little of everything.
  const noise = 4 / drawn.length;
  const all = found.reduce((sum, { explained }) => sum + Math.max(0, explained - noise), 0);
  if (all === 0) return [];
  return found
    .map(({ range, input: { label, unit, note }, explained }): VarianceDriver => ({
      label,
      unit,
      path: range.path ?? null,
      value: range.value,
      low: range.low,
      high: range.high,
      origin: note,
      share: Math.max(0, explained - noise) / all,
    }))
    .filter(({ share }) => share >= MIN_SHARE)
    .sort((a, b) => b.share - a.share);
}

const explains = (input: Float64Array, outcome: Float64Array): number => {
  const together = sampleCorrelation(Array.from(input), Array.from(outcome));
  // Where the outcome does not move at all, such as a count of pots, nothing explains it.
  return Number.isFinite(together) ? together ** 2 : 0;
};
