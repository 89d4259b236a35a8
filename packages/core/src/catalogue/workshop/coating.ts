import type { Coating } from '../schema';
import { about } from './estimate';

export const HOUR = 60;
type Range = readonly [number, number, number];

/** What most coatings have in common; each says what differs. */
const PLAIN: Omit<Coating, 'id' | 'name' | 'family' | 'spread' | 'drying'> = {
  lossPct: about(10, 5, 20),
  densityGPerMl: about(1.2, 1.1, 1.3),
  solidsPct: about(45, 35, 55),
  minC: null,
  recipe: null,
  potLifeMin: null,
  workableMin: null,
  sold: { by: 'ml', packs: [] },
  cautionIds: [],
  hasSolvent: false,
  wets: false,
  seals: false,
  staysBare: false,
  grainMm: null,
  finerId: null,
  tended: null,
  look: { hex: null, hides: 1, gloss: 0 },
  pull: null,
};
export const coating = (one: Pick<Coating, 'id' | 'name' | 'family' | 'spread' | 'drying'> & Partial<Coating>): Coating => ({
  ...PLAIN,
  ...one,
});

/** Drying of a film that is always thin. */
export const thin = (touchMin: number, recoat: Range, cureMin: number): Coating['drying'] => ({
  how: 'water',
  touchMin,
  recoatMin: about(...recoat),
  throughMin: null,
  again: null,
  cureMin,
  perFilm: null,
  speedPer10C: 1,
});
/** What needs no time of its own: it dries with what holds it. */
export const AT_ONCE = thin(1, [1, 1, 1], 1);

/** Packs by amount and price in minor units. */
export const packs = (by: Coating['sold']['by'], ...sizes: (readonly [number, number])[]): Coating['sold'] => ({
  by,
  packs: sizes.map(([amount, priceMinor]) => ({ amount, priceMinor })),
});
/** Mixed of stuffs by volume. */
export const mixed = (...parts: (readonly [string, number])[]): NonNullable<Coating['recipe']> => ({
  by: 'volume',
  parts: parts.map(([stuffId, share]) => ({ stuffId, parts: share })),
  tintDropsPer100Ml: 0,
});
