import type { Catalogue, LengthStock } from '../../schema';
import { about } from '../estimate';

const WOOD = about(180, 130, 260);
const CARD = about(700, 600, 800);
type Size = readonly [widthMm: number, thicknessMm: number];
const strip = (id: string, [widthMm, thicknessMm]: Size, priceMinor: number): LengthStock => ({
  id,
  name: `Wood strip, ${widthMm} × ${thicknessMm} mm`,
  section: 'strip',
  widthMm,
  thicknessMm,
  boreMm: 0,
  lengthMm: 1_000,
  densityKgPerM3: WOOD,
  priceMinor,
});
type RoundSize = readonly [acrossMm: number, boreMm: number, lengthMm: number];
const round = (id: string, name: string, [acrossMm, boreMm, lengthMm]: RoundSize, priceMinor: number): LengthStock => ({
  id,
  name: `${name}, ${acrossMm} mm`,
  section: boreMm > 0 ? 'tube' : 'rod',
  widthMm: acrossMm,
  thicknessMm: acrossMm,
  boreMm,
  lengthMm,
  densityKgPerM3: boreMm > 0 ? CARD : about(600, 500, 720),
  priceMinor,
});

/** Sold by length: general trade knowledge, prices invented. */
export const lengths: Catalogue['lengths'] = [
  strip('strip-2x2', [2, 2], 45),
  strip('strip-3x3', [3, 3], 55),
  strip('strip-4x4', [4, 4], 70),
  strip('strip-6x6', [6, 6], 110),
  strip('lath-5x2', [5, 2], 65),
  strip('lath-8x2', [8, 2], 85),
  strip('lath-10x3', [10, 3], 120),
  round('skewer-3', 'Bamboo skewer', [3, 0, 300], 8),
  round('dowel-4', 'Dowel', [4, 0, 1_000], 90),
  round('dowel-6', 'Dowel', [6, 0, 1_000], 120),
  round('wire-0-8', 'Craft wire', [0.8, 0, 2_000], 60),
  round('wire-1-2', 'Craft wire', [1.2, 0, 2_000], 80),
  round('tube-6', 'Card tube', [6, 5, 330], 60),
  round('tube-10', 'Card tube', [10, 8, 330], 80),
  round('tube-20', 'Card tube', [20, 17, 500], 110),
  round('tube-40', 'Card tube', [40, 36, 500], 140),
];
