import type { Catalogue, Stuff } from '../schema';
import { about } from './estimate';

const HOUR = 60;
const DAY = 1_440;
const WATER = { name: 'Water', densityGPerMl: 1 };
const acrylic: Omit<Stuff, 'id' | 'name' | 'spread' | 'drying' | 'packsMl'> = { family: 'paint', lossPct: about(10, 5, 20), densityGPerMl: about(1.2, 1.1, 1.3), solidsPct: about(45, 35, 55), minC: 8, recipe: [], potLifeMin: null, cautionIds: [] };
const thin = (touchMin: number, recoat: readonly [number, number, number], cureMin: number): Stuff['drying'] =>
  ({ how: 'water', touchMin, recoatMin: about(...recoat), cureMin, perFilm: null });

/** Wet stuffs, fillings and paints: general trade knowledge, rounded; prices invented. */
export const stuffs: Catalogue['stuffs'] = [
  { id: 'light-filler', name: 'Light filler, ready mixed', family: 'texture', spread: { by: 'film', filmMm: about(1.5, 1, 5), relief: about(1.15, 1, 1.6) }, lossPct: about(10, 5, 20),
    densityGPerMl: about(0.9, 0.8, 1), solidsPct: about(60, 50, 70), drying: { how: 'water', touchMin: 60, recoatMin: about(120, 90, 180), cureMin: DAY, perFilm: { refMm: 2, power: 1.5 } },
    minC: 8, recipe: [], potLifeMin: null, packsMl: [{ amount: 500, priceMinor: 520 }, { amount: 1000, priceMinor: 860 }, { amount: 5000, priceMinor: 2900 }], cautionIds: ['dust'] },
  { id: 'joint-compound', name: 'Joint compound', family: 'texture', spread: { by: 'film', filmMm: about(1.5, 1, 3), relief: about(1.2, 1, 1.6) }, lossPct: about(10, 5, 20),
    densityGPerMl: about(1.65, 1.6, 1.7), solidsPct: about(65, 60, 70), drying: { how: 'water', touchMin: 4 * HOUR, recoatMin: about(10 * HOUR, 8 * HOUR, 14 * HOUR), cureMin: 2 * DAY, perFilm: { refMm: 1, power: 1.2 } },
    minC: 8, recipe: [], potLifeMin: null, packsMl: [{ amount: 1000, priceMinor: 620 }, { amount: 3000, priceMinor: 1390 }, { amount: 10000, priceMinor: 3400 }], cautionIds: ['dust'] },
  { id: 'paper-plaster', name: 'Paper-and-plaster compound', family: 'texture', spread: { by: 'film', filmMm: about(3, 3, 15), relief: about(1.3, 1.1, 1.6) }, lossPct: about(15, 10, 25),
    densityGPerMl: about(1.1, 0.9, 1.3), solidsPct: about(70, 60, 80), drying: { how: 'chemical', touchMin: HOUR, recoatMin: about(30 * HOUR, 20 * HOUR, 48 * HOUR), cureMin: 3 * DAY, perFilm: { refMm: 5, power: 1.5 } },
    minC: 5, recipe: [{ name: 'Powder', parts: 2, densityGPerMl: 0.55 }, { ...WATER, parts: 1 }], potLifeMin: about(15, 8, 30), packsMl: [{ amount: 2000, priceMinor: 1250 }], cautionIds: ['dust'] },
  { id: 'fine-sand', name: 'Fine sand, sprinkled', family: 'texture', spread: { by: 'rate', mlPerM2: about(770, 600, 900) }, lossPct: about(15, 10, 30),
    densityGPerMl: about(1.55, 1.5, 1.65), solidsPct: about(100, 100, 100), drying: thin(10, [30, 20, 60], HOUR), minC: null, recipe: [], potLifeMin: null, packsMl: [{ amount: 1000, priceMinor: 240 }], cautionIds: ['dust'] },
  { id: 'sealing-glue', name: 'Sealing glue, 1 : 4', family: 'sealer', spread: { by: 'rate', mlPerM2: about(300, 200, 400) }, lossPct: about(5, 0, 10),
    densityGPerMl: about(1.02, 1, 1.04), solidsPct: about(10, 8, 12), drying: thin(2 * HOUR, [8 * HOUR, 4 * HOUR, 16 * HOUR], DAY), minC: 8,
    recipe: [{ name: 'White glue', parts: 1, densityGPerMl: 1.08 }, { ...WATER, parts: 4 }], potLifeMin: null, packsMl: [{ amount: 1000, priceMinor: 180 }, { amount: 2500, priceMinor: 390 }], cautionIds: [] },
  { ...acrylic, id: 'craft-acrylic', name: 'Craft acrylic', spread: { by: 'coverage', m2PerL: about(6, 5, 9) }, drying: thin(30, [60, 45, 120], DAY), packsMl: [{ amount: 60, priceMinor: 260 }, { amount: 250, priceMinor: 690 }, { amount: 500, priceMinor: 1090 }] },
  { ...acrylic, id: 'pale-acrylic', name: 'Craft acrylic, pale', spread: { by: 'coverage', m2PerL: about(6, 5, 9) }, drying: thin(30, [60, 45, 120], DAY), packsMl: [{ amount: 60, priceMinor: 260 }, { amount: 250, priceMinor: 690 }] },
  { ...acrylic, id: 'masonry-paint', name: 'Masonry paint, dark', spread: { by: 'coverage', m2PerL: about(5, 4, 6) }, densityGPerMl: about(1.4, 1.3, 1.5), solidsPct: about(60, 50, 65), drying: thin(2 * HOUR, [4 * HOUR, 3 * HOUR, 6 * HOUR], 2 * DAY), packsMl: [{ amount: 250, priceMinor: 450 }, { amount: 1000, priceMinor: 1190 }] },
  { ...acrylic, id: 'glue-paint-skin', name: 'Glue-and-paint skin', spread: { by: 'coverage', m2PerL: about(5, 4, 6) }, drying: thin(2 * HOUR, [6 * HOUR, 4 * HOUR, 8 * HOUR], DAY),
    recipe: [{ name: 'White glue', parts: 1, densityGPerMl: 1.08 }, { name: 'Craft acrylic', parts: 1, densityGPerMl: 1.2 }], packsMl: [{ amount: 500, priceMinor: 690 }] },
  { ...acrylic, id: 'wash', name: 'Wash, 1 in 8', spread: { by: 'coverage', m2PerL: about(11, 9, 13) }, densityGPerMl: about(1.02, 1, 1.04), solidsPct: about(5, 4, 7), drying: thin(HOUR, [2 * HOUR, 90, 3 * HOUR], DAY / 2),
    recipe: [{ name: 'Craft acrylic', parts: 1, densityGPerMl: 1.2 }, { ...WATER, parts: 7 }], packsMl: [{ amount: 100, priceMinor: 190 }, { amount: 400, priceMinor: 520 }] },
  { ...acrylic, id: 'matt-varnish', name: 'Matt varnish', family: 'varnish', spread: { by: 'coverage', m2PerL: about(9, 8, 11) }, densityGPerMl: about(1.05, 1, 1.1), solidsPct: about(35, 30, 40), drying: thin(HOUR, [3 * HOUR, 2 * HOUR, 4 * HOUR], 2 * DAY), packsMl: [{ amount: 250, priceMinor: 790 }] },
  { ...acrylic, id: 'gloss-varnish', name: 'Gloss varnish', family: 'water', spread: { by: 'coverage', m2PerL: about(9, 8, 11) }, densityGPerMl: about(1.05, 1, 1.1), solidsPct: about(35, 30, 40), drying: thin(HOUR, [3 * HOUR, 2 * HOUR, 4 * HOUR], 2 * DAY), packsMl: [{ amount: 250, priceMinor: 790 }] },
  { id: 'casting-epoxy', name: 'Casting epoxy, 1 : 1', family: 'water', spread: { by: 'depth', maxPourMm: 8 }, lossPct: about(8, 5, 15), densityGPerMl: about(1.06, 1.04, 1.1), solidsPct: about(100, 100, 100),
    drying: { how: 'chemical', touchMin: DAY, recoatMin: about(DAY, 12 * HOUR, 36 * HOUR), cureMin: 3 * DAY, perFilm: null }, minC: 15,
    recipe: [{ name: 'Resin', parts: 1, densityGPerMl: 1.14 }, { name: 'Hardener', parts: 1, densityGPerMl: 0.98 }], potLifeMin: about(25, 15, 40), packsMl: [{ amount: 500, priceMinor: 2190 }, { amount: 1000, priceMinor: 3690 }], cautionIds: ['resin'] },
  { id: 'water-gel', name: 'Water gel', family: 'water', spread: { by: 'depth', maxPourMm: 3 }, lossPct: about(20, 15, 25), densityGPerMl: about(1, 1, 1.05), solidsPct: about(45, 40, 50),
    drying: { how: 'water', touchMin: 8 * HOUR, recoatMin: about(DAY, 18 * HOUR, 36 * HOUR), cureMin: 3 * DAY, perFilm: null }, minC: 10, recipe: [], potLifeMin: null, packsMl: [{ amount: 250, priceMinor: 1390 }], cautionIds: [] },
];
