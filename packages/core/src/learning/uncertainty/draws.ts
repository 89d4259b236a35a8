import { type Random, seeded } from '../../base/random';
import type { Range } from '../../base/units';

/**
 * Values drawn from ranges: for each range one list, the same wherever the range is used, so that what goes by one value moves together. Which other ranges are asked for, and
 * in what order, changes nothing.
 */
export class Draws {
  private readonly lists = new Map<Range, Float64Array>();

  /** @param count how many chances; @param nameOf tells ranges apart, and stays the same from one edit to the next; what it does not know has chances of its own */
  constructor(
    readonly count: number,
    private readonly seed: number,
    private readonly nameOf: (range: Range) => string | undefined,
  ) {}

  of(range: Range): Float64Array {
    let own = this.lists.get(range);
    if (own === undefined) {
      const random = seeded(hashed(this.nameOf(range) ?? `unnamed ${this.lists.size}`, this.seed));
      // The first numbers of streams whose seeds are alike are alike too.
      for (let k = 0; k < 8; k++) random();
      this.lists.set(range, (own = spread(this.count, random, range)));
    }
    return own;
  }
}

/** So many chances, one from each of as many equal parts of the range's chances, in an order of chance: fewer are enough than of plain ones. @source stratified sampling: McKay, Beckman and Conover 1979 */
function spread(count: number, random: Random, range: Range): Float64Array {
  const own = Float64Array.from({ length: count }, (_, i) => at(range, (i + random()) / count));
  for (let i = count - 1; i > 0; i--) {
    const other = Math.floor(random() * (i + 1));
    [own[i], own[other]] = [own[other]!, own[i]!];
  }
  return own;
}

/**
 * The value of a range below which lies such a share of its chances. Half lie below its value, thinning out towards each end, so a range that is wider on one side
 * stays so.
 * @param share 0 to 1
 */
export function at({ low, value, high }: Range, share: number): number {
  return share < 0.5 ? low + (value - low) * Math.sqrt(2 * share) : high - (high - value) * Math.sqrt(2 * (1 - share));
}

/** FNV-1a over a name, from a seed on. */
function hashed(name: string, seed: number): number {
  let hash = (2_166_136_261 ^ seed) >>> 0;
  for (let i = 0; i < name.length; i++) hash = Math.imul(hash ^ name.charCodeAt(i), 16_777_619) >>> 0;
  return hash;
}
