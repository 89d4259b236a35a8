import { z } from 'zod';
import { seeded } from '../../../base/random';
import { ok } from '../../../base/result';
import { mm, oneOf, whole } from '../../../plan/fields';
import type { Assembly, Face } from '../../shell';
import { SIZES, askLength, askNumber, askWay, when } from '../asks';
import { levelFace } from '../measures/enclosure';
import { type PieceShape, pieceFamily, rectangleRing, refused } from '../family';
import { driftMm, driftsOf, sparesFor } from '../measures/tolerance';

/** Squares along a tile. */
const SQUARES = { min: 1, max: 24 };
const settings = z.strictObject({
  /** One square of the grid. */
  squareMm: mm({ min: 8, max: 120 }),
  ones: whole(SIZES.count),
  twos: whole(SIZES.count),
  fours: whole(SIZES.count),
  longs: whole(SIZES.count),
  /** Tiles of any other size, in squares. */
  others: whole(SIZES.count),
  otherAcross: whole(SQUARES),
  otherDeep: whole(SQUARES),
  /** Lines scored in each square, either way. */
  scoresEach: whole({ min: 0, max: 6 }),
  made: oneOf(['cut-to-size', 'trimmed-after', 'squares']),
  /** Between single squares, laid from the middle of their board. */
  gutterMm: mm({ min: 0.2, max: 10 }),
  /** How far off a cut is, most of the time. */
  errorMm: mm({ min: 0, max: 3 }),
});
type FloorTiles = z.infer<typeof settings>;

const hasOthers = when<FloorTiles>(({ others }) => others > 0);

export const floorTiles = pieceFamily('floor-tiles', settings, {
  name: 'Loose floor tiles',
  says: 'A set of floor tiles on one grid: single squares, doubles, fours and long runs, with a scored pattern.',
  fields: [
    askLength('squareMm', 'A square', { min: 8, max: 120 }),
    askNumber('ones', '1 × 1', SIZES.count),
    askNumber('twos', '2 × 1', SIZES.count),
    askNumber('fours', '2 × 2', SIZES.count),
    askNumber('longs', '4 × 1', SIZES.count),
    askNumber('others', 'Another size', SIZES.count),
    askNumber('otherAcross', 'Squares across', SQUARES, hasOthers),
    askNumber('otherDeep', 'Squares deep', SQUARES, hasOthers),
    askNumber('scoresEach', 'Lines per square, each way', { min: 0, max: 6 }),
    askWay('made', 'Made', {
      'cut-to-size': 'both layers cut to size',
      'trimmed-after': 'glued oversize, trimmed to the board',
      squares: 'single squares laid from centre lines',
    }),
    askLength(
      'gutterMm',
      'Gutter between squares',
      { min: 0.2, max: 10 },
      when<FloorTiles>(({ made }) => made === 'squares'),
    ),
    askLength('errorMm', 'Cutting error', { min: 0, max: 3 }),
  ],
  roles: [
    { role: 'board', name: 'Board', sold: 'sheet', usual: 'board' },
    { role: 'top', name: 'Floor', sold: 'sheet', usual: 'floor' },
  ],
  clads: [],
  fresh: ({ baseMm }): FloorTiles => ({
    squareMm: Math.round(baseMm * 1.2),
    ones: 4,
    twos: 6,
    fours: 6,
    longs: 2,
    others: 0,
    otherAcross: 10,
    otherDeep: 10,
    scoresEach: 1,
    made: 'trimmed-after',
    gutterMm: 1,
    errorMm: 0.3,
  }),
  shape: (own) =>
    own.ones + own.twos + own.fours + own.longs + own.others === 0
      ? refused('ones', 'the set is empty. Enter at least one square')
      : ok(shapeOf(own)),
});

/** Floors laid by chance, always the same ones. */
const FLOORS = 400;
const SEED = 1;
/** Taken off all round when a glued tile is trimmed. */
const OVER_MM = 4;
function shapeOf(own: FloorTiles): PieceShape {
  const size = (id: string, name: string, count: number, wide: number, deep: number): Assembly => ({
    id,
    name,
    count,
    faces: tileOf(own, wide, deep),
  });
  const objects = [
    size('one', '1 × 1', own.ones, 1, 1),
    size('two', '2 × 1', own.twos, 2, 1),
    size('four', '2 × 2', own.fours, 2, 2),
    size('long', '4 × 1', own.longs, 4, 1),
    size('other', `${own.otherAcross} × ${own.otherDeep}`, own.others, own.otherAcross, own.otherDeep),
  ].filter(({ count }) => count > 0);
  const squares = own.ones + own.twos * 2 + own.fours * 4 + own.longs * 4 + own.others * own.otherAcross * own.otherDeep;
  const tiles = objects.reduce((sum, { count }) => sum + count, 0);
  const row = Math.ceil(Math.sqrt(squares));
  const strays = driftsOf(seeded(SEED), row, own.errorMm, FLOORS);
  const squareIds = [...new Set(objects.flatMap(({ faces }) => faces.slice(1).map(({ id }) => id)))];
  const isTrimmed = own.made === 'trimmed-after';
  return {
    objects,
    clear: [],
    levels: [],
    isWalkedOver: true,
    waysIn: [],
    order: isTrimmed
      ? [
          {
            does: 'glue',
            says: `Cut the floor roughly, ${OVER_MM} mm too large all round, without marking. Glue many boards on one sheet.`,
            bodyIds: ['board', 'top'],
          },
          { does: 'dry-fit', says: 'When dry, separate them and trim along the boards.', bodyIds: [] },
        ]
      : own.made === 'squares'
        ? [
            { does: 'dry-fit', says: 'Draw two centre lines on every board, square to each other.', bodyIds: ['board'] },
            {
              does: 'glue',
              says: 'Lay squares outwards from the lines with a spacer in every gutter. This halves the error.',
              bodyIds: squareIds,
            },
            { does: 'fill', says: 'Brush sand and grout into the gutters and wipe before it dries.', bodyIds: [] },
          ]
        : [{ does: 'glue', says: 'Align the edges by hand before the glue sets.', bodyIds: ['board', 'top'] }],
    rests: own.made === 'squares' ? [] : [{ bodyId: 'top', on: ['board'] }],
    ...(isTrimmed ? { oversize: [{ bodyId: 'top', overMm: OVER_MM }] } : {}),
    facts: [
      { label: 'Total squares', value: squares, unit: '1' },
      { label: 'Tiles', value: tiles, unit: '1' },
      { label: 'Spares to cut', value: sparesFor(tiles), unit: '1' },
      { label: `Drift of a row of ${row}, laid from an edge`, value: driftMm(row, own.errorMm, 'edge'), unit: 'mm' },
      { label: 'Drift when laid from the middle', value: driftMm(row, own.errorMm, 'middle'), unit: 'mm' },
      { label: 'From an edge, 1 floor in 20 drifts more than', value: strays[Math.floor(FLOORS * 0.95)]!, unit: 'mm' },
    ],
    handles: objects.map(({ id }) => ({
      key: 'squareMm',
      label: 'A square',
      objectId: id,
      at: [own.squareMm, 0, 0] as const,
      along: [1, 0, 0] as const,
      perUnitMm: 1,
      step: 1,
    })),
  };
}

function tileOf(own: FloorTiles, wide: number, deep: number): readonly Face[] {
  const [w, d] = [wide * own.squareMm, deep * own.squareMm];
  const ring = rectangleRing(0, 0, w, d);
  const free = (): { readonly joint: 'free' } => ({ joint: 'free' });
  const lines = (count: number, long: number): number[] => Array.from({ length: count }, (_, i) => (long * (i + 1)) / (count + 1));
  const across = lines(wide * (own.scoresEach + 1) - 1, w);
  const along = lines(deep * (own.scoresEach + 1) - 1, d);
  const board = levelFace({ id: 'board', name: 'Board', role: 'board' }, ring, 0, 'above', free);
  if (own.made === 'squares') return [board, ...squaresOf(own, wide, deep)];
  return [
    board,
    {
      ...levelFace({ id: 'top', name: 'Floor', role: 'top', lies: { on: 'board' }, shows: { far: 'floor' } }, ring, 0, 'above', free),
      scores: [
        ...across.map(
          (x) =>
            [
              { x, y: 0 },
              { x, y: d },
            ] as const,
        ),
        ...along.map(
          (y) =>
            [
              { x: 0, y },
              { x: w, y },
            ] as const,
        ),
      ],
    },
  ];
}

/** Single squares on their board, half a gutter in from every line of the grid. */
function squaresOf({ squareMm, gutterMm }: FloorTiles, wide: number, deep: number): readonly Face[] {
  return Array.from({ length: wide * deep }, (_, i): Face => {
    const [x, y] = [(i % wide) * squareMm, Math.floor(i / wide) * squareMm];
    const half = gutterMm / 2;
    return levelFace(
      { id: `square-${i + 1}`, name: `Square ${i + 1}`, role: 'top', lies: { on: 'board' }, shows: { far: 'floor' } },
      rectangleRing(x + half, y + half, x + squareMm - half, y + squareMm - half),
      0,
      'above',
      () => ({ joint: 'free' }),
    );
  });
}
