import { z } from 'zod';
import { ok } from '../../../../base/result';
import { mm, whole, yesOrNo } from '../../../../plan/fields';
import type { Face, Vec } from '../../../shell';
import { SIZES, askLength, askNumber, askTick } from '../../asks';
import { type PieceShape, pieceFamily, refused } from '../../family';

const settings = z.strictObject({
  widthMm: mm(SIZES.lengthMm),
  steps: whole({ min: 1, max: 40 }),
  riserMm: mm({ min: 1, max: 40 }),
  treadMm: mm({ min: 2, max: 80 }),
  /** A wall across the back, as high as the top step. */
  back: yesOrNo(),
});
type Stairs = z.infer<typeof settings>;

export const stairs = pieceFamily('stairs', settings, {
  name: 'Flight of steps',
  says: 'Treads and risers between two strings, open underneath.',
  fields: [
    askLength('widthMm', 'Clear width', SIZES.lengthMm),
    askNumber('steps', 'Steps', { min: 1, max: 40 }),
    askLength('riserMm', 'Riser', { min: 1, max: 40 }),
    askLength('treadMm', 'Tread', { min: 2, max: 80 }),
    askTick('back', 'Closed back'),
  ],
  roles: [
    { role: 'string', name: 'Strings', sold: 'sheet', usual: 'wall' },
    { role: 'tread', name: 'Treads and risers', sold: 'sheet', usual: 'card' },
  ],
  clads: [{ shows: 'treads', name: 'Treads' }],
  fresh: ({ figureMm, baseMm }): Stairs => ({
    widthMm: Math.round(baseMm * 1.4),
    steps: 6,
    riserMm: Math.round((figureMm / 7) * 2) / 2,
    treadMm: Math.round(baseMm * 0.4),
    back: true,
  }),
  shape: (own) => refusal(own) ?? ok(shapeOf(own)),
});

function refusal({ riserMm, treadMm }: Stairs): ReturnType<typeof refused> | null {
  // A tread that is no deeper than its riser is thick leaves nothing between.
  if (treadMm < MAX_STOCK_MM) return refused('treadMm', `leaves no room behind the riser. Enter ${MAX_STOCK_MM} mm or more`);
  if (riserMm < 2) return refused('riserMm', 'too thin to cut from card. Enter 2 mm or more');
  return null;
}
const MAX_STOCK_MM = 4;

function shapeOf({ widthMm: w, steps: n, riserMm: r, treadMm: t, back }: Stairs): PieceShape {
  const long = n * t;
  const zigzag = Array.from({ length: n }, (_, i) => [
    [i * t, i * r],
    [i * t, (i + 1) * r],
  ]).flat() as [number, number][];
  const left: Vec[] = [[0, long, 0], ...zigzag.map(([y, up]): Vec => [0, y, up]), [0, long, n * r]];
  const right: Vec[] = [[w, 0, 0], [w, long, 0], [w, long, n * r], ...[...zigzag.slice(1)].reverse().map(([y, up]): Vec => [w, y, up])];
  const string = (id: string, name: string, corners: readonly Vec[]): Face => ({
    id,
    name,
    role: 'string',
    corners,
    edges: corners.map(() => ({ joint: 'free' })),
    grows: 'out',
    shows: { far: 'walls' },
  });
  const treads = treadsOf({ n, t, r, w, back });
  const risers = risersOf({ n, t, r, w });
  const closed: Face[] = back
    ? [
        {
          id: 'back',
          name: 'Back',
          role: 'tread',
          corners: [
            [w, long, 0],
            [0, long, 0],
            [0, long, n * r],
            [w, long, n * r],
          ],
          edges: [{ joint: 'free' }, { joint: 'over', to: 'left' }, { joint: 'free' }, { joint: 'over', to: 'right' }],
          grows: 'out',
        },
      ]
    : [];
  return {
    objects: [
      {
        id: 'stairs',
        name: 'Flight',
        count: 1,
        faces: [string('left', 'Left string', left), string('right', 'Right string', right), ...treads, ...risers, ...closed],
      },
    ],
    clear: [{ name: 'Clear width', objectId: 'stairs', from: [0, t - 0.08, 0.02], to: [w, t - 0.08, 0.02] }],
    levels: [],
    isWalkedOver: true,
    waysIn: [],
    order: orderOf({ treads, risers, closed }),
    facts: [
      { label: 'Total rise', value: n * r, unit: 'mm' },
      { label: 'Footprint length', value: long, unit: 'mm' },
    ],
    handles: handlesOf({ w, long, n, r, t }),
  };
}

const handlesOf = ({
  w,
  long,
  n,
  r,
  t,
}: {
  readonly w: number;
  readonly long: number;
  readonly n: number;
  readonly r: number;
  readonly t: number;
}): PieceShape['handles'] => [
  { key: 'widthMm', label: 'Clear width', objectId: 'stairs', at: [w, 0, 0], along: [1, 0, 0], perUnitMm: 1, step: 1 },
  { key: 'steps', label: 'Steps', objectId: 'stairs', at: [w / 2, long, n * r], along: [0, 1, 0], perUnitMm: t, step: 1 },
];

const risersOf = ({ n, t, r, w }: { readonly n: number; readonly t: number; readonly r: number; readonly w: number }): readonly Face[] =>
  Array.from({ length: n }, (_, i): Face => ({
    id: `riser-${i + 1}`,
    name: `Riser ${i + 1}`,
    role: 'tread',
    corners: [
      [0, i * t, i * r],
      [w, i * t, i * r],
      [w, i * t, (i + 1) * r],
      [0, i * t, (i + 1) * r],
    ],
    edges: [
      i === 0 ? { joint: 'free' } : { joint: 'against', to: `tread-${i}` },
      { joint: 'against', to: 'right' },
      { joint: 'against', to: `tread-${i + 1}` },
      { joint: 'against', to: 'left' },
    ],
    grows: 'in',
    shows: { drawn: 'treads' },
  }));

const treadsOf = ({
  n,
  t,
  r,
  w,
  back,
}: {
  readonly n: number;
  readonly t: number;
  readonly r: number;
  readonly w: number;
  readonly back: boolean;
}): readonly Face[] =>
  Array.from({ length: n }, (_, i): Face => ({
    id: `tread-${i + 1}`,
    name: `Tread ${i + 1}`,
    role: 'tread',
    corners: [
      [0, i * t, (i + 1) * r],
      [w, i * t, (i + 1) * r],
      [w, (i + 1) * t, (i + 1) * r],
      [0, (i + 1) * t, (i + 1) * r],
    ],
    edges: [
      { joint: 'free' },
      { joint: 'against', to: 'right' },
      i < n - 1 ? { joint: 'past', to: `riser-${i + 2}` } : back ? { joint: 'against', to: 'back' } : { joint: 'free' },
      { joint: 'against', to: 'left' },
    ],
    grows: 'in',
    shows: { drawn: 'treads' },
  }));

const orderOf = ({
  treads,
  risers,
  closed,
}: {
  readonly treads: readonly Face[];
  readonly risers: readonly Face[];
  readonly closed: readonly Face[];
}): PieceShape['order'] => [
  {
    does: 'glue',
    says: 'Glue risers and treads to one string, from the lowest up.',
    bodyIds: ['left', ...treads.flatMap(({ id }, i) => [risers[i]!.id, id])],
  },
  {
    does: 'glue',
    says: 'Glue the second string, flush with the steps. The back panel covers both.',
    bodyIds: ['right', ...closed.map(({ id }) => id)],
  },
];
