export const WARM_ROUNDS = 30;
export const ROUNDS = 40;

/** Median and 95th percentile in ms of a piece of work, each round told its number. */
export function timed(work: (round: number) => void, warm = WARM_ROUNDS, rounds = ROUNDS): { median: number; p95: number } {
  for (let round = 0; round < warm; round++) work(round);
  const times = Array.from({ length: rounds }, (_, round) => {
    const start = performance.now();
    work(warm + round);
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return { median: times[rounds >> 1]!, p95: times[Math.floor(rounds * 0.95)]! };
}

export const ms = (value: number): string => `${value.toFixed(1)} ms`;
