declare module 'cdt2d' {
  /** Triangles of the hull of the points, edges kept as they are. */
  export default function cdt2d(
    points: readonly (readonly [number, number])[],
    edges: readonly (readonly [number, number])[],
    options?: { readonly delaunay?: boolean; readonly exterior?: boolean },
  ): [number, number, number][];
}
