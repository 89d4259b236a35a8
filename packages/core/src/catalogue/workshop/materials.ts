import type { Catalogue, Material, Sheet } from '../schema';
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

/** thickness mm, width mm, depth mm, price in minor units */
type Size = readonly [thicknessMm: number, widthMm: number, depthMm: number, priceMinor: number];
const sizes = (materialId: string, list: readonly Size[]): Sheet[] =>
  list.map(([thicknessMm, widthMm, depthMm, priceMinor]) => ({
    id: `${materialId}-${String(thicknessMm).replace('.', '-')}-${widthMm}-${depthMm}`,
    materialId,
    thicknessMm,
    widthMm,
    depthMm,
    priceMinor,
  }));
const foamSizes = (materialId: string, perMmMinor: number): Sheet[] =>
  sizes(
    materialId,
    [10, 20, 30, 40, 50].flatMap((thicknessMm): Size[] => [
      [thicknessMm, 1200, 600, 190 + thicknessMm * perMmMinor],
      [thicknessMm, 1250, 600, 200 + thicknessMm * perMmMinor],
      [thicknessMm, 2400, 1200, 720 + thicknessMm * perMmMinor * 6],
    ]),
  );

/** Stock sizes with invented prices of no particular shop. */
export const sheets: Catalogue['sheets'] = [
  ...foamSizes('xps-foam', 16),
  ...foamSizes('eps-foam', 9),
  ...sizes('foam-board', [
    [5, 1000, 700, 520],
    [5, 760, 510, 340],
    [5, 841, 594, 410],
  ]),
  ...sizes('peeled-foam-board', [
    [5, 1000, 700, 520],
    [5, 760, 510, 340],
  ]),
  ...sizes('mdf', [
    [3, 1220, 610, 540],
    [6, 1220, 610, 860],
    [9, 1220, 610, 1190],
    [12, 1220, 610, 1480],
    [6, 2440, 1220, 2900],
    [9, 2440, 1220, 3900],
    [12, 2440, 1220, 4900],
  ]),
  ...sizes('hardboard', [[3, 1220, 610, 480]]),
  ...sizes('plywood', [
    [4, 1220, 610, 1150],
    [6, 1220, 610, 1480],
    [9, 1220, 610, 1960],
    [6, 1525, 1525, 4200],
  ]),
  ...sizes('particle-board', [
    [10, 1220, 610, 790],
    [12, 1220, 610, 880],
    [16, 1220, 610, 1050],
  ]),
  ...sizes('foamed-pvc', [
    [3, 1000, 500, 920],
    [5, 1000, 500, 1380],
  ]),
  ...sizes('fluted-pp', [[4, 1200, 600, 460]]),
  ...sizes('polystyrene-sheet', [
    [0.5, 330, 200, 160],
    [1, 330, 200, 210],
    [2, 330, 200, 330],
  ]),
  ...sizes('greyboard', [
    [1, 420, 297, 70],
    [2, 420, 297, 110],
    [3, 594, 420, 260],
  ]),
  ...sizes('corrugated-card', [[3, 600, 400, 50]]),
  ...sizes('packing-card', [[0.4, 300, 200, 10]]),
  ...sizes('print-paper', [[0.2, 277, 190, 9]]),
  ...sizes('cork', [
    [2, 900, 600, 690],
    [3, 900, 600, 890],
    [5, 900, 600, 1290],
  ]),
  ...sizes('eva-foam', [
    [2, 297, 210, 90],
    [5, 297, 210, 170],
  ]),
  ...sizes('cotton-cloth', [[0.5, 1400, 1000, 780]]),
  ...sizes('grass-mat', [[4, 1000, 750, 1150]]),
  ...sizes('balsa', [
    [2, 1000, 100, 240],
    [5, 1000, 100, 390],
    [10, 1000, 100, 610],
  ]),
];
