import { z } from 'zod';
import { ok } from '../../../../base/result';
import { mm, whole, yesOrNo } from '../../../../plan/fields';
import type { Bar, Face, Row, Vec } from '../../../shell';
import { SIZES, askLength, askNumber, askTick } from '../../asks';
import { levelFace } from '../../measures/enclosure';
import { type PieceShape, pieceFamily, rectangleRing, refused } from '../../family';

const settings = z.strictObject({
  lengthMm: mm(SIZES.lengthMm),
  widthMm: mm(SIZES.lengthMm),
  /** Of what is walked on, over the ground. */
  deckMm: mm({ min: 8, max: 400 }),
  /** Pairs of props under it. */
  props: whole({ min: 0, max: 20 }),
  /** Bars across under the mesh. */
  bearers: whole({ min: 0, max: 60 }),
  /** A second frame on the mesh, flush with the first. */
  upper: yesOrNo(),
});
type Walkway = z.infer<typeof settings>;

export const walkway = pieceFamily('walkway', settings, {
  name: 'Walkway or platform',
  says: 'Frame, mesh and frame on props, at ground level or raised.',
  fields: [
    askLength('lengthMm', 'Length', SIZES.lengthMm),
    askLength('widthMm', 'Width', SIZES.lengthMm),
    askLength('deckMm', 'Height above ground', { min: 8, max: 400 }),
    askNumber('props', 'Prop pairs', { min: 0, max: 20 }),
    askNumber('bearers', 'Crossbars', { min: 0, max: 60 }),
    askTick('upper', 'Upper frame'),
  ],
  roles: [
    { role: 'mesh', name: 'Mesh', sold: 'sheet', usual: 'card' },
    { role: 'frame', name: 'Frame', sold: 'length', usual: 'strip' },
    { role: 'prop', name: 'Props', sold: 'length', usual: 'strip', within: 'frame' },
  ],
  clads: [{ shows: 'deck', name: 'Deck' }],
  fresh: ({ figureMm, baseMm }): Walkway => ({
    lengthMm: Math.round(baseMm * 6),
    widthMm: Math.round(baseMm * 1.6),
    deckMm: Math.round(figureMm * 1.5),
    props: 3,
    bearers: 5,
    upper: true,
  }),
  shape: (own) => refusal(own) ?? ok(shapeOf(own)),
});

/** What the widest strip takes on either side, and so much between. */
const MIN_WIDE_MM = 14;
/** A prop as wide as the widest strip, and so much air. */
const PROP_MM = 10;
function refusal({ lengthMm, widthMm, props, bearers }: Walkway): ReturnType<typeof refused> | null {
  if (widthMm < MIN_WIDE_MM) return refused('widthMm', `leaves no space between the rails. Enter ${MIN_WIDE_MM} mm or more`);
  if (lengthMm < MIN_WIDE_MM) return refused('lengthMm', `leaves no space between the ends. Enter ${MIN_WIDE_MM} mm or more`);
  const most = Math.floor(lengthMm / PROP_MM);
  if (props > most) return refused('props', `${most} fit under ${lengthMm} mm. Enter up to ${most}`);
  const bars = Math.max(0, Math.floor((lengthMm - MIN_WIDE_MM) / PROP_MM));
  if (bearers > bars) return refused('bearers', `${bars} fit side by side. Enter up to ${bars}`);
  return null;
}

function shapeOf({ lengthMm: l, widthMm: w, deckMm: z0, props, bearers, upper }: Walkway): PieceShape {
  const mesh: Face = levelFace(
    { id: 'mesh', name: 'Mesh', role: 'mesh', shows: { far: 'deck' } },
    rectangleRing(0, 0, l, w),
    z0,
    'above',
    () => ({ joint: 'free' }),
  );
  const frameOf = frameBuilder({ z0, l, w });
  const bearer = bearerRow({ bearers, z0, w });
  const legs = legsOf({ props, l, w, z0 });
  const [lower, over] = [frameOf('frame', 'Frame', 1), upper ? frameOf('upper', 'Upper frame', -1) : []];
  return {
    objects: [
      { id: 'walkway', name: 'Walkway', count: 1, faces: [mesh], bars: [...lower, ...over, ...(bearers > 0 ? [bearer] : []), ...legs] },
    ],
    clear: [],
    levels: [{ name: 'Deck', objectId: 'walkway', atMm: z0, ring: rectangleRing(0, 0, l, w), headroomMm: null }],
    isWalkedOver: true,
    waysIn: [],
    order: orderOf({ lower, over, legs }),
    rests: [{ bodyId: 'mesh', on: ['frame-near', 'frame-far'] }, ...over.map(({ id }) => ({ bodyId: id, on: ['mesh'] }))],
    facts: props > 1 ? [{ label: 'Prop spacing', value: l / props, unit: 'mm' as const }] : [],
    handles: handlesOf({ l, z0, w }),
  };
}

const legsOf = ({
  props,
  l,
  w,
  z0,
}: {
  readonly props: number;
  readonly l: number;
  readonly w: number;
  readonly z0: number;
}): readonly Bar[] =>
  Array.from({ length: props }, (_, i) =>
    (['near', 'far'] as const).map((side): Bar => {
      const x = (l * (2 * i + 1)) / (2 * props);
      const y = side === 'near' ? 0 : w;
      return {
        id: `prop-${i + 1}-${side}`,
        name: `Prop ${i + 1}, ${side}`,
        role: 'prop',
        from: [x, y, 0],
        to: [x, y, z0],
        across: [1, 0, 0],
        runs: [0, side === 'near' ? -1 : 1],
        ends: [{ joint: 'free' }, { joint: 'against', to: `frame-${side}` }],
      };
    }),
  ).flat();

const bearerRow = ({ bearers, z0, w }: { readonly bearers: number; readonly z0: number; readonly w: number }): Row => ({
  id: 'bearer',
  name: 'Crossbar',
  count: bearers,
  between: { bodies: ['frame-left', 'frame-right'], along: [1, 0, 0] },
  bar: {
    role: 'frame',
    from: [0, 0, z0],
    to: [0, w, z0],
    across: [-1, 0, 0],
    runs: [0, 1],
    ends: [
      { joint: 'against', to: 'frame-near' },
      { joint: 'against', to: 'frame-far' },
    ],
  },
});

/** Under the mesh the top of a frame is at the line, over it its foot. */
const frameBuilder =
  ({ z0, l, w }: { readonly z0: number; readonly l: number; readonly w: number }): ((id: string, name: string, upTo: 1 | -1) => Bar[]) =>
  (id: string, name: string, upTo: 1 | -1): Bar[] => {
    const lies = upTo === 1 ? {} : { touches: [{ bodies: ['mesh'], along: [0, 0, -1] as Vec }] };
    const z = upTo === 1 ? z0 : z0 + HOVER_MM;
    const rail = (side: string, y: number, acrossTo: 1 | -1): Bar => ({
      id: `${id}-${side}`,
      name: `${name}, ${side} rail`,
      role: 'frame',
      from: [0, y, z],
      to: [l, y, z],
      across: [0, 1, 0],
      runs: [acrossTo, upTo],
      ...lies,
    });
    const end = (side: string, x: number, acrossTo: 1 | -1): Bar => ({
      id: `${id}-${side}`,
      name: `${name}, ${side} end`,
      role: 'frame',
      from: [x, 0, z],
      to: [x, w, z],
      across: [-1, 0, 0],
      runs: [acrossTo, upTo],
      ends: [
        { joint: 'against', to: `${id}-near` },
        { joint: 'against', to: `${id}-far` },
      ],
      ...lies,
    });
    return [rail('near', 0, -1), rail('far', w, 1), end('left', 0, 1), end('right', l, -1)];
  };

const handlesOf = ({ l, z0, w }: { readonly l: number; readonly z0: number; readonly w: number }): PieceShape['handles'] => [
  { key: 'lengthMm', label: 'Length', objectId: 'walkway', at: [l, 0, z0], along: [1, 0, 0], perUnitMm: 1, step: 1 },
  { key: 'widthMm', label: 'Width', objectId: 'walkway', at: [0, w, z0], along: [0, 1, 0], perUnitMm: 1, step: 1 },
  { key: 'deckMm', label: 'Height above ground', objectId: 'walkway', at: [0, 0, z0], along: [0, 0, 1], perUnitMm: 1, step: 1 },
];

const orderOf = ({
  lower,
  over,
  legs,
}: {
  readonly lower: readonly Bar[];
  readonly over: readonly Bar[];
  readonly legs: readonly Bar[];
}): PieceShape['order'] => [
  {
    does: 'glue',
    says: 'Glue the lower frame on a flat board; measure the diagonals to get it square.',
    bodyIds: lower.map(({ id }) => id),
  },
  { does: 'glue', says: 'Add the crossbars, level with the rails.', bodyIds: [] },
  { does: 'paint', says: 'Paint frame and mesh before you join them: you cannot reach behind the mesh.', bodyIds: [] },
  {
    does: 'glue',
    says: 'Glue the mesh to the frame and the second frame to the mesh. Weigh everything down.',
    bodyIds: ['mesh', ...over.map(({ id }) => id)],
  },
  { does: 'pin', says: 'Fit the props on pins, plumb, the first and the last before the others.', bodyIds: legs.map(({ id }) => id) },
];
/** From so far above the upper frame comes down onto the mesh. */
const HOVER_MM = 40;
