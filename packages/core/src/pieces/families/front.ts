import { z } from 'zod';
import type { Point } from '../../base/geometry';
import { seeded } from '../../base/random';
import { ok } from '../../base/result';
import { mm, whole, within } from '../../fields';
import type { Face, Vec } from '../../shell';
import { PIER_MM, SIZES, askLength, askNumber } from '../asks';
import { levelFace, wallOf, walled } from '../enclosure';
import { type PieceShape, type Strung, pieceFamily, rectangleRing, refused } from '../family';
import { doorAt } from '../openings';

const settings = z.strictObject({
  widthMm: mm(SIZES.lengthMm),
  heightMm: mm(SIZES.lengthMm),
  columns: whole({ min: 1, max: 12 }),
  rows: whole({ min: 1, max: 8 }),
  /** Clear inside; the lid of each is a platform for the row above. */
  boxWideMm: mm(SIZES.openingMm),
  boxHighMm: mm(SIZES.openingMm),
  boxDeepMm: mm(SIZES.openingMm),
  doorWidthMm: mm(SIZES.openingMm),
  doorHeightMm: mm(SIZES.openingMm),
  overhangMm: mm({ min: 0, max: 20 }),
  /** Of the places for boxes, so many are taken. */
  filledPct: within({ min: 10, max: 100 }, '%'),
  /** By how much boxes may stand back behind the deepest. */
  strayPct: within({ min: 0, max: 50 }, '%'),
  footMm: mm({ min: 10, max: 300 }),
  seed: whole({ min: 1, max: 9_999 }),
});
type Front = z.infer<typeof settings>;

export const front = pieceFamily('front', settings, {
  name: 'Upright front',
  says: 'A standing panel with boxes on its face, each lid a platform: a cliff town, a wall of huts.',
  fields: [
    askLength('widthMm', 'Wide', SIZES.lengthMm),
    askLength('heightMm', 'High', SIZES.lengthMm),
    askNumber('columns', 'Boxes side by side', { min: 1, max: 12 }),
    askNumber('rows', 'Boxes over one another', { min: 1, max: 8 }),
    askLength('boxWideMm', 'A box, wide', SIZES.openingMm),
    askLength('boxHighMm', 'A box, high', SIZES.openingMm),
    askLength('boxDeepMm', 'The deepest box', SIZES.openingMm),
    askLength('doorWidthMm', 'Door, width', SIZES.openingMm),
    askLength('doorHeightMm', 'Door, height', SIZES.openingMm),
    askLength('overhangMm', 'Lids jut out', { min: 0, max: 20 }),
    askNumber('filledPct', 'Places taken', { min: 10, max: 100 }, '%'),
    askNumber('strayPct', 'Boxes stand back by up to', { min: 0, max: 50 }, '%'),
    askLength('footMm', 'Foot before it', { min: 10, max: 300 }),
    askNumber('seed', 'Arrangement number', { min: 1, max: 9_999 }),
  ],
  roles: [
    { role: 'panel', name: 'Panel, foot and braces', sold: 'sheet', usual: 'wall' },
    { role: 'box', name: 'Boxes', sold: 'sheet', usual: 'roof' },
    { role: 'skewer', name: 'Skewers', sold: 'length', section: 'rod', usual: 'skewer' },
  ],
  clads: [
    { shows: 'panel', name: 'Panel' },
    { shows: 'walls', name: 'Boxes' },
    { shows: 'lids', name: 'Lids' },
  ],
  fresh: ({ figureMm, baseMm }): Front => ({
    widthMm: Math.round(baseMm * 12),
    heightMm: Math.round(figureMm * 8),
    columns: 3,
    rows: 3,
    boxWideMm: Math.round(baseMm * 1.6),
    boxHighMm: Math.round(figureMm * 1.4),
    boxDeepMm: Math.round(baseMm * 1.2),
    doorWidthMm: Math.round(baseMm * 0.5),
    doorHeightMm: Math.round(figureMm),
    overhangMm: 3,
    filledPct: 75,
    strayPct: 25,
    footMm: Math.round(baseMm * 2.4),
    seed: 4,
  }),
  shape: (own) => refusal(own) ?? ok(shapeOf(own)),
});

/** What walls, lids and floors of the stoutest sheet take between two boxes. */
const BETWEEN_MM = 14;
function refusal(own: Front): ReturnType<typeof refused> | null {
  const pitch = own.widthMm / own.columns - BETWEEN_MM - 2 * own.overhangMm;
  if (own.boxWideMm > pitch)
    return refused(
      'boxWideMm',
      `${own.columns} side by side leave ${Math.max(0, Math.floor(pitch))} mm each; fewer, or a wider panel, would do`,
    );
  const storey = own.heightMm / own.rows - BETWEEN_MM;
  if (own.boxHighMm > storey)
    return refused(
      'boxHighMm',
      `${own.rows} over one another leave ${Math.max(0, Math.floor(storey))} mm each; fewer, or a higher panel, would do`,
    );
  if (own.doorWidthMm > own.boxWideMm - 2 * PIER_MM)
    return refused('doorWidthMm', `wider than its box; up to ${Math.max(3, Math.floor(own.boxWideMm - 2 * PIER_MM))} mm would do`);
  if (own.doorHeightMm > own.boxHighMm - PIER_MM)
    return refused('doorHeightMm', `taller than its box; up to ${Math.max(3, Math.floor(own.boxHighMm - PIER_MM))} mm would do`);
  if (own.footMm < own.boxDeepMm + own.overhangMm)
    return refused(
      'footMm',
      `boxes jut out over it and it falls forward; ${Math.ceil(own.boxDeepMm + own.overhangMm)} mm or more would do`,
    );
  return null;
}

interface Box {
  readonly id: string;
  readonly name: string;
  readonly ring: readonly Point[];
  readonly lowMm: number;
  readonly deepMm: number;
}
/** Which places are taken, and how deep each box is: the same number gives the same. One box there always is. */
function boxesOf(own: Front): readonly Box[] {
  const random = seeded(own.seed);
  const [pitch, storey] = [own.widthMm / own.columns, own.heightMm / own.rows];
  return Array.from({ length: own.rows * own.columns }, (_, i): Box[] => {
    const [row, column] = [Math.floor(i / own.columns), i % own.columns];
    const [isTaken, stray] = [random() * 100 < own.filledPct, random()];
    if (!isTaken && i > 0) return [];
    const deepMm = own.boxDeepMm * (1 - (stray * own.strayPct) / 100);
    const left = (column + 0.5) * pitch - own.boxWideMm / 2;
    const ring = rectangleRing(left, -deepMm, left + own.boxWideMm, 0);
    return [
      { id: `box-${row + 1}-${column + 1}`, name: `Box ${row + 1}.${column + 1}`, ring, lowMm: row * storey + BETWEEN_MM / 2, deepMm },
    ];
  }).flat();
}

/** The side of a box that the panel closes. */
const BEHIND = 2;
function facesOf(own: Front, { id, name, ring, lowMm, deepMm }: Box): readonly Face[] {
  const walls = walled({
    id,
    name: (i) => `${name}, ${['front', 'right side', 'back', 'left side'][i]!}`,
    role: 'box',
    ring,
    fromMm: lowMm,
    topMm: () => own.boxHighMm,
    corners: 'butt',
    grows: 'out',
    bottom: { joint: 'free' },
    top: () => ({ joint: 'free' }),
    without: [BEHIND],
    openings: (i, longMm) => (i === 0 && deepMm > 0 ? [doorAt(`${id}-door`, 'Door', longMm / 2, own.doorWidthMm, own.doorHeightMm)] : []),
    shows: { far: 'walls' },
  });
  const plate = (what: string, text: string, atMm: number, thickness: 'above' | 'below', beyondMm: number): Face =>
    levelFace(
      { id: `${id}-${what}`, name: `${name}, ${text}`, role: 'box', shows: thickness === 'above' ? { far: 'lids' } : {} },
      ring,
      atMm,
      thickness,
      (i) => (i === BEHIND ? { joint: 'free' } : { joint: 'over', to: wallOf(id, i), beyondMm, square: true }),
    );
  return [...walls, plate('lid', 'lid', lowMm + own.boxHighMm, 'above', own.overhangMm), plate('floor', 'floor', lowMm, 'below', 0)];
}

function shapeOf(own: Front): PieceShape {
  const boxes = boxesOf(own);
  const { widthMm: w, heightMm: h } = own;
  const panel: Face = {
    id: 'panel',
    name: 'Panel',
    role: 'panel',
    corners: [
      [0, 0, 0],
      [w, 0, 0],
      [w, 0, h],
      [0, 0, h],
    ],
    edges: Array.from({ length: 4 }, () => ({ joint: 'free' as const })),
    grows: 'in',
    shows: { drawn: 'panel' },
  };
  const back = Math.max(BRACE_MM, h / 4);
  const foot = levelFace({ id: 'foot', name: 'Foot', role: 'panel' }, rectangleRing(0, -own.footMm, w, back + 1), 0, 'below', () => ({
    joint: 'free',
  }));
  const braces = [0.15, 0.85].map((share, i): Face => {
    const x = w * share;
    return {
      id: `brace-${i + 1}`,
      name: `Brace ${i + 1}`,
      role: 'panel',
      corners: [
        [x, 0, 0],
        [x, back, 0],
        [x, 0, h / 2],
      ],
      edges: [{ joint: 'free' }, { joint: 'free' }, { joint: 'against', to: 'panel' }],
      grows: 'in',
    };
  });
  const middle = ({ ring, lowMm, deepMm }: Box): Vec => [(ring[0]!.x + ring[1]!.x) / 2, -deepMm, lowMm + own.boxHighMm * 0.9];
  const strung = boxes.map((box): Strung => {
    const [x, y, up] = middle(box);
    return {
      id: `skewer-${box.id}`,
      name: `Skewer, ${box.name.toLowerCase()}`,
      role: 'skewer',
      objectId: 'front',
      lengthMm: box.deepMm + SKEWER_IN_MM,
      isInside: true,
      places: [
        [x, y, up],
        [x, y + box.deepMm, up],
      ],
    };
  });
  return {
    objects: [{ id: 'front', name: 'Front', count: 1, faces: [panel, foot, ...braces, ...boxes.flatMap((box) => facesOf(own, box))] }],
    clear: [],
    levels: boxes.map(({ name, ring, lowMm }) => ({
      name: `${name}, lid`,
      objectId: 'front',
      atMm: lowMm + own.boxHighMm,
      ring,
      headroomMm: null,
    })),
    // Boxes are closed: their doors are for the eye.
    waysIn: [],
    strung,
    order: [
      { does: 'glue', says: 'Panel on its foot, both braces behind it, square.', bodyIds: ['panel', 'foot', 'brace-1', 'brace-2'] },
      { does: 'paint', says: 'Paint the panel where boxes will hide it, and every box inside: no brush goes there later.', bodyIds: [] },
      {
        does: 'glue',
        says: 'Boxes from the lowest row up, each put together before it goes on.',
        bodyIds: boxes.flatMap((box) => facesOf(own, box).map(({ id }) => id)),
      },
      { does: 'pin', says: 'A skewer through every box into the panel: bumps in handling are met by it.', bodyIds: [] },
      { does: 'place', says: 'Leave railings off where a hand must reach in.', bodyIds: [] },
    ],
    facts: [
      { label: 'Boxes', value: boxes.length, unit: '1' },
      { label: 'From lid to lid', value: h / own.rows, unit: 'mm' },
    ],
    handles: [
      { key: 'widthMm', label: 'Wide', objectId: 'front', at: [w, 0, 0], along: [1, 0, 0], perUnitMm: 1, step: 1 },
      { key: 'heightMm', label: 'High', objectId: 'front', at: [0, 0, h], along: [0, 0, 1], perUnitMm: 1, step: 1 },
    ],
  };
}
/** A brace is at least so deep, whatever the panel is made of. */
const BRACE_MM = 20;
/** A skewer goes so far into what is behind the box. */
const SKEWER_IN_MM = 12;
