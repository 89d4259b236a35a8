import type { Catalogue, Material } from '../schema';
import { about } from './estimate';

type Density = readonly [value: number, low: number, high: number];
type Rest = Omit<Material, 'id' | 'name' | 'densityKgPerM3' | 'youngMPa' | 'swellingPct' | 'isOneWay' | 'remark'> & {
  readonly isOneWay?: true;
};
/** Density in kg/m³, stiffness in MPa and swelling in %. */
type Measures = readonly [density: Density, young: Density, swelling: Density];
const material = (id: string, name: string, [density, young, swelling]: Measures, rest: Rest, remark: string): Material => ({
  id,
  name,
  densityKgPerM3: about(...density),
  youngMPa: about(...young),
  swellingPct: about(...swelling),
  isOneWay: false,
  ...rest,
  remark,
});

const FOAM: Rest = {
  hatch: 'stipple',
  waterPassage: 'no',
  isHurtBySolvent: true,
  uses: ['ground', 'facing', 'piece'],
  toolIds: ['knife', 'hot-wire'],
  edgeLifeM: 8,
  grip: 'smooth',
  hasGrain: true,
  scoreMm: 3,
  passMm: 9,
};
const WOOD: Rest = {
  hatch: 'fibre',
  waterPassage: 'yes',
  isHurtBySolvent: false,
  uses: ['substrate'],
  toolIds: ['saw', 'shop'],
  edgeLifeM: 20,
  grip: 'open',
  hasGrain: false,
  scoreMm: 0,
  passMm: 25,
};
const CARD: Rest = {
  hatch: 'grain',
  waterPassage: 'yes',
  isHurtBySolvent: false,
  uses: ['facing', 'piece'],
  toolIds: ['knife'],
  edgeLifeM: 3,
  grip: 'open',
  hasGrain: false,
  scoreMm: 0.6,
  passMm: 0.6,
};
const PLASTIC: Rest = {
  hatch: 'solid',
  waterPassage: 'no',
  isHurtBySolvent: false,
  uses: ['substrate', 'facing', 'piece'],
  toolIds: ['knife', 'saw'],
  edgeLifeM: 6,
  grip: 'smooth',
  hasGrain: false,
  scoreMm: 1,
  passMm: 1,
};

/** Sheets and boards: general trade knowledge, rounded. */
export const materials: Catalogue['materials'] = [
  material(
    'xps-foam',
    'XPS insulation foam',
    [
      [33, 28, 38],
      [15, 8, 25],
      [0, 0, 0],
    ],
    FOAM,
    'Cleanest cuts; heat and solvent melt it.',
  ),
  material(
    'thin-foam',
    'Fine foam sheet',
    [
      [40, 32, 50],
      [12, 6, 20],
      [0, 0, 0],
    ],
    { ...FOAM, uses: ['facing', 'piece'], toolIds: ['knife'], scoreMm: 2, passMm: 6 },
    'Fine grain, takes a pencil line; dents at a touch.',
  ),
  material(
    'eps-foam',
    'EPS insulation foam',
    [
      [18, 13, 25],
      [6, 3, 10],
      [0, 0, 0],
    ],
    { ...FOAM, hatch: 'beads', waterPassage: 'slowly' },
    'The beads show; needs a skim coat.',
  ),
  material(
    'foam-board',
    'Foam board, faces on',
    [
      [110, 90, 130],
      [250, 150, 400],
      [0.3, 0.2, 0.4],
    ],
    { ...FOAM, waterPassage: 'yes', grip: 'open', hasGrain: false, toolIds: ['knife'], edgeLifeM: 6, scoreMm: 1, passMm: 2 },
    'Bows when one face gets wet.',
  ),
  material(
    'peeled-foam-board',
    'Foam board, faces peeled',
    [
      [45, 30, 60],
      [12, 8, 16],
      [0, 0, 0],
    ],
    FOAM,
    'Takes texture well; the rim is fragile.',
  ),
  material(
    'mdf',
    'MDF',
    [
      [750, 700, 800],
      [3000, 2500, 4000],
      [0.3, 0.2, 0.4],
    ],
    WOOD,
    'Seal both faces and the rim.',
  ),
  material(
    'hardboard',
    'Hardboard',
    [
      [950, 900, 1000],
      [4000, 3000, 5000],
      [0.3, 0.2, 0.4],
    ],
    WOOD,
    'Seal both faces.',
  ),
  material(
    'plywood',
    'Plywood',
    [
      [650, 550, 720],
      [8000, 4500, 8000],
      [0.15, 0.1, 0.2],
    ],
    { ...WOOD, hatch: 'grain', hasGrain: true },
    'Flattest of the woods.',
  ),
  material(
    'particle-board',
    'Particle board',
    [
      [670, 620, 720],
      [2500, 2000, 3000],
      [0.33, 0.25, 0.4],
    ],
    WOOD,
    'Heavy, crumbly rim.',
  ),
  material(
    'foamed-pvc',
    'Foamed PVC',
    [
      [580, 500, 680],
      [1200, 900, 1500],
      [0, 0, 0],
    ],
    PLASTIC,
    'Stays flat when wetted.',
  ),
  material(
    'fluted-pp',
    'Fluted polypropylene',
    [
      [170, 150, 190],
      [900, 200, 900],
      [0, 0, 0],
    ],
    { ...PLASTIC, hatch: 'flutes', grip: 'waxy', hasGrain: true, uses: ['substrate', 'ground', 'piece'], passMm: 4 },
    'Turn the flutes layer by layer; roughen for white glue.',
  ),
  material(
    'polystyrene-sheet',
    'Polystyrene plastic',
    [
      [1050, 1040, 1060],
      [2300, 2000, 2600],
      [0, 0, 0],
    ],
    { ...PLASTIC, isHurtBySolvent: true, uses: ['facing', 'piece'] },
    'Solvent cement.',
  ),
  material(
    'clear-sheet',
    'Clear plastic sheet',
    [
      [1270, 1200, 1380],
      [2400, 2000, 2900],
      [0, 0, 0],
    ],
    { ...PLASTIC, isHurtBySolvent: true },
    'Scratches: leave the film on until it is built in. Superglue fogs it.',
  ),
  material(
    'greyboard',
    'Greyboard',
    [
      [630, 600, 680],
      [2500, 2000, 3000],
      [0.4, 0.3, 0.5],
    ],
    CARD,
    '',
  ),
  material(
    'corrugated-card',
    'Corrugated card',
    [
      [150, 120, 180],
      [300, 200, 400],
      [0.5, 0.4, 0.6],
    ],
    { ...CARD, hatch: 'flutes', hasGrain: true, edgeLifeM: 6, uses: ['ground', 'facing', 'piece'], passMm: 3 },
    'From boxes.',
  ),
  material(
    'packing-card',
    'Thin packing card',
    [
      [800, 750, 850],
      [3000, 2500, 3500],
      [0.4, 0.3, 0.5],
    ],
    CARD,
    'From boxes.',
  ),
  material(
    'print-paper',
    'Heavy paper, printed',
    [
      [800, 750, 900],
      [3000, 2500, 3500],
      [0.6, 0.4, 0.8],
    ],
    { ...CARD, uses: ['piece'] },
    'A4; the printer margins are already subtracted.',
  ),
  material(
    'cork',
    'Cork sheet',
    [
      [210, 180, 250],
      [20, 10, 30],
      [0.1, 0.05, 0.15],
    ],
    { ...CARD, hatch: 'beads', waterPassage: 'slowly', edgeLifeM: 6, uses: ['ground', 'facing', 'piece'], passMm: 2 },
    '',
  ),
  material(
    'eva-foam',
    'EVA craft foam',
    [
      [140, 100, 200],
      [5, 3, 8],
      [0, 0, 0],
    ],
    { ...FOAM, isHurtBySolvent: false, toolIds: ['knife'], uses: ['facing', 'piece'] },
    'Seal before paint.',
  ),
  material(
    'balsa',
    'Balsa',
    [
      [160, 110, 220],
      [3000, 2000, 4000],
      [0.2, 0.1, 0.3],
    ],
    { ...CARD, hasGrain: true, edgeLifeM: 6, uses: ['piece'], passMm: 2 },
    '',
  ),
  material(
    'cotton-cloth',
    'Cotton cloth',
    [
      [400, 300, 500],
      [20, 5, 60],
      [0.3, 0.1, 0.5],
    ],
    { ...CARD, hatch: 'grain', hasGrain: true, edgeLifeM: 10, uses: ['facing'], scoreMm: 0, passMm: 1 },
    'Smooth it from the middle; it shrinks as the glue dries.',
  ),
  material(
    'grass-mat',
    'Grass mat',
    [
      [120, 90, 160],
      [2, 1, 5],
      [0.2, 0.1, 0.4],
    ],
    { ...CARD, hatch: 'grain', hasGrain: true, isOneWay: true, edgeLifeM: 6, uses: ['facing'], scoreMm: 0, passMm: 4 },
    'The fibres lean one way: lay all pieces in the same direction. Weigh down while gluing.',
  ),
];
