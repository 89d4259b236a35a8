import { expect, test } from 'vitest';
import { figuresOf } from '../../catalogue';
import { CATALOGUE } from '../../testing';
import { correctionsFrom } from './index';

/** A value that our catalogue is sure of, so that the spread of the readings decides what counts as far off. */
const PATH = [...figuresOf(CATALOGUE)].find(
  ([, { low, value, high }]) => low > 0 && low < value && Math.log(high / low) / (2 * 1.2816) < 0.15,
)![0];
const { value, low, high } = figuresOf(CATALOGUE).get(PATH)!;

/**
 * The robust mean as docs/models/your-hand.md states it, with the median absolute deviation scaled by 1.4826, which makes it the standard deviation of
 * normal readings.
 */
function robustMean(logs: readonly number[]): number {
  const median = (all: readonly number[]): number => {
    const sorted = [...all].sort((a, b) => a - b);
    const half = Math.floor(sorted.length / 2);
    return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
  };
  const usual = median(logs);
  const sd = 1.4826 * median(logs.map((log) => Math.abs(log - usual)));
  const middle = (usual * logs.length) / (logs.length + 3);
  const limit = 2 * Math.max(sd, 0.12, Math.log(high / low) / (2 * 1.2816));
  const weights = logs.map((log) => Math.min(1, (limit / Math.abs(log - middle)) ** 2));
  return logs.reduce((sum, log, i) => sum + log * weights[i]!, 0) / (weights.reduce((sum, one) => sum + one, 0) + 3);
}

test('readings that are far apart widen what counts as far off, by the scaled median deviation', () => {
  const logs = [-0.5, -0.3, -0.1, 0.1, 0.3, 0.5, 1.4];
  const [own] = correctionsFrom(
    logs.map((log) => ({ path: PATH, value: value * Math.exp(log), who: '' })),
    CATALOGUE,
  );
  expect(Math.log(own!.factor)).toBeCloseTo(robustMean(logs), 9);
});
