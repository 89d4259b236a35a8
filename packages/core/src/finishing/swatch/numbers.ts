import { differenceOf, seen } from '../paint';
import { TONES, type Tones, blueOf, greenOf, redOf, reflectanceOf } from './layer';

/** What a surface comes to in figures. */
export interface SwatchNumbers {
  /** Between its darkest and its lightest tenths of a tenth: P95 − P5 of L*. */
  readonly spread: number;
  /** Mean L*, 0 black to 100 white. */
  readonly lightness: number;
  readonly chroma: number;
  readonly meanHex: string;
  /** How different its mean is from the bases of the figures, ΔE of CIEDE2000. */
  readonly fromBases: number;
}

/** Luminance of each kept tone by its share of white. @source sRGB primaries, IEC 61966-2-1 */
const [RED, GREEN, BLUE] = [0.2126, 0.7152, 0.0722];
const SHARE = Float32Array.from({ length: TONES }, (_, tone) => reflectanceOf(tone));

/** Lightness L* of a share of white. @source CIE 1976 */
export const lightnessOf = (share: number): number => (share > 0.008856 ? 116 * Math.cbrt(share) - 16 : 903.3 * share);

/** Figures of a surface in even light, dry. @param baseHex of the figures' bases */
export function numbersOf(tones: Tones, baseHex: string): SwatchNumbers {
  const BINS = 1_000;
  const counts = new Uint32Array(BINS + 1);
  let [red, green, blue] = [0, 0, 0];
  for (let i = 0; i < tones.length; i++) {
    const own = tones[i]!;
    const x = SHARE[redOf(own)]!;
    const y = SHARE[greenOf(own)]!;
    const z = SHARE[blueOf(own)]!;
    red += x;
    green += y;
    blue += z;
    // By the share of white: cube roots are taken of a thousand steps, not of every cell.
    counts[(Math.sqrt(RED * x + GREEN * y + BLUE * z) * BINS) | 0]!++;
  }
  const lightnessAt = (bin: number): number => lightnessOf(((bin + 0.5) / BINS) ** 2);
  const at = (share: number): number => {
    let left = share * tones.length;
    for (let bin = 0; bin <= BINS; bin++) if ((left -= counts[bin]!) <= 0) return lightnessAt(bin);
    return 100;
  };
  let mean = 0;
  counts.forEach((count, bin) => (mean += count * lightnessAt(bin)));
  const meanHex = hexOf([red / tones.length, green / tones.length, blue / tones.length]);
  return {
    spread: at(0.95) - at(0.05),
    lightness: mean / tones.length,
    chroma: seen(meanHex).chroma,
    meanHex,
    fromBases: differenceOf(meanHex, baseHex),
  };
}

/** A hex colour of reflectances. @source IEC 61966-2-1 */
export function hexOf(shares: readonly [number, number, number]): string {
  return `#${shares
    .map((share) =>
      Math.round(encoded(share) * 255)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}
export const encoded = (share: number): number => {
  const c = Math.max(0, Math.min(1, share));
  return c <= 0.0031308 ? 12.92 * c : 1.055 * c ** (1 / 2.4) - 0.055;
};
