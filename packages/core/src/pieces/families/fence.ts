import { z } from 'zod';
import { ok } from '../../base/result';
import { mm, oneOf, whole } from '../../fields';
import type { Bar, EdgeJoint, Row, Vec } from '../../shell';
import { SIZES, askChoice, askLength, askNumber, when } from '../asks';
import { type PieceShape, pieceFamily, refused } from '../family';

const settings = z.strictObject({
  course: oneOf(['line', 'yard']),
  /** From the middle of the first post to the middle of the last. */
  lengthMm: mm(SIZES.lengthMm),
  depthMm: mm(SIZES.lengthMm),
  heightMm: mm(SIZES.wallMm),
  /** Posts about so far apart: bays are solved equal. */
  bayMm: mm(SIZES.lengthMm),
  rails: whole({ min: 1, max: 6 }),
  fill: oneOf(['open', 'boards', 'hedge']),
  /** How wide a hedge stands about the rails. */
  hedgeMm: mm({ min: 3, max: 80 }),
  /** Between boards. */
  gapMm: mm({ min: 0.5, max: 60 }),
  /** The bay with a gate in it, counted from the left; 0 for none. */
  gateBay: whole({ min: 0, max: 60 }),
});
type Fence = z.infer<typeof settings>;

export const fence = pieceFamily('fence', settings, {
  name: 'Fence or hedge',
  says: 'Posts and rails along a line or round a yard, in equal bays, open, boarded or grown over, with a gate.',
  fields: [
    askChoice('course', 'Runs', { line: 'along a line', yard: 'round a yard' }),
    askLength('lengthMm', 'Length', SIZES.lengthMm),
    askLength(
      'depthMm',
      'Depth',
      SIZES.lengthMm,
      when<Fence>(({ course }) => course === 'yard'),
    ),
    askLength('heightMm', 'Posts, height', SIZES.wallMm),
    askLength('bayMm', 'Posts about so far apart', SIZES.lengthMm),
    askNumber('rails', 'Rails', { min: 1, max: 6 }),
    askChoice('fill', 'Between posts', { open: 'rails only', boards: 'boards on the rails', hedge: 'a hedge grown round the rails' }),
    askLength(
      'hedgeMm',
      'Hedge, width',
      { min: 3, max: 80 },
      when<Fence>(({ fill }) => fill === 'hedge'),
    ),
    askLength(
      'gapMm',
      'Gap between boards',
      { min: 0.5, max: 60 },
      when<Fence>(({ fill }) => fill === 'boards'),
    ),
    askNumber('gateBay', 'Gate in bay', { min: 0, max: 60 }),
  ],
  roles: [
    { role: 'post', name: 'Posts', sold: 'length', usual: 'post' },
    { role: 'rail', name: 'Rails', sold: 'length', usual: 'lath', within: 'post' },
    { role: 'board', name: 'Boards', sold: 'length', usual: 'lath' },
  ],
  clads: [],
  fresh: ({ figureMm, baseMm }): Fence => ({
    course: 'line',
    lengthMm: Math.round(baseMm * 6),
    depthMm: Math.round(baseMm * 4),
    heightMm: Math.round(figureMm * 0.75),
    bayMm: Math.round(baseMm * 2),
    rails: 2,
    fill: 'open',
    hedgeMm: Math.round(figureMm * 0.5),
    gapMm: 2,
    gateBay: 0,
  }),
  shape: (own) => refusal(own) ?? ok(shapeOf(own)),
});

interface Side {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly bays: number;
}
/** Equal bays, as near to the wanted width as their number allows. */
const baysOf = (lengthMm: number, bayMm: number): number => Math.max(1, Math.round(lengthMm / bayMm));
function sidesOf({ course, lengthMm: l, depthMm: d, bayMm }: Fence): readonly Side[] {
  const side = (from: readonly [number, number], to: readonly [number, number]): Side => ({
    from,
    to,
    bays: baysOf(Math.hypot(to[0] - from[0], to[1] - from[1]), bayMm),
  });
  if (course === 'line') return [side([0, 0], [l, 0])];
  return [side([0, 0], [l, 0]), side([l, 0], [l, d]), side([l, d], [0, d]), side([0, d], [0, 0])];
}

function refusal(own: Fence): ReturnType<typeof refused> | null {
  const bays = sidesOf(own).reduce((sum, { bays: count }) => sum + count, 0);
  if (own.gateBay > bays) return refused('gateBay', `there are ${bays} bays; up to ${bays} would do`);
  if (bays > 60) return refused('bayMm', `comes to ${bays} bays; ${Math.ceil((own.bayMm * bays) / 60)} mm would do`);
  const least = Math.min(...sidesOf(own).map(({ from, to, bays: count }) => Math.hypot(to[0] - from[0], to[1] - from[1]) / count));
  if (least < 8) return refused('bayMm', `posts stand ${least.toFixed(1)} mm apart; a bay of 8 mm or more would do`);
  return null;
}

const UPWARDS: Vec = [0, 0, 1];
const against = (to: string): EdgeJoint => ({ joint: 'against', to });

function shapeOf(own: Fence): PieceShape {
  const bars: (Bar | Row)[] = [];
  const posts: Bar[] = [];
  const sides = sidesOf(own);
  const post = (x: number, y: number): Bar => ({
    id: `post-${posts.length + 1}`,
    name: `Post ${posts.length + 1}`,
    role: 'post',
    from: [x, y, 0],
    to: [x, y, own.heightMm],
    across: [1, 0, 0],
  });
  for (const { from, to, bays } of sides) {
    const isLast = own.course === 'line';
    for (let i = 0; i < bays + (isLast ? 1 : 0); i++) {
      const share = i / bays;
      posts.push(post(from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share));
    }
  }
  bars.push(...posts);
  let bay = 0;
  for (const { from, to, bays } of sides) {
    const long = Math.hypot(to[0] - from[0], to[1] - from[1]);
    const along: Vec = [(to[0] - from[0]) / long, (to[1] - from[1]) / long, 0];
    const out: Vec = [along[1], -along[0], 0];
    for (let i = 0; i < bays; i++, bay++) {
      const [a, b] = [posts[bay]!, posts[(bay + 1) % posts.length]!];
      const isGate = bay + 1 === own.gateBay;
      bars.push(...(isGate ? gateOf(own, a, b, along) : bayOf(own, { a, b, along, out, bay })));
    }
  }
  const gate = own.gateBay === 0 ? null : { a: posts[own.gateBay - 1]!, b: posts[own.gateBay % posts.length]! };
  const isLine = own.course === 'line';
  return {
    objects: [{ id: 'fence', name: 'Fence', count: 1, faces: [], bars }],
    clear: [],
    levels: [],
    waysIn:
      gate === null
        ? []
        : [
            {
              name: 'Gate',
              objectId: 'fence',
              widthMm: Math.hypot(gate.b.from[0] - gate.a.from[0], gate.b.from[1] - gate.a.from[1]),
              heightMm: own.heightMm,
              at: [(gate.a.from[0] + gate.b.from[0]) / 2, (gate.a.from[1] + gate.b.from[1]) / 2, 0],
              out: [0, -1, 0],
            },
          ],
    fills: own.fill === 'hedge' ? [{ usual: 'leaves', objectId: 'fence', ml: hedgeMl(own) }] : [],
    order: [
      { does: 'pin', says: 'Posts on pins into the ground, plumb, from both ends to the middle.', bodyIds: posts.map(({ id }) => id) },
      {
        does: 'glue',
        says: 'Rails between them, lowest first; then what is on the rails.',
        bodyIds: bars.slice(posts.length).map(({ id }) => id),
      },
      ...(own.fill === 'hedge'
        ? [
            {
              does: 'fill' as const,
              says: 'Flock in clumps from the rails outwards, glue sprayed on between layers; clip it when it is dry.',
              bodyIds: [],
            },
          ]
        : []),
    ],
    facts: [
      ...sides.map(({ from, to, bays }, i) => ({
        label: sides.length === 1 ? 'Each bay' : `Each bay, side ${i + 1}`,
        value: Math.hypot(to[0] - from[0], to[1] - from[1]) / bays,
        unit: 'mm' as const,
      })),
      { label: 'Posts', value: posts.length, unit: '1' },
    ],
    handles: [
      { key: 'lengthMm', label: 'Length', objectId: 'fence', at: [own.lengthMm, 0, 0], along: [1, 0, 0], perUnitMm: 1, step: 1 },
      ...(isLine
        ? []
        : [
            {
              key: 'depthMm',
              label: 'Depth',
              objectId: 'fence',
              at: [own.lengthMm / 2, own.depthMm, 0] as Vec,
              along: [0, 1, 0] as Vec,
              perUnitMm: 1,
              step: 1,
            },
          ]),
      { key: 'heightMm', label: 'Height', objectId: 'fence', at: [0, 0, own.heightMm], along: [0, 0, 1], perUnitMm: 1, step: 1 },
    ],
  };
}

/** Height × width × length of all bays without a gate. */
function hedgeMl(own: Fence): number {
  const longs = sidesOf(own).flatMap(({ from, to, bays }) =>
    Array.from({ length: bays }, () => Math.hypot(to[0] - from[0], to[1] - from[1]) / bays),
  );
  const grownMm = longs.reduce((sum, mm, i) => (i + 1 === own.gateBay ? sum : sum + mm), 0);
  return (grownMm * own.hedgeMm * own.heightMm) / 1_000;
}

interface Bay {
  readonly a: Bar;
  readonly b: Bar;
  readonly along: Vec;
  readonly out: Vec;
  readonly bay: number;
}
function bayOf(own: Fence, { a, b, along, out, bay }: Bay): (Bar | Row)[] {
  const rails: Row = {
    id: `rail-${bay + 1}`,
    name: `Rail ${bay + 1}`,
    count: own.rails,
    between: { places: [a.from, a.to], along: UPWARDS },
    bar: { role: 'rail', from: a.from, to: b.from, across: UPWARDS, ends: [against(a.id), against(b.id)] },
  };
  const railIds = Array.from({ length: own.rails }, (_, k) => `rail-${bay + 1}-${k + 1}`);
  if (own.fill !== 'boards') return [rails];
  return [
    rails,
    {
      id: `board-${bay + 1}`,
      name: `Board ${bay + 1}`,
      count: { gapMm: own.gapMm },
      between: { bodies: [a.id, b.id], along },
      bar: {
        role: 'board',
        from: [a.from[0], a.from[1], 1],
        to: [a.from[0], a.from[1], own.heightMm],
        across: along,
        // Nailed on from outside.
        touches: [{ bodies: railIds, along: [-out[0], -out[1], 0] }],
      },
    },
  ];
}

/** A gate hung between two posts: two stiles with a gap to them, rails between. */
function gateOf(own: Fence, a: Bar, b: Bar, along: Vec): (Bar | Row)[] {
  const middle: Vec = [(a.from[0] + b.from[0]) / 2, (a.from[1] + b.from[1]) / 2, 0];
  const [low, high] = [own.heightMm * 0.1, own.heightMm * 0.9];
  const stile = (id: string, name: string, post: Bar, way: 1 | -1): Bar => ({
    id: `gate-${id}`,
    name: `Gate, ${name}`,
    role: 'rail',
    from: [middle[0], middle[1], low],
    to: [middle[0], middle[1], high],
    across: along,
    touches: [{ bodies: [post.id], along: [along[0] * way, along[1] * way, 0] }],
  });
  const [left, right] = [stile('left', 'left stile', a, -1), stile('right', 'right stile', b, 1)];
  return [
    left,
    right,
    {
      id: 'gate-rail',
      name: 'Gate, rail',
      count: 2,
      between: { places: [left.from, left.to], along: UPWARDS },
      bar: {
        role: 'rail',
        from: [middle[0] - along[0], middle[1] - along[1], low],
        to: [middle[0] + along[0], middle[1] + along[1], low],
        across: UPWARDS,
        ends: [against(left.id), against(right.id)],
      },
    },
  ];
}
