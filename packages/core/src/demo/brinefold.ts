import type { Catalogue } from '../catalogue';
import { type Feature, type Plan, newPlan, rectangle } from '../plan';

const box = (x: number, y: number, widthMm: number, depthMm: number): Feature['shape'] =>
  rectangle({ x, y }, { x: x + widthMm, y: y + depthMm });
const strip = (points: readonly (readonly [number, number])[], widthMm: number, bendMm: number): Feature['shape'] => ({
  form: 'strip',
  points: points.map(([x, y]) => ({ x, y })),
  widthMm,
  bendMm,
});
const round = (x: number, y: number, radiusMm: number): Feature['shape'] => ({ form: 'round', centre: { x, y }, radiusMm });
const pan = (id: string, name: string, x: number, y: number, widthMm: number, depthMm: number): Feature => ({
  id,
  name,
  kind: 'water',
  shape: box(x, y, widthMm, depthMm),
  depthMm: 5,
  waterMm: 2,
  cutThrough: false,
});

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
        { id: 'lower', materialId: 'xps-foam', thicknessMm: 20, glueBelowId: 'white-glue' },
        { id: 'upper', materialId: 'xps-foam', thicknessMm: 10, glueBelowId: 'foam-safe-construction' },
      ],
    },
    features: [
      pan('pan-1', 'Long pan', 60, 60, 300, 190),
      pan('pan-2', 'Second pan', 60, 285, 300, 130),
      pan('pan-3', 'Narrow pan', 410, 60, 230, 190),
      pan('pan-4', 'Corner pan', 60, 640, 240, 290),
      pan('pan-5', 'Finishing pan', 340, 640, 200, 290),
      pan('pan-6', 'East pan', 1120, 560, 310, 150),
      {
        id: 'settling',
        name: 'Settling basin',
        kind: 'water',
        shape: box(1120, 760, 310, 170),
        depthMm: 22,
        waterMm: 8,
        cutThrough: false,
      },
      {
        id: 'channel',
        name: 'Brine channel',
        kind: 'water',
        shape: strip(
          [
            [960, 0],
            [960, 200],
            [790, 460],
            [400, 520],
            [0, 540],
          ],
          62,
          140,
        ),
        depthMm: 10,
        waterMm: 5,
        cutThrough: false,
      },
      {
        id: 'causeway',
        name: 'Causeway',
        kind: 'raised',
        shape: strip(
          [
            [1500, 430],
            [960, 430],
            [700, 700],
            [700, 1000],
          ],
          110,
          120,
        ),
        heightMm: 20,
      },
      {
        id: 'causeway-top',
        name: 'Upper causeway',
        kind: 'raised',
        shape: strip(
          [
            [1500, 430],
            [1000, 430],
          ],
          70,
          0,
        ),
        heightMm: 40,
      },
      { id: 'mound', name: 'Boiling house mound', kind: 'raised', shape: box(1090, 80, 320, 220), heightMm: 20 },
      { id: 'windpump', name: 'Windpump mound', kind: 'raised', shape: round(900, 790, 90), heightMm: 30 },
      { id: 'heap-1', name: 'Salt heap', kind: 'raised', shape: round(740, 150, 45), heightMm: 30 },
      { id: 'heap-2', name: 'Small salt heap', kind: 'raised', shape: round(830, 110, 28), heightMm: 20 },
      {
        id: 'boardwalk',
        name: 'Boardwalk',
        kind: 'route',
        shape: strip(
          [
            [0, 450],
            [380, 450],
            [690, 300],
            [1090, 190],
          ],
          40,
          80,
        ),
      },
      {
        id: 'track',
        name: 'Cart track',
        kind: 'route',
        shape: strip(
          [
            [1250, 300],
            [1250, 375],
          ],
          60,
          0,
        ),
      },
    ],
    section: { from: { x: 560, y: 120 }, to: { x: 1460, y: 880 } },
  };
}
