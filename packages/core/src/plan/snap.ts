import type { Point } from '../base/geometry';
import { type Plan, tableDepthMm, tableWidthMm } from './plan';
import { shapeBox, shapePoints } from './shapes';

/** What a point came to rest on along each axis. */
export interface Snapped {
  readonly point: Point;
  readonly onX: SnapKind;
  readonly onY: SnapKind;
}
export type SnapKind = 'edge' | 'seam' | 'corner' | 'grid';
/** Lines that hold a point, by axis. */
export interface SnapLines {
  readonly x: readonly SnapLine[];
  readonly y: readonly SnapLine[];
}
interface SnapLine {
  readonly atMm: number;
  readonly kind: SnapKind;
}

/** Table edges, seams, and the points and sides of all features but the one being moved. */
export function snapLines(plan: Plan, exceptId: string | null): SnapLines {
  const others = plan.features.filter(({ id }) => id !== exceptId);
  const corners = others.flatMap(({ shape }) => shapePoints(shape));
  const boxes = others.filter(({ shape }) => shape.form !== 'strip').map(({ shape }) => shapeBox(shape));
  const edges = { x: boxes.flatMap(({ left, right }) => [left, right]), y: boxes.flatMap(({ top, bottom }) => [top, bottom]) };
  const lines = (sizes: readonly number[], whole: number, axis: 'x' | 'y'): SnapLine[] => {
    const seams: SnapLine[] = [];
    let atMm = 0;
    for (const size of sizes.slice(0, -1)) seams.push({ atMm: (atMm += size), kind: 'seam' });
    return [
      { atMm: 0, kind: 'edge' },
      { atMm: whole, kind: 'edge' },
      ...seams,
      ...corners.map((p): SnapLine => ({ atMm: p[axis], kind: 'corner' })),
      ...edges[axis].map((atMm): SnapLine => ({ atMm, kind: 'corner' })),
    ];
  };
  const { table } = plan;
  return { x: lines(table.columnWidthsMm, tableWidthMm(table), 'x'), y: lines(table.rowDepthsMm, tableDepthMm(table), 'y') };
}

/** Other features hold less far than seams and edges: there are many of them. */
const CORNER_SHARE = 0.6;

/**
 * Brings a point to the nearest line within reach on each axis, else to the grid.
 * @param reachMm how near a line must be to hold the point; @param gridMm 0 leaves it free
 */
export function snapped(point: Point, lines: SnapLines, reachMm: number, gridMm: number): Snapped {
  const hold = (value: number, candidates: readonly SnapLine[]): SnapLine => {
    let best: SnapLine | undefined;
    for (const line of candidates) {
      const off = Math.abs(line.atMm - value);
      if (off <= (line.kind === 'corner' ? reachMm * CORNER_SHARE : reachMm) && (best === undefined || off < Math.abs(best.atMm - value)))
        best = line;
    }
    return best ?? { atMm: gridMm === 0 ? Math.round(value * 10) / 10 : Math.round(value / gridMm) * gridMm, kind: 'grid' };
  };
  const x = hold(point.x, lines.x);
  const y = hold(point.y, lines.y);
  return { point: { x: x.atMm, y: y.atMm }, onX: x.kind, onY: y.kind };
}
