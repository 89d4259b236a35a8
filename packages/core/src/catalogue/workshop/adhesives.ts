import type { Adhesive, Catalogue } from '../schema';
import { about } from './estimate';

const PLAIN = { needsWaterPath: false, rimDry: null, hasSolvent: false, minC: null, spreadMinPerM2: 8, weightsMin: 3, cautionIds: [], remark: '' } satisfies Partial<Adhesive>;
/** Six days to the middle of a 500 mm tile: the square of the half-width. */
const RIM_DRY = { halfWidthMm: 100, min: 1_440 };
const DAY_MIN = 1_440;

/** Adhesives on the faces they hold: general trade knowledge, rounded; prices invented. */
export const adhesives: Catalogue['adhesives'] = [
  { ...PLAIN, id: 'white-glue', name: 'White glue', gPerM2: about(180, 140, 220), openMin: 8, handleMin: about(45, 30, 90), fullMin: DAY_MIN,
    minC: 8, needsWaterPath: true, rimDry: RIM_DRY, packsG: [{ amount: 250, priceMinor: 290 }, { amount: 1000, priceMinor: 790 }],
    remark: 'Under weight overnight; one face must let water through.' },
  { ...PLAIN, id: 'wood-glue', name: 'Wood glue', gPerM2: about(170, 140, 200), openMin: 6, handleMin: about(30, 20, 60), fullMin: DAY_MIN,
    minC: 8, needsWaterPath: true, rimDry: RIM_DRY, packsG: [{ amount: 500, priceMinor: 690 }], remark: '' },
  { ...PLAIN, id: 'hot-melt', name: 'Hot melt, low temperature', gPerM2: about(30, 20, 40), openMin: 0.5, handleMin: about(2, 1, 3), fullMin: 10, weightsMin: 0,
    packsG: [{ amount: 250, priceMinor: 450 }], cautionIds: ['hot'], remark: 'Beads 100 mm apart; can buckle thin skins.' },
  { ...PLAIN, id: 'foam-safe-construction', name: 'Construction adhesive, foam-safe', gPerM2: about(350, 300, 400), openMin: 15, handleMin: about(240, 180, 360), fullMin: 2 * DAY_MIN,
    packsG: [{ amount: 350, priceMinor: 420 }, { amount: 1000, priceMinor: 990 }], remark: 'Combed over the whole face.' },
  { ...PLAIN, id: 'foaming-pu', name: 'Foaming polyurethane', gPerM2: about(160, 120, 200), openMin: 15, handleMin: about(60, 30, 240), fullMin: DAY_MIN,
    packsG: [{ amount: 500, priceMinor: 1150 }], cautionIds: ['sensitiser'], remark: 'Damp one face; must stay under weight.' },
  { ...PLAIN, id: 'contact-water', name: 'Contact adhesive, water-based', gPerM2: about(240, 200, 280), openMin: 30, handleMin: about(30, 20, 60), fullMin: DAY_MIN, minC: 10, weightsMin: 0,
    packsG: [{ amount: 500, priceMinor: 990 }], remark: 'Both faces, 120 g/m² each, dried before they meet: no shifting after.' },
  { ...PLAIN, id: 'spray-foam-safe', name: 'Spray adhesive, foam-safe', gPerM2: about(60, 40, 80), openMin: 5, handleMin: about(5, 2, 10), fullMin: DAY_MIN / 2, weightsMin: 0,
    packsG: [{ amount: 350, priceMinor: 890 }], cautionIds: ['spray'], remark: '' },
  { ...PLAIN, id: 'superglue', name: 'Superglue', gPerM2: about(20, 10, 30), openMin: 0.3, handleMin: about(1, 0.5, 2), fullMin: DAY_MIN / 2, hasSolvent: true, weightsMin: 0,
    packsG: [{ amount: 20, priceMinor: 350 }], remark: 'Drops; eats bare polystyrene foam.' },
  { ...PLAIN, id: 'epoxy-5-min', name: 'Two-part epoxy, 5 min', gPerM2: about(200, 150, 300), openMin: 4, handleMin: about(20, 15, 40), fullMin: DAY_MIN,
    packsG: [{ amount: 100, priceMinor: 790 }], cautionIds: ['sensitiser'], remark: '' },
];
