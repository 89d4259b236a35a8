import { type Box, type Point, type Region, contains, isEmpty, regionBox } from '../../base/geometry';
import type { Random } from '../../base/random';

/** One thing set down. */
export interface Spot extends Point {
  readonly sizeMm: number;
}
/** Ground to strew on and how thickly, where one place differs from another. */
export interface ScatterTask {
  readonly region: Region;
  readonly count: number;
  /** How much more than elsewhere stands at a place, from 0; left out: evenly. */
  readonly weightAt?: (at: Point) => number;
  /** Sizes from least to most, many small and few large. */
  readonly sizeMm: { readonly least: number; readonly most: number };
}
/** What came of it: places, and what the nearest two are apart at least, in the measure that each place's own thickness sets. */
export interface Scattered {
  readonly spots: readonly Spot[];
  /** Two spots are never nearer than this over the root of the larger of their weights. */
  readonly leastMm: number;
}

/** Places tried for each that is wanted: enough that the ground is full before they run out. */
const TRIES = 8;
/** Radii are halved in on so often. */
const ROUNDS = 6;
/** Sizes thin out with this power of the size, as broken stones do. */
const POWER = 2.5;

/**
 * Blue noise: places by chance that keep their distance, which is smaller where more is to stand. Places are tried in a fixed order of chance; the widest spacing that
 * still gives the count is searched by halving.
 * @source dart throwing with a radius of its own at each place: Mitchell, Rand, Ebeida, Bajaj, "Variable radii Poisson-disk sampling", 2012
 */
export function scattered({ region, count, weightAt, sizeMm }: ScatterTask, random: Random): Scattered {
  if (count <= 0 || isEmpty(region)) return { spots: [], leastMm: 0 };
  const box = regionBox(region);
  const tried = candidates(region, box, count * TRIES, weightAt, random);
  if (tried.count === 0) return { spots: [], leastMm: 0 };
  let [low, high] = [0, Math.hypot(box.right - box.left, box.bottom - box.top)];
  let best: readonly number[] = Array.from({ length: Math.min(count, tried.count) }, (_, i) => i);
  // A start near the answer: so many discs side by side cover some six tenths of the ground.
  let guess = Math.sqrt(((box.right - box.left) * (box.bottom - box.top)) / count) * 0.75;
  for (let round = 0; round < ROUNDS; round++) {
    const kept = thrown(tried, guess, box, count);
    if (kept.length >= count) [low, best] = [guess, kept];
    else high = Math.min(high, guess);
    guess = round === 0 && low === 0 ? guess / 2 : high > low * 4 && low > 0 ? low * 1.5 : (low + high) / 2;
  }
  return { spots: best.slice(0, count).map((i) => ({ x: tried.x[i]!, y: tried.y[i]!, sizeMm: sizeOf(random(), sizeMm) })), leastMm: low };
}

/** Places tried, flat: where, and the root of the weight there, which is what a distance is divided by. */
interface Candidates {
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly root: Float64Array;
  readonly count: number;
}

/** Places of the region by chance, as thick as the weights say. */
function candidates(region: Region, box: Box, wanted: number, weightAt: ScatterTask['weightAt'], random: Random): Candidates {
  const [x, y, root] = [new Float64Array(wanted), new Float64Array(wanted), new Float64Array(wanted)];
  const inside = insideOf(region, box);
  let most = 1;
  if (weightAt !== undefined) for (let i = 0; i < 400; i++) most = Math.max(most, weightAt(pointIn(box, random)));
  let count = 0;
  // Narrow ground in a wide box takes many tries; a region of almost nothing must not go on for ever.
  for (let tries = 0; count < wanted && tries < wanted * 60; tries++) {
    const at = pointIn(box, random);
    if (!inside(at)) continue;
    const weight = weightAt === undefined ? 1 : weightAt(at);
    if (weightAt !== undefined && random() * most > weight) continue;
    x[count] = at.x;
    y[count] = at.y;
    root[count] = Math.sqrt(Math.max(1e-3, weight));
    count++;
  }
  return { x, y, root, count };
}
const pointIn = ({ left, top, right, bottom }: Box, random: Random): Point => ({
  x: left + random() * (right - left),
  y: top + random() * (bottom - top),
});

/** Blocks a region is cut into: those no edge runs through are in or out as a whole. */
const BLOCKS = 48;
/** Whether a point lies in a region, asked of the polygon only in blocks that an edge may run through. */
export function insideOf(region: Region, box: Box): (at: Point) => boolean {
  const [wide, high] = [(box.right - box.left) / BLOCKS || 1, (box.bottom - box.top) / BLOCKS || 1];
  // 0 not known, 1 all inside, 2 all outside, 3 an edge runs through
  const block = new Uint8Array(BLOCKS * BLOCKS);
  const col = (x: number): number => Math.max(0, Math.min(BLOCKS - 1, Math.floor((x - box.left) / wide)));
  const row = (y: number): number => Math.max(0, Math.min(BLOCKS - 1, Math.floor((y - box.top) / high)));
  for (const ring of region.rings)
    ring.forEach((a, i) => {
      const b = ring[(i + 1) % ring.length]!;
      const steps = Math.max(1, Math.ceil(Math.max(Math.abs(b.x - a.x) / wide, Math.abs(b.y - a.y) / high) * 2));
      for (let s = 0; s <= steps; s++) {
        const [c, r] = [col(a.x + ((b.x - a.x) * s) / steps), row(a.y + ((b.y - a.y) * s) / steps)];
        // Half a block of a step may have passed a corner: its neighbours are asked as well.
        for (let dr = -1; dr <= 1; dr++)
          for (let dc = -1; dc <= 1; dc++)
            if (r + dr >= 0 && r + dr < BLOCKS && c + dc >= 0 && c + dc < BLOCKS) block[(r + dr) * BLOCKS + c + dc] = 3;
      }
    });
  return (at) => {
    if (at.x < box.left || at.x > box.right || at.y < box.top || at.y > box.bottom) return false;
    const i = row(at.y) * BLOCKS + col(at.x);
    const known = block[i]!;
    if (known === 3) return contains(region, at);
    if (known !== 0) return known === 1;
    const isIn = contains(region, at);
    block[i] = isIn ? 1 : 2;
    return isIn;
  };
}

/** Places kept of those tried, in their order, none nearer to another than the spacing over the root of the larger of their weights. */
function thrown({ x, y, root, count: size }: Candidates, spacingMm: number, box: Box, count: number): readonly number[] {
  let widest = 0;
  for (let i = 0; i < size; i++) widest = Math.max(widest, root[i]!);
  // Cells as wide as the narrowest spacing keep lists short; far-reaching places look over more of them.
  const cell = Math.max(spacingMm / widest, Math.hypot(box.right - box.left, box.bottom - box.top) / 300);
  const cols = Math.ceil((box.right - box.left) / cell) + 1;
  const rows = Math.ceil((box.bottom - box.top) / cell) + 1;
  const first = new Int32Array(cols * rows).fill(-1);
  const next = new Int32Array(size);
  const kept: number[] = [];
  for (let i = 0; i < size; i++) {
    const [px, py, own] = [x[i]!, y[i]!, root[i]!];
    const c = Math.floor((px - box.left) / cell);
    const r = Math.floor((py - box.top) / cell);
    const span = Math.ceil(spacingMm / own / cell);
    const [r0, r1, c0, c1] = [Math.max(0, r - span), Math.min(rows - 1, r + span), Math.max(0, c - span), Math.min(cols - 1, c + span)];
    let isFree = true;
    for (let rr = r0; isFree && rr <= r1; rr++) {
      for (let cc = c0; isFree && cc <= c1; cc++) {
        for (let k = first[rr * cols + cc]!; k >= 0; k = next[k]!) {
          const [dx, dy, other] = [x[k]! - px, y[k]! - py, root[k]!];
          const apart = spacingMm / (other > own ? other : own);
          if (dx * dx + dy * dy < apart * apart) {
            isFree = false;
            break;
          }
        }
      }
    }
    if (!isFree) continue;
    next[i] = first[r * cols + c]!;
    first[r * cols + c] = i;
    kept.push(i);
    if (kept.length >= count) return kept;
  }
  return kept;
}

/** A size between two by a falling power: many small, few large. */
export function sizeOf(chance: number, { least, most }: ScatterTask['sizeMm']): number {
  if (most <= least) return least;
  const [a, b] = [least ** (1 - POWER), most ** (1 - POWER)];
  return (a + (b - a) * chance) ** (1 / (1 - POWER));
}
