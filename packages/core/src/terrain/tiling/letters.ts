import type { Puzzle } from './puzzle';

/**
 * A name for each edge of the puzzle: edges that meet the same others share a letter. A letter meets itself; one that only meets its own reverse has a
 * primed partner, and one that nothing meets stands alone with a dot.
 */
export function edgeLetters({ mate, edgeCount }: Puzzle): readonly string[] {
  const rows = Array.from({ length: edgeCount }, (_, edge) => mate.subarray(edge * edgeCount, (edge + 1) * edgeCount).join(''));
  const names = new Map<string, string>();
  let used = 0;
  rows.forEach((row, edge) => {
    if (names.has(row)) return;
    const letter = letterOf(used++);
    const partner = row.indexOf('1');
    if (partner < 0) {
      // Edges that nothing meets have the same empty row, and are not alike for that.
      names.set(`${row} ${edge}`, `${letter}·`);
      return;
    }
    names.set(row, letter);
    if (rows[partner] !== row) names.set(rows[partner]!, `${letter}′`);
  });
  return rows.map((row, edge) => names.get(row) ?? names.get(`${row} ${edge}`)!);
}

/** a to z, then a2, b2 and so on. */
const letterOf = (n: number): string => `${String.fromCharCode(97 + (n % 26))}${n < 26 ? '' : Math.floor(n / 26) + 1}`;
