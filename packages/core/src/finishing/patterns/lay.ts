import { type Point, type Region, areaMm2, boxAround, boxesOverlap, intersection, isEmpty, regionBox, regionOf } from '../../base/geometry';
import { type Result, fail, ok } from '../../base/result';
import type { Pattern } from '../../catalogue';
import type { Laid } from '../../plan';
import { insideOf } from '../scatter';

/** One unit of a pattern as it is laid: whole, or cut where the ground ends. */
export interface Unit {
  readonly rings: Region['rings'];
  readonly isCut: boolean;
  /** Units it lies next to, by their place in the list. */
  readonly beside: readonly number[];
}
export interface PatternProblem {
  readonly code: 'pattern/too-many';
  readonly count: number;
  readonly most: number;
}
/** How a place along and across the courses comes to lie on the table. */
export type Course = (alongMm: number, acrossMm: number) => Point;
/** Ground laid in a pattern: the ground, the box of it in the pattern's own measure, and how that lies on the table. */
export interface PatternTask {
  readonly pattern: Pattern;
  readonly laid: Laid;
  readonly region: Region;
  /** From, to, along and across, in the pattern's own measure. */
  readonly extent: { readonly fromMm: number; readonly toMm: number; readonly leftMm: number; readonly rightMm: number };
  readonly at: Course;
  readonly seed: number;
}

/** A floor with more pieces than this is stamped, not laid. */
const MAX_UNITS = 20_000;
/** Less of a unit than this share is not laid: the next one is cut a little larger. */
const MIN_SHARE = 0.06;
/** Rise of an arc over its width, and how many units make one. */
const FAN_UNITS = 7;
const FAN_RISE = 0.32;

/** Lays units over ground in their true places, and cuts those at its edges. @source craft.md §5, §7: true counts, cut pieces at edges */
export function layUnits(task: PatternTask): Result<readonly Unit[], PatternProblem> {
  const { laid, region, extent } = task;
  if (isEmpty(region)) return ok([]);
  const [pitchMm, highMm] = [laid.longMm + laid.jointMm, laid.wideMm + laid.jointMm];
  const count = Math.ceil(((extent.toMm - extent.fromMm) / pitchMm + 2) * ((extent.rightMm - extent.leftMm) / highMm + 2));
  if (count > MAX_UNITS * 2) return fail({ code: 'pattern/too-many', count, most: MAX_UNITS });
  const box = regionBox(region);
  const inside = insideOf(region, box);
  const grid: Cell[] = [];
  const rows = coursesOf(task);
  const units: { rings: Region['rings']; isCut: boolean }[] = [];
  rows.forEach((row, r) => {
    for (const cell of row) {
      const ring = outlineOf(cell, r, task);
      const isWhole = ring.every(inside) && !edgeThrough(ring, inside);
      if (isWhole) {
        grid.push({ ...cell, row: r, at: units.length });
        units.push({ rings: [ring], isCut: false });
        continue;
      }
      if (!boxesOverlap(boxAround(ring), box)) continue;
      const own = regionOf(ring);
      const shown = intersection(own, region);
      if (areaMm2(shown) < areaMm2(own) * MIN_SHARE) continue;
      grid.push({ ...cell, row: r, at: units.length });
      units.push({ rings: shown.rings, isCut: areaMm2(shown) < areaMm2(own) * 0.999 });
    }
  });
  const beside = neighbours(grid, units.length);
  return ok(units.map((unit, i) => ({ ...unit, beside: beside[i]! })));
}

interface Span {
  readonly fromMm: number;
  readonly toMm: number;
}
interface Cell extends Span {
  readonly row: number;
  readonly at: number;
}

/** A corner may be inside at both ends of a side and the ground still bite into it: its middle is asked too. */
const edgeThrough = (ring: readonly Point[], inside: (at: Point) => boolean): boolean =>
  ring.some((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    return !inside({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
  });

/** Where units begin and end in each course, joints left out. */
function coursesOf({ pattern, laid, extent, seed }: PatternTask): readonly (readonly Span[])[] {
  const highMm = laid.wideMm + laid.jointMm;
  const first = Math.floor(extent.leftMm / highMm);
  const last = Math.ceil(extent.rightMm / highMm);
  return Array.from({ length: last - first }, (_, i) => {
    const row = first + i;
    const pitchMm = laid.longMm + laid.jointMm;
    const shift =
      pattern.bond === 'stacked'
        ? 0
        : pattern.bond === 'random-lengths'
          ? chance(row, 0, seed) * pitchMm
          : (((row % 2) + 2) % 2) * (pitchMm / 2);
    const spans: Span[] = [];
    if (pattern.bond !== 'random-lengths') {
      for (let col = Math.floor((extent.fromMm - shift) / pitchMm); col * pitchMm + shift < extent.toMm; col++) {
        const fromMm = col * pitchMm + shift;
        spans.push({ fromMm: fromMm + laid.jointMm / 2, toMm: fromMm + pitchMm - laid.jointMm / 2 });
      }
      return spans;
    }
    let at = Math.floor((extent.fromMm - shift) / pitchMm) * pitchMm + shift - pitchMm;
    for (let n = 0; at < extent.toMm; n++) {
      const longMm = laid.longMm * (1 + (chance(row, n + 1, seed) * 2 - 1) * pattern.strays);
      spans.push({ fromMm: at + laid.jointMm / 2, toMm: at + laid.jointMm / 2 + longMm });
      at += longMm + laid.jointMm;
    }
    return spans;
  });
}

/** Chance of a place of the pattern, 0 to 1; the same for the same seed. */
function chance(row: number, col: number, seed: number): number {
  let h = Math.imul(row ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(col + 0x7f4a7c15, 0xc2b2ae35) ^ Math.imul(seed + 1, 0x27d4eb2f);
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d);
  return ((h ^ (h >>> 12)) >>> 0) / 2 ** 32;
}

/** A unit's outline on the table: its corners strayed, and for stones its sides bent outwards. */
function outlineOf({ fromMm, toMm }: Span, index: number, { pattern, laid, extent, at, seed }: PatternTask): readonly Point[] {
  const highMm = laid.wideMm + laid.jointMm;
  const row = Math.floor(extent.leftMm / highMm) + index;
  const [topMm, bottomMm] = [row * highMm + laid.jointMm / 2, (row + 1) * highMm - laid.jointMm / 2];
  const stray = (pattern.bond === 'random-lengths' ? 0 : pattern.strays) * Math.min(laid.longMm, laid.wideMm) * 0.45;
  const strayed = (along: number, across: number, k: number): Point => {
    const [a, b] = [chance(row * 4 + k, Math.round(fromMm * 16), seed), chance(Math.round(fromMm * 16), row * 4 + k, seed)];
    // Only inwards: a unit never grows into its joint.
    const inX = along === fromMm ? a * stray : along === toMm ? -a * stray : 0;
    const inY = across === topMm ? b * stray : across === bottomMm ? -b * stray : 0;
    return at(along + inX, across + inY + arcOf(along, pattern, laid));
  };
  const middle = (fromMm + toMm) / 2;
  if (pattern.bond === 'cobbles') {
    const q = (toMm - fromMm) * 0.22;
    const v = (bottomMm - topMm) * 0.22;
    return [
      strayed(fromMm + q, topMm, 0),
      strayed(toMm - q, topMm, 1),
      strayed(toMm, topMm + v, 2),
      strayed(toMm, bottomMm - v, 3),
      strayed(toMm - q, bottomMm, 4),
      strayed(fromMm + q, bottomMm, 5),
      strayed(fromMm, bottomMm - v, 6),
      strayed(fromMm, topMm + v, 7),
    ];
  }
  // Two more corners on the long sides let units follow a bend.
  return [
    strayed(fromMm, topMm, 0),
    strayed(middle, topMm, 4),
    strayed(toMm, topMm, 1),
    strayed(toMm, bottomMm, 2),
    strayed(middle, bottomMm, 5),
    strayed(fromMm, bottomMm, 3),
  ];
}

/** Setts in fans run in arcs across the way. */
function arcOf(alongMm: number, { bond }: Pattern, { longMm, jointMm }: Laid): number {
  if (bond !== 'fan') return 0;
  const wide = FAN_UNITS * (longMm + jointMm);
  return Math.abs(Math.sin((alongMm / wide) * Math.PI)) * wide * FAN_RISE;
}

/** Units side by side in a course, and units of two courses that lie on one another over more than a joint. */
function neighbours(grid: readonly Cell[], count: number): readonly (readonly number[])[] {
  const beside: number[][] = Array.from({ length: count }, () => []);
  const join = (a: Cell, b: Cell): void => {
    beside[a.at]!.push(b.at);
    beside[b.at]!.push(a.at);
  };
  const byRow = new Map<number, Cell[]>();
  for (const cell of grid) {
    const own = byRow.get(cell.row);
    if (own === undefined) byRow.set(cell.row, [cell]);
    else own.push(cell);
  }
  for (const [row, cells] of byRow) {
    for (let i = 1; i < cells.length; i++)
      if (cells[i]!.fromMm - cells[i - 1]!.toMm < (cells[i]!.toMm - cells[i]!.fromMm) / 2) join(cells[i - 1]!, cells[i]!);
    const below = byRow.get(row + 1) ?? [];
    let from = 0;
    for (const cell of cells) {
      while (from < below.length && below[from]!.toMm <= cell.fromMm + 1e-6) from++;
      for (let k = from; k < below.length && below[k]!.fromMm < cell.toMm - 1e-6; k++) join(cell, below[k]!);
    }
  }
  return beside;
}
