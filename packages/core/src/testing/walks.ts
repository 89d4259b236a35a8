import type { FamilyName } from '../build/pieces';
import type { NewBoard, Piece } from '../plan';

/** An ordinary job as a builder starts it, and what it must come to: worked by hand, and walked in the app when what it touches changes. */
export interface Walk {
  readonly job: string;
  readonly board: NewBoard;
  /** What is set besides the board itself: the substrate and the ground, where the starter stack is another. */
  readonly stack?: { readonly substrate?: Sheet; readonly ground?: Sheet };
  /** New sheets by material: how many, and of what size in mm. */
  readonly buys: readonly { readonly materialId: string; readonly thicknessMm: number; readonly sheets: readonly Bought[] }[];
  /** Parts that are joined of several because it saves sheets; none where left out. */
  readonly joined?: number;
  /** The best offer to save sheets, by its label; null where none of another tile size is to be made. */
  readonly tileOffer: string | null;
}
interface Sheet {
  readonly materialId: string;
  readonly thicknessMm: number;
}
type Bought = readonly [count: number, widthMm: number, depthMm: number];

const IN_MM = 25.4;
const board = (name: string, more: Partial<NewBoard>): NewBoard => ({
  name,
  units: 'metric',
  widthMm: 1_200,
  depthMm: 1_200,
  columns: 2,
  rows: 2,
  figureHeightMm: 28,
  startsOn: '2026-12-02',
  ...more,
});

export const WALKS: readonly Walk[] = [
  {
    job: 'four tiles of 600 × 600, 6 mm MDF under 30 mm XPS',
    board: board('Four tiles', {}),
    buys: [
      { materialId: 'mdf', thicknessMm: 6, sheets: [[2, 1_220, 610]] },
      { materialId: 'xps-foam', thicknessMm: 30, sheets: [[2, 1_200, 600]] },
    ],
    tileOffer: null,
  },
  {
    job: 'three tiles of 610 × 610 on the same stock',
    board: board('Three tiles', { widthMm: 1_830, depthMm: 610, columns: 3, rows: 1 }),
    buys: [
      { materialId: 'mdf', thicknessMm: 6, sheets: [[2, 1_220, 610]] },
      { materialId: 'xps-foam', thicknessMm: 30, sheets: [[2, 1_250, 600]] },
    ],
    joined: 4,
    tileOffer: 'Tiles 600 × 600 mm',
  },
  {
    job: 'two tiles of 28 × 20 in, 1 in foam on 1/4 in plywood',
    board: board('Inches', { units: 'imperial', widthMm: 56 * IN_MM, depthMm: 20 * IN_MM, columns: 2, rows: 1 }),
    stack: { substrate: { materialId: 'plywood', thicknessMm: 6.35 } },
    buys: [
      {
        materialId: 'plywood',
        thicknessMm: 6.35,
        sheets: [
          [1, 24 * IN_MM, 24 * IN_MM],
          [1, 48 * IN_MM, 24 * IN_MM],
        ],
      },
      { materialId: 'xps-foam', thicknessMm: 25.4, sheets: [[1, 48 * IN_MM, 24 * IN_MM]] },
    ],
    joined: 2,
    // Three eighths of an inch off the table, and both parts of the plywood come from one sheet.
    tileOffer: 'Tiles 27 13/16 × 20 in',
  },
  {
    job: 'two boards of 4 × 2 ft from large sheets: nothing is trimmed off a factory edge',
    board: board('Two boards', { widthMm: 1_200, depthMm: 1_200, columns: 1, rows: 2 }),
    stack: { ground: { materialId: 'xps-foam', thicknessMm: 20 } },
    buys: [
      { materialId: 'mdf', thicknessMm: 6, sheets: [[2, 1_220, 610]] },
      { materialId: 'xps-foam', thicknessMm: 20, sheets: [[2, 1_200, 600]] },
    ],
    tileOffer: null,
  },
];

/** A job of pieces on a small board: what is set, and what it must come to. */
export interface PieceWalk {
  readonly job: string;
  readonly family: FamilyName;
  readonly settings: Piece['settings'];
  readonly sheets?: Readonly<Record<string, Sheet>>;
  readonly glueId?: string;
}
/** 400 squares of 25 mm, each with a gutter of 1 mm, on four tiles. */
export const SQUARES_WALK: PieceWalk = {
  job: '400 loose 25 mm squares of 3 mm cork on four tiles',
  family: 'floor-tiles',
  settings: { squareMm: 26, gutterMm: 1, ones: 0, twos: 0, fours: 0, longs: 0, others: 4, otherAcross: 10, otherDeep: 10, made: 'squares' },
  sheets: { top: { materialId: 'cork', thicknessMm: 3 } },
};
export const WALLS_WALK: PieceWalk = {
  job: '24 wall segments of 60 × 45 mm, card between thin foam, white glue',
  family: 'walls',
  settings: { segmentMm: 60, heightMm: 45, straights: 24, gates: 0, corners: 0, tees: 0, brokenEnds: 0, core: true },
  glueId: 'white-glue',
};
