import type { Catalogue } from '../../schema';
import { about } from '../estimate';

/** Stuff that is heaped, pressed or modelled, bought by the millilitre; prices invented. */
export const fills: Catalogue['fills'] = [
  {
    id: 'broken-plaster',
    name: 'Broken plaster, coarse',
    densityGPerMl: about(0.9, 0.7, 1.1),
    shrinksPct: about(0),
    packsMl: [pack(500, 320), pack(2_000, 980)],
  },
  {
    id: 'small-stones',
    name: 'Stones of 6 to 8 mm',
    densityGPerMl: about(1.5, 1.4, 1.7),
    shrinksPct: about(0),
    packsMl: [pack(400, 290), pack(1_500, 840)],
  },
  {
    id: 'sand-and-grout',
    name: 'Sand with grout, fine',
    densityGPerMl: about(1.6, 1.4, 1.7),
    shrinksPct: about(0),
    packsMl: [pack(500, 240), pack(3_000, 890)],
  },
  {
    id: 'air-clay',
    name: 'Air-drying clay',
    densityGPerMl: about(1.7, 1.5, 1.8),
    shrinksPct: about(7, 4, 10),
    packsMl: [pack(290, 420), pack(580, 760)],
  },
  {
    id: 'dark-soil',
    name: 'Sieved soil, baked dry',
    densityGPerMl: about(1.1, 0.9, 1.3),
    shrinksPct: about(0),
    packsMl: [pack(1_000, 180)],
  },
  {
    id: 'hedge-foam',
    name: 'Coarse foam flock',
    densityGPerMl: about(0.08, 0.05, 0.12),
    shrinksPct: about(0),
    packsMl: [pack(500, 490), pack(1_500, 1_190)],
  },
];

function pack(amount: number, priceMinor: number): { readonly amount: number; readonly priceMinor: number } {
  return { amount, priceMinor };
}
