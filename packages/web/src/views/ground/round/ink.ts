import { Color } from 'three';

/** The look's colours, for what is not drawn by the page's own style. */
export interface Ink {
  readonly css: (name: string) => string;
  readonly colour: (name: string) => Color;
}

export function inkOf(element: Element): Ink {
  const style = getComputedStyle(element);
  const css = (name: string): string => style.getPropertyValue(name).trim();
  return { css, colour: (name) => new Color(css(name)) };
}
