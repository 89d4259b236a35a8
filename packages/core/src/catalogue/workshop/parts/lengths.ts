import type { Catalogue, LengthStock } from '../../schema';
import { about } from '../estimate';

const WOOD = about(180, 130, 260);
const CARD = about(700, 600, 800);
const METAL: LengthStock['face'] = { grip: 'smooth', passesWater: false, isHurtBySolvent: false };
type Size = readonly [widthMm: number, thicknessMm: number];
const strip = (
  id: string,
  [widthMm, thicknessMm]: Size,
  priceMinor: number,
  { name = 'Wood strip', lengthMm = 1_000 }: { readonly name?: string; readonly lengthMm?: number } = {},
): LengthStock => ({
  id,
  name: `${name}, ${widthMm} × ${thicknessMm} mm`,
  section: 'strip',
  widthMm,
  thicknessMm,
  boreMm: 0,
  lengthMm,
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
  strip('strip-3x2', [3, 2], 50),
  strip('strip-5x5', [5, 5], 90),
  strip('strip-6x6', [6, 6], 110),
  strip('strip-10x10', [10, 10], 180),
  strip('lath-5x2', [5, 2], 65),
  strip('lath-8x2', [8, 2], 85),
  strip('lath-10x3', [10, 3], 120),
  strip('moulding-20x10', [20, 10], 320, { name: 'Moulding for rims', lengthMm: 2_400 }),
  strip('moulding-30x10', [30, 10], 420, { name: 'Moulding for rims', lengthMm: 2_400 }),
  strip('lolly-stick', [10, 2], 3, { name: 'Lolly stick', lengthMm: 114 }),
  strip('match', [2.2, 2.2], 2, { name: 'Match without head', lengthMm: 43 }),
  round('cocktail-stick', 'Cocktail stick', [2, 0, 65], 2),
  round('skewer-3', 'Bamboo skewer', [3, 0, 300], 8),
  round('skewer-4', 'Bamboo skewer', [4, 0, 300], 10),
  round('dowel-3', 'Dowel', [3, 0, 1_000], 80),
  round('dowel-4', 'Dowel', [4, 0, 1_000], 90),
  round('dowel-6', 'Dowel', [6, 0, 1_000], 120),
  round('dowel-8', 'Dowel', [8, 0, 1_000], 150),
  round('dowel-10', 'Dowel', [10, 0, 1_000], 190),
  round('dowel-12', 'Dowel', [12, 0, 1_000], 230),
  { ...round('wire-0-8', 'Craft wire', [0.8, 0, 2_000], 60), face: METAL },
  { ...round('wire-1-2', 'Craft wire', [1.2, 0, 2_000], 80), face: METAL },
  round('straw-5', 'Paper straw', [5, 4.4, 200], 4),
  round('straw-6', 'Paper straw', [6, 5.2, 200], 4),
  round('straw-8', 'Paper straw', [8, 7.2, 200], 6),
  round('tube-6', 'Card tube', [6, 5, 330], 60),
  round('tube-10', 'Card tube', [10, 8, 330], 80),
  round('tube-20', 'Card tube', [20, 17, 500], 110),
  round('tube-40', 'Card tube', [40, 36, 500], 140),
];
