import { z } from 'zod';
import { ok } from '../../../../base/result';
import { mm, oneOf, whole } from '../../../../plan/fields';
import type { Bar, EdgeJoint, Face } from '../../../shell';
import { SIZES, askChoice, askLength, askNumber, when } from '../../asks';
import { CORNER_TEXTS, levelFace, regularRing, wallOf, walled } from '../../measures/enclosure';
import { gapDeg } from '../../measures/tolerance';
import { type PieceShape, pieceFamily, refused } from '../../family';

const settings = z.strictObject({
  sides: whole(SIZES.sides),
  /** Across the flats, inside. */
  acrossMm: mm(SIZES.lengthMm),
  wallMm: mm(SIZES.wallMm),
  corners: oneOf(['mitre', 'butt', 'v-fold', 'score-fold']),
  /** Layers under it, each wider than the one above by the margin, all round alike. */
  plinthLayers: whole({ min: 0, max: 8 }),
  marginMm: mm({ min: 1, max: 100 }),
  /** A rim that covers the walls and juts out by so much; 0 for none. */
  rimOutMm: mm(SIZES.overhangMm),
  /** Rods out of the walls that water would run from, spread round. */
  spouts: whole({ min: 0, max: 16 }),
  spoutMm: mm({ min: 2, max: 60 }),
  pillar: oneOf(['none', 'square', 'stepped']),
  pillarMm: mm(SIZES.wallMm),
  pillarWideMm: mm(SIZES.openingMm),
});
type Basin = z.infer<typeof settings>;

export const basin = pieceFamily('basin', settings, {
  name: 'Basin',
  says: 'A basin with any number of sides on a stepped plinth with equal margins. A pillar is optional.',
  fields: [
    askNumber('sides', 'Sides', SIZES.sides),
    askLength('acrossMm', 'Inside width across flats', SIZES.lengthMm),
    askLength('wallMm', 'Wall', SIZES.wallMm),
    askChoice('corners', 'Corners', CORNER_TEXTS),
    askNumber('plinthLayers', 'Plinth layers', { min: 0, max: 8 }),
    askLength(
      'marginMm',
      'Margin per layer',
      { min: 1, max: 100 },
      when<Basin>(({ plinthLayers }) => plinthLayers > 0),
    ),
    askLength('rimOutMm', 'Rim overhang', SIZES.overhangMm),
    askNumber('spouts', 'Spouts', { min: 0, max: 16 }),
    askLength(
      'spoutMm',
      'Spout projection',
      { min: 2, max: 60 },
      when<Basin>(({ spouts }) => spouts > 0),
    ),
    askChoice('pillar', 'Pillar', { none: 'none', square: 'square', stepped: 'square on a step' }),
    askLength(
      'pillarMm',
      'Pillar, height',
      SIZES.wallMm,
      when<Basin>(({ pillar }) => pillar !== 'none'),
    ),
    askLength(
      'pillarWideMm',
      'Pillar, width',
      SIZES.openingMm,
      when<Basin>(({ pillar }) => pillar !== 'none'),
    ),
  ],
  roles: [
    { role: 'wall', name: 'Walls', sold: 'sheet', usual: 'wall' },
    { role: 'floor', name: 'Floor and plinth', sold: 'sheet', usual: 'floor' },
    { role: 'rim', name: 'Rim', sold: 'sheet', usual: 'card' },
    { role: 'spout', name: 'Spouts', sold: 'length', section: 'rod', usual: 'spout' },
  ],
  clads: [
    { shows: 'walls', name: 'Walls outside' },
    { shows: 'inside', name: 'Walls inside' },
    { shows: 'plinth', name: 'Plinth' },
  ],
  fresh: ({ figureMm, baseMm }): Basin => ({
    sides: 8,
    acrossMm: Math.round(baseMm * 3),
    wallMm: Math.round(figureMm * 0.5),
    corners: 'mitre',
    plinthLayers: 2,
    marginMm: Math.round(baseMm * 0.4),
    rimOutMm: 0,
    spouts: 0,
    spoutMm: Math.round(figureMm * 0.2),
    pillar: 'none',
    pillarMm: Math.round(figureMm * 1.5),
    pillarWideMm: Math.round(baseMm * 0.5),
  }),
  shape: (own) => refusal(own) ?? ok(shapeOf(own)),
});

function refusal(own: Basin): ReturnType<typeof refused> | null {
  const most = own.acrossMm / 2;
  if (own.spouts > own.sides) return refused('spouts', `at most one per side. Enter up to ${own.sides}`);
  if (own.spouts > 0 && own.wallMm < 2 * SPOUT_MM) return refused('wallMm', `too low for a spout. Enter ${2 * SPOUT_MM} mm or more`);
  if (own.pillar !== 'none' && own.pillarWideMm > most)
    return refused('pillarWideMm', `leaves no room in the basin. Enter up to ${Math.floor(most)} mm`);
  return null;
}

/** A spout lies in the middle of a wall at least this high on either side of it. */
const SPOUT_MM = 4;

/** Straight out of the middles of walls, as evenly spread as their number allows. */
function spoutsOf(own: Basin, ring: ReturnType<typeof regularRing>): readonly Bar[] {
  return Array.from({ length: own.spouts }, (_, i): Bar => {
    const wall = Math.floor((i * own.sides) / own.spouts);
    const [a, b] = [ring[wall]!, ring[(wall + 1) % own.sides]!];
    const [x, y] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
    const long = Math.hypot(x, y);
    const reach = (long + own.spoutMm + REACH_MM) / long;
    return {
      id: `spout-${i + 1}`,
      name: `Spout ${i + 1}`,
      role: 'spout',
      from: [x, y, own.wallMm / 2],
      to: [x * reach, y * reach, own.wallMm / 2],
      across: [0, 0, 1],
      ends: [
        { joint: 'against', to: wallOf('wall', wall) },
        { joint: 'past', to: wallOf('wall', wall), beyondMm: own.spoutMm },
      ],
    };
  });
}
/** Drawn well past any wall: where it ends the wall says. */
const REACH_MM = 20;

function shapeOf(own: Basin): PieceShape {
  const ring = regularRing(own.sides, own.acrossMm / 2);
  const hasRim = own.rimOutMm > 0;
  const walls = walled({
    id: 'wall',
    name: (i) => `Wall ${i + 1}`,
    role: 'wall',
    ring,
    topMm: () => own.wallMm,
    corners: own.corners,
    grows: 'out',
    bottom: { joint: 'over', to: 'floor' },
    top: (i) => (hasRim ? { joint: 'against', to: `rim-${i + 1}` } : { joint: 'free' }),
    shows: { far: 'walls', drawn: 'inside' },
  });
  const floor = levelFace({ id: 'floor', name: 'Floor', role: 'floor', shows: { drawn: 'floor' } }, ring, 0, 'below', (i) => ({
    joint: 'against',
    to: wallOf('wall', i),
  }));
  const rims = hasRim ? rimOf(own, ring) : [];
  const plinth = Array.from({ length: own.plinthLayers }, (_, i): Face =>
    levelFace(
      {
        id: `plinth-${i + 1}`,
        name: `Plinth, layer ${own.plinthLayers - i}`,
        role: 'floor',
        lies: { on: i === 0 ? 'floor' : `plinth-${i}` },
        shows: { drawn: 'plinth' },
      },
      ring,
      0,
      'below',
      (wall) => ({ joint: 'past', to: wallOf('wall', wall), beyondMm: own.marginMm * (i + 1) }),
    ),
  );
  const pillar = own.pillar === 'none' ? [] : pillarOf(own);
  const spouts = spoutsOf(own, ring);
  const side = own.acrossMm * Math.tan(Math.PI / own.sides);
  return {
    objects: [{ id: 'basin', name: 'Basin', count: 1, faces: [floor, ...walls, ...rims, ...plinth, ...pillar], bars: spouts }],
    clear:
      own.sides % 2 === 0 && own.pillar === 'none'
        ? [
            {
              name: 'Inside, across the flats',
              objectId: 'basin',
              from: [0, -own.acrossMm / 2, own.wallMm / 2],
              to: [0, own.acrossMm / 2, own.wallMm / 2],
            },
          ]
        : [],
    levels: [],
    waysIn: [],
    order: orderOf(own, { walls, rims, plinth, spouts, pillar }),
    facts: [
      { label: 'Bevel of every wall', value: own.corners === 'butt' ? 0 : 180 / own.sides, unit: '°' },
      { label: 'Side, inside', value: side, unit: 'mm' },
      { label: 'Gap if every mitre is half a degree off', value: gapDeg(own.sides, 0.5), unit: '°' },
      { label: 'Gauge strip for the plinth', value: own.marginMm, unit: 'mm' },
    ],
    handles: handlesOf(own),
  };
}

const handlesOf = (own: Basin): PieceShape['handles'] => [
  {
    key: 'acrossMm',
    label: 'Across the flats',
    objectId: 'basin',
    at: [0, own.acrossMm / 2, 0],
    along: [0, 1, 0],
    perUnitMm: 0.5,
    step: 1,
  },
  { key: 'wallMm', label: 'Wall', objectId: 'basin', at: [0, -own.acrossMm / 2, own.wallMm], along: [0, 0, 1], perUnitMm: 1, step: 1 },
];

const orderOf = (
  own: Basin,
  {
    walls,
    rims,
    plinth,
    spouts,
    pillar,
  }: {
    readonly walls: readonly Face[];
    readonly rims: readonly Face[];
    readonly plinth: readonly Face[];
    readonly spouts: readonly Bar[];
    readonly pillar: readonly Face[];
  },
): PieceShape['order'] => [
  {
    does: 'glue',
    says: 'Cut all walls first, then all mitres at one blade setting. Use the floor to position them.',
    bodyIds: ['floor', ...walls.map(({ id }) => id)],
  },
  ...(rims.length > 0
    ? [{ does: 'glue' as const, says: 'Glue the rim so that it covers the joints.', bodyIds: rims.map(({ id }) => id) }]
    : []),
  ...(plinth.length > 0
    ? [
        {
          does: 'glue' as const,
          says: `Mark each layer with a gauge strip ${own.marginMm} mm wide laid round the one above.`,
          bodyIds: plinth.map(({ id }) => id),
        },
      ]
    : []),
  ...(spouts.length > 0
    ? [{ does: 'glue' as const, says: 'Fit spouts into holes drilled halfway up, level all round.', bodyIds: spouts.map(({ id }) => id) }]
    : []),
  ...(pillar.length > 0 ? [{ does: 'glue' as const, says: 'Fit the pillar last, plumb.', bodyIds: pillar.map(({ id }) => id) }] : []),
];

/** Flat strips on the walls, mitred into one another. */
function rimOf(own: Basin, ring: readonly { readonly x: number; readonly y: number }[]): readonly Face[] {
  const n = ring.length;
  // Drawn along the inner line of the walls; they reach over the walls and beyond.
  return ring.map((from, i): Face => {
    const to = ring[(i + 1) % n]!;
    const next = ring[(i + 2) % n]!;
    const before = ring[(i + n - 1) % n]!;
    const out = (a: typeof from, mid: typeof from, b: typeof from): readonly [number, number] => {
      const [p, q] = [unitOf(a, mid), unitOf(mid, b)];
      const x = p[1] + q[1];
      const y = -(p[0] + q[0]);
      const long = Math.hypot(x, y);
      return [x / long, y / long];
    };
    const [ox, oy] = out(from, to, next);
    const [px, py] = out(before, from, to);
    return {
      id: `rim-${i + 1}`,
      name: `Rim ${i + 1}`,
      role: 'rim',
      corners: [
        [from.x, from.y, own.wallMm],
        [from.x + px, from.y + py, own.wallMm],
        [to.x + ox, to.y + oy, own.wallMm],
        [to.x, to.y, own.wallMm],
      ],
      edges: [
        { joint: 'free' },
        { joint: 'over', to: wallOf('wall', i), beyondMm: own.rimOutMm },
        { joint: 'free' },
        { joint: 'free' },
      ] satisfies EdgeJoint[],
      grows: 'out',
      shows: { far: 'walls' },
    };
  });
}
const unitOf = (
  a: { readonly x: number; readonly y: number },
  b: { readonly x: number; readonly y: number },
): readonly [number, number] => {
  const long = Math.hypot(b.x - a.x, b.y - a.y);
  return [(b.x - a.x) / long, (b.y - a.y) / long];
};

/** Four mitred sides, on a step one quarter wider where it has one. */
function pillarOf(own: Basin): readonly Face[] {
  const half = own.pillarWideMm / 2;
  const square = (out: number): readonly { readonly x: number; readonly y: number }[] => [
    { x: -out, y: -out },
    { x: out, y: -out },
    { x: out, y: out },
    { x: -out, y: out },
  ];
  const isStepped = own.pillar === 'stepped';
  const foot = isStepped
    ? [levelFace({ id: 'foot', name: 'Pillar, foot', role: 'floor' }, square(half * 1.25), 0, 'above', () => ({ joint: 'free' }))]
    : [];
  const sides = walled({
    id: 'pillar',
    name: (i) => `Pillar, side ${i + 1}`,
    role: 'wall',
    ring: square(half),
    topMm: () => own.pillarMm,
    corners: 'mitre',
    grows: 'in',
    bottom: isStepped ? { joint: 'against', to: 'foot' } : { joint: 'free' },
    top: () => ({ joint: 'free' }),
    shows: { far: 'inside', drawn: 'walls' },
  });
  return [...foot, ...sides];
}
