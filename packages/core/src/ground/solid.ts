import type { HeightField } from './height-field';

/**
 * The table as a closed solid: positions in mm (x right, y up, z towards the near edge), three indices a triangle, outward faces counter-clockwise.
 * The first `topTriangles` triangles are the surface; the rest are sides and the flat underside.
 */
export interface Solid {
  readonly positions: Float32Array;
  readonly indices: Uint32Array;
  readonly topTriangles: number;
}

/**
 * Builds the solid under a height field, so that a printer or a mill takes it as it is: every edge is shared by exactly two triangles. A corner stands as high
 * as the mean of the cells that meet at it, rims as high as the cells along them.
 * @param deepMm how far the underside lies below the ground's surface
 */
export function solidOf({ cols, rows, cellMm, heightMm }: HeightField, deepMm: number): Solid {
  const [across, down] = [cols + 1, rows + 1];
  const corners = across * down;
  const positions = new Float32Array(corners * 2 * 3);
  for (let y = 0; y < down; y++) {
    for (let x = 0; x < across; x++) {
      const i = y * across + x;
      positions.set([x * cellMm, cornerMm(x, y), y * cellMm], i * 3);
      positions.set([x * cellMm, -deepMm, y * cellMm], (corners + i) * 3);
    }
  }
  const topTriangles = cols * rows * 2;
  const indices = new Uint32Array((topTriangles * 2 + (cols + rows) * 4) * 3);
  let at = 0;
  const quad = (a: number, b: number, c: number, d: number): void => {
    indices.set([a, b, c, a, c, d], at);
    at += 6;
  };
  eachCell((a, b, c, d) => quad(a, d, c, b));
  eachCell((a, b, c, d) => quad(corners + a, corners + b, corners + c, corners + d));
  for (let x = 0; x < cols; x++) {
    const near = rows * across + x;
    quad(x, x + 1, corners + x + 1, corners + x);
    quad(near + 1, near, corners + near, corners + near + 1);
  }
  for (let y = 0; y < rows; y++) {
    const [left, right] = [y * across, y * across + cols];
    quad(left + across, left, corners + left, corners + left + across);
    quad(right, right + across, corners + right + across, corners + right);
  }
  return { positions, indices, topTriangles };

  /** Corners of each cell, clockwise from the back left seen from above. */
  function eachCell(visit: (a: number, b: number, c: number, d: number) => void): void {
    for (let y = 0; y < rows; y++) {
      for (let x = 0; x < cols; x++) {
        const a = y * across + x;
        visit(a, a + 1, a + 1 + across, a + across);
      }
    }
  }
  function cornerMm(x: number, y: number): number {
    let [sum, count] = [0, 0];
    for (const [dx, dy] of [
      [-1, -1],
      [0, -1],
      [-1, 0],
      [0, 0],
    ] as const) {
      const [cx, cy] = [x + dx, y + dy];
      if (cx < 0 || cy < 0 || cx >= cols || cy >= rows) continue;
      sum += heightMm[cy * cols + cx]!;
      count += 1;
    }
    return sum / count;
  }
}
