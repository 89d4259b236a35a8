import { DAY_MIN } from '../../base/units';
import type { Coating } from '../schema';
import { HOUR, coating, packs, thin } from './coating';
import { about } from './estimate';

const resin = (
  id: string,
  name: string,
  {
    by,
    ratio,
    tint,
    ...seen
  }: {
    readonly by: 'volume' | 'mass';
    readonly ratio: readonly [number, number];
    readonly tint: number;
    readonly hex: string;
    readonly hides: number;
  },
): Coating =>
  coating({
    id,
    name,
    family: 'water',
    spread: { by: 'depth', maxPourMm: 8 },
    lossPct: about(8, 5, 15),
    densityGPerMl: about(1.06, 1.04, 1.1),
    solidsPct: about(100),
    drying: {
      how: 'chemical',
      touchMin: DAY_MIN,
      recoatMin: about(DAY_MIN, 12 * HOUR, 36 * HOUR),
      throughMin: null,
      again: null,
      cureMin: 3 * DAY_MIN,
      perFilm: null,
      speedPer10C: 2,
    },
    minC: 15,
    recipe: {
      by,
      parts: [
        { stuffId: 'resin', parts: ratio[0] },
        { stuffId: 'hardener', parts: ratio[1] },
      ],
      tintDropsPer100Ml: tint,
    },
    potLifeMin: about(25, 15, 40),
    workableMin: about(240, 120, 360),
    cautionIds: ['resin'],
    staysBare: true,
    tended: { what: 'Warm the bubbles out', everyMin: 5, takesMin: 2, forMin: 10 },
    look: { ...seen, gloss: 1 },
  });

/** What stands for water: poured by depth, laid on in coats, or in layers of gel; prices invented. */
export const waters: readonly Coating[] = [
  resin('casting-epoxy', 'Casting epoxy, 1 : 1', { by: 'volume', ratio: [1, 1], tint: 0, hex: '#dfe8e2', hides: 0.05 }),
  resin('tinted-epoxy', 'Casting epoxy, 2 : 1, tinted', { by: 'volume', ratio: [2, 1], tint: 6, hex: '#5a6748', hides: 0.6 }),
  resin('weighed-epoxy', 'Casting epoxy, 100 : 45 weighed', { by: 'mass', ratio: [100, 45], tint: 2, hex: '#b9c9bd', hides: 0.2 }),
  coating({
    id: 'water-gel',
    name: 'Water gel',
    family: 'water',
    spread: { by: 'depth', maxPourMm: 3 },
    lossPct: about(20, 15, 25),
    densityGPerMl: about(1, 1, 1.05),
    solidsPct: about(45, 40, 50),
    drying: thin(8 * HOUR, [DAY_MIN, 18 * HOUR, 36 * HOUR], 3 * DAY_MIN),
    minC: 10,
    sold: packs('ml', [250, 1390]),
    wets: true,
    staysBare: true,
    look: { hex: '#e3eae4', hides: 0.1, gloss: 0.9 },
  }),
  coating({
    id: 'gloss-varnish',
    name: 'Gloss varnish',
    family: 'water',
    spread: { by: 'coverage', m2PerL: about(9, 8, 11) },
    densityGPerMl: about(1.05, 1, 1.1),
    solidsPct: about(35, 30, 40),
    drying: thin(HOUR, [3 * HOUR, 2 * HOUR, 4 * HOUR], 2 * DAY_MIN),
    minC: 8,
    sold: packs('ml', [250, 790]),
    wets: true,
    staysBare: true,
    look: { hex: null, hides: 0, gloss: 0.9 },
  }),
  coating({
    id: 'lamp-resin',
    name: 'Ultraviolet resin',
    family: 'water',
    spread: { by: 'depth', maxPourMm: 2 },
    lossPct: about(5, 2, 10),
    densityGPerMl: about(1.12),
    solidsPct: about(100),
    drying: { ...thin(2, [3, 2, 5], 30), how: 'chemical' },
    sold: packs('ml', [100, 1490]),
    cautionIds: ['resin'],
    staysBare: true,
    look: { hex: '#e4ece6', hides: 0.05, gloss: 1 },
  }),
];
