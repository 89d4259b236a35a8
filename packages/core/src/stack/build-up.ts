/** Layers that add up to a height, thickest first; `errorMm` is what they miss it by (positive: too high). */
export interface BuildUp {
  readonly thicknessesMm: readonly number[];
  readonly heightMm: number;
  readonly errorMm: number;
}

/** Heights are reckoned in tenths of a mm; sheet thicknesses come no finer. */
const STEPS_PER_MM = 10;

/**
 * The fewest stock layers whose sum is within tolerance of a height; of those the nearest. Where none is within
 * tolerance, the nearest sum of all, so that the caller can say what would do.
 * @param heightMm over 0; @param stockMm thicknesses at hand, each usable any number of times
 * @returns null when there is no stock at all
 * @source craft.md §2; fewest coins for a sum, by dynamic programming over tenths of a mm
 */
export function buildUp(heightMm: number, stockMm: readonly number[], toleranceMm: number): BuildUp | null {
  const coins = stockMm.map((thickness) => Math.round(thickness * STEPS_PER_MM)).filter((coin) => coin > 0);
  if (coins.length === 0) return null;
  const thickest = Math.max(...coins);
  // One sheet over the wanted height is always enough to find the nearest sum from above.
  const reach = Math.ceil(heightMm * STEPS_PER_MM) + thickest;
  const layers = new Int32Array(reach + 1).fill(-1);
  const last = new Int32Array(reach + 1);
  layers[0] = 0;
  for (let sum = 1; sum <= reach; sum++) {
    for (const coin of coins) {
      const before = sum >= coin ? layers[sum - coin]! : -1;
      if (before >= 0 && (layers[sum]! < 0 || before + 1 < layers[sum]!)) {
        layers[sum] = before + 1;
        last[sum] = coin;
      }
    }
  }
  const missMm = (sum: number): number => Math.abs(sum / STEPS_PER_MM - heightMm);
  let best = -1;
  for (let sum = 1; sum <= reach; sum++) {
    if (layers[sum]! < 0) continue;
    if (best < 0 || isBetter(sum, best)) best = sum;
  }
  const thicknessesMm: number[] = [];
  for (let sum = best; sum > 0; sum -= last[sum]!) thicknessesMm.push(last[sum]! / STEPS_PER_MM);
  thicknessesMm.sort((a, b) => b - a);
  return { thicknessesMm, heightMm: best / STEPS_PER_MM, errorMm: best / STEPS_PER_MM - heightMm };

  function isBetter(a: number, b: number): boolean {
    const slack = toleranceMm + 1e-9;
    const [aWithin, bWithin] = [missMm(a) <= slack, missMm(b) <= slack];
    if (aWithin !== bWithin) return aWithin;
    if (aWithin && layers[a] !== layers[b]) return layers[a]! < layers[b]!;
    return missMm(a) < missMm(b) - 1e-9;
  }
}
