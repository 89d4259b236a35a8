import { z } from 'zod';
import { seeded } from '../../../base/random';
import { ok } from '../../../base/result';
import { mm, oneOf, whole, yesOrNo } from '../../../plan/fields';
import type { Assembly, Bar, EdgeJoint, Face, Opening, Vec } from '../../shell';
import { WALLS_OF_A_SORT, compoundWalls } from './compounds';
import { SIZES, askChoice, askLength, askNumber, askTick, when } from '../asks';
import { brokenLine } from '../break';
import { type PieceShape, pieceFamily, rectangleRing, refused } from '../family';

const counted = whole(WALLS_OF_A_SORT);
const settings = z.strictObject({
  /** The standard segment: all of the set is made of it and its half. */
  segmentMm: mm(SIZES.lengthMm),
  heightMm: mm(SIZES.wallMm),
  straights: counted,
  gates: counted,
  loopholed: counted,
  windowed: counted,
  windowMm: mm(SIZES.openingMm),
  corners: counted,
  tees: counted,
  crosses: counted,
  steps: counted,
  brokenEnds: counted,
  brokenTops: counted,
  /** Each a run broken in two: both sides of the break fit. */
  brokenPairs: counted,
  /** How much higher the far half of a step run is. */
  stepMm: mm({ min: 1, max: 120 }),
  gateMm: mm(SIZES.openingMm),
  gateHeightMm: mm(SIZES.openingMm),
  posts: oneOf(['none', 'square', 'round']),
  /** A core of card between two faces. */
  core: yesOrNo(),
  lined: yesOrNo(),
  coping: yesOrNo(),
  copingOutMm: mm({ min: 0.5, max: 20 }),
  seed: whole({ min: 1, max: 9_999 }),
});
type Walls = z.infer<typeof settings>;

export const walls = pieceFamily('walls', settings, {
  name: 'Wall set',
  says: 'Straight, gate, loophole, window, corner, T, cross, step and broken runs from one standard segment.',
  fields: [
    askLength('segmentMm', 'Segment', SIZES.lengthMm),
    askLength('heightMm', 'Height', SIZES.wallMm),
    askNumber('straights', 'Straight', WALLS_OF_A_SORT),
    askNumber('gates', 'With a gate', WALLS_OF_A_SORT),
    askNumber('loopholed', 'With loopholes', WALLS_OF_A_SORT),
    askNumber('windowed', 'With a window', WALLS_OF_A_SORT),
    askLength(
      'windowMm',
      'Window',
      SIZES.openingMm,
      when<Walls>(({ windowed }) => windowed > 0),
    ),
    askNumber('corners', 'Corner', WALLS_OF_A_SORT),
    askNumber('tees', 'T', WALLS_OF_A_SORT),
    askNumber('crosses', 'Cross', WALLS_OF_A_SORT),
    askNumber('steps', 'Step', WALLS_OF_A_SORT),
    askNumber('brokenEnds', 'Broken end', WALLS_OF_A_SORT),
    askNumber('brokenTops', 'Broken top', WALLS_OF_A_SORT),
    askNumber('brokenPairs', 'Broken in two', WALLS_OF_A_SORT),
    askLength('stepMm', 'Step height', { min: 1, max: 120 }),
    askLength('gateMm', 'Gate, width', SIZES.openingMm),
    askLength('gateHeightMm', 'Gate, height', SIZES.openingMm),
    askChoice('posts', 'Posts', {
      none: 'none',
      square: 'square, at the start of each segment',
      round: 'round, at the start of each segment',
    }),
    askTick('core', 'Card core between two faces'),
    askTick('lined', 'Line openings'),
    askTick('coping', 'Coping'),
    askLength('copingOutMm', 'Coping overhang', { min: 0.5, max: 20 }),
    askNumber('seed', 'Break number', { min: 1, max: 9_999 }),
  ],
  roles: [
    { role: 'wall', name: 'Walls', sold: 'sheet', usual: 'wall' },
    { role: 'coping', name: 'Coping', sold: 'sheet', usual: 'card' },
    { role: 'post', name: 'Posts', sold: 'length', usual: 'wide' },
    { role: 'round-post', name: 'Round posts', sold: 'length', section: 'rod', usual: 'rod' },
    { role: 'core', name: 'Core', sold: 'sheet', usual: 'card' },
    { role: 'face', name: 'Faces on the core', sold: 'sheet', usual: 'thin' },
    { role: 'lining', name: 'Lining of reveals', sold: 'sheet', usual: 'card' },
  ],
  clads: [{ shows: 'walls', name: 'Both faces' }],
  laminates: ({ core }) => (core ? [{ role: 'wall', layers: ['face', 'core', 'face'], stripField: 'segmentMm' }] : []),
  fresh: ({ figureMm, baseMm }): Walls => ({
    segmentMm: Math.round(baseMm * 4),
    heightMm: Math.round(figureMm),
    straights: 6,
    gates: 1,
    loopholed: 0,
    windowed: 0,
    windowMm: Math.round(figureMm * 0.4),
    corners: 4,
    tees: 1,
    crosses: 0,
    steps: 0,
    brokenEnds: 2,
    brokenTops: 0,
    brokenPairs: 0,
    stepMm: Math.round(figureMm * 0.25),
    gateMm: Math.round(baseMm * 1.6),
    gateHeightMm: Math.round(figureMm * 0.8),
    posts: 'none',
    core: false,
    lined: false,
    coping: false,
    copingOutMm: 1.5,
    seed: 7,
  }),
  shape: (own) => refusal(own) ?? ok(shapeOf(own)),
  counts: {
    says: 'Compounds side by side on a table, with walls all round and between them.',
    fields: [
      askLength('widthMm', 'Width', { min: 100, max: 6_000 }),
      askLength('depthMm', 'Depth', { min: 100, max: 6_000 }),
      askNumber('across', 'Compounds across', { min: 1, max: 8 }),
      askNumber('deep', 'Compounds deep', { min: 1, max: 8 }),
      askNumber('gates', 'Gates per compound', { min: 0, max: 4 }),
    ],
    fresh: ({ widthMm, depthMm }) => ({ widthMm, depthMm, across: 2, deep: 1, gates: 1 }),
    counted: ({ segmentMm }, { widthMm = 0, depthMm = 0, across = 1, deep = 1, gates = 0 }) =>
      compoundWalls({ segmentMm, widthMm, depthMm, across, deep, gates }),
  },
});

/** All runs of the set, each a segment long. */
const runsOf = (own: Walls): number =>
  own.straights +
  own.gates +
  own.loopholed +
  own.windowed +
  own.corners +
  own.tees +
  own.crosses +
  own.steps +
  own.brokenEnds +
  own.brokenTops +
  own.brokenPairs;

const PIER_MM = 3;
/** A window stands over its sill and under the top. */
const WINDOW_SHARE = 0.55;
const SILL_SHARE = 0.35;
/** A post takes this much of a segment at most. */
const POST_MM = 10;
function refusal(own: Walls): ReturnType<typeof refused> | null {
  const most = own.segmentMm - POST_MM - 2 * PIER_MM;
  if (own.segmentMm < 30) return refused('segmentMm', 'too short to stand. Enter 30 mm or more');
  if (own.gates > 0 && own.gateMm > most)
    return refused('gateMm', `a segment has room for ${most.toFixed(0)} mm. Enter up to ${Math.floor(most)} mm`);
  if (own.gates > 0 && own.gateHeightMm > own.heightMm - PIER_MM)
    return refused('gateHeightMm', `taller than its wall. Enter up to ${Math.floor(own.heightMm - PIER_MM)} mm`);
  const highest = Math.min(own.heightMm * WINDOW_SHARE, most);
  if (own.windowed > 0 && own.windowMm > highest)
    return refused('windowMm', `a wall has room for ${highest.toFixed(0)} mm. Enter up to ${Math.floor(highest)} mm`);
  if (runsOf(own) === 0) return refused('straights', 'the set is empty. Enter at least one straight');
  return null;
}

const FREE: EdgeJoint = { joint: 'free' };
interface Run {
  readonly id: string;
  readonly from: Vec;
  readonly along: Vec;
  readonly longMm: number;
  readonly start?: EdgeJoint;
  readonly end?: EdgeJoint;
  readonly openings?: readonly Opening[];
  /** Corners from the top of its end back to the top of its start. */
  readonly top?: readonly (readonly [x: number, z: number])[];
}

/** One wall: drawn on the side that is on the right as it runs, its thickness on the left. */
function run(own: Walls, { id, from, along, longMm, start = FREE, end = FREE, openings = [], top }: Run): Face {
  const at = (x: number, up: number): Vec => [from[0] + along[0] * x, from[1] + along[1] * x, up];
  const line = top ?? [
    [longMm, own.heightMm],
    [0, own.heightMm],
  ];
  return {
    id,
    name: id === 'wall' ? 'Wall' : `Wall, ${id.replace('-', ' ')}`,
    role: 'wall',
    corners: [at(0, 0), at(longMm, 0), ...line.map(([x, up]) => at(x, up))],
    edges: [FREE, end, ...line.slice(1).map(() => FREE), start],
    openings,
    grows: 'in',
    shows: { drawn: 'walls', far: 'walls' },
  };
}

/** Flat stones on top of a level run, over both its faces. */
const copingOn = (own: Walls, id: string, longMm: number, start: EdgeJoint): Face => ({
  id: `${id}-coping`,
  name: 'Coping',
  role: 'coping',
  corners: [
    [0, 0, own.heightMm],
    [longMm, 0, own.heightMm],
    [longMm, 1, own.heightMm],
    [0, 1, own.heightMm],
  ],
  edges: [{ joint: 'over', to: id, beyondMm: own.copingOutMm }, FREE, { joint: 'over', to: id, beyondMm: own.copingOutMm }, start],
  grows: 'out',
});

const X: Vec = [1, 0, 0];
const Y: Vec = [0, 1, 0];

function shapeOf(own: Walls): PieceShape {
  const { segmentMm: l, heightMm: h } = own;
  const hasPosts = own.posts !== 'none';
  const start: EdgeJoint = hasPosts ? { joint: 'against', to: 'post' } : FREE;
  const posts: readonly Bar[] = hasPosts
    ? [
        {
          id: 'post',
          name: 'Post',
          role: own.posts === 'round' ? 'round-post' : 'post',
          from: [0, 0, 0],
          to: [0, 0, h + PIER_MM],
          across: X,
          runs: own.posts === 'round' ? [-1, 0] : [-1, -1],
        },
      ]
    : [];
  const level = (id: string, name: string, count: number, openings: readonly Opening[]): Assembly => ({
    id,
    name,
    count,
    faces: [
      run(own, { id: 'wall', from: [0, 0, 0], along: X, longMm: l, start, openings }),
      ...(own.coping ? [copingOn(own, 'wall', l, start)] : []),
    ],
    bars: posts,
  });
  const objects = segmentsOf(own, level);
  const bodyIds = [...new Set(objects.flatMap(({ faces, bars = [] }) => [...faces, ...bars].map(({ id }) => id)))];
  return {
    objects,
    clear: [],
    levels: [],
    waysIn: [],
    ...(own.lined ? { liningRole: 'lining' } : {}),
    order: orderOf(own, { bodyIds, hasPosts }),
    facts: [
      { label: 'Total length of all runs', value: l * runsOf(own), unit: 'mm' },
      { label: 'Pieces in the set', value: objects.reduce((sum, { count }) => sum + count, 0), unit: '1' },
    ],
    handles: objects.map(({ id }) => ({
      key: 'heightMm',
      label: 'Height',
      objectId: id,
      at: [0, 0, h] as Vec,
      along: [0, 0, 1] as Vec,
      perUnitMm: 1,
      step: 1,
    })),
  };
}

type MakeStraight = (id: string, name: string, count: number, openings: readonly Opening[]) => Assembly;
function segmentsOf(own: Walls, level: MakeStraight): readonly Assembly[] {
  const { segmentMm: l, heightMm: h } = own;
  const half = l / 2;
  const plain = (id: string, name: string, count: number, faces: readonly Face[]): Assembly => ({ id, name, count, faces });
  const through = run(own, { id: 'wall', from: [0, 0, 0], along: X, longMm: l });
  // An arm on the far side comes from behind, one on the near side from in front.
  const arm = run(own, { id: 'arm', from: [half, half, 0], along: [0, -1, 0], longMm: half, end: { joint: 'against', to: 'wall' } });
  const nearArm = run(own, { id: 'near-arm', from: [half, -half, 0], along: Y, longMm: half, end: { joint: 'against', to: 'wall' } });
  return [
    level('straight', 'Straight', own.straights, []),
    level('gate', 'With a gate', own.gates, [
      {
        id: 'gate',
        name: 'Gate',
        kind: 'gate',
        ring: rectangleRing(l / 2 - own.gateMm / 2 + POST_MM / 2, 0, l / 2 + own.gateMm / 2 + POST_MM / 2, own.gateHeightMm),
        onto: 0,
        isLined: true,
      },
    ]),
    level('loopholed', 'With loopholes', own.loopholed, loopholes(own)),
    level('windowed', 'With a window', own.windowed, [
      {
        id: 'window',
        name: 'Window',
        kind: 'window',
        ring: rectangleRing(
          l / 2 - own.windowMm / 2 + POST_MM / 2,
          h * SILL_SHARE,
          l / 2 + own.windowMm / 2 + POST_MM / 2,
          h * SILL_SHARE + own.windowMm,
        ),
        isLined: true,
      },
    ]),
    plain('corner', 'Corner', own.corners, [
      run(own, { id: 'wall', from: [0, 0, 0], along: X, longMm: half, start: { joint: 'mitre', to: 'side' } }),
      run(own, { id: 'side', from: [0, half, 0], along: [0, -1, 0], longMm: half, end: { joint: 'mitre', to: 'wall' } }),
    ]),
    plain('tee', 'T', own.tees, [through, arm]),
    plain('cross', 'Cross', own.crosses, [through, arm, nearArm]),
    plain('step', 'Step', own.steps, [
      run(own, {
        id: 'wall',
        from: [0, 0, 0],
        along: X,
        longMm: l,
        top: [
          [l, h + own.stepMm],
          [half, h + own.stepMm],
          [half, h],
          [0, h],
        ],
      }),
    ]),
    plain('broken', 'Broken end', own.brokenEnds, [run(own, { id: 'wall', from: [0, 0, 0], along: X, longMm: l, top: brokenEnd(own) })]),
    plain('broken-top', 'Broken top', own.brokenTops, [
      run(own, { id: 'wall', from: [0, 0, 0], along: X, longMm: l, top: brokenTop(own) }),
    ]),
    ...brokenPair(own).map(([side, name, of]) =>
      plain(`broken-${side}`, name, own.brokenPairs, [run(own, { id: 'wall', along: X, ...of })]),
    ),
  ].filter(({ count }) => count > 0);
}

const orderOf = (
  own: Walls,
  { bodyIds, hasPosts }: { readonly bodyIds: readonly string[]; readonly hasPosts: boolean },
): PieceShape['order'] => [
  {
    does: 'glue',
    says: own.core
      ? 'Glue cores and faces as long strips and leave them under weights overnight. Then square one edge, measure everything from it, and trim the other end last.'
      : 'Square one edge of the sheet and measure all runs from it.',
    bodyIds,
  },
  ...(hasPosts
    ? [{ does: 'weigh' as const, says: 'Put a washer in the foot of each post, so that the run does not fall over.', bodyIds: ['post'] }]
    : []),
];

/** Three slits at breast height. */
function loopholes({ segmentMm: l, heightMm: h }: Walls): readonly Opening[] {
  return [1, 2, 3].map((k): Opening => {
    const x = POST_MM + ((l - POST_MM) * k) / 4;
    return {
      id: `loophole-${k}`,
      name: `Loophole ${k}`,
      kind: 'slit',
      ring: rectangleRing(x - 0.75, h * 0.45, x + 0.75, h * 0.8),
      splayDeg: 12,
    };
  });
}

/** Whole for its first half, then broken down to the ground. */
function brokenEnd({ segmentMm: l, heightMm: h, seed }: Walls): readonly (readonly [number, number])[] {
  const line = brokenLine(seeded(seed), { from: [l * 0.5, h], to: [l, h * 0.12], count: 7, roughMm: h * 0.08 });
  return [...[...line].reverse(), [0, h]];
}

/** Broken all along, lowest in its middle. */
function brokenTop({ segmentMm: l, heightMm: h, seed }: Walls): readonly (readonly [number, number])[] {
  const random = seeded(seed + 1);
  const low = h * (0.4 + 0.2 * random());
  const at = l * (0.35 + 0.3 * random());
  const left = brokenLine(random, { from: [0, h], to: [at, low], count: 4, roughMm: h * 0.06 });
  const right = brokenLine(random, { from: [at, low], to: [l, h], count: 4, roughMm: h * 0.06 });
  return [...left, ...right.slice(1)].reverse();
}

type Half = readonly [side: 'left' | 'right', name: string, of: Pick<Run, 'from' | 'longMm' | 'top'>];
/** A run broken through: one line up through it is the end of both halves. */
function brokenPair({ segmentMm: l, heightMm: h, seed }: Walls): readonly Half[] {
  const foot = l * 0.42;
  const line = brokenLine(seeded(seed + 2), { from: [foot, 0], to: [l * 0.6, h], count: 6, roughMm: h * 0.06 });
  const up = line.slice(1);
  return [
    ['left', 'Broken, left half', { from: [0, 0, 0], longMm: foot, top: [...up, [0, h]] }],
    [
      'right',
      'Broken, right half',
      { from: [foot, 0, 0], longMm: l - foot, top: [[l - foot, h], ...[...up].reverse().map(([x, z]) => [x - foot, z] as const)] },
    ],
  ];
}
