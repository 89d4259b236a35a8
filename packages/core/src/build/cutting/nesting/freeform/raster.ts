import { type Region, grown, regionBox } from '../../../../base/geometry';

/** Cells of a row that a shape touches, from the first to the last, counted from the shape's own corner. */
export interface Span {
  readonly row: number;
  readonly from: number;
  readonly to: number;
}

/** A cell that a shape touches has its middle no farther from it than half its diagonal; chords of rounded corners cost a little more. */
const REACH_CELLS = 0.75;
const ARC_CELLS = 0.02;

/**
 * Cells whose squares a region touches or comes nearer to than a distance: never too few, a ring of cells too many at most.
 * @param cellMm side of a cell; the cell (0, 0) has its corner at the origin
 */
export function spansOf(region: Region, nearMm: number, cellMm: number): readonly Span[] {
  const reach = grown(region, nearMm + REACH_CELLS * cellMm, ARC_CELLS * cellMm);
  const { top, bottom } = regionBox(reach);
  const spans: Span[] = [];
  const last = Math.floor(bottom / cellMm - 0.5);
  for (let row = Math.ceil(top / cellMm - 0.5); row <= last; row++) {
    const xs = crossingsAt(reach, (row + 0.5) * cellMm);
    for (let i = 0; i + 1 < xs.length; i += 2) {
      const from = Math.ceil(xs[i]! / cellMm - 0.5);
      const to = Math.floor(xs[i + 1]! / cellMm - 0.5);
      if (to >= from) spans.push({ row, from, to });
    }
  }
  return spans;
}

/** Where a level line crosses the edges of a region, from the left. */
function crossingsAt({ rings }: Region, y: number): number[] {
  const xs: number[] = [];
  for (const ring of rings) {
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const a = ring[j]!;
      const b = ring[i]!;
      if (a.y > y !== b.y > y) xs.push(a.x + ((y - a.y) * (b.x - a.x)) / (b.y - a.y));
    }
  }
  return xs.sort((a, b) => a - b);
}

/** Cells of a sheet, taken or free, asked for places in reading order. */
export class CellSheet {
  private readonly taken: Uint8Array;
  /** For every cell the last taken one at or before it in its row, −1 for none: a clash tells how far to move on. */
  private readonly lastTaken: Int16Array;

  constructor(
    readonly cols: number,
    readonly rows: number,
  ) {
    this.taken = new Uint8Array(cols * rows);
    this.lastTaken = new Int16Array(cols * rows).fill(-1);
  }

  /** Takes the cells of a shape whose corner lies in a cell; what falls off the sheet is left out. */
  take(spans: readonly Span[], col: number, row: number): void {
    const touched = new Set<number>();
    for (const span of spans) {
      const r = row + span.row;
      if (r < 0 || r >= this.rows) continue;
      const from = Math.max(0, col + span.from);
      const to = Math.min(this.cols - 1, col + span.to);
      if (to < from) continue;
      this.taken.fill(1, r * this.cols + from, r * this.cols + to + 1);
      touched.add(r);
    }
    for (const r of touched) {
      let last = -1;
      for (let c = 0; c < this.cols; c++) {
        if (this.taken[r * this.cols + c] === 1) last = c;
        this.lastTaken[r * this.cols + c] = last;
      }
    }
  }

  /** The first place, row by row, where a shape meets nothing taken; null for none. @param lastCol, lastRow the last place its box allows */
  firstPlace(spans: readonly Span[], lastCol: number, lastRow: number): { readonly col: number; readonly row: number } | null {
    for (let row = 0; row <= lastRow; row++) {
      for (let col = 0; col <= lastCol;) {
        const next = this.clashAt(spans, col, row);
        if (next === null) return { col, row };
        col = next;
      }
    }
    return null;
  }

  /** The next column worth trying when a shape clashes here; null when it does not. */
  private clashAt(spans: readonly Span[], col: number, row: number): number | null {
    for (const span of spans) {
      const r = row + span.row;
      if (r < 0 || r >= this.rows) continue;
      const from = Math.max(0, col + span.from);
      const to = Math.min(this.cols - 1, col + span.to);
      if (to < from) continue;
      const last = this.lastTaken[r * this.cols + to]!;
      if (last >= from) return last + 1 - span.from;
    }
    return null;
  }
}
