import type { Catalogue } from '../catalogue';
import type { Feature } from '../plan/features';
import { pieceMaker } from './pieces';
import { type Piece, type Plan, newPlan } from '../plan';
import { a, basin, box, mound, path, round, strip } from './drawing';

const pan = (id: string, name: string, place: Parameters<typeof box>): Feature => basin(id, name, box(...place), 5, 2);

/** Pans, the settling basin and the channel that feeds them. */
const pans = (): readonly Feature[] => [
  pan('pan-1', 'Long pan', [60, 60, 300, 190]),
  pan('pan-2', 'Second pan', [60, 285, 300, 130]),
  pan('pan-3', 'Narrow pan', [410, 60, 230, 190]),
  pan('pan-4', 'Corner pan', [60, 640, 240, 290]),
  pan('pan-5', 'Finishing pan', [340, 640, 200, 290]),
  pan('pan-6', 'East pan', [1120, 560, 310, 150]),
  basin('settling', 'Settling basin', box(1120, 760, 310, 170), 22, 8),
  basin(
    'channel',
    'Brine channel',
    strip(
      [
        [958, 0],
        [958, 200],
        [790, 460],
        [400, 520],
        [0, 540],
      ],
      62,
      140,
    ),
    10,
    5,
  ),
];
/** The causeway on its two levels, with its ramps. */
const causeways = (): readonly Feature[] => [
  mound(
    'causeway',
    'Causeway',
    strip(
      [
        [1500, 430],
        [960, 430],
        [700, 700],
        [700, 1000],
      ],
      110,
      120,
    ),
    20,
  ),
  mound(
    'causeway-top',
    'Upper causeway',
    strip(
      [
        [1500, 430],
        [1120, 430],
      ],
      70,
    ),
    40,
  ),
  a('ramp', 'causeway-ramp', 'Causeway ramp', {
    shape: strip(
      [
        [1020, 430],
        [1120, 430],
      ],
      70,
    ),
    fromMm: 20,
    toMm: 40,
  }),
  a('ramp', 'pan-ramp', 'Pan ramp', {
    shape: strip(
      [
        [548, 960],
        [645, 960],
      ],
      50,
    ),
    fromMm: 0,
    toMm: 20,
  }),
];
/** What is built on, and the ways up. */
const mounds = (): readonly Feature[] => [
  mound('mound', 'Boiling house mound', box(1090, 80, 320, 220), 20),
  a('ramp', 'mound-ramp', 'Mound ramp', {
    shape: strip(
      [
        [1006, 262],
        [1090, 262],
      ],
      44,
    ),
    fromMm: 0,
    toMm: 20,
  }),
  mound('windpump', 'Windpump mound', round(900, 790, 90), 30),
  a('ramp', 'windpump-ramp', 'Windpump ramp', {
    shape: strip(
      [
        [1112, 790],
        [985, 790],
      ],
      40,
    ),
    fromMm: 0,
    toMm: 30,
  }),
  a('ramp', 'east-ramp', 'East ramp', {
    shape: strip(
      [
        [975, 600],
        [975, 468],
      ],
      40,
    ),
    fromMm: 0,
    toMm: 20,
  }),
  a('ramp', 'cart-ramp', 'Cart ramp', {
    shape: strip(
      [
        [1285, 353],
        [1400, 353],
      ],
      44,
    ),
    fromMm: 0,
    toMm: 20,
  }),
];
/** Heaps of salt, the sea bank, ways and beds. */
const banksAndWays = (): readonly Feature[] => [
  a('plot', 'heap-1', 'Salt heap', { shape: round(740, 150, 46), heightMm: 30, pieceId: 'salt-heap', pieceTurnDeg: 0 }),
  a('plot', 'heap-2', 'Small salt heap', { shape: round(830, 110, 30), heightMm: 16, pieceId: 'small-salt-heap', pieceTurnDeg: 0 }),
  a('bank', 'sea-bank', 'Sea bank', {
    shape: strip(
      [
        [20, 25],
        [880, 25],
      ],
      36,
      0,
    ),
    heightMm: 10,
    crownMm: 12,
  }),
  path(
    'boardwalk',
    'Boardwalk',
    strip(
      [
        [0, 450],
        [380, 450],
        [690, 300],
        [1090, 190],
      ],
      40,
      80,
    ),
  ),
  path(
    'track',
    'Cart track',
    strip(
      [
        [1250, 300],
        [1250, 375],
      ],
      60,
    ),
  ),
  a('field', 'samphire', 'Samphire beds', { shape: box(1015, 520, 90, 150), rowMm: 15, rowTurnDeg: 0, plantMm: 6 }),
];
/** Where pieces stand. */
const plots = (): readonly Feature[] => [
  a('plot', 'boiling-house', 'Boiling house', { shape: box(1130, 110, 240, 130), heightMm: 90, pieceId: 'boiling-house', pieceTurnDeg: 0 }),
  a('plot', 'windpump-tower', 'Windpump tower', { shape: round(890, 790, 48), heightMm: 150, pieceId: 'windpump', pieceTurnDeg: 0 }),
  a('plot', 'footbridge', 'Footbridge', {
    shape: strip(
      [
        [850, 256],
        [1025, 208],
      ],
      44,
    ),
    heightMm: 0,
    pieceId: 'footbridge',
    pieceTurnDeg: -15.34,
  }),
  a('plot', 'sluice-north', 'North sluice', {
    shape: strip(
      [
        [924, 60],
        [992, 60],
      ],
      12,
    ),
    heightMm: 25,
    pieceId: 'sluice',
    pieceTurnDeg: 0,
  }),
  a('plot', 'sluice-west', 'West sluice', {
    shape: strip(
      [
        [100, 501],
        [100, 570],
      ],
      12,
    ),
    heightMm: 25,
    pieceId: 'sluice',
    pieceTurnDeg: 90,
  }),
];
/** What is kept clear, and the lights. */
const lamps = ({ starter: { light } }: Catalogue): readonly Feature[] => [
  a('clear', 'muster', 'Muster ground', { shape: box(770, 905, 330, 80) }),
  a('light', 'lamps', 'Boiling house lamps', {
    shape: strip(
      [
        [1385, 275],
        [1385, 95],
        [1180, 95],
      ],
      4,
      10,
    ),
    grooveMm: 5,
    lamps: 3,
    batteryId: light.batteryId,
    lampId: light.lampId,
  }),
];
/** In their order: of two that lie on each other the later counts. */
const features = (catalogue: Catalogue): readonly Feature[] => [
  ...pans(),
  ...causeways(),
  ...mounds(),
  ...banksAndWays(),
  ...plots(),
  ...lamps(catalogue),
];

/** What stands on it: the boiling house under a roof that lifts off, the tower of the windpump, the bridge over the brine. */
function pieces(catalogue: Catalogue): readonly Piece[] {
  const a = pieceMaker({ figureMm: 28, baseMm: 25 }, catalogue);
  return [
    a(
      'shed',
      'boiling-house',
      'Boiling house',
      { basesWide: 8, basesDeep: 4, wallMm: 52, roof: 'gable', windowsFront: 2, windowsBack: 3, windowsEnds: 1, sillMm: 18 },
      {
        cladding: [
          { shows: 'walls', claddingId: 'small-bricks', layingId: 'on-paper' },
          { shows: 'roof', claddingId: 'weatherboards', layingId: 'in-courses' },
        ],
      },
    ),
    a('tower', 'windpump', 'Windpump tower', {
      sides: 8,
      storeys: 3,
      storeyMm: 42,
      top: 'pitched',
      overhangMm: 0,
      parapetMm: 0,
      crenels: 0,
    }),
    a(
      'fence',
      'sluice',
      'Sluice gate',
      { course: 'line', lengthMm: 62, bayMm: 62, heightMm: 25, rails: 2, fill: 'boards', gapMm: 0.5, gateBay: 0 },
      { count: 2, isFixed: true },
    ),
    a('heap', 'salt-heap', 'Salt heap', { wideMm: 90, deepMm: 90, highMm: 30, coreLayers: 1, skinMm: 10 }),
    a('heap', 'small-salt-heap', 'Small salt heap', { wideMm: 56, deepMm: 56, highMm: 16, coreLayers: 1, skinMm: 7 }),
    a('footbridge', 'footbridge', 'Footbridge', { spanMm: 176, widthMm: 34, deck: 'flat', parapetMm: 9, depthMm: 4 }),
  ];
}

/** Brinefold Saltworks, 1500 × 1000 mm in six tiles, 28 mm figures: a made-up place where brine is dried to salt. */
export function brinefold(catalogue: Catalogue): Plan {
  const blank = newPlan(
    {
      name: 'Brinefold Saltworks',
      units: 'metric',
      widthMm: 1500,
      depthMm: 1000,
      columns: 3,
      rows: 2,
      figureHeightMm: 28,
      startsOn: '2026-11-30',
    },
    catalogue,
  );
  return {
    ...blank,
    stack: {
      ...blank.stack,
      ground: [
        { id: 'lower', materialId: 'xps-foam', thicknessMm: 20, glueBelowId: 'white-glue', spread: 'full', grain: 'x', sealed: 'none' },
        {
          id: 'upper',
          materialId: 'xps-foam',
          thicknessMm: 10,
          glueBelowId: 'foam-safe-construction',
          spread: 'full',
          grain: 'y',
          sealed: 'none',
        },
      ],
    },
    // Its builder joins what goes on no sheet, and keeps all else whole.
    cutting: { ...blank.cutting, joints: 'laid' },
    features: features(catalogue),
    pieces: pieces(catalogue),
    // What the thermo-hygrometer that ships with the program says.
    places: blank.places.map((place) =>
      place.id === 'garage' ? { ...place, air: { ...place.air, by: 'sensor', sensorId: 'garage-clock' } } : place,
    ),
    section: { from: { x: 560, y: 120 }, to: { x: 1460, y: 880 } },
  };
}
