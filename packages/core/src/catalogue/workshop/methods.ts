import type { Catalogue, Method, Tool } from '../schema';
import { about } from './estimate';

/** `rank` puts the dirty and wet work before the fine; `m2PerH` is one careful person. */
const method = (
  id: string,
  name: string,
  rank: number,
  m2PerH: readonly [number, number, number],
  rest: Partial<Pick<Method, 'coverShare' | 'cautionIds' | 'setUpMin'>> = {},
): Method => ({ id, name, rank, m2PerH: about(...m2PerH), coverShare: 1, setUpMin: 8, cautionIds: [], ...rest });

export const methods: Catalogue['methods'] = [
  method('spread', 'spread', 10, [0.6, 0.4, 0.8], { cautionIds: ['dust'] }),
  method('sprinkle', 'sprinkle and tap', 15, [1, 0.7, 1.3], { cautionIds: ['dust'] }),
  method('soak', 'spray bottle', 20, [3, 2, 4]),
  method('spray', 'spray', 25, [4, 3, 5], { cautionIds: ['spray'], setUpMin: 15 }),
  method('base', 'base coat', 30, [0.9, 0.7, 1.2]),
  method('overbrush', 'overbrush', 40, [1.3, 1, 1.7], { coverShare: 0.35 }),
  method('wash', 'wash', 50, [1.2, 0.9, 1.6]),
  method('drybrush', 'drybrush', 60, [1.6, 1.2, 2], { coverShare: 0.08 }),
  method('varnish', 'varnish', 70, [1.2, 0.9, 1.6]),
  method('pour', 'pour', 80, [0.5, 0.3, 0.8], { cautionIds: ['resin'], setUpMin: 15 }),
  method('gloss', 'gloss over paint', 80, [1.2, 0.9, 1.6]),
];

const BENCH_TOOL: Omit<Tool, 'id' | 'name' | 'kerfMm' | 'mPerMin' | 'cautionIds'> = {
  cuts: 'through',
  isOnePass: true,
  spendsEdges: false,
  throatMm: null,
  tallestMm: null,
  fenceMm: null,
  perCutMinor: 0,
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
  { ...BENCH_TOOL, id: 'saw', name: 'Saw', kerfMm: about(3, 2.5, 3.5), mPerMin: about(0.5, 0.3, 0.8), cautionIds: ['saw', 'dust'] },
  { ...BENCH_TOOL, id: 'shop', name: 'Cut at the shop', kerfMm: about(4, 3, 5), mPerMin: about(2, 1, 4), cautionIds: [], perCutMinor: 80 },
];

export const airs: Catalogue['airs'] = [
  { id: 'still', name: 'Still air', factor: about(1) },
  { id: 'fan', name: 'Fan', factor: about(0.6, 0.5, 0.7) },
];

export const cautions: Catalogue['cautions'] = [
  { id: 'blade', text: 'Cut away from the hand along a metal rule with a fresh edge; never force it. Young builders with an adult.' },
  { id: 'saw', text: 'Clamp the board, guard your eyes, and follow the tool’s manual. A timber yard will often cut sheets for you.' },
  { id: 'hot', text: 'Hot tip and wire burn. Keep the air moving.' },
  { id: 'fumes', text: 'Melting foam gives off styrene fumes: moving air, never a closed room.' },
  { id: 'spray', text: 'Outdoors or under extraction, mask for vapours, no flame.' },
  { id: 'dust', text: 'Mask while mixing and sanding; sand wet, wipe up rather than sweep.' },
  { id: 'sensitiser', text: 'Gloves and moving air; can cause allergy. Read the data sheet.' },
  {
    id: 'wiring',
    text: 'Low voltage only: a battery box with a fuse, no bare joints, nothing left on unwatched. Mains only by the qualified.',
  },
  { id: 'magnets', text: 'Strong magnets pinch, and are dangerous if swallowed: keep them from small children.' },
  {
    id: 'resin',
    text: 'Gloves, moving air, and the label’s own ratio and depth limit before ours. Can cause allergy; read the data sheet.',
  },
];

export const bench: Catalogue['bench'] = {
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
  weightKg: about(2, 1, 5),
  sealMinPerM2: about(12, 8, 20),
  sealerId: 'matt-varnish',
  trimFlushMPerMin: about(1, 0.6, 1.5),
  alignMinPerLayer: about(4, 2, 8),
  jointStaggerMm: about(50, 40, 100),
  jointClearMm: about(20, 10, 40),
  leastOffcutMm: about(80, 50, 150),
  pieceJointMin: about(3, 2, 6),
  pieceFixMin: about(6, 4, 12),
  measuredCutMin: about(1.5, 1, 3),
  guidedCutMin: about(0.25, 0.15, 0.5),
  laidByHandMin: about(0.5, 0.3, 1),
  lengthCutMin: about(0.7, 0.4, 1.5),
  manyByHand: about(1_000, 600, 2_000),
  figureG: about(12, 5, 40),
  sagMm: about(1, 0.5, 2),
  wiringMinPerLamp: about(12, 8, 20),
  wiringCautionIds: ['wiring', 'blade'],
};
