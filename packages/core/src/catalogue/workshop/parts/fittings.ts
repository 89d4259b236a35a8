import type { Catalogue } from '../../schema';
import { about } from '../estimate';

/** Ways of holding tiles together: general trade knowledge, prices invented. */
export const joins: Catalogue['joins'] = [
  {
    id: 'loose',
    name: 'Loose, side by side',
    perEdge: 0,
    perTile: 0,
    pocketDepthMm: 0,
    pocketWidthMm: 0,
    hasPoles: false,
    massG: 0,
    minEach: 0,
    packs: [],
    cautionIds: [],
    remark: 'No connector. Tiles drift apart during play.',
  },
  {
    id: 'magnets',
    name: 'Disc magnets, 10 × 3 mm',
    perEdge: 2,
    perTile: 0,
    pocketDepthMm: 3,
    pocketWidthMm: 10,
    hasPoles: true,
    massG: 2,
    minEach: 3,
    packs: [
      { amount: 10, priceMinor: 420 },
      { amount: 50, priceMinor: 1690 },
    ],
    cautionIds: ['magnets'],
    remark: 'One pole outward at +x, the other at −x, the same on every edge: any two edges attract.',
  },
  {
    id: 'dowels',
    name: 'Dowels, 8 × 30 mm',
    perEdge: 2,
    perTile: 0,
    pocketDepthMm: 16,
    pocketWidthMm: 8,
    hasPoles: true,
    massG: 1,
    minEach: 4,
    packs: [{ amount: 40, priceMinor: 310 }],
    cautionIds: [],
    remark: 'Pin at +x, hole at −x on every edge; drill both with one jig.',
  },
  {
    id: 'clips',
    name: 'Spring clips under the rim',
    perEdge: 2,
    perTile: 0,
    pocketDepthMm: 0,
    pocketWidthMm: 0,
    hasPoles: false,
    massG: 4,
    minEach: 1,
    packs: [{ amount: 20, priceMinor: 540 }],
    cautionIds: [],
    remark: 'Fitted from below once the table is set up.',
  },
  {
    id: 'grip-mat',
    name: 'High-grip mat under each tile',
    perEdge: 0,
    perTile: 1,
    pocketDepthMm: 0,
    pocketWidthMm: 0,
    hasPoles: false,
    massG: 90,
    minEach: 2,
    packs: [{ amount: 4, priceMinor: 890 }],
    cautionIds: [],
    remark: 'No work on the tile. Holds only on a smooth table.',
  },
];

/** Usual sizes, to be measured and corrected at home. */
export const passages: Catalogue['passages'] = [
  { id: 'door', name: 'Room door', widthMm: 760, heightMm: 1_960, depthMm: null },
  { id: 'shelf', name: 'Shelf bay', widthMm: 780, heightMm: 360, depthMm: 560 },
  { id: 'boot', name: 'Car boot', widthMm: 1_000, heightMm: 480, depthMm: 700 },
  { id: 'crate', name: 'Stacking crate', widthMm: 560, heightMm: 300, depthMm: 360 },
];

export const batteries: Catalogue['batteries'] = [
  {
    id: 'coin-holder',
    name: 'Coin cell holder',
    widthMm: 24,
    depthMm: 30,
    heightMm: 6,
    volts: 3,
    mAh: about(210, 180, 230),
    priceMinor: 190,
  },
  {
    id: 'two-cell-box',
    name: 'Box of two AAA cells',
    widthMm: 25,
    depthMm: 62,
    heightMm: 16,
    volts: 3,
    mAh: about(1_000, 800, 1_200),
    priceMinor: 280,
  },
  {
    id: 'three-cell-box',
    name: 'Box of three AA cells',
    widthMm: 48,
    depthMm: 68,
    heightMm: 19,
    volts: 4.5,
    mAh: about(2_200, 1_800, 2_600),
    priceMinor: 360,
  },
];

export const lamps: Catalogue['lamps'] = [
  { id: 'warm-white', name: 'Warm white lamp, 3 mm', volts: 2.9, milliamps: 10, priceMinor: 25 },
  { id: 'amber', name: 'Amber lamp, 2 mm', volts: 2, milliamps: 8, priceMinor: 22 },
  { id: 'grain-white', name: 'White grain lamp on wire', volts: 2.8, milliamps: 5, priceMinor: 45 },
];

/** Real sizes. */
export const yardsticks: Catalogue['yardsticks'] = [
  { id: 'person', name: 'Person', form: 'person', tallMm: 1_650, wideMm: 500 },
  { id: 'door', name: 'Door', form: 'door', tallMm: 2_000, wideMm: 830 },
  { id: 'step', name: 'Step', form: 'step', tallMm: 175, wideMm: 280 },
  { id: 'lamp-post', name: 'Lamp post', form: 'post', tallMm: 4_500, wideMm: 600 },
];
