import type { HeightField } from '../ground';
import type { PlayRules } from '../../plan';
import { SIDES, type Side } from '../tiling';
import { barrierCells } from './barriers';
import { distanceCells } from './grid';
import type { Levels } from './levels';

/** How far each cell's centre is from the nearest thing in the way, mm; 0 where something stands. */
export interface Clearance {
  readonly cols: number;
  readonly rows: number;
  readonly cellMm: number;
  readonly clearMm: Float32Array;
}
/** The widest round base that can go, and the cells on its way; 0 mm and no way where none can. */
export interface Way {
  readonly baseMm: number;
  readonly cells: readonly number[];
}

/**
 * Distance to the nearest obstacle, drop, or side of the table that is not open, by cell.
 * @param open sides a base may come over; it must not hang over the others
 * @source craft.md §11
 */
export function clearanceMap(field: HeightField, rules: PlayRules, open: readonly Side[] = SIDES): Clearance {
  const { cols, rows, cellMm } = field;
  const marks = barrierCells(field, rules);
  const [edges, solids] = [new Uint8Array(marks.length), new Uint8Array(marks.length)];
  marks.forEach((mark, i) => {
    if (mark === 1) edges[i] = 1;
    if (mark === 2) solids[i] = 1;
  });
  const toEdge = distanceCells(edges, cols, rows);
  const toSolid = distanceCells(solids, cols, rows);
  const clearMm = new Float32Array(marks.length);
  const shut = (side: Side): boolean => !open.includes(side);
  const [back, right, near, left] = SIDES.map(shut) as [boolean, boolean, boolean, boolean];
  for (let y = 0; y < rows; y++) {
    for (let x = 0; x < cols; x++) {
      const i = y * cols + x;
      // A drop lies on the border between two marked cells, half a cell past their centres; a solid begins half a cell before its centre.
      let cells = Math.min(toEdge[i]! + 0.5, toSolid[i]! - 0.5);
      if (back) cells = Math.min(cells, y + 0.5);
      if (near) cells = Math.min(cells, rows - y - 0.5);
      if (left) cells = Math.min(cells, x + 0.5);
      if (right) cells = Math.min(cells, cols - x - 0.5);
      clearMm[i] = Math.max(0, Math.min(cells, cols + rows)) * cellMm;
    }
  }
  return { cols, rows, cellMm, clearMm };
}

/** Cells along a side of the table. */
export function cellsAlong(side: Side, cols: number, rows: number): number[] {
  const count = side === 'back' || side === 'near' ? cols : rows;
  return Array.from({ length: count }, (_, i) => {
    if (side === 'back') return i;
    if (side === 'near') return (rows - 1) * cols + i;
    return side === 'left' ? i * cols : i * cols + cols - 1;
  });
}

/** The widest base that can travel from one side of the table to another. */
export function widestBase(field: HeightField, rules: PlayRules, from: Side, to: Side): Way {
  const clearance = clearanceMap(field, rules, [from, to]);
  const goals = new Set(cellsAlong(to, field.cols, field.rows));
  const starts = cellsAlong(from, field.cols, field.rows);
  const flood = floodWidest(clearance, starts, (cell) => goals.has(cell));
  const widestMm = flood.reached < 0 ? 0 : flood.widest[flood.reached]!;
  if (widestMm <= flood.leastMm) return { baseMm: 0, cells: [] };
  return { baseMm: 2 * widestMm, cells: shortestWay(clearance, starts, goals, widestMm) };
}

/** The widest base that can get from a side of the table onto each level, mm, by level; 0 where none can. */
export function widestToLevels(field: HeightField, rules: PlayRules, from: Side, levels: Levels): readonly number[] {
  const clearance = clearanceMap(field, rules, [from]);
  const starts = cellsAlong(from, field.cols, field.rows);
  const ways = floodWidest(clearance, starts, () => false);
  const best = levels.levels.map(() => -1);
  levels.of.forEach((level, cell) => {
    if (level >= 0 && (best[level]! < 0 || ways.widest[cell]! > ways.widest[best[level]!]!)) best[level] = cell;
  });
  return best.map((cell) => (cell < 0 ? 0 : widthTo(cell, ways)));
}

interface Flood {
  /** Clearance of a cell right beside a barrier. */
  readonly leastMm: number;
  /** Clearance at the tightest place on the way to each cell, mm. */
  readonly widest: Float32Array;
  readonly reached: number;
}

function widthTo(cell: number, { widest, leastMm }: Flood): number {
  // The tightest clearance of half a cell is that of a cell beside a barrier: the way leads over it, which is no way.
  return widest[cell]! <= leastMm ? 0 : 2 * widest[cell]!;
}

/** Steps to the eight cells around, and how long each is in cells. */
const STEPS = [-1, 0, 1].flatMap((dy) =>
  [-1, 0, 1].filter((dx) => dx !== 0 || dy !== 0).map((dx) => ({ dx, dy, long: Math.hypot(dx, dy) })),
);

/** The cells from where a way began to its end. */
function wayTo(end: number, cameFrom: Int32Array): number[] {
  const cells: number[] = [];
  for (let at = end; at >= 0; at = cameFrom[at]!) cells.push(at);
  return cells.reverse();
}
/** The shortest way for a base that needs a clearance: Dijkstra's method over the cells that have it, on buckets of half a cell. */
function shortestWay({ cols, rows, clearMm }: Clearance, starts: readonly number[], goals: ReadonlySet<number>, needMm: number): number[] {
  const slack = 1e-4;
  const far = new Float32Array(cols * rows).fill(Infinity);
  const cameFrom = new Int32Array(cols * rows).fill(-1);
  const buckets: number[][] = [[]];
  const push = (cell: number): void => void (buckets[Math.floor(far[cell]! * 2)] ??= []).push(cell);
  for (const cell of starts) {
    if (clearMm[cell]! < needMm - slack) continue;
    far[cell] = 0;
    push(cell);
  }
  for (let b = 0; b < buckets.length; b++) {
    for (const cell of buckets[b] ?? []) {
      if (Math.floor(far[cell]! * 2) < b) continue;
      if (goals.has(cell)) return wayTo(cell, cameFrom);
      const [x, y] = [cell % cols, Math.floor(cell / cols)];
      for (const { dx, dy, long } of STEPS) {
        if (x + dx < 0 || y + dy < 0 || x + dx >= cols || y + dy >= rows) continue;
        const next = cell + dy * cols + dx;
        if (clearMm[next]! < needMm - slack || far[cell]! + long >= far[next]!) continue;
        far[next] = far[cell]! + long;
        cameFrom[next] = cell;
        push(next);
      }
    }
  }
  return [];
}

/**
 * The maximum bottleneck from the starts to every cell: Dijkstra's method with the tightest clearance in place of the length, on a bucket queue of
 * a sixteenth of a cell.
 */
function floodWidest({ cols, rows, cellMm, clearMm }: Clearance, starts: readonly number[], isGoal: (cell: number) => boolean): Flood {
  const widest = new Float32Array(cols * rows);
  const done = new Uint8Array(cols * rows);
  const stepMm = cellMm / 16;
  const top = starts.reduce((most, cell) => Math.max(most, clearMm[cell]!), 0);
  const buckets: number[][] = Array.from({ length: Math.ceil(top / stepMm) + 2 }, () => []);
  const push = (cell: number, clear: number): void => void buckets[Math.min(buckets.length - 1, Math.floor(clear / stepMm))]!.push(cell);
  for (const cell of starts) {
    if (clearMm[cell]! <= 0) continue;
    widest[cell] = clearMm[cell]!;
    push(cell, widest[cell]!);
  }
  for (let bucket = buckets.length - 1; bucket >= 0; bucket--) {
    const queue = buckets[bucket]!;
    while (queue.length > 0) {
      const cell = queue.pop()!;
      if (done[cell] === 1) continue;
      done[cell] = 1;
      if (isGoal(cell)) return { leastMm: cellMm / 2, widest, reached: cell };
      const x = cell % cols;
      for (const next of [x > 0 ? cell - 1 : -1, x < cols - 1 ? cell + 1 : -1, cell - cols, cell + cols]) {
        if (next < 0 || next >= done.length || done[next] === 1) continue;
        const through = Math.min(widest[cell]!, clearMm[next]!);
        if (through <= widest[next]!) continue;
        widest[next] = through;
        push(next, through);
      }
    }
  }
  return { leastMm: cellMm / 2, widest, reached: -1 };
}
