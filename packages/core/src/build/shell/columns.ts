import type { Point } from '../../base/geometry';
import type { Mesh } from './mesh';

/** What of a body lies over one place, from its underside there to its top, mm. */
export interface Span {
  readonly bodyId: string;
  readonly fromMm: number;
  readonly toMm: number;
}

/** Triangles are looked up by squares of this side. */
const SQUARE_MM = 12;
/** Plumb lines are dropped this far beside where they are asked for: one that runs along an edge would meet its triangles twice or not at all. */
const BESIDE_MM = { x: 1.27e-5, y: 2.31e-5 };

/** Drops plumb lines through bodies: each tells what it meets from below upwards, body by body. @param bodies closed, each for itself */
export function plumbThrough(bodies: readonly { readonly id: string; readonly mesh: Mesh }[]): (at: Point) => readonly Span[] {
  const squares = new Map<string, number[]>();
  const sides: number[] = [];
  bodies.forEach(({ mesh: { places, triangles } }, owner) => {
    for (const [a, b, c] of triangles) {
      const [[ax, ay, az], [bx, by, bz], [cx, cy, cz]] = [places[a]!, places[b]!, places[c]!];
      // Seen edge-on it hides nothing from above.
      if (Math.abs((bx - ax) * (cy - ay) - (by - ay) * (cx - ax)) < 1e-9) continue;
      const first = sides.push(owner, ax, ay, az, bx, by, bz, cx, cy, cz) - 10;
      const [left, right] = [Math.min(ax, bx, cx), Math.max(ax, bx, cx)];
      const [low, high] = [Math.min(ay, by, cy), Math.max(ay, by, cy)];
      for (let x = Math.floor(left / SQUARE_MM); x * SQUARE_MM <= right; x++)
        for (let y = Math.floor(low / SQUARE_MM); y * SQUARE_MM <= high; y++) {
          const key = `${x} ${y}`;
          const known = squares.get(key);
          if (known === undefined) squares.set(key, [first]);
          else known.push(first);
        }
    }
  });
  return ({ x: atX, y: atY }) => {
    const [x, y] = [atX + BESIDE_MM.x, atY + BESIDE_MM.y];
    const met: [owner: number, mm: number][] = [];
    for (const first of squares.get(`${Math.floor(x / SQUARE_MM)} ${Math.floor(y / SQUARE_MM)}`) ?? []) {
      const mm = heightIn(sides, first + 1, x, y);
      if (mm !== null) met.push([sides[first]!, mm]);
    }
    met.sort((p, q) => p[0] - q[0] || p[1] - q[1]);
    const spans: Span[] = [];
    for (let i = 0; i + 1 < met.length; i++) {
      const [[owner, fromMm], [next, toMm]] = [met[i]!, met[i + 1]!];
      if (owner !== next) continue;
      spans.push({ bodyId: bodies[owner]!.id, fromMm, toMm });
      i += 1;
    }
    return spans.sort((p, q) => p.fromMm - q.fromMm);
  };
}

/** Height of a triangle over a place; null beside it. */
function heightIn(sides: readonly number[], at: number, x: number, y: number): number | null {
  const [ax, ay, az, bx, by, bz, cx, cy, cz] = sides.slice(at, at + 9) as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const whole = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
  const b = ((x - ax) * (cy - ay) - (y - ay) * (cx - ax)) / whole;
  const c = ((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / whole;
  return b < 0 || c < 0 || b + c > 1 ? null : az + b * (bz - az) + c * (cz - az);
}
