declare module 'svgdom' {
  /** A window good enough for drawing SVG without a browser. */
  export function createSVGWindow(): { readonly document: { readonly documentElement: unknown } };
}
