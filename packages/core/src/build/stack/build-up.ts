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
    let least = -1;
    let by = 0;
    // By index: this runs a thousand times a height.
    for (let k = 0; k < coins.length; k++) {
      const coin = coins[k]!;
      const before = sum >= coin ? layers[sum - coin]! : -1;
      if (before >= 0 && (least < 0 || before + 1 < least)) {
        least = before + 1;
        by = coin;
      }
    }
    layers[sum] = least;
    last[sum] = by;
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

/** A build-up somebody chose, with what it misses the height by. */
export function asBuilt(heightMm: number, thicknessesMm: readonly number[]): BuildUp {
  const builtMm = Math.round(thicknessesMm.reduce((sum, mm) => sum + mm, 0) * STEPS_PER_MM) / STEPS_PER_MM;
  return { thicknessesMm: [...thicknessesMm].sort((a, b) => b - a), heightMm: builtMm, errorMm: builtMm - heightMm };
}

/** More layers than the fewest that are still listed. */
const EXTRA_LAYERS = 2;
/** Sums tried at most: stock of many thin sheets has no end of ways. */
const MAX_TRIED = 20_000;

/**
 * Other ways to build a height: every sum of stock up to two layers over the fewest, those within tolerance first, then by layers, then by error.
 * @returns at most `most`, the reckoned one first
 */
export function otherBuildUps(heightMm: number, stockMm: readonly number[], toleranceMm: number, most: number): readonly BuildUp[] {
  const first = buildUp(heightMm, stockMm, toleranceMm);
  if (first === null) return [];
  const mostLayers = first.thicknessesMm.length + EXTRA_LAYERS;
  const slackMm = Math.max(toleranceMm, Math.abs(first.errorMm)) * 3 + Math.min(...stockMm);
  const sorted = [...stockMm].sort((a, b) => b - a);
  const found: BuildUp[] = [];
  let tried = 0;
  const add = (from: number, chosen: readonly number[], sum: number): void => {
    if (tried++ > MAX_TRIED) return;
    if (chosen.length > 0 && Math.abs(sum - heightMm) <= slackMm) found.push(asBuilt(heightMm, chosen));
    if (chosen.length === mostLayers) return;
    for (let i = from; i < sorted.length; i++) {
      if (sum + sorted[i]! <= heightMm + slackMm) add(i, [...chosen, sorted[i]!], sum + sorted[i]!);
    }
  };
  add(0, [], 0);
  const rank = ({ errorMm, thicknessesMm }: BuildUp): number =>
    (Math.abs(errorMm) <= toleranceMm + 1e-9 ? 0 : 1e6) + thicknessesMm.length * 1e3 + Math.abs(errorMm);
  const isFirst = (other: BuildUp): boolean => other.thicknessesMm.join() === first.thicknessesMm.join();
  return [first, ...found.filter((other) => !isFirst(other)).sort((a, b) => rank(a) - rank(b))].slice(0, most);
}
