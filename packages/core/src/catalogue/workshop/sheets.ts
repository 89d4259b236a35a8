import type { Catalogue, Sheet } from '../schema';

/** thickness mm, width mm, depth mm, price in minor units */
type Size = readonly [thicknessMm: number, widthMm: number, depthMm: number, priceMinor: number];
const sizes = (materialId: string, list: readonly Size[], more: Pick<Sheet, 'roughEdges' | 'soldIn'> = {}): Sheet[] =>
  list.map(([thicknessMm, widthMm, depthMm, priceMinor]) => ({
    id: [materialId, thicknessMm, widthMm, depthMm].join('-').replaceAll('.', '-'),
    materialId,
    thicknessMm,
    widthMm,
    depthMm,
    priceMinor,
    ...more,
  }));
/** Cut from boxes or torn off by hand: nothing about it is straight. */
const FROM_BOXES: Pick<Sheet, 'roughEdges'> = { roughEdges: ['left', 'top', 'right', 'bottom'] };
/** Cut off a roll as it is sold: its long edges are straight. */
const OFF_A_ROLL: Pick<Sheet, 'roughEdges'> = { roughEdges: ['left', 'right'] };

const INCH_MM = 25.4;
/** thickness, width and depth in nominal inches, price in minor units */
const inchSizes = (materialId: string, list: readonly Size[]): Sheet[] =>
  sizes(
    materialId,
    list.map(([thickness, width, depth, priceMinor]): Size => [inMm(thickness), inMm(width), inMm(depth), priceMinor]),
    { soldIn: 'in' },
  );
const inMm = (inches: number): number => Math.round(inches * INCH_MM * 1_000) / 1_000;
/** Foam by the inch in the four usual sizes, priced by area and thickness. */
const inchFoam = (materialId: string, perInchMinor: number): Sheet[] =>
  inchSizes(
    materialId,
    [0.5, 0.75, 1, 1.5, 2].flatMap((thickness): Size[] => [
      [thickness, 24, 24, 220 + Math.round(thickness * perInchMinor)],
      [thickness, 48, 24, 300 + Math.round(thickness * perInchMinor * 1.9)],
      [thickness, 96, 24, 420 + Math.round(thickness * perInchMinor * 3.6)],
      [thickness, 96, 48, 700 + Math.round(thickness * perInchMinor * 6.8)],
    ]),
  );
/** Boards in panels of 2 × 2, 2 × 4 and 4 × 8 ft, by what a panel of 2 × 4 ft costs. */
const inchBoards = (materialId: string, list: readonly (readonly [thickness: number, panelMinor: number])[]): Sheet[] =>
  inchSizes(
    materialId,
    list.flatMap(([thickness, panelMinor]): Size[] => [
      [thickness, 24, 24, Math.round(panelMinor * 0.56)],
      [thickness, 48, 24, panelMinor],
      [thickness, 96, 48, Math.round(panelMinor * 3.4)],
    ]),
  );

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
  ...inchFoam('xps-foam', 380),
  ...inchFoam('eps-foam', 230),
  ...sizes('thin-foam', [
    [2, 800, 600, 240],
    [3, 800, 600, 290],
    [5, 800, 600, 390],
    [6, 800, 600, 450],
  ]),
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
  ...inchBoards('mdf', [
    [0.125, 560],
    [0.25, 900],
    [0.375, 1240],
    [0.5, 1540],
  ]),
  ...sizes('hardboard', [
    [3, 1220, 610, 480],
    [3, 2440, 1220, 1650],
  ]),
  ...inchBoards('hardboard', [
    [0.125, 500],
    [0.25, 760],
  ]),
  ...inchBoards('plywood', [
    [0.1875, 1250],
    [0.25, 1500],
    [0.375, 1990],
    [0.5, 2480],
  ]),
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
  ...sizes('clear-sheet', [
    [0.5, 297, 210, 180],
    [1, 297, 210, 260],
    [2, 500, 250, 640],
    [3, 500, 250, 890],
  ]),
  ...sizes('greyboard', [
    [1, 420, 297, 70],
    [1, 1000, 700, 320],
    [2, 420, 297, 110],
    [2, 1000, 700, 490],
    [3, 594, 420, 260],
  ]),
  ...sizes('corrugated-card', [[3, 600, 400, 50]], FROM_BOXES),
  ...sizes('packing-card', [[0.4, 300, 200, 10]], FROM_BOXES),
  ...sizes('print-paper', [[0.2, 277, 190, 9]]),
  ...sizes('cork', [
    [2, 900, 600, 690],
    [3, 900, 600, 890],
    [5, 900, 600, 1290],
  ]),
  ...sizes(
    'cork',
    [
      [2, 3000, 500, 1690],
      [3, 3000, 500, 2290],
    ],
    OFF_A_ROLL,
  ),
  ...sizes('eva-foam', [
    [2, 297, 210, 90],
    [5, 297, 210, 170],
  ]),
  ...sizes('cotton-cloth', [[0.5, 1400, 1000, 780]], OFF_A_ROLL),
  ...sizes('grass-mat', [[4, 1000, 750, 1150]], OFF_A_ROLL),
  ...sizes('balsa', [
    [2, 1000, 100, 240],
    [5, 1000, 100, 390],
    [10, 1000, 100, 610],
  ]),
];
