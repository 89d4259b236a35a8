import { contours } from 'd3-contour';
import type { Point, Ring } from '../../base/geometry';

/** The edges of all cells that hold, as closed runs of points in mm: to be filled even-odd with a hatch. */
export function maskRings(holds: (cell: number) => boolean, cols: number, rows: number, cellMm: number): readonly Ring[] {
  // A rim of cells that do not hold closes every ring at the table's edge.
  const [wide, tall] = [cols + 2, rows + 2];
  const padded = new Array<number>(wide * tall).fill(0);
  for (let y = 0; y < rows; y++) for (let x = 0; x < cols; x++) if (holds(y * cols + x)) padded[(y + 1) * wide + x + 1] = 1;
  const [traced] = contours().size([wide, tall]).smooth(false).thresholds([0.5])(padded);
  const clamp = (value: number, most: number): number => Math.max(0, Math.min(most, value));
  return traced!.coordinates
    .flat()
    .map((ring) => ring.slice(0, -1).map(([x, y]): Point => ({ x: clamp(x! - 1, cols) * cellMm, y: clamp(y! - 1, rows) * cellMm })));
}
