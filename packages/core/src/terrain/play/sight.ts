import type { HeightField } from '../ground';
import { SIDES, type Side } from '../tiling';
import type { Figure } from '../../base/units';
import { cellsAlong } from './clearance';
import { shareOf } from './share';

/** What is seen from one side of the table. */
export interface Sight {
  readonly side: Side;
  /** Viewpoints along the side that see each cell. */
  readonly seenBy: Uint16Array;
  readonly viewpoints: number;
  /** Of the open cells of the table, seen from anywhere along the side. */
  readonly seen: Figure<'%'>;
}
export interface SightProgress {
  readonly done: number;
  readonly of: number;
  /** Sides finished so far. */
  readonly sights: readonly Sight[];
}
/** Cover on the two halves of the table: how much of each half is hidden from the whole of the other side. */
export interface Cover {
  readonly sides: readonly [Side, Side];
  readonly hidden: readonly [Figure<'%'>, Figure<'%'>];
}

/** Viewpoints stand this far apart along a side. */
const APART_MM = 50;
/** Eyes, and the part of the other figure that must show, as shares of the figure's height. */
const EYE_SHARE = 0.9;
const CHEST_SHARE = 0.6;
/** Viewpoints between two yields. */
const STRIDE = 6;

/**
 * What a figure on each side of the table sees of the rest, at its own eye height. From every viewpoint one sweep goes outwards ring by ring; what blocks
 * the eye is carried from each ring to the next, so that every cell is looked at once a viewpoint.
 * @source Franklin & Ray 1994, "Higher isn't necessarily better: visibility algorithms and experiments" (their XDraw, read between two cells)
 */
export function* sightMap(
  field: HeightField,
  figureHeightMm: number,
  sides: readonly Side[] = SIDES,
): Generator<SightProgress, readonly Sight[], void> {
  const { cols, rows, cellMm, walkMm, topMm } = field;
  const every = Math.max(1, Math.round(APART_MM / cellMm));
  const views = sides.map((side) => cellsAlong(side, cols, rows).filter((_, i) => i % every === Math.floor(every / 2)));
  const of = views.reduce((sum, { length }) => sum + length, 0);
  const open = countOpen(field);
  const sights: Sight[] = [];
  let done = 0;
  for (const [s, side] of sides.entries()) {
    const seenBy = new Uint16Array(cols * rows);
    const sweep = sweeper(field, figureHeightMm);
    for (const view of views[s]!) {
      // A viewpoint inside a wall or building sees nothing.
      if (topMm[view]! <= walkMm[view]!) sweep(view, seenBy);
      done += 1;
      if (done % STRIDE === 0) yield { done, of, sights: [...sights] };
    }
    let seen = 0;
    for (let i = 0; i < seenBy.length; i++) if (seenBy[i]! > 0 && topMm[i]! <= walkMm[i]!) seen += 1;
    sights.push({ side, seenBy, viewpoints: views[s]!.length, seen: shareOf(`Seen from the ${side}`, seen, open) });
  }
  yield { done, of, sights };
  return sights;
}

function countOpen({ walkMm, topMm }: HeightField): number {
  let open = 0;
  for (let i = 0; i < walkMm.length; i++) if (topMm[i]! <= walkMm[i]!) open += 1;
  return open;
}

/** Adds 1 to every cell seen from a viewpoint. The scratch array is made once. */
function sweeper(
  { cols, rows, cellMm, walkMm, topMm, over }: HeightField,
  figureHeightMm: number,
): (view: number, seenBy: Uint16Array) => void {
  const eyeMm = figureHeightMm * EYE_SHARE;
  const chestMm = figureHeightMm * CHEST_SHARE;
  /** Steepest line of sight, mm a cell, that just clears everything up to and with each cell. */
  const block = new Float32Array(cols * rows);
  return (view, seenBy) => {
    const [vx, vy] = [view % cols, Math.floor(view / cols)];
    const eye = walkMm[view]! + eyeMm;
    block[view] = -Infinity;
    seenBy[view] = seenBy[view]! + 1;
    const rings = Math.max(vx, cols - 1 - vx, vy, rows - 1 - vy);
    for (let ring = 1; ring <= rings; ring++) {
      const [left, right, back, near] = [vx - ring, vx + ring, vy - ring, vy + ring];
      for (const y of back === near ? [back] : [back, near]) {
        if (y < 0 || y >= rows) continue;
        for (let x = Math.max(0, left); x <= Math.min(cols - 1, right); x++) judge(x, y, ring, false);
      }
      for (const x of [left, right]) {
        if (x < 0 || x >= cols) continue;
        for (let y = Math.max(0, back + 1); y <= Math.min(rows - 1, near - 1); y++) judge(x, y, ring, true);
      }
    }

    /** The ray from the eye to a cell passes the ring before between two cells; what blocks it there is read between theirs. */
    function judge(x: number, y: number, ring: number, inX: boolean): void {
      const [dx, dy] = [x - vx, y - vy];
      const share = (ring - 1) / ring;
      const cell = y * cols + x;
      let ahead: number;
      if (ring === 1) ahead = -Infinity;
      else if (inX) {
        const at = vy + dy * share;
        const low = Math.floor(at);
        const px = dx > 0 ? x - 1 : x + 1;
        ahead = between(low * cols + px, at - low, cols);
      } else {
        const at = vx + dx * share;
        const low = Math.floor(at);
        const py = dy > 0 ? y - 1 : y + 1;
        ahead = between(py * cols + low, at - low, 1);
      }
      const far = Math.sqrt(dx * dx + dy * dy) * cellMm;
      if ((walkMm[cell]! + chestMm - eye) / far >= ahead) seenBy[cell] = seenBy[cell]! + 1;
      // What hangs over a cell hides what is behind it where sight already runs as high; under it one sees through.
      const aheadMm = eye + ahead * far;
      const isHung = over !== null && over.toMm[cell]! > over.fromMm[cell]! && aheadMm >= over.fromMm[cell]!;
      const own = ((isHung ? over.toMm[cell]! : topMm[cell]!) - eye) / far;
      block[cell] = own > ahead ? own : ahead;
    }
    function between(low: number, part: number, step: number): number {
      if (part < 1e-9) return block[low]!;
      // Inside the first rings a neighbour may not be blocked at all; then the other alone counts for its part.
      const [a, b] = [block[low]!, block[low + step]!];
      return a === -Infinity || b === -Infinity ? Math.max(a, b) : a + (b - a) * part;
    }
  };
}

/**
 * Cover of either half: cells where a figure stands unseen from the opposite side, by share of the half's open cells.
 * @param first, second what is seen from two opposite sides
 */
export function coverOf(field: HeightField, first: Sight, second: Sight): Cover {
  const { cols, rows, walkMm, topMm } = field;
  const isAcross = first.side === 'back' || first.side === 'near';
  const halfOf = (i: number): 0 | 1 => {
    const isLow = isAcross ? Math.floor(i / cols) < rows / 2 : i % cols < cols / 2;
    return isLow === (first.side === 'back' || first.side === 'left') ? 0 : 1;
  };
  const [open, hidden] = [
    [0, 0],
    [0, 0],
  ];
  for (let i = 0; i < walkMm.length; i++) {
    if (topMm[i]! > walkMm[i]!) continue;
    const half = halfOf(i);
    open[half] = open[half]! + 1;
    if ((half === 0 ? second : first).seenBy[i] === 0) hidden[half] = hidden[half]! + 1;
  }
  return {
    sides: [first.side, second.side],
    hidden: [
      shareOf(`Hidden in the ${first.side} half`, hidden[0]!, open[0]!),
      shareOf(`Hidden in the ${second.side} half`, hidden[1]!, open[1]!),
    ],
  };
}
