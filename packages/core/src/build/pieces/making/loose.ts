import type { Point, Ring } from '../../../base/geometry';
import type { Mesh, Vec } from '../../shell';

/** Loose stuff as it lies on a piece: a closed surface, drawn and played over what it covers. */
export interface LooseStuff {
  readonly id: string;
  readonly name: string;
  readonly objectId: string;
  readonly mesh: Mesh;
}

/** Rings of as many places each, one over the other, closed below and above; the last may be one place over and over: a tip. */
export function lofted(rings: readonly (readonly Vec[])[]): Mesh {
  const count = rings[0]!.length;
  const places = rings.flat();
  const triangles: (readonly [number, number, number])[] = [];
  rings.slice(1).forEach((_, k) => {
    for (let i = 0; i < count; i++) {
      const [a, b] = [k * count + i, k * count + ((i + 1) % count)];
      triangles.push([a, b, b + count], [a, b + count, a + count]);
    }
  });
  const top = (rings.length - 1) * count;
  for (let i = 2; i < count; i++) triangles.push([0, i, i - 1], [top, top + i - 1, top + i]);
  return { places, triangles: triangles.filter((corners) => !isThin(corners.map((i) => places[i]!))) };
}
/** A ring that closes on itself, as a rim does: each profile the same number of places, one after the other round it. */
export function turned(profile: readonly { readonly outMm: number; readonly upMm: number }[], flats: number): Mesh {
  const count = profile.length;
  const places = Array.from({ length: flats }, (_, i) => {
    const turn = (2 * Math.PI * i) / flats;
    return profile.map(({ outMm, upMm }): Vec => [outMm * Math.cos(turn), outMm * Math.sin(turn), upMm]);
  }).flat();
  const triangles = Array.from({ length: flats }, (_, k) =>
    Array.from({ length: count }, (__, i) => {
      const next = ((k + 1) % flats) * count;
      const [a, b, c, d] = [k * count + i, k * count + ((i + 1) % count), next + ((i + 1) % count), next + i];
      return [[a, c, b] as const, [a, d, c] as const];
    }).flat(),
  ).flat();
  return { places, triangles };
}
const isThin = ([a, b, c]: readonly Vec[]): boolean => isOne(a!, b!) || isOne(b!, c!) || isOne(c!, a!);
const isOne = (a: Vec, b: Vec): boolean => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]) < 1e-9;

/** A mound over a ring: at each share of the way up, how much of the ring is left. @param leftAt of 0 to 1 */
export function moundOver(ring: Ring, [fromMm, toMm]: readonly [number, number], leftAt: (share: number) => number, steps: number): Mesh {
  const middle: Point = {
    x: ring.reduce((sum, { x }) => sum + x, 0) / ring.length,
    y: ring.reduce((sum, { y }) => sum + y, 0) / ring.length,
  };
  return lofted(
    Array.from({ length: steps + 1 }, (_, k) => {
      const left = leftAt(k / steps);
      return ring.map(({ x, y }): Vec => [
        middle.x + (x - middle.x) * left,
        middle.y + (y - middle.y) * left,
        fromMm + ((toMm - fromMm) * k) / steps,
      ]);
    }),
  );
}
/** A straight body along x over a convex outline of y and z, counter-clockwise as one looks back along x. */
export const prism = (outline: readonly (readonly [y: number, z: number])[], fromX: number, toX: number): Mesh =>
  lofted([fromX, toX].map((x) => outline.map(([y, z]): Vec => [x, y, z])));
/** Several closed surfaces as one. */
export function merged(meshes: readonly Mesh[]): Mesh {
  let first = 0;
  const triangles = meshes.flatMap((mesh) => {
    const own = mesh.triangles.map(([a, b, c]) => [a + first, b + first, c + first] as const);
    first += mesh.places.length;
    return own;
  });
  return { places: meshes.flatMap(({ places }) => places), triangles };
}
