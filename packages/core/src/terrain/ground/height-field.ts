import { GROUND_KINDS } from '../../plan/surfaces';
import { overlayOf, standsMm, waterLevelMm } from './profile';
import { kindOf } from '../../plan/features';
import { type Box, type Point, type Region, isEmpty, regionBox } from '../../base/geometry';
import type { Ground } from './ground';
import type { Land } from './land';
import { type Heights, heightsOf } from './level';
import { type Upright, standAmong } from './upright';

/**
 * The table as a grid of square cells; cell (x, y) is `y * cols + x`, its centre at ((x + ½)·cell, (y + ½)·cell).
 * `heightMm` is the surface over the ground; `walkMm` is where a figure stands: the same, but that an open plot over sunk ground is a deck
 * at ground level; `topMm` adds to that what stands on it (walls, buildings); `zone` indexes GROUND_KINDS;
 * `waterMm` is the depth of water over the surface.
 */
export interface HeightField {
  readonly cols: number;
  readonly rows: number;
  readonly cellMm: number;
  readonly heightMm: Float32Array;
  readonly walkMm: Float32Array;
  readonly topMm: Float32Array;
  readonly waterMm: Float32Array;
  readonly zone: Uint8Array;
  /** What hangs over `topMm` and hides what is behind it, from and to over the ground; 0 and 0 where nothing does. Null for a table without any. */
  readonly over: { readonly fromMm: Float32Array; readonly toMm: Float32Array } | null;
}
/** What stands on a table with a shape of its own, and the figure that is to find room in it. */
export interface Uprights {
  readonly list: readonly Upright[];
  readonly figureMm: number;
}

/**
 * Lays all features into a grid. Every height comes from the same profile that the section draws.
 * @param heights as drawn and bare where left out
 * @param uprights plots are taken as boxes of their height where left out
 */
export function fieldOf(ground: Ground, table: Box, cellMm: number, heights?: Heights, uprights?: Uprights): HeightField {
  const cols = Math.max(1, Math.round((table.right - table.left) / cellMm));
  const rows = Math.max(1, Math.round((table.bottom - table.top) / cellMm));
  const size = cols * rows;
  const heightMm = new Float32Array(size);
  const waterMm = new Float32Array(size);
  const zone = new Uint8Array(size);
  const grid = { cols, rows, cellMm };
  const own: Cells = { ...grid, heightMm, waterMm, zone };
  // Masses first, the highest counting; then holes, which cut through; then what lies on top.
  heap(ground.lands, own, heights);
  dig(ground.lands, own);
  overlay(ground.lands, own);
  if (heights !== undefined) cover(GROUND_KINDS.map(heights.coveredMm), zone, heightMm, waterMm);
  const walkMm = heightMm.slice();
  for (const { feature, whole } of ground.lands)
    if (kindOf(feature).isDeck?.(feature)) eachCell(whole, grid, (i) => (walkMm[i] = Math.max(0, walkMm[i]!)));
  const topMm = walkMm.slice();
  const shaped = new Set(uprights?.list.map(({ featureId }) => featureId));
  for (const land of ground.lands) {
    const tallMm = shaped.has(land.feature.id) ? 0 : standsMm(land);
    if (tallMm > 0) eachCell(land.whole, grid, (i) => (topMm[i] = Math.max(topMm[i]!, walkMm[i]! + tallMm)));
  }
  const over = uprights === undefined || uprights.list.length === 0 ? null : raise(uprights, { ...grid, walkMm, topMm });
  return { cols, rows, cellMm, heightMm, walkMm, topMm, waterMm, zone, over };
}

/** A grid while features are laid into it. */
type Cells = Pick<HeightField, 'cols' | 'rows' | 'cellMm' | 'heightMm' | 'waterMm' | 'zone'>;
function heap(lands: readonly Land[], field: Cells, heights: Heights | undefined): void {
  const { heightMm } = field;
  for (const land of lands) {
    if (land.role !== 'mass') continue;
    const at = heightsOf(land, heights?.built);
    eachCell(land.body, field, (i, point) => (heightMm[i] = Math.max(heightMm[i]!, at(point))));
  }
}
function dig(lands: readonly Land[], field: Cells): void {
  const { heightMm, waterMm } = field;
  for (const land of lands) {
    if (land.role !== 'hole') continue;
    const at = heightsOf(land);
    const brimMm = waterLevelMm(land);
    eachCell(land.body, field, (i, point) => {
      const floor = at(point);
      heightMm[i] = floor;
      if (brimMm !== null) waterMm[i] = Math.max(0, brimMm - floor);
    });
  }
}
/** Which kind of ground each cell is, and what the features of that ground add to its height. */
function overlay(lands: readonly Land[], field: Cells): void {
  const { heightMm, zone } = field;
  for (const land of lands) {
    if (land.zone === null) continue;
    const index = GROUND_KINDS.indexOf(land.zone);
    const own = overlayOf(land);
    eachCell(land.shows, field, (i, point) => {
      zone[i] = index;
      if (own !== null) heightMm[i] = heightMm[i]! + own(point);
    });
  }
}

/** Puts what has a shape of its own on the table; it stands on the highest ground under it. @returns what hangs over figures */
function raise({ list, figureMm }: Uprights, field: Omit<HeightField, 'heightMm' | 'waterMm' | 'zone' | 'over'>): HeightField['over'] {
  const { cols, rows, walkMm, topMm } = field;
  const over = { fromMm: new Float32Array(cols * rows), toMm: new Float32Array(cols * rows) };
  for (const { ground, spansAt, isLevel, isWalkedOver } of list) {
    let footMm = -Infinity;
    eachCell(ground, field, (i) => (footMm = Math.max(footMm, walkMm[i]!)));
    eachCell(ground, field, (i, point) => {
      const spans = spansAt(point);
      if (spans.length === 0) return;
      const groundMm = walkMm[i]! - footMm;
      const stand = standAmong({ spans, groundMm, figureMm, isLevel: (upMm) => isLevel(point, upMm), isWalkedOver });
      if (stand.walkMm !== null) walkMm[i] = footMm + stand.walkMm;
      topMm[i] = Math.max(topMm[i]!, footMm + stand.topMm);
      if (stand.over !== null) [over.fromMm[i], over.toMm[i]] = [footMm + stand.over.fromMm, footMm + stand.over.toMm];
    });
  }
  return over;
}

/** Coverings lie on the surface they cover; on a bed they take their thickness from the water. */
function cover(byZoneMm: readonly number[], zone: Uint8Array, heightMm: Float32Array, waterMm: Float32Array): void {
  if (byZoneMm.every((mm) => mm === 0)) return;
  for (let i = 0; i < zone.length; i++) {
    const mm = byZoneMm[zone[i]!]!;
    heightMm[i] = heightMm[i]! + mm;
    waterMm[i] = Math.max(0, waterMm[i]! - mm);
  }
}

/** Index of the cell that holds a point; of the nearest for one beside the table. */
export function cellIndex({ cols, rows, cellMm }: Pick<HeightField, 'cols' | 'rows' | 'cellMm'>, { x, y }: Point): number {
  const column = Math.max(0, Math.min(cols - 1, Math.floor(x / cellMm)));
  const row = Math.max(0, Math.min(rows - 1, Math.floor(y / cellMm)));
  return row * cols + column;
}

/** Calls for every cell whose centre lies in a region: an even-odd scan line by line, each side met once a line. */
export function eachCell(
  region: Region,
  { cols, rows, cellMm }: Pick<HeightField, 'cols' | 'rows' | 'cellMm'>,
  visit: (index: number, centre: Point) => void,
): void {
  if (isEmpty(region)) return;
  const { top, bottom } = regionBox(region);
  const firstRow = Math.max(0, Math.ceil(top / cellMm - 0.5));
  const lastRow = Math.min(rows - 1, Math.floor(bottom / cellMm - 0.5));
  if (lastRow < firstRow) return;
  const crossings: number[][] = Array.from({ length: lastRow - firstRow + 1 }, () => []);
  for (const ring of region.rings) {
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const [a, b] = ring[j]!.y <= ring[i]!.y ? [ring[j]!, ring[i]!] : [ring[i]!, ring[j]!];
      const from = Math.max(firstRow, Math.ceil(a.y / cellMm - 0.5));
      // A side counts for lines from its upper end up to, not at, its lower end: shared corners count once.
      const to = Math.min(lastRow, Math.ceil(b.y / cellMm - 0.5) - 1);
      const slope = (b.x - a.x) / (b.y - a.y);
      for (let row = from; row <= to; row++) crossings[row - firstRow]!.push(a.x + ((row + 0.5) * cellMm - a.y) * slope);
    }
  }
  crossings.forEach((xs, line) => {
    xs.sort((p, q) => p - q);
    const row = firstRow + line;
    const y = (row + 0.5) * cellMm;
    for (let k = 0; k + 1 < xs.length; k += 2) {
      const first = Math.max(0, Math.ceil(xs[k]! / cellMm - 0.5));
      const last = Math.min(cols - 1, Math.ceil(xs[k + 1]! / cellMm - 0.5) - 1);
      for (let column = first; column <= last; column++) visit(row * cols + column, { x: (column + 0.5) * cellMm, y });
    }
  });
}
