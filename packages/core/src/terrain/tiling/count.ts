import type { Puzzle } from './puzzle';
import { type Filling, fits, turnedFilling, turnsLeft } from './filling';

/** How many different tables there are: exact up to {@link MAX_COUNTED}, beyond that only known to be more. */
export type Count =
  | { readonly known: 'exact'; readonly tables: number }
  | { readonly known: 'over'; readonly tables: number }
  /** The search was given up; nothing is known of the number. */
  | { readonly known: 'too-large' };
export interface Counting {
  /** Cells filled so far, of all. */
  readonly cells: number;
  readonly of: number;
  /** null until it is done. */
  readonly count: Count | null;
}

export const MAX_COUNTED = 1_000_000;
/** Partial tables kept at once; about 200 MB. Over this the count is given up. */
const MAX_STATES = 1_500_000;
/** Ways of going on looked at between two yields. */
const STRIDE = 50_000;

/**
 * Counts the tables in which every inner seam mates: turned tables once, alike tiles not told apart.
 * @param locks a pose for each cell, or null where any tile may lie; with a lock the table can no longer be turned
 * @source Burnside: tables up to turning = mean over the turns of how many fillings each leaves as they are. All fillings are counted cell by
 *   cell over (tiles left, edges on the frontier), so that partial tables with the same future are one.
 */
export function* countTables(puzzle: Puzzle, locks: readonly (number | null)[] = []): Generator<Counting, Count, void> {
  const cells = puzzle.columns * puzzle.rows;
  const all = yield* countAll(puzzle, locks);
  if (all === null) return { known: 'too-large' };
  const group = turnsLeft(puzzle, locks);
  let sum = all;
  for (const turns of group) if (turns !== 0) sum += fixedBy(puzzle, turns, group.length * MAX_COUNTED);
  const tables = Math.round(sum / group.length);
  const count: Count = tables > MAX_COUNTED ? { known: 'over', tables: MAX_COUNTED } : { known: 'exact', tables };
  yield { cells, of: cells, count };
  return count;
}

function* countAll(
  { columns, rows, kinds, poses, posesOn, mate, edgeCount }: Puzzle,
  locks: readonly (number | null)[],
): Generator<Counting, number | null, void> {
  const cells = columns * rows;
  const classOf = mateClasses(mate, edgeCount);
  // A state: copies left of each kind, then the class of the edge under each column and right of the last cell.
  const start = [...kinds.map(({ tileIds }) => tileIds.length), ...Array<number>(columns).fill(-1), -1];
  let layer = new Map<string, { readonly state: readonly number[]; ways: number }>([['', { state: start, ways: 1 }]]);
  let looked = 0;
  const isApart = (from: number, edge: number): boolean => from >= 0 && mate[from * edgeCount + edge] === 0;
  for (let cell = 0; cell < cells; cell++) {
    const column = cell % columns;
    const next = new Map<string, { readonly state: readonly number[]; ways: number }>();
    const allowed = allowedOn(posesOn[cell]!, locks[cell] ?? null);
    const above = kinds.length + column;
    const beside = kinds.length + columns;
    for (const { state, ways } of layer.values()) {
      for (const index of allowed) {
        if (++looked % STRIDE === 0) yield { cells: cell, of: cells, count: null };
        const { kind, edges } = poses[index]!;
        if (state[kind] === 0 || isApart(state[above]!, edges[0]) || (column > 0 && isApart(state[beside]!, edges[3]))) continue;
        const after = state.slice();
        after[kind] = after[kind]! - 1;
        after[above] = cell + columns < cells ? classOf[edges[2]]! : -1;
        after[beside] = column < columns - 1 ? classOf[edges[1]]! : -1;
        const key = after.join(' ');
        const known = next.get(key);
        if (known === undefined) next.set(key, { state: after, ways });
        else known.ways = Math.min(Number.MAX_SAFE_INTEGER, known.ways + ways);
      }
      if (next.size > MAX_STATES) return null;
    }
    layer = next;
  }
  return waysOf(layer);
}
const allowedOn = (poses: readonly number[], locked: number | null): readonly number[] => (locked === null ? poses : [locked]);
const waysOf = (layer: ReadonlyMap<string, { readonly ways: number }>): number =>
  [...layer.values()].reduce((sum, { ways }) => Math.min(Number.MAX_SAFE_INTEGER, sum + ways), 0);

/** The first edge that mates with the same edges, for each edge: the frontier need not tell them apart. */
function mateClasses(mate: Uint8Array, edgeCount: number): Int32Array {
  const first = new Map<string, number>();
  return Int32Array.from({ length: edgeCount }, (_, edge) => {
    const row = mate.subarray(edge * edgeCount, (edge + 1) * edgeCount).join('');
    if (!first.has(row)) first.set(row, edge);
    return first.get(row)!;
  });
}

/** Fillings that a turn of the table leaves as they are, up to a limit. Whole orbits of cells are filled at once. */
function fixedBy(puzzle: Puzzle, turns: number, limit: number): number {
  const to = puzzle.tableTurns[turns]!;
  const cells = to.length;
  const filling: Filling = Array<number>(cells).fill(-1);
  const left = puzzle.kinds.map(({ tileIds }) => tileIds.length);
  let found = 0;
  const orbits: number[][] = [];
  const seen = new Set<number>();
  for (let cell = 0; cell < cells; cell++) {
    if (seen.has(cell)) continue;
    const orbit: number[] = [];
    for (let at = cell; !seen.has(at); at = to[at]!) {
      seen.add(at);
      orbit.push(at);
    }
    orbits.push(orbit);
  }
  fill(0);
  return found;

  function fill(nth: number): void {
    if (found >= limit) return;
    if (nth === orbits.length) {
      found += 1;
      return;
    }
    const orbit = orbits[nth]!;
    for (const pose of puzzle.posesOn[orbit[0]!]!) {
      const { kind } = puzzle.poses[pose]!;
      if (left[kind]! < orbit.length) continue;
      let at = pose;
      for (const cell of orbit) {
        filling[cell] = at;
        at = turnedFilling.pose(puzzle, at, turns);
      }
      // Coming round to the first cell again, the pose must be what it was.
      if (at === pose && orbit.every((cell) => fits(puzzle, filling, cell))) {
        left[kind] = left[kind]! - orbit.length;
        fill(nth + 1);
        left[kind] = left[kind]! + orbit.length;
      }
      for (const cell of orbit) filling[cell] = -1;
    }
  }
}
