declare module 'clean-pslg' {
  /** Splits edges where they cross or touch, in place, until none do. */
  export default function cleanPSLG(points: [number, number][], edges: [number, number][]): boolean;
}
declare module 'cdt2d' {
  /** Triangles of the hull of the points, edges kept as they are. */
  export default function cdt2d(
    points: readonly (readonly [number, number])[],
    edges: readonly (readonly [number, number])[],
    options?: { readonly delaunay?: boolean; readonly exterior?: boolean },
  ): [number, number, number][];
}
