import { FIT_MM } from './cut-tree';
import type { Aim, Blank, Stock } from '../layout';
import { isNew, roomOf, costOf } from '../stock';

/** Parts up to which every way of cutting is looked at: 3⁹ ways to share a set in two, each with a few outlines. */
export const MAX_EXACT = 9;
/** Offcuts up to which every way of filling them is looked at. */
const MAX_OFFCUTS = 12;

/**
 * What the new sheets must cost at least that through cuts can make the parts from, by looking at all of them; offcuts are free and each is there once.
 * @returns null for more than {@link MAX_EXACT} parts, for a rack with too many offcuts, or where the parts cannot be made at all
 * @source for every set of parts the smallest outlines a through cut can join them to (Stockmeyer's shape lists over all splits of the set), then the lightest
 *   sets of sheets that cover all parts, offcut after offcut
 */
export function leastByExactSearch(blanks: readonly Blank[], stock: readonly Stock[], kerfMm: number, aim: Aim): number | null {
  const count = blanks.length;
  const offcuts = stock.filter((one) => !isNew(one));
  if (count === 0) return 0;
  if (count > MAX_EXACT || offcuts.length > MAX_OFFCUTS) return null;
  const all = (1 << count) - 1;
  const outlines = outlinesOfSets(blanks, stock, kerfMm);
  const goesOn = (set: number, one: Stock): boolean => {
    const { w, h } = roomOf(one, kerfMm);
    return outlines[set]!.some(([ow, oh]) => ow <= w + FIT_MM && oh <= h + FIT_MM);
  };
  const kinds = stock.filter(isNew).sort((a, b) => costOf(a, aim) - costOf(b, aim));
  const single = Array.from({ length: all + 1 }, (_, set) => {
    const kind = set === 0 ? undefined : kinds.find((one) => goesOn(set, one));
    return kind === undefined ? Infinity : costOf(kind, aim);
  });
  let least: number[] = [0];
  for (let set = 1; set <= all; set++) {
    const lowest = set & -set;
    let best = Infinity;
    for (let one = set; one > 0; one = (one - 1) & set) {
      if ((one & lowest) !== 0 && single[one]! < Infinity) best = Math.min(best, single[one]! + least[set ^ one]!);
    }
    least.push(best);
  }
  for (const offcut of offcuts) {
    const goes = Array.from({ length: all + 1 }, (_, set) => set > 0 && goesOn(set, offcut));
    least = least.map((without, set) => {
      let best = without;
      for (let one = set; one > 0; one = (one - 1) & set) if (goes[one]) best = Math.min(best, least[set ^ one]!);
      return best;
    });
  }
  return least[all] === Infinity ? null : least[all]!;
}

/** For every set of parts the smallest outlines, kerf counted on two sides, that through cuts can make it from. */
function outlinesOfSets(blanks: readonly Blank[], stock: readonly Stock[], kerfMm: number): (readonly (readonly [number, number])[])[] {
  const rooms = stock.map((one) => roomOf(one, kerfMm));
  const all = (1 << blanks.length) - 1;
  const outlines: (readonly (readonly [number, number])[])[] = [[]];
  for (let set = 1; set <= all; set++) {
    const found: [number, number][] = [];
    const add = (w: number, h: number): void => {
      if (rooms.some((room) => w <= room.w + FIT_MM && h <= room.h + FIT_MM)) found.push([w, h]);
    };
    if ((set & (set - 1)) === 0) {
      const { widthMm, depthMm, mayTurn } = blanks[31 - Math.clz32(set)]!;
      add(widthMm + kerfMm, depthMm + kerfMm);
      if (mayTurn) add(depthMm + kerfMm, widthMm + kerfMm);
    } else {
      // The lowest part always on the first side: each sharing is looked at once.
      const lowest = set & -set;
      for (let first = (set - 1) & set; first > 0; first = (first - 1) & set) {
        if ((first & lowest) === 0) continue;
        for (const [aw, ah] of outlines[first]!) {
          for (const [bw, bh] of outlines[set ^ first]!) {
            add(aw + bw, Math.max(ah, bh));
            add(Math.max(aw, bw), ah + bh);
          }
        }
      }
    }
    outlines.push(smallest(found));
  }
  return outlines;
}

/** Outlines of which none fits within another. */
function smallest(found: [number, number][]): readonly (readonly [number, number])[] {
  found.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const kept: [number, number][] = [];
  for (const outline of found) if (kept.length === 0 || outline[1] < kept.at(-1)![1] - FIT_MM) kept.push(outline);
  return kept;
}
