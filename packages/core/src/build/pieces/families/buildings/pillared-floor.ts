import { z } from 'zod';
import { type Point, areaMm2 } from '../../../../base/geometry';
import { ok } from '../../../../base/result';
import { mm, oneOf, whole, within, yesOrNo } from '../../../../plan/fields';
import type { Bar, Face } from '../../../shell';
import { LIFT_MM, SIZES, askChoice, askLength, askNumber, askTick } from '../../asks';
import { inFaceOf, levelFace } from '../../measures/enclosure';
import { type PieceShape, pieceFamily, rectangleRing, refused } from '../../family';

const settings = z.strictObject({
  basesWide: within(SIZES.bases, 'bases'),
  basesDeep: within(SIZES.bases, 'bases'),
  steps: whole({ min: 1, max: 6 }),
  /** How far each step reaches beyond the one above it. */
  treadMm: mm({ min: 4, max: 60 }),
  columnMm: mm(SIZES.wallMm),
  /** Columns about so far apart from middle to middle: gaps are solved equal. */
  spacingMm: mm({ min: 8, max: 400 }),
  /** From the edge of the floor to the middle of a column. */
  insetMm: mm({ min: 3, max: 80 }),
  columns: oneOf(['round-it', 'front-and-back', 'all-over']),
  roof: yesOrNo(),
});
type Pillared = z.infer<typeof settings>;

export const pillaredFloor = pieceFamily('pillared-floor', settings, {
  name: 'Pillared floor',
  says: 'A floor on steps with evenly spaced columns: flagstones where you see them, cheap filling where you do not.',
  fields: [
    askNumber('basesWide', 'Width in bases', SIZES.bases, { step: 0.5 }),
    askNumber('basesDeep', 'Depth in bases', SIZES.bases, { step: 0.5 }),
    askNumber('steps', 'Steps', { min: 1, max: 6 }),
    askLength('treadMm', 'Tread', { min: 4, max: 60 }),
    askChoice('columns', 'Columns', {
      'round-it': 'round the edge',
      'front-and-back': 'along front and back',
      'all-over': 'in rows all over',
    }),
    askLength('spacingMm', 'Approximate column spacing', { min: 8, max: 400 }),
    askLength('insetMm', 'Distance from the edge', { min: 3, max: 80 }),
    askLength('columnMm', 'Columns, height', SIZES.wallMm),
    askTick('roof', 'Removable roof'),
  ],
  roles: [
    { role: 'core', name: 'Filling of the steps', sold: 'sheet', usual: 'layer' },
    { role: 'flag', name: 'Flags', sold: 'sheet', usual: 'card' },
    { role: 'column', name: 'Columns', sold: 'length', section: 'tube', usual: 'tube' },
    { role: 'frame', name: 'Frame on the columns', sold: 'sheet', usual: 'floor' },
    { role: 'roof', name: 'Roof', sold: 'sheet', usual: 'roof' },
  ],
  clads: [
    { shows: 'flags', name: 'Floor and treads' },
    { shows: 'roof', name: 'Roof' },
  ],
  fresh: ({ figureMm, baseMm }): Pillared => ({
    basesWide: 6,
    basesDeep: 4,
    steps: 3,
    treadMm: Math.round(baseMm * 0.4),
    columnMm: Math.round(figureMm * 1.8),
    spacingMm: Math.round(baseMm * 1.4),
    insetMm: Math.round(baseMm * 0.4),
    columns: 'round-it',
    roof: false,
  }),
  shape: (own, { baseMm }) => refusal(own, baseMm) ?? ok(shapeOf(own, baseMm)),
});

/** The stoutest column, and what is left beside it. */
const STOUTEST_MM = 6;
function refusal(own: Pillared, baseMm: number): ReturnType<typeof refused> | null {
  const least = Math.min(own.basesWide, own.basesDeep) * baseMm;
  const most = Math.floor(least / 2 - STOUTEST_MM);
  if (own.insetMm > most) return refused('insetMm', `columns of both sides would touch. Enter up to ${Math.max(3, most)} mm`);
  const count = columnsAt(own, baseMm).length;
  if (count > MAX_COLUMNS) return refused('spacingMm', `gives ${count} columns. The limit is ${MAX_COLUMNS}: use a wider spacing`);
  return null;
}
const MAX_COLUMNS = 120;

/** Equal gaps between two ends, about as wide as asked. */
function spread(fromMm: number, toMm: number, spacingMm: number): readonly number[] {
  const gaps = Math.max(1, Math.round((toMm - fromMm) / spacingMm));
  return Array.from({ length: gaps + 1 }, (_, i) => fromMm + ((toMm - fromMm) * i) / gaps);
}
function columnsAt(own: Pillared, baseMm: number): readonly Point[] {
  const xs = spread(own.insetMm, own.basesWide * baseMm - own.insetMm, own.spacingMm);
  const ys = spread(own.insetMm, own.basesDeep * baseMm - own.insetMm, own.spacingMm);
  return ys.flatMap((y, row) =>
    xs.flatMap((x, i) => {
      const isFront = row === 0 || row === ys.length - 1;
      const isSide = i === 0 || i === xs.length - 1;
      const stands = own.columns === 'all-over' || isFront || (own.columns === 'round-it' && isSide);
      return stands ? [{ x, y }] : [];
    }),
  );
}

function shapeOf(own: Pillared, baseMm: number): PieceShape {
  const [w, d] = [own.basesWide * baseMm, own.basesDeep * baseMm];
  const ring = (outMm: number): readonly Point[] => rectangleRing(-outMm, -outMm, w + outMm, d + outMm);
  const free = (): { readonly joint: 'free' } => ({ joint: 'free' });
  const flags = levelFace({ id: 'flags', name: 'Flags', role: 'flag', shows: { drawn: 'flags' } }, ring(0), 0, 'below', free);
  // From the top down: each layer under the one before, and flags on what it reaches beyond it.
  const layers = layersOf(own, { ring, free, w, d });
  const places = columnsAt(own, baseMm);
  const columns = places.map(({ x, y }, i): Bar => ({
    id: `column-${i + 1}`,
    name: `Column ${i + 1}`,
    role: 'column',
    from: [x, y, 0],
    to: [x, y, own.columnMm],
    across: [1, 0, 0],
    ends: [
      { joint: 'against', to: 'flags' },
      { joint: 'against', to: 'frame' },
    ],
  }));
  const inner = rectangleRing(2 * own.insetMm, 2 * own.insetMm, w - 2 * own.insetMm, d - 2 * own.insetMm);
  const isOpen = own.columns !== 'all-over' && w - 4 * own.insetMm > FRAME_MM && d - 4 * own.insetMm > FRAME_MM;
  const frame = levelFace(
    {
      id: 'frame',
      name: 'Frame',
      role: 'frame',
      ...(isOpen ? { openings: [{ id: 'open', name: 'Open middle', kind: 'hole', ring: inFaceOf(ring(0), inner) }] } : {}),
      shows: { far: 'frame' },
    },
    ring(0),
    own.columnMm,
    'above',
    free,
  );
  const roofs = own.roof
    ? [
        levelFace(
          { id: 'roof', name: 'Roof', role: 'roof', lies: { on: 'frame' }, shows: { far: 'roof' } },
          ring(0),
          own.columnMm,
          'above',
          free,
        ),
      ]
    : [];
  const [first, second] = [places[0]!, places[1]!];
  const filled = layers.filter(({ role }) => role === 'core').reduce((sum, { corners }) => sum + mm2Of(corners), 0);
  const outer = mm2Of(ring(own.treadMm * (own.steps - 1)).map(({ x, y }) => [x, y, 0] as const));
  return {
    objects: [{ id: 'floor', name: 'Pillared floor', count: 1, faces: [flags, ...layers, frame, ...roofs], bars: columns }],
    clear: [
      {
        name: 'Under the frame',
        objectId: 'floor',
        from: [(first.x + second.x) / 2, first.y, 0],
        to: [(first.x + second.x) / 2, first.y, own.columnMm],
      },
    ],
    levels: [
      {
        name: 'Floor',
        objectId: 'floor',
        atMm: 0,
        ring: ring(0),
        headroomMm: own.roof || !isOpen ? own.columnMm : null,
        raisedBy: 'columnMm',
      },
    ],
    waysIn: [],
    order: orderOf(own, { layers, columns }),
    liftsOff: own.roof ? [{ name: 'Roof', bodyIds: ['roof'] }] : [],
    rests: restsOf(own, layers),
    facts: factsOf(own, { places, second, first, outer, filled }),
    handles: handlesOf(baseMm, own, { w, d }),
  };
}

const factsOf = (
  own: Pillared,
  {
    places,
    second,
    first,
    outer,
    filled,
  }: { readonly places: readonly Point[]; readonly second: Point; readonly first: Point; readonly outer: number; readonly filled: number },
): PieceShape['facts'] => [
  { label: 'Columns', value: places.length, unit: '1' },
  { label: 'Column spacing', value: second.x - first.x, unit: 'mm' },
  { label: 'Visible flagstones', value: outer, unit: 'mm²' },
  { label: 'Filling below them', value: filled, unit: 'mm²' },
  { label: 'Gauge strip', value: own.treadMm, unit: 'mm' },
];

const handlesOf = (baseMm: number, own: Pillared, { w, d }: { readonly w: number; readonly d: number }): PieceShape['handles'] => [
  { key: 'basesWide', label: 'Width in bases', objectId: 'floor', at: [w, d / 2, 0], along: [1, 0, 0], perUnitMm: baseMm, step: 0.5 },
  { key: 'basesDeep', label: 'Depth in bases', objectId: 'floor', at: [w / 2, d, 0], along: [0, 1, 0], perUnitMm: baseMm, step: 0.5 },
  { key: 'columnMm', label: 'Columns', objectId: 'floor', at: [0, 0, own.columnMm], along: [0, 0, 1], perUnitMm: 1, step: 1 },
];

const restsOf = (own: Pillared, layers: readonly Face[]): PieceShape['rests'] => [
  ...layers
    .filter(({ role }) => role === 'core')
    .slice(1)
    .map((_, i) => ({ bodyId: `core-${i + 1}`, on: [`core-${i + 2}`] })),
  { bodyId: 'flags', on: ['core-1'] },
  ...(own.roof ? [{ bodyId: 'roof', on: ['frame'] }] : []),
];

const layersOf = (
  own: Pillared,
  {
    ring,
    free,
    w,
    d,
  }: {
    readonly ring: (outMm: number) => readonly Point[];
    readonly free: () => { readonly joint: 'free' };
    readonly w: number;
    readonly d: number;
  },
): readonly Face[] =>
  Array.from({ length: own.steps }, (_, i): Face[] => {
    const outline = ring(own.treadMm * i);
    const core = levelFace(
      { id: `core-${i + 1}`, name: `Filling, step ${own.steps - i}`, role: 'core', lies: { on: i === 0 ? 'flags' : `core-${i}` } },
      outline,
      0,
      'below',
      free,
    );
    if (i === 0) return [core];
    const [outMm, inMm] = [own.treadMm * i, own.treadMm * (i - 1) + LIFT_MM / 2];
    const strips = [
      ['front', rectangleRing(-outMm, -outMm, w + outMm, -inMm)],
      ['back', rectangleRing(-outMm, d + inMm, w + outMm, d + outMm)],
      ['left', rectangleRing(-outMm, -inMm, -inMm, d + inMm)],
      ['right', rectangleRing(w + inMm, -inMm, w + outMm, d + inMm)],
    ] as const;
    const treads = strips.map(([side, strip]) =>
      levelFace(
        {
          id: `tread-${i + 1}-${side}`,
          name: `Flags, step ${own.steps - i}, ${side}`,
          role: 'flag',
          lies: { on: `core-${i + 1}` },
          shows: { far: 'flags' },
        },
        strip,
        0,
        'above',
        free,
      ),
    );
    return [core, ...treads];
  }).flat();

const orderOf = (
  own: Pillared,
  { layers, columns }: { readonly layers: readonly Face[]; readonly columns: readonly Bar[] },
): PieceShape['order'] => [
  {
    does: 'glue',
    says: `Build the filling from the lowest step up. A gauge strip ${own.treadMm} mm wide marks each margin.`,
    bodyIds: [...layers].reverse().flatMap(({ id, role }) => (role === 'core' ? [id] : [])),
  },
  {
    does: 'glue',
    says: 'Lay flagstones on the treads first and the floor last, so that joints do not line up.',
    bodyIds: [...layers.flatMap(({ id, role }) => (role === 'flag' ? [id] : [])), 'flags'],
  },
  {
    does: 'pin',
    says: 'Set the columns on pins, plumb: the four corners first, the others along a thread between them.',
    bodyIds: columns.map(({ id }) => id),
  },
  { does: 'glue', says: 'Glue the frame on all columns at once and weigh it down.', bodyIds: ['frame'] },
  ...(own.roof ? [{ does: 'place' as const, says: 'Leave the roof loose.', bodyIds: ['roof'] }] : []),
];
/** A frame with less of an opening than this is a slab. */
const FRAME_MM = 10;
const mm2Of = (corners: readonly (readonly [number, number, number])[]): number =>
  areaMm2({ rings: [corners.map(([x, y]) => ({ x, y }))] });
