import { converter, differenceCiede2000 } from 'culori';

const lab = converter('lab65');
const ciede2000 = differenceCiede2000();

/** A colour as eyes order it: lightness 0 to 100, and how far it is from grey. */
export interface Seen {
  readonly lightness: number;
  readonly chroma: number;
}
/** @param hex `#7a6f52` */
export function seen(hex: string): Seen {
  const { l, a, b } = lab(hex)!;
  return { lightness: l, chroma: Math.hypot(a, b) };
}
/** How different two colours look, ΔE of CIEDE2000: 1 is just seen side by side, 10 at a glance. */
export const differenceOf = (a: string, b: string): number => ciede2000(a, b);
