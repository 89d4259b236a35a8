import type { Random } from '../base/random';
import { type Result, fail, ok } from '../base/result';

/** Colours for units, by their place in the list of tints. */
export interface Coloured {
  readonly tintOf: Uint8Array;
  /** How many wear each tint. */
  readonly counts: readonly number[];
  /** False where shares had to be brought nearer to one another. */
  readonly isAsAsked: boolean;
}
export interface ColourProblem {
  readonly code: 'colours/too-few';
  /** Pairs of neighbours that came out alike in the best that was found. */
  readonly alike: number;
}

/** Exchanges tried before a colouring is given up, for each unit and in all. */
const TRIES_EACH = 8;
const MOST_TRIES = 40_000;
/** How often shares are brought nearer to one another, and by how much of what parts them. */
const MOST_EVENED = 8;
const EVENED_BY = 0.2;

/**
 * Gives every unit a tint so that no two neighbours wear the same, each tint as often as its parts say, to within one unit. Units are coloured from neighbour to neighbour,
 * each with the tint that is furthest behind its share among those its neighbours leave; what is then alike is mended by exchanging tints, which keeps every share.
 * Where one tint is asked for more often than units can lie apart (a third of them, in courses that overlap), shares are brought nearer to one another.
 * @param beside neighbours of each unit; @param parts of each tint
 * @source tabu search over exchanges after Galinier and Hao, "Hybrid evolutionary algorithms for graph coloring", 1999
 */
export function coloured(
  beside: readonly (readonly number[])[],
  parts: readonly number[],
  random: Random,
): Result<Coloured, ColourProblem> {
  const mean = beside.length / parts.length;
  const apart = mostApart(beside);
  let wanted = sharesOf(beside.length, parts);
  let least = Infinity;
  for (let evened = 0; evened <= MOST_EVENED; evened++) {
    if (Math.max(...wanted) <= apart || evened === MOST_EVENED) {
      const { tintOf, alike } = colouredAs(wanted, beside, random);
      if (alike === 0) return ok({ tintOf, counts: wanted, isAsAsked: evened === 0 });
      least = Math.min(least, alike);
      if (wanted.every((count) => Math.abs(count - mean) < 1)) break;
    }
    const by = evened + 1 === MOST_EVENED ? 1 : EVENED_BY;
    wanted = sharesOf(
      beside.length,
      wanted.map((count) => count + (mean - count) * by),
    );
  }
  // Two tints of a chequer are as many as the chequer has of each, whatever is asked for.
  const free = colouredAs(
    parts.map(() => beside.length),
    beside,
    random,
    false,
  );
  if (free.alike === 0)
    return ok({ tintOf: free.tintOf, counts: parts.map((_, tint) => free.tintOf.filter((one) => one === tint).length), isAsAsked: false });
  return fail({ code: 'colours/too-few', alike: least });
}

/** About as many units as can lie apart from one another: those with few neighbours taken first. */
function mostApart(beside: readonly (readonly number[])[]): number {
  const order = beside.map((_, unit) => unit).sort((a, b) => beside[a]!.length - beside[b]!.length);
  const taken = new Uint8Array(beside.length);
  let count = 0;
  for (const unit of order) {
    if (beside[unit]!.some((other) => taken[other] === 1)) continue;
    taken[unit] = 1;
    count++;
  }
  return count * 1.03;
}

function colouredAs(
  wanted: readonly number[],
  beside: readonly (readonly number[])[],
  random: Random,
  isMended = true,
): { readonly tintOf: Uint8Array; readonly alike: number } {
  const kinds = wanted.length;
  const tintOf = new Uint8Array(beside.length).fill(255);
  const left = [...wanted];
  const late: number[] = [];
  for (const unit of orderOf(beside, random)) {
    let [best, most] = [-1, -Infinity];
    for (let tint = 0; tint < kinds; tint++) {
      if (left[tint]! <= 0 || beside[unit]!.some((other) => tintOf[other] === tint)) continue;
      const behind = left[tint]! / wanted[tint]! + random() * 0.25;
      if (behind > most) [best, most] = [tint, behind];
    }
    if (best < 0) late.push(unit);
    else {
      tintOf[unit] = best;
      left[best]!--;
    }
  }
  // What found no tint takes what is left over, alike or not, and is mended below.
  for (const unit of late) {
    const tint = left.findIndex((count) => count > 0);
    tintOf[unit] = tint;
    left[tint]!--;
  }
  return { tintOf, alike: isMended ? mend(tintOf, beside, kinds, random) : late.length };
}

/** Units of each tint: by its parts, the largest remainders rounded up. */
export function sharesOf(size: number, parts: readonly number[]): number[] {
  const all = parts.reduce((sum, part) => sum + part, 0);
  const exact = parts.map((part) => (size * part) / all);
  const counts = exact.map(Math.floor);
  const rest = size - counts.reduce((sum, count) => sum + count, 0);
  const order = exact.map((value, i) => ({ i, over: value - Math.floor(value) })).sort((a, b) => b.over - a.over);
  for (let k = 0; k < rest; k++) counts[order[k]!.i]!++;
  return counts;
}

/** Units from neighbour to neighbour, so that each meets few that are coloured already; starts by chance. */
function orderOf(beside: readonly (readonly number[])[], random: Random): readonly number[] {
  const seen = new Uint8Array(beside.length);
  const order: number[] = [];
  const start = Math.floor(random() * beside.length);
  for (let k = 0; k < beside.length; k++) {
    const root = (start + k) % beside.length;
    if (seen[root] === 1) continue;
    const queue = [root];
    seen[root] = 1;
    for (let q = 0; q < queue.length; q++) {
      order.push(queue[q]!);
      for (const other of beside[queue[q]!]!) {
        if (seen[other] === 1) continue;
        seen[other] = 1;
        queue.push(other);
      }
    }
  }
  return order;
}

/** Exchanges tints until no neighbours are alike, or until it has tried enough. @returns pairs still alike */
function mend(tintOf: Uint8Array, beside: readonly (readonly number[])[], kinds: number, random: Random): number {
  const size = tintOf.length;
  const alikeOf = (unit: number): number => beside[unit]!.reduce((sum, other) => sum + (tintOf[other] === tintOf[unit] ? 1 : 0), 0);
  // How many neighbours of each unit wear each tint.
  const worn = new Uint16Array(size * kinds);
  for (let unit = 0; unit < size; unit++) for (const other of beside[unit]!) worn[unit * kinds + tintOf[other]!]!++;
  // Units with a neighbour alike, in no order, and where each of them stands in the list.
  const bad: number[] = [];
  const placeOf = new Int32Array(size).fill(-1);
  let pairs = 0;
  for (let unit = 0; unit < size; unit++) {
    const alike = alikeOf(unit);
    if (alike > 0) placeOf[unit] = bad.push(unit) - 1;
    pairs += alike;
  }
  pairs /= 2;
  const setTint = (unit: number, tint: number): void => {
    const before = tintOf[unit]!;
    for (const other of beside[unit]!) {
      worn[other * kinds + before]!--;
      worn[other * kinds + tint]!++;
    }
    tintOf[unit] = tint;
  };
  const check = (unit: number): void => {
    const isBad = worn[unit * kinds + tintOf[unit]!]! > 0;
    const place = placeOf[unit]!;
    if (isBad && place < 0) placeOf[unit] = bad.push(unit) - 1;
    if (isBad || place < 0) return;
    const last = bad.pop()!;
    placeOf[unit] = -1;
    if (last === unit) return;
    bad[place] = last;
    placeOf[last] = place;
  };
  const tabu = new Int32Array(size);
  for (let round = 1; pairs > 0 && round < Math.min(MOST_TRIES, size * TRIES_EACH); round++) {
    const unit = bad[Math.floor(random() * bad.length)]!;
    const own = tintOf[unit]!;
    let [best, gain] = [-1, -Infinity];
    // Some partners by chance rather than all: a sample finds a good one in a hundredth of the time.
    for (let k = 0; k < 48; k++) {
      const other = Math.floor(random() * size);
      const theirs = tintOf[other]!;
      if (theirs === own || tabu[other]! > round) continue;
      const isBeside = beside[unit]!.includes(other) ? 1 : 0;
      const before = worn[unit * kinds + own]! + worn[other * kinds + theirs]!;
      const after = worn[unit * kinds + theirs]! - isBeside + worn[other * kinds + own]! - isBeside;
      if (before - after > gain) [best, gain] = [other, before - after];
    }
    if (best < 0 || (gain < 0 && random() > 0.02)) continue;
    const theirs = tintOf[best]!;
    setTint(unit, theirs);
    setTint(best, own);
    pairs -= gain;
    tabu[unit] = tabu[best] = round + 8 + Math.floor(random() * 8);
    for (const one of [unit, best, ...beside[unit]!, ...beside[best]!]) check(one);
  }
  return pairs;
}
