import type { Catalogue } from '../catalogue';
import type { Feature } from '../plan/features';
import { type Piece, type Plan, newPlan } from '../plan';
import { pieceMaker } from './pieces';
import { type Line, a, basin, box, outline, path, strip } from './drawing';

const IN = 25.4;
const WIDE_MM = 45 * IN;
const DEEP_MM = 30 * IN;
/** Points along each terrace's lip, back to front. */
const LIP_POINTS = 19;
const STEP_MM = 10;

/** Middle of each terrace's lip, clear of the seams at 381 and 762 mm, and how far it waves. */
const LIPS_MM = [640, 535, 448, 325, 215] as const;
const WAVE_MM = [58, 50, 44, 38, 32] as const;

/** How far a terrace reaches from the left at a depth, mm: each on the same slow wave, a little behind the one below. */
function reachMm(terrace: number, yMm: number): number {
  const wave = Math.sin((yMm / DEEP_MM) * Math.PI * 1.6 + 0.5 + terrace * 0.18);
  return Math.round(LIPS_MM[terrace]! + WAVE_MM[terrace]! * wave);
}
const lip = (terrace: number): Line =>
  Array.from({ length: LIP_POINTS }, (_, i) => {
    const y = Math.round((i / (LIP_POINTS - 1)) * DEEP_MM);
    return [reachMm(terrace, y), y] as const;
  });
/** Part of a lip between two depths, set back from the edge. */
const along = (terrace: number, from: number, to: number, backMm: number): Line =>
  lip(terrace)
    .slice(from, to)
    .map(([x, y]) => [x - backMm, y] as const);
/** A bed between one lip and the foot of the next. */
const bed = (terrace: number, from: number, to: number): Line => [
  ...along(terrace, from, to, 22),
  ...[...along(terrace + 1, from, to, -14)].reverse(),
];
const asPoints = (line: Line): { x: number; y: number }[] => line.map(([x, y]) => ({ x, y }));

/** Terraces cut into the hill, with their rows and walls. */
const terraces = (): readonly Feature[] => [
  a('hill', 'terraces', 'Tea terraces', {
    shape: {
      form: 'contours',
      levels: Array.from({ length: LIPS_MM.length }, (_, k) => [asPoints([[0, 0], ...lip(k), [0, Math.round(DEEP_MM)]])]),
    },
    stepMm: STEP_MM,
  }),
  a('field', 'tea-1', 'Lower tea rows', { shape: outline(bed(0, 6, 10)), rowMm: 12, rowTurnDeg: 80, plantMm: 8 }),
  a('field', 'tea-2', 'Middle tea rows', { shape: outline(bed(1, 8, 13)), rowMm: 12, rowTurnDeg: 100, plantMm: 8 }),
  a('field', 'tea-3', 'Upper tea rows', { shape: outline(bed(2, 2, 12)), rowMm: 12, rowTurnDeg: 80, plantMm: 8 }),
  a('wall', 'wall-1', 'Lower retaining wall', { shape: strip(along(0, 1, 7, 4), 5), heightMm: 6 }),
  a('wall', 'wall-2', 'Middle retaining wall', { shape: strip(along(1, 8, 18, 4), 5), heightMm: 6 }),
];
const ramps = (): readonly Feature[] => [
  a('ramp', 'ramp-1', 'Foot ramp', {
    shape: strip(
      [
        [690, 540],
        [588, 540],
      ],
      40,
    ),
    fromMm: 0,
    toMm: 10,
  }),
  a('ramp', 'ramp-2', 'Middle ramp', {
    shape: strip(
      [
        [688, 200],
        [582, 200],
      ],
      36,
    ),
    fromMm: 10,
    toMm: 20,
  }),
  a('ramp', 'ramp-3', 'Upper ramp', {
    shape: strip(
      [
        [483, 600],
        [406, 600],
      ],
      36,
    ),
    fromMm: 20,
    toMm: 30,
  }),
];
/** The beck with its bridge, ways and the shed. */
const lowland = (): readonly Feature[] => [
  a('plot', 'beck-bridge', 'Beck bridge', {
    shape: strip(
      [
        [925, 305],
        [995, 316],
      ],
      32,
    ),
    heightMm: 0,
    pieceId: 'beck-bridge',
    pieceTurnDeg: 9,
  }),
  basin(
    'beck',
    'Lark beck',
    strip(
      [
        [1000, 0],
        [960, 250],
        [1010, 500],
        [990, 762],
      ],
      38,
      120,
    ),
    8,
    4,
  ),
  path(
    'lane',
    'Carrier lane',
    strip(
      [
        [880, 0],
        [860, 300],
        [800, 540],
        [880, 762],
      ],
      30,
      100,
    ),
  ),
  path(
    'yard-way',
    'Yard way',
    strip(
      [
        [860, 300],
        [1143, 330],
      ],
      30,
      0,
    ),
  ),
  a('plot', 'drying-shed', 'Drying shed', { shape: box(1030, 395, 90, 150), heightMm: 48, pieceId: 'drying-shed', pieceTurnDeg: 90 }),
  a('clear', 'yard', 'Sorting yard', { shape: box(1030, 560, 95, 150) }),
];
const features = (): readonly Feature[] => [...terraces(), ...ramps(), ...lowland()];

/** What stands on it and beside it: the drying shed on stilts of stone, spare lengths of retaining wall, the bridge over the beck. */
function pieces(catalogue: Catalogue): readonly Piece[] {
  const a = pieceMaker({ figureMm: 15, baseMm: 15 }, catalogue);
  return [
    a('shed', 'drying-shed', 'Drying shed', {
      basesWide: 7,
      basesDeep: 4,
      wallMm: 28,
      roof: 'lean-to',
      pitchDeg: 12,
      overhangMm: 3,
      windowsFront: 3,
      windowsBack: 4,
      windowsEnds: 1,
      windowWidthMm: 9,
      windowHeightMm: 9,
      sillMm: 10,
    }),
    a('walls', 'retaining-walls', 'Retaining walls', {
      segmentMm: 60,
      heightMm: 8,
      straights: 8,
      gates: 0,
      corners: 2,
      tees: 0,
      brokenEnds: 1,
    }),
    a('footbridge', 'beck-bridge', 'Beck bridge', { spanMm: 52, widthMm: 20, deck: 'flat', parapetMm: 6, depthMm: 3 }),
  ];
}

/** Larkstone Terraces, 45 × 30 in in six tiles, 15 mm figures: made-up tea gardens cut into a hillside. */
export function larkstone(catalogue: Catalogue): Plan {
  const blank = newPlan(
    {
      name: 'Larkstone Terraces',
      units: 'imperial',
      widthMm: WIDE_MM,
      depthMm: DEEP_MM,
      columns: 3,
      rows: 2,
      figureHeightMm: 15,
      startsOn: '2026-12-01',
    },
    catalogue,
  );
  return {
    ...blank,
    play: { ...blank.play, baseMm: 15 },
    // Its builder has metric sheets in the rack, and measures in inches.
    stack: {
      ...blank.stack,
      substrate: { ...blank.stack.substrate!, ...catalogue.starter.substrate },
      ground: blank.stack.ground.map((layer) => ({ ...layer, thicknessMm: catalogue.starter.ground.thicknessMm })),
    },
    features: features(),
    pieces: pieces(catalogue),
    section: { from: { x: 40, y: 420 }, to: { x: 1120, y: 420 } },
  };
}
