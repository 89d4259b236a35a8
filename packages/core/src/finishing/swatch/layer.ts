import { borrowedTones } from './buffers';
import { FULL_COAT, type Mask } from './masks';

/** Steps in which a colour is kept, dark ones closer together, and steps of thickness of a layer. */
export const TONES = 512;
const THICKS = 48;
/** The thickest layer of one step, in full coats. */
const MAX_THICK = 1.5;

/** Reflectance of a kept tone, 0 to 1. */
export const reflectanceOf = (tone: number): number => (tone / (TONES - 1)) ** 2;
export const toneOf = (reflectance: number): number => Math.round(Math.sqrt(Math.max(0, Math.min(1, reflectance))) * (TONES - 1));

/** sRGB of a hex colour as reflectances, red, green, blue. @source IEC 61966-2-1 */
export function reflectances(hex: string): readonly [number, number, number] {
  const of = (at: number): number => {
    const c = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  };
  return [of(1), of(3), of(5)];
}

/** What a layer of paint makes of what is under it: one table for each of red, green and blue, by thickness and by the tone under it. */
export interface Layer {
  readonly tables: readonly [Uint16Array, Uint16Array, Uint16Array];
}

/**
 * A layer over any ground by Kubelka and Munk: R = (1 − Rg·(a − b·coth bSX)) / (a − Rg + b·coth bSX), with K/S from the colour of the layer where it is thick.
 * @param hides share of the difference between black and white that a full coat covers, 0 to 1; @param strength a thinned coat holds less
 * @source Kubelka, "New contributions to the optics of intensely light-scattering materials", 1948
 */
export function layerOf(hex: string, hides: number, strength: number): Layer {
  const colours = reflectances(hex).map((r) => Math.max(0.004, Math.min(0.996, r)));
  // By the green, which carries most of the lightness: SX of a full coat.
  const fullSx = sxThatHides(hides, colours[1]!);
  const tables = colours.map((own): Uint16Array => {
    const { a, b } = inner(own);
    const table = new Uint16Array(THICKS * TONES);
    for (let t = 0; t < THICKS; t++) {
      const sx = (t / (THICKS - 1)) * MAX_THICK * fullSx * strength;
      if (sx < 1e-6) {
        for (let tone = 0; tone < TONES; tone++) table[t * TONES + tone] = tone;
        continue;
      }
      const bcoth = b / Math.tanh(Math.max(1e-9, b * sx));
      for (let tone = 0; tone < TONES; tone++) table[t * TONES + tone] = toneOf(over(reflectanceOf(tone), a, bcoth));
    }
    return table;
  }) as [Uint16Array, Uint16Array, Uint16Array];
  return { tables };
}

/** Kubelka and Munk's a and b of a colour where it is thick: K/S = (1 − R)² / 2R, a = 1 + K/S, b = √(a² − 1). */
function inner(own: number): { readonly a: number; readonly b: number } {
  const a = 1 + (1 - own) ** 2 / (2 * own);
  return { a, b: Math.sqrt(a * a - 1) };
}
const over = (rg: number, a: number, bcoth: number): number => (1 - rg * (a - bcoth)) / (a - rg + bcoth);

/** A coat that hides all stands for a thick one. */
const THICK_SX = 8;
/** SX at which a layer takes so much of the difference between white and black under it; found by halving. */
function sxThatHides(hides: number, own: number): number {
  if (hides >= 0.995) return THICK_SX;
  const { a, b } = inner(own);
  let [low, high] = [0, THICK_SX];
  for (let i = 0; i < 30; i++) {
    const sx = (low + high) / 2;
    const bcoth = b / Math.tanh(Math.max(1e-9, b * sx));
    if (1 - (over(1, a, bcoth) - over(0, a, bcoth)) < hides) low = sx;
    else high = sx;
  }
  return (low + high) / 2;
}

/** A surface's colours: red, green and blue tone of each cell side by side in one number, so that one pass lays a coat. */
export type Tones = Uint32Array;
const TONE_BITS = 9;
const LOW = TONES - 1;
export const redOf = (tones: number): number => tones & LOW;
export const greenOf = (tones: number): number => (tones >>> TONE_BITS) & LOW;
export const blueOf = (tones: number): number => tones >>> (2 * TONE_BITS);
const packed = (r: number, g: number, b: number): number => r | (g << TONE_BITS) | (b << (2 * TONE_BITS));

export function flatTones(hex: string, size: number): Tones {
  const [r, g, b] = reflectances(hex).map(toneOf) as [number, number, number];
  return new Uint32Array(size).fill(packed(r, g, b));
}

/** Where the table of a layer begins for each share of a mask. */
const TABLE_AT = Uint32Array.from(
  { length: 256 },
  (_, share) => Math.min(THICKS - 1, Math.round(((share / FULL_COAT) * (THICKS - 1)) / MAX_THICK)) * TONES,
);

/** Lays a layer on, as thick at each cell as the mask says. */
export function laidOver(under: Tones, { tables: [red, green, blue] }: Layer, mask: Mask): Tones {
  const over = under.length === FULL_SIZE ? borrowedTones() : new Uint32Array(under.length);
  const size = under.length;
  const { cells } = mask;
  if (cells === null) {
    const at = TABLE_AT[mask.share]!;
    // Plain ground under a coat that is as thick everywhere: what was the cell before comes out the same.
    let [before, after] = [-1, 0];
    for (let i = 0; i < size; i++) {
      const own = under[i]!;
      if (own !== before) {
        before = own;
        after = packed(red[at + redOf(own)]!, green[at + greenOf(own)]!, blue[at + blueOf(own)]!);
      }
      over[i] = after;
    }
    return over;
  }
  for (let i = 0; i < size; i++) {
    const at = TABLE_AT[cells[i]!]!;
    const own = under[i]!;
    over[i] = packed(red[at + redOf(own)]!, green[at + greenOf(own)]!, blue[at + blueOf(own)]!);
  }
  return over;
}
const FULL_SIZE = 512 * 512;
