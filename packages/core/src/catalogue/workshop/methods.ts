import { benchPaces } from './parts/bench-paces';
import { DAY_MIN } from '../../base/units';
import type { Catalogue, Method, Tool } from '../schema';
import { about } from './estimate';

type Range = readonly [number, number, number];
type Lays = Method['lays'];
const EVEN: Lays = { all: 1, hollows: 0, edges: 0, tops: 0, up: 0, joints: 0, film: 1, broken: 0, patchMm: 4, runsMm: 0 };
const lays = (some: Partial<Lays>): Lays => ({ ...EVEN, ...some });

/** `rank` puts the dirty and wet work before the fine; `m2PerH` is one careful person. */
const method = (
  id: string,
  name: string,
  [does, rank]: readonly [does: Method['does'], rank: number],
  m2PerH: Range,
  rest: Partial<Omit<Method, 'id' | 'name' | 'does' | 'rank' | 'm2PerH'>> = {},
): Method => ({
  id,
  name,
  does,
  rank,
  m2PerH: about(...m2PerH),
  perH: null,
  coverShare: 1,
  setUpMin: 8,
  onto: 'dry',
  isSpray: false,
  isNoisy: false,
  isByUnit: false,
  lays: EVEN,
  cautionIds: [],
  ...rest,
});

/** Ways of putting things on, and where each leaves what it puts on. */
export const methods: Catalogue['methods'] = [
  method('spread', 'spread', ['paste', 10], [0.6, 0.4, 0.8], { cautionIds: ['dust'], onto: 'any' }),
  method('by-hand', 'pressed on by hand', ['paste', 10], [0.25, 0.15, 0.4], { onto: 'any' }),
  method('set-in', 'pressed into wet paste', ['embed', 12], [0.5, 0.3, 0.8], {
    perH: about(240, 150, 400),
    onto: 'wet',
    setUpMin: 4,
    lays: lays({ all: 0.08, broken: 1, patchMm: 5 }),
  }),
  method('score', 'scored', ['press', 13], [0.12, 0.08, 0.2], { onto: 'any', lays: lays({ all: 0 }) }),
  method('stamp', 'roller or stamp', ['press', 13], [0.35, 0.2, 0.5], { onto: 'wet', lays: lays({ all: 0 }) }),
  method('carve', 'carved when firm', ['press', 14], [0.15, 0.1, 0.25], {
    onto: 'firm',
    lays: lays({ all: 0 }),
    cautionIds: ['blade', 'dust'],
  }),
  method('foil-ball', 'foil ball', ['press', 13], [2, 1.5, 3], { onto: 'any', lays: lays({ all: 0 }) }),
  method('sprinkle', 'sprinkle and tap', ['grain', 15], [1, 0.7, 1.3], {
    cautionIds: ['dust'],
    onto: 'wet',
    lays: lays({ all: 0.95, tops: -0.1, broken: 0.15, patchMm: 2 }),
  }),
  method('dust-on', 'dust on', ['late', 75], [1.5, 1, 2], {
    cautionIds: ['dust'],
    lays: lays({ all: 0.25, hollows: 0.35, broken: 0.6, patchMm: 9 }),
  }),
  method('mist', 'mist on', ['lock', 18], [4, 3, 6], { onto: 'any', setUpMin: 3, lays: lays({ all: 0 }) }),
  method('soak', 'spray bottle', ['lock', 20], [3, 2, 4], { lays: lays({ all: 0 }) }),
  method('drip', 'dripped on from a pipette', ['lock', 20], [0.8, 0.5, 1.2], { onto: 'any', lays: lays({ all: 0 }) }),
  method('spray', 'spray', ['colour', 25], [4, 3, 5], { cautionIds: ['spray'], setUpMin: 15, isSpray: true }),
  method('spray-above', 'sprayed from above', ['colour', 45], [4, 3, 5], {
    cautionIds: ['spray'],
    setUpMin: 15,
    isSpray: true,
    coverShare: 0.5,
    lays: lays({ all: -0.35, up: 1, hollows: -0.3 }),
  }),
  method('base', 'base coat', ['colour', 30], [0.9, 0.7, 1.2]),
  method('mask', 'dabbed on edges', ['mask', 34], [0.6, 0.4, 1], {
    coverShare: 0.05,
    lays: lays({ all: 0, edges: 0.9, broken: 0.75, patchMm: 2 }),
  }),
  method('tape', 'taped along', ['mask', 34], [2, 1.4, 3], { onto: 'cured', lays: lays({ all: 0 }) }),
  method('overbrush', 'overbrush', ['colour', 40], [1.3, 1, 1.7], {
    coverShare: 0.35,
    lays: lays({ all: 0.6, joints: -1, hollows: -0.45, film: 0.3, broken: 0.3, patchMm: 1.5 }),
  }),
  method('tint-units', 'stone by stone', ['colour', 42], [0.3, 0.2, 0.5], {
    coverShare: 0.5,
    isByUnit: true,
    lays: lays({ all: 0.5, joints: -0.8, broken: 0.2, patchMm: 12 }),
  }),
  method('stencil', 'stencilled or along a rule', ['colour', 43], [0.3, 0.2, 0.5], {
    coverShare: 0.25,
    lays: lays({ all: 0.85, joints: -0.4 }),
  }),
  method('stipple', 'stipple', ['colour', 44], [0.8, 0.6, 1.1], {
    coverShare: 0.25,
    lays: lays({ all: 0.45, film: 0.25, broken: 0.9, patchMm: 2 }),
  }),
  method('wash', 'wash', ['wash', 50], [1.2, 0.9, 1.6], { lays: lays({ all: 0.32, hollows: 0.6, joints: 0.4, tops: -0.12 }) }),
  method('glaze', 'glaze', ['wash', 52], [1, 0.8, 1.4], { coverShare: 0.5, lays: lays({ all: 0.8, tops: -0.1 }) }),
  method('runs', 'stained downwards', ['wash', 54], [0.5, 0.3, 0.8], {
    coverShare: 0.25,
    lays: lays({ all: 0.015, hollows: 0.14, broken: 0.9, patchMm: 1.2, runsMm: 9 }),
  }),
  method('drybrush', 'drybrush', ['colour', 60], [1.6, 1.2, 2], {
    coverShare: 0.08,
    lays: lays({ all: 0, edges: 0.5, tops: 0.12, joints: -1, hollows: -0.8, film: 0.15, broken: 0.35, patchMm: 1 }),
  }),
  method('sponge-chip', 'sponge chip', ['colour', 62], [1, 0.7, 1.4], {
    coverShare: 0.03,
    lays: lays({ all: 0.02, edges: 0.35, broken: 0.95, patchMm: 1.5 }),
  }),
  method('varnish', 'varnish', ['finish', 70], [1.2, 0.9, 1.6], { lays: lays({ all: 0 }) }),
  method('strew', 'strewn in glue', ['plant', 72], [0.7, 0.5, 1], { lays: lays({ all: 0.9, broken: 0.35, patchMm: 7 }) }),
  method('clumps', 'in clumps', ['plant', 73], [0.7, 0.5, 1], {
    coverShare: 0.4,
    lays: lays({ all: 0.2, hollows: 0.4, broken: 0.95, patchMm: 3 }),
  }),
  method('set-down', 'set down one by one', ['plant', 74], [0.5, 0.3, 0.8], {
    perH: about(140, 100, 200),
    lays: lays({ all: 0.05, broken: 1, patchMm: 6 }),
  }),
  method('plant-rows', 'planted in rows', ['plant', 74], [0.4, 0.25, 0.6], {
    perH: about(180, 120, 260),
    lays: lays({ all: 0.1, tops: 0.3, broken: 0.5, patchMm: 5 }),
  }),
  method('pour', 'pour', ['pour', 80], [0.5, 0.3, 0.8], { cautionIds: ['resin'], setUpMin: 15 }),
  method('gloss', 'gloss over paint', ['pour', 80], [1.2, 0.9, 1.6]),
  method('gel', 'gel in layers', ['pour', 80], [0.6, 0.4, 0.9]),
  method('float', 'laid on an uncured pour', ['embed', 82], [0.5, 0.3, 0.8], {
    perH: about(240, 150, 400),
    onto: 'wet',
    setUpMin: 4,
    lays: lays({ all: 0.06, broken: 1, patchMm: 5 }),
  }),
  method('snow', 'snow last', ['late', 90], [0.6, 0.4, 0.9], { lays: lays({ all: 0.35, up: 0.6, tops: 0.2, broken: 0.45, patchMm: 12 }) }),
];

const BENCH_TOOL: Omit<Tool, 'id' | 'name' | 'kerfMm' | 'mPerMin' | 'cautionIds'> = {
  cuts: 'through',
  isOnePass: true,
  spendsEdges: false,
  throatMm: null,
  tallestMm: null,
  fenceMm: null,
  perCutMinor: 0,
  isNoisy: false,
};
/** What cuts, and what does not go into it. Measure your own: a frame is a choice of its maker. */
export const tools: Catalogue['tools'] = [
  {
    ...BENCH_TOOL,
    id: 'knife',
    name: 'Knife and rule',
    kerfMm: about(0, 0, 0.3),
    mPerMin: about(0.6, 0.4, 0.9),
    cautionIds: ['blade'],
    isOnePass: false,
    spendsEdges: true,
  },
  {
    ...BENCH_TOOL,
    id: 'hot-wire',
    name: 'Hot wire',
    kerfMm: about(1, 0.7, 1.5),
    mPerMin: about(0.36, 0.25, 0.5),
    cautionIds: ['hot', 'fumes'],
    cuts: 'free',
    throatMm: 420,
    tallestMm: 150,
    fenceMm: 400,
  },
  {
    ...BENCH_TOOL,
    id: 'saw',
    name: 'Saw',
    kerfMm: about(3, 2.5, 3.5),
    mPerMin: about(0.5, 0.3, 0.8),
    cautionIds: ['saw', 'dust'],
    isNoisy: true,
  },
  { ...BENCH_TOOL, id: 'shop', name: 'Cut at the shop', kerfMm: about(4, 3, 5), mPerMin: about(2, 1, 4), cautionIds: [], perCutMinor: 80 },
];

export const airs: Catalogue['airs'] = [
  { id: 'still', name: 'Still air', factor: about(1), thinMm: null, needsFan: false },
  { id: 'fan', name: 'Fan', factor: about(0.6, 0.5, 0.7), thinMm: null, needsFan: true },
  { id: 'blower', name: 'Warm blower', factor: about(0.35, 0.25, 0.5), thinMm: 0.5, needsFan: true },
];

/** In no season otherwise than its air says, as far as that is known: corners, walls and draughts are another matter in every house. */
const asItsAir = (low: number, high: number): NonNullable<Catalogue['placeKinds'][number]['slower']> => {
  const slower = about(1, low, high);
  return { inWinter: { ...slower }, inSpring: { ...slower }, inSummer: { ...slower }, inAutumn: { ...slower } };
};

/** Usual air of places in a temperate land, to be measured and corrected at home. */
export const placeKinds: Catalogue['placeKinds'] = [
  {
    id: 'room',
    name: 'Room',
    isOutside: false,
    floorColderC: about(2, 1, 3),
    seasons: {
      winter: { lowC: 17, highC: 21, lowPct: 42, highPct: 52 },
      spring: { lowC: 18, highC: 21, lowPct: 45, highPct: 55 },
      summer: { lowC: 21, highC: 26, lowPct: 48, highPct: 60 },
      autumn: { lowC: 18, highC: 21, lowPct: 48, highPct: 58 },
    },
    slower: asItsAir(0.85, 1.2),
  },
  {
    id: 'garage',
    name: 'Garage',
    isOutside: false,
    floorColderC: about(2.5, 2, 3),
    seasons: {
      winter: { lowC: 7, highC: 11, lowPct: 70, highPct: 85 },
      spring: { lowC: 10, highC: 16, lowPct: 60, highPct: 75 },
      summer: { lowC: 18, highC: 26, lowPct: 50, highPct: 65 },
      autumn: { lowC: 10, highC: 15, lowPct: 65, highPct: 82 },
    },
    slower: asItsAir(0.8, 1.3),
  },
  {
    id: 'shed',
    name: 'Shed',
    isOutside: false,
    floorColderC: about(2, 1, 3),
    seasons: {
      winter: { lowC: 2, highC: 8, lowPct: 80, highPct: 92 },
      spring: { lowC: 6, highC: 16, lowPct: 60, highPct: 85 },
      summer: { lowC: 14, highC: 28, lowPct: 45, highPct: 75 },
      autumn: { lowC: 7, highC: 14, lowPct: 70, highPct: 90 },
    },
    slower: asItsAir(0.75, 1.35),
  },
  {
    id: 'outside',
    name: 'Outside',
    isOutside: true,
    floorColderC: about(1, 0, 3),
    seasons: {
      winter: { lowC: 1, highC: 7, lowPct: 72, highPct: 94 },
      spring: { lowC: 6, highC: 15, lowPct: 52, highPct: 88 },
      summer: { lowC: 13, highC: 24, lowPct: 45, highPct: 85 },
      autumn: { lowC: 7, highC: 14, lowPct: 65, highPct: 94 },
    },
    slower: asItsAir(0.7, 1.4),
  },
];

export const cautions: Catalogue['cautions'] = [
  {
    id: 'blade',
    name: 'blades',
    notForChildren: true,
    text: 'Cut away from the hand along a metal rule with a fresh edge; never force it. Young builders with an adult.',
  },
  {
    id: 'saw',
    name: 'saws',
    notForChildren: true,
    text: 'Clamp the board, wear eye protection and follow the tool’s manual. A timber yard will often cut sheets for you.',
  },
  { id: 'hot', name: 'hot tools', notForChildren: true, text: 'Hot tips and wires burn. Ventilate the room.' },
  {
    id: 'fumes',
    name: 'fumes of foam',
    notForChildren: false,
    text: 'Melting foam gives off styrene fumes: ventilate, never work in a closed room.',
  },
  { id: 'spray', name: 'sprays', notForChildren: true, text: 'Work outdoors or under extraction, wear a vapour mask, no flames.' },
  {
    id: 'dust',
    name: 'dust',
    notForChildren: false,
    text: 'Wear a mask while mixing and sanding. Sand wet, and wipe up instead of sweeping.',
  },
  {
    id: 'sensitiser',
    name: 'polyurethane and other sensitisers',
    notForChildren: true,
    text: 'Wear gloves and ventilate. Can cause allergy: read the data sheet.',
  },
  {
    id: 'wiring',
    name: 'wiring',
    notForChildren: false,
    text: 'Low voltage only: use a battery box with a fuse, insulate all joints and never leave it on unattended. Leave mains wiring to a qualified electrician.',
  },
  {
    id: 'cement',
    name: 'cement',
    notForChildren: true,
    text: 'Cement burns wet skin and eyes: wear gloves and wash it off at once. Read the bag.',
  },
  { id: 'flame', name: 'alcohol', notForChildren: true, text: 'Alcohol is flammable: no flames, and ventilate.' },
  {
    id: 'rags',
    name: 'oily rags',
    notForChildren: true,
    text: 'Oily rags can ignite by themselves: dry them flat outdoors or keep them under water.',
  },
  {
    id: 'magnets',
    name: 'strong magnets',
    notForChildren: false,
    text: 'Strong magnets pinch, and are dangerous if swallowed: keep them from small children.',
  },
  {
    id: 'resin',
    name: 'resin',
    notForChildren: true,
    text: 'Wear gloves and ventilate. Follow the label’s own ratio and depth limit. Can cause allergy: read the data sheet.',
  },
];

export const bench: Catalogue['bench'] = {
  ...benchPaces,
  floorMinMm: about(10, 6, 15),
  raisedToleranceMm: about(1, 0.5, 2),
  sheetTrimMm: about(5, 0, 10),
  glueLossPct: about(10, 5, 20),
  markingMinPerLine: about(1 / 3, 0.25, 0.5),
  hollowM2PerH: about(0.5, 0.25, 1),
  hollowCautionIds: ['blade', 'dust'],
  bowlMl: about(400, 250, 600),
  cuttingSetUpMin: about(8, 5, 12),
  glueSetUpMin: about(8, 5, 12),
  personMm: about(1_650, 1_600, 1_700),
  seamClearMm: about(10, 6, 15),
  joinSetUpMin: about(8, 5, 12),
  beadPitchMm: about(80, 50, 120),
  wetSkinMm: about(1.5, 1, 2.5),
  saturationPct: about(30, 20, 40),
  driesBackPct: about(65, 50, 85),
  leftShortPct: about(35, 15, 50),
  seasonSharePct: about(6, 3, 12),
  sealedPassesPct: about(10, 5, 20),
  weighedLeavesPct: about(40, 25, 60),
  bowMostMm: about(1.5, 1, 2),
  weightKgPerM2: about(20, 10, 40),
  drinksFactor: about(0.8, 0.65, 0.95),
  sealedFactor: about(1.2, 1.05, 1.5),
  ventPitchMm: about(60, 40, 100),
  oneHandMm: about(900, 700, 1_200),
  mould: { humidityPct: about(80, 75, 85), afterMin: 2 * DAY_MIN, leastC: 5, mostC: 35 },
  sprayMostPct: about(75, 65, 85),
  daylight: { fromMin: 9 * 60, toMin: 16 * 60 },
  awake: { fromMin: 7 * 60, toMin: 23 * 60 },
  weightKg: about(2, 1, 5),
  sealMinPerM2: about(12, 8, 20),
  sealerId: 'matt-varnish',
  trimFlushMPerMin: about(1, 0.6, 1.5),
  alignMinPerLayer: about(4, 2, 8),
  jointStaggerMm: about(50, 40, 100),
  jointClearMm: about(20, 10, 40),
  leastOffcutMm: about(80, 50, 150),
  pieceJointMin: about(2.5, 2, 4),
  pieceFixMin: about(6, 4, 12),
  measuredCutMin: about(1.5, 1, 3),
  guidedCutMin: about(0.25, 0.15, 0.5),
  laidByHandMin: about(0.3, 0.2, 0.45),
  lengthCutMin: about(0.7, 0.4, 1.5),
  manyByHand: about(1_000, 600, 2_000),
  figureG: about(12, 5, 40),
  sagMm: about(1, 0.5, 2),
  wiringMinPerLamp: about(12, 8, 20),
  wiringCautionIds: ['wiring', 'blade'],
};
