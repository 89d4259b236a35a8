import type { Blank, SheetRule } from './layout';
import { FIT_MM } from './cut-tree';

/** Parts up to which every way of cutting is looked at: 3⁹ ways to share a set in two, each with a few outlines. */
export const MOST_EXACT = 9;

/**
 * The fewest sheets that through cuts can make the parts from, by looking at all of them.
 * @returns null for more than {@link MOST_EXACT} parts
 * @source for every set of parts the smallest outlines a through cut can join them to (Stockmeyer's shape lists over all splits of the set), then the fewest
 *   sets that cover all parts and fit a sheet
 */
export function fewestByExactSearch(blanks: readonly Blank[], rule: SheetRule): number | null {
  const count = blanks.length;
  if (count === 0) return 0;
  if (count > MOST_EXACT) return null;
  const [sheetW, sheetH] = [rule.widthMm - 2 * rule.trimMm + rule.kerfMm, rule.depthMm - 2 * rule.trimMm + rule.kerfMm];
  const all = (1 << count) - 1;
  const outlines: (readonly (readonly [number, number])[])[] = [[]];
  for (let set = 1; set <= all; set++) {
    const found: [number, number][] = [];
    const add = (w: number, h: number): void => {
      if (w <= sheetW + FIT_MM && h <= sheetH + FIT_MM) found.push([w, h]);
    };
    if ((set & (set - 1)) === 0) {
      const { widthMm, depthMm, mayTurn } = blanks[31 - Math.clz32(set)]!;
      add(widthMm + rule.kerfMm, depthMm + rule.kerfMm);
      if (mayTurn) add(depthMm + rule.kerfMm, widthMm + rule.kerfMm);
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
  const sheets = new Uint8Array(all + 1).fill(255);
  sheets[0] = 0;
  for (let set = 1; set <= all; set++) {
    const lowest = set & -set;
    for (let one = set; one > 0; one = (one - 1) & set) {
      if ((one & lowest) === 0 || outlines[one]!.length === 0) continue;
      sheets[set] = Math.min(sheets[set]!, sheets[set ^ one]! + 1);
    }
  }
  return sheets[all] === 255 ? null : sheets[all]!;
}

/** Outlines of which none fits within another. */
function smallest(found: [number, number][]): readonly (readonly [number, number])[] {
  found.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const kept: [number, number][] = [];
  for (const outline of found) if (kept.length === 0 || outline[1] < kept.at(-1)![1] - FIT_MM) kept.push(outline);
  return kept;
}
