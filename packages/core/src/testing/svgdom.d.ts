declare module 'svgdom' {
  interface SvgElement {
    innerHTML: string;
    readonly textContent: string;
    getAttribute(name: string): string;
  }
  /** A window good enough for drawing SVG without a browser. */
  export function createSVGWindow(): {
    readonly document: {
      readonly documentElement: SvgElement;
      querySelector(selector: string): SvgElement;
      querySelectorAll(selector: string): Iterable<SvgElement>;
    };
  };
}
