import type { Vec } from '../../shell';

/** A place by name: two that are nearer than a tenth of a thousandth of a mm have one. */
export const placeKey = (vec: Vec): string => vec.map((one) => Math.round(one * 1e4)).join(' ');

/** Edges end to end in closed rings. */
export function chained(edges: readonly (readonly [Vec, Vec])[]): Vec[][] {
  const next = new Map(edges.map(([from, to]) => [placeKey(from), to]));
  const rings: Vec[][] = [];
  for (const [start] of edges) {
    const ring: Vec[] = [];
    for (let at: Vec | undefined = start; at !== undefined && next.has(placeKey(at));) {
      ring.push(at);
      const to: Vec = next.get(placeKey(at))!;
      next.delete(placeKey(at));
      at = to;
    }
    if (ring.length > 2) rings.push(ring);
  }
  return rings;
}
