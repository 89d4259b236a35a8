import { z } from 'zod';
import { ok } from '../../../../base/result';
import { mm, oneOf } from '../../../../plan/fields';
import type { Bend, Face, Vec } from '../../../shell';
import { SIZES, askChoice, askLength, when } from '../../asks';
import { levelFace } from '../../measures/enclosure';
import { type PieceShape, pieceFamily, rectangleRing, refused } from '../../family';

const settings = z.strictObject({
  spanMm: mm(SIZES.lengthMm),
  /** Between the sides. */
  widthMm: mm(SIZES.lengthMm),
  deck: oneOf(['flat', 'arched']),
  /** Of the deck's top over its ends. */
  riseMm: mm({ min: 1, max: 400 }),
  parapetMm: mm({ min: 0, max: 80 }),
  /** What stands of the sides below the deck. */
  depthMm: mm({ min: 2, max: 80 }),
});
type Footbridge = z.infer<typeof settings>;

export const footbridge = pieceFamily('footbridge', settings, {
  name: 'Footbridge',
  says: 'A flat or arched deck between two sides, with a template for the arc.',
  fields: [
    askLength('spanMm', 'Span', SIZES.lengthMm),
    askLength('widthMm', 'Clear width', SIZES.lengthMm),
    askChoice('deck', 'Deck', { flat: 'flat', arched: 'arched' }),
    askLength(
      'riseMm',
      'Rise',
      { min: 1, max: 400 },
      when<Footbridge>(({ deck }) => deck === 'arched'),
    ),
    askLength('parapetMm', 'Parapet', { min: 0, max: 80 }),
    askLength('depthMm', 'Side depth below the deck', { min: 2, max: 80 }),
  ],
  roles: [
    { role: 'deck', name: 'Deck', sold: 'sheet', usual: 'card' },
    { role: 'side', name: 'Sides', sold: 'sheet', usual: 'wall' },
  ],
  clads: [{ shows: 'deck', name: 'Deck' }],
  fresh: ({ figureMm, baseMm }): Footbridge => ({
    spanMm: Math.round(baseMm * 6),
    widthMm: Math.round(baseMm * 1.4),
    deck: 'arched',
    riseMm: Math.round(figureMm * 0.6),
    parapetMm: Math.round(figureMm * 0.35),
    depthMm: Math.round(figureMm * 0.25),
  }),
  shape: (own) => refusal(own) ?? ok(shapeOf(own)),
});

/** Radius of an arc over a chord. @source R = (c²/4 + h²) ÷ 2h */
const radiusOf = ({ spanMm, riseMm }: Footbridge): number => (spanMm ** 2 / 4 + riseMm ** 2) / (2 * riseMm);

function refusal(own: Footbridge): ReturnType<typeof refused> | null {
  if (own.deck === 'flat') return null;
  if (own.riseMm > own.spanMm / 2) return refused('riseMm', `steeper than a semicircle. Enter up to ${Math.floor(own.spanMm / 2)} mm`);
  const most = radiusOf(own) / 2;
  if (own.depthMm > most) return refused('depthMm', `too deep for the curve of the arc. Enter up to ${Math.floor(most)} mm`);
  return null;
}

const FLATS = 24;
function shapeOf(own: Footbridge): PieceShape {
  const { spanMm: l, widthMm: w } = own;
  const isArched = own.deck === 'arched';
  const radius = radiusOf(own);
  const half = isArched ? Math.asin(Math.min(1, l / 2 / radius)) : 0;
  const middleZ = own.riseMm - radius;
  /** Along an arc about the same middle, left to right. */
  const arc = (r: number): [x: number, up: number][] =>
    Array.from({ length: FLATS + 1 }, (_, i) => {
      const turn = -half + (2 * half * i) / FLATS;
      return [l / 2 + r * Math.sin(turn), middleZ + r * Math.cos(turn)];
    });
  const high: [number, number][] = isArched
    ? arc(radius + own.parapetMm)
    : [
        [0, own.parapetMm],
        [l, own.parapetMm],
      ];
  const low: [number, number][] = isArched
    ? arc(radius - own.depthMm)
    : [
        [0, -own.depthMm],
        [l, -own.depthMm],
      ];
  const outline = [...low, ...[...high].reverse()];
  const side = (id: string, name: string, corners: readonly Vec[]): Face => ({
    id,
    name,
    role: 'side',
    corners,
    edges: corners.map(() => ({ joint: 'free' })),
    grows: 'out',
    shows: { far: 'sides', drawn: 'sides' },
  });
  const near = side(
    'near',
    'Front side',
    outline.map(([x, up]): Vec => [x, 0, up]),
  );
  const far = side(
    'far',
    'Back side',
    [...outline].reverse().map(([x, up]): Vec => [x, w, up]),
  );
  const flat = levelFace(
    { id: 'deck', name: 'Deck', role: 'deck', shows: { drawn: 'deck' } },
    rectangleRing(0, 0, l, w),
    0,
    'below',
    (i) => (i === 0 ? { joint: 'against', to: 'near' } : i === 2 ? { joint: 'against', to: 'far' } : { joint: 'free' }),
  );
  const bent: Bend = bentDeck({ l, middleZ, half, radius, w });
  return {
    objects: [
      { id: 'bridge', name: 'Footbridge', count: 1, faces: isArched ? [near, far] : [near, far, flat], bends: isArched ? [bent] : [] },
    ],
    clear: [],
    levels: isArched ? [] : [{ name: 'Deck', objectId: 'bridge', atMm: 0, ring: rectangleRing(0, 0, l, w), headroomMm: null }],
    isWalkedOver: true,
    waysIn: [],
    order: orderOf(isArched),
    facts: isArched
      ? [
          { label: 'Radius of the deck', value: radius, unit: 'mm' },
          { label: 'Deck length along its top', value: 2 * half * radius, unit: 'mm' },
          { label: 'Bend angle', value: (2 * half * 180) / Math.PI, unit: '°' },
        ]
      : [],
    handles: handlesOf(own, { l, w, isArched }),
  };
}

const bentDeck = ({
  l,
  middleZ,
  half,
  radius,
  w,
}: {
  readonly l: number;
  readonly middleZ: number;
  readonly half: number;
  readonly radius: number;
  readonly w: number;
}): Bend => ({
  id: 'deck',
  name: 'Deck',
  role: 'deck',
  centre: [l / 2, 0, middleZ],
  axis: [0, 1, 0],
  start: [-Math.sin(half), 0, Math.cos(half)],
  radiusMm: radius,
  turnDeg: (2 * half * 180) / Math.PI,
  outline: rectangleRing(0, 0, 2 * half * radius, w),
  grows: 'in',
  shows: { drawn: 'deck' },
});

const handlesOf = (
  own: Footbridge,
  { l, w, isArched }: { readonly l: number; readonly w: number; readonly isArched: boolean },
): PieceShape['handles'] => [
  { key: 'spanMm', label: 'Span', objectId: 'bridge', at: [l, 0, 0], along: [1, 0, 0], perUnitMm: 1, step: 1 },
  { key: 'widthMm', label: 'Clear width', objectId: 'bridge', at: [l / 2, w, 0], along: [0, 1, 0], perUnitMm: 1, step: 1 },
  ...(isArched
    ? [
        {
          key: 'riseMm',
          label: 'Rise',
          objectId: 'bridge',
          at: [l / 2, 0, own.riseMm] as Vec,
          along: [0, 0, 1] as Vec,
          perUnitMm: 1,
          step: 1,
        },
      ]
    : []),
];

const orderOf = (isArched: boolean): PieceShape['order'] => [
  {
    does: 'dry-fit',
    says: isArched ? 'Roll the deck over a tube before you glue it, so that it keeps its bend.' : 'Glue the deck between the sides.',
    bodyIds: ['deck'],
  },
  {
    does: 'glue',
    says: 'Lay one side flat on the bench, glue the deck on it, then the other side on top. Keep it square while it sets.',
    bodyIds: ['near', 'far'],
  },
];
