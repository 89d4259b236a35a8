import { z } from 'zod';
import type { Point } from '../../../base/geometry';
import { type Result, ok } from '../../../base/result';
import { mm, oneOf, text, whole } from '../../../plan/fields';
import type { Bar, EdgeJoint, Mesh, Row, Vec } from '../../shell';
import { lofted, merged } from '../making/loose';
import { SIZES, askChoice, askLength, askNumber, when } from '../asks';
import { CORNER_LETTERS, type DrawnLine, askLine, lineIn } from '../measures/corners';
import { type FieldProblem, type PieceShape, pieceFamily, refused } from '../family';

/** Metres of it are built as one, and set out where it stands. */
const RUN_MM = { min: 5, max: 5_000 };

const settings = z.strictObject({
  course: oneOf(['line', 'yard', 'drawn']),
  /** Of a drawn one: closed where it ends at its first corner. */
  corners: text(CORNER_LETTERS),
  /** From the middle of the first post to the middle of the last. */
  lengthMm: mm(RUN_MM),
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
  says: 'Posts and rails in equal bays, straight, round a yard or along a drawn line: open, boarded or overgrown, with an optional gate.',
  fields: [
    askChoice('course', 'Runs', { line: 'straight', yard: 'round a yard', drawn: 'along a drawn line' }),
    askLine({ key: 'corners', label: 'Corners, mm', ...when<Fence>(({ course }) => course === 'drawn') }),
    askLength(
      'lengthMm',
      'Length',
      RUN_MM,
      when<Fence>(({ course }) => course !== 'drawn'),
    ),
    askLength(
      'depthMm',
      'Depth',
      SIZES.lengthMm,
      when<Fence>(({ course }) => course === 'yard'),
    ),
    askLength('heightMm', 'Post height', SIZES.wallMm),
    askLength('bayMm', 'Approximate post spacing', SIZES.lengthMm),
    askNumber('rails', 'Rails', { min: 1, max: 6 }),
    askChoice('fill', 'Infill', { open: 'rails only', boards: 'boards on the rails', hedge: 'a hedge over the rails' }),
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
    askNumber('gateBay', 'Gate in bay number', { min: 0, max: 60 }),
  ],
  roles: [
    { role: 'post', name: 'Posts', sold: 'length', usual: 'post' },
    { role: 'rail', name: 'Rails', sold: 'length', usual: 'lath', within: 'post' },
    { role: 'board', name: 'Boards', sold: 'length', usual: 'lath' },
  ],
  clads: [],
  fresh: ({ figureMm, baseMm }): Fence => ({
    course: 'line',
    corners: `0,0 ${Math.round(baseMm * 4)},0 ${Math.round(baseMm * 7)},${Math.round(baseMm * 2)}`,
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
  shape: (own) => {
    const course = courseOf(own);
    return course.ok ? (refusal(own, course.value) ?? ok(shapeOf(own, course.value))) : course;
  },
});

/** Nearer corners leave no room for two posts and a rail. */
const MIN_SIDE_MM = 20;
function courseOf({ course, corners, lengthMm: l, depthMm: d }: Fence): Result<DrawnLine, FieldProblem> {
  if (course === 'drawn') return lineIn('corners', corners, MIN_SIDE_MM);
  const at = (x: number, y: number): Point => ({ x, y });
  if (course === 'line') return ok({ corners: [at(0, 0), at(l, 0)], isClosed: false });
  return ok({ corners: [at(0, 0), at(l, 0), at(l, d), at(0, d)], isClosed: true });
}

interface Side {
  readonly from: Point;
  readonly longMm: number;
  /** One mm along it. */
  readonly along: Point;
  readonly bays: number;
}
/** Equal bays, as near to the wanted width as their number allows. */
const baysOf = (lengthMm: number, bayMm: number): number => Math.max(1, Math.round(lengthMm / bayMm));
function sidesOf({ bayMm }: Fence, { corners, isClosed }: DrawnLine): readonly Side[] {
  return (isClosed ? corners : corners.slice(0, -1)).map((from, i): Side => {
    const to = corners[(i + 1) % corners.length]!;
    const longMm = Math.hypot(to.x - from.x, to.y - from.y);
    return { from, longMm, along: { x: (to.x - from.x) / longMm, y: (to.y - from.y) / longMm }, bays: baysOf(longMm, bayMm) };
  });
}
/** How far the line turns at the start of a side, to the left, in degrees; null where it begins there. */
function turnDeg(sides: readonly Side[], i: number, isClosed: boolean): number | null {
  const before = i > 0 ? sides[i - 1]! : isClosed ? sides.at(-1)! : null;
  if (before === null) return null;
  const { along: a } = before;
  const { along: b } = sides[i]!;
  return (Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y) * 180) / Math.PI;
}
/** Sharper ones bring the rails of both sides to the same face of a post; boards, which hang on the right, run into each other sooner. */
const SHARPEST_DEG = 120;
const BOARDS_TURN_DEG = 30;

function refusal(own: Fence, course: DrawnLine): ReturnType<typeof refused> | null {
  const sides = sidesOf(own, course);
  const bays = sides.reduce((sum, { bays: count }) => sum + count, 0);
  if (own.gateBay > bays) return refused('gateBay', `there are ${bays} bays. Enter up to ${bays}`);
  if (bays > 60) return refused('bayMm', `gives ${bays} bays. Enter ${Math.ceil((own.bayMm * bays) / 60)} mm`);
  const least = Math.min(...sides.map(({ longMm, bays: count }) => longMm / count));
  if (least < 8) return refused('bayMm', `posts are ${least.toFixed(1)} mm apart. Use bays of 8 mm or more`);
  for (const i of sides.keys()) {
    const turn = turnDeg(sides, i, course.isClosed) ?? 0;
    const said = `corner ${i + 1} turns by ${Math.abs(turn).toFixed(0)}°`;
    if (Math.abs(turn) > SHARPEST_DEG) return refused('corners', `${said}. Enter up to ${SHARPEST_DEG}°, or two corners for it`);
    if (own.fill === 'boards' && turn < -BOARDS_TURN_DEG)
      return refused(
        'corners',
        `${said} towards the boards. Enter up to ${BOARDS_TURN_DEG}°, or draw the line from its other end, or use rails only`,
      );
  }
  return null;
}

const UPWARDS: Vec = [0, 0, 1];
const against = (to: string): EdgeJoint => ({ joint: 'against', to });

/**
 * The way a post faces where the line turns: with the line on flat turns, so that rails of both sides meet opposite faces of it; with the side before it on
 * sharp ones, where they meet two that follow each other; both ways each rail comes as near to square as the other.
 */
function facingAt(side: Side, turn: number): Vec {
  const back = turn === 0 ? 0 : Math.abs(turn) <= 45 ? -turn / 2 : (-turn - Math.sign(turn) * 90) / 2;
  const [cos, sin] = [Math.cos((back * Math.PI) / 180), Math.sin((back * Math.PI) / 180)];
  return [side.along.x * cos - side.along.y * sin, side.along.x * sin + side.along.y * cos, 0];
}

function shapeOf(own: Fence, course: DrawnLine): PieceShape {
  const bars: (Bar | Row)[] = [];
  const posts: Bar[] = [];
  const sides = sidesOf(own, course);
  const post = (side: Side, atMm: number, across: Vec): Bar => {
    const [x, y] = [side.from.x + side.along.x * atMm, side.from.y + side.along.y * atMm];
    const id = posts.length + 1;
    return { id: `post-${id}`, name: `Post ${id}`, role: 'post', from: [x, y, 0], to: [x, y, own.heightMm], across };
  };
  sides.forEach((side, s) => {
    for (let i = 0; i < side.bays; i++)
      posts.push(post(side, (side.longMm * i) / side.bays, facingAt(side, i === 0 ? (turnDeg(sides, s, course.isClosed) ?? 0) : 0)));
  });
  if (!course.isClosed) posts.push(post(sides.at(-1)!, sides.at(-1)!.longMm, facingAt(sides.at(-1)!, 0)));
  bars.push(...posts);
  let bay = 0;
  for (const {
    along: { x, y },
    bays,
  } of sides) {
    const along: Vec = [x, y, 0];
    const out: Vec = [y, -x, 0];
    for (let i = 0; i < bays; i++, bay++) {
      const [a, b] = [posts[bay]!, posts[(bay + 1) % posts.length]!];
      const isGate = bay + 1 === own.gateBay;
      bars.push(...(isGate ? gateOf(own, a, b, along) : bayOf(own, { a, b, along, out, bay })));
    }
  }
  const gate = own.gateBay === 0 ? null : { a: posts[own.gateBay - 1]!, b: posts[own.gateBay % posts.length]! };
  return {
    objects: [{ id: 'fence', name: 'Fence', count: 1, faces: [], bars }],
    clear: [],
    levels: [],
    waysIn: waysInOf(own, gate),
    fills: own.fill === 'hedge' ? [{ usual: 'leaves', objectId: 'fence', ml: hedgeMl(own, sides) }] : [],
    loose: own.fill === 'hedge' ? [{ id: 'hedge', name: 'Hedge', objectId: 'fence', mesh: hedgeOf(own, posts, course.isClosed) }] : [],
    order: orderOf(own, { posts, bars }),
    facts: [
      ...sides.map(({ longMm, bays }, i) => ({
        label: sides.length === 1 ? 'Each bay' : `Each bay, side ${i + 1}`,
        value: longMm / bays,
        unit: 'mm' as const,
      })),
      { label: 'Total length', value: sides.reduce((sum, { longMm }) => sum + longMm, 0), unit: 'mm' },
      { label: 'Posts', value: posts.length, unit: '1' },
    ],
    handles: [
      ...(own.course === 'drawn' ? [] : [sizeHandle('lengthMm', 'Length', [own.lengthMm, 0, 0], [1, 0, 0])]),
      ...(own.course === 'yard' ? [sizeHandle('depthMm', 'Depth', [own.lengthMm / 2, own.depthMm, 0], [0, 1, 0])] : []),
      sizeHandle('heightMm', 'Height', [course.corners[0]!.x, course.corners[0]!.y, own.heightMm], [0, 0, 1]),
    ],
  };
}

const waysInOf = (own: Fence, gate: { readonly a: Bar; readonly b: Bar } | null): PieceShape['waysIn'] =>
  gate === null
    ? []
    : [
        {
          name: 'Gate',
          objectId: 'fence',
          widthMm: Math.hypot(gate.b.from[0] - gate.a.from[0], gate.b.from[1] - gate.a.from[1]),
          heightMm: own.heightMm,
          at: [(gate.a.from[0] + gate.b.from[0]) / 2, (gate.a.from[1] + gate.b.from[1]) / 2, 0],
          out: outOf(gate.a.from, gate.b.from),
        },
      ];

const orderOf = (own: Fence, { posts, bars }: { readonly posts: readonly Bar[]; readonly bars: (Bar | Row)[] }): PieceShape['order'] => [
  { does: 'pin', says: 'Set the posts on pins in the ground, plumb, from both ends to the middle.', bodyIds: posts.map(({ id }) => id) },
  { does: 'glue', says: 'Add the rails, lowest first, then the infill.', bodyIds: bars.slice(posts.length).map(({ id }) => id) },
  ...(own.fill === 'hedge'
    ? [
        {
          does: 'fill' as const,
          says: 'Apply flock in clumps from the rails outwards and spray glue between layers. Trim it when dry.',
          bodyIds: [],
        },
      ]
    : []),
];

const sizeHandle = (key: string, label: string, at: Vec, along: Vec) => ({
  key,
  label,
  objectId: 'fence',
  at,
  along,
  perUnitMm: 1,
  step: 1,
});
/** To the right of a way along it. */
function outOf(from: Vec, to: Vec): Vec {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const long = Math.hypot(dx, dy);
  return [dy / long, -dx / long, 0];
}

/** Height × width × length of all bays without a gate. */
function hedgeMl(own: Fence, sides: readonly Side[]): number {
  const longs = sides.flatMap(({ longMm, bays }) => Array.from({ length: bays }, () => longMm / bays));
  const grownMm = longs.reduce((sum, mm, i) => (i + 1 === own.gateBay ? sum : sum + mm), 0);
  return (grownMm * own.hedgeMm * own.heightMm) / 1_000;
}

/** Leaves about every bay without a gate. */
function hedgeOf(own: Fence, posts: readonly Bar[], isClosed: boolean): Mesh {
  const half = own.hedgeMm / 2;
  return merged(
    posts.flatMap((post, i): Mesh[] => {
      const next = posts[i + 1] ?? (isClosed ? posts[0]! : null);
      if (next === null || i + 1 === own.gateBay) return [];
      const [[ax, ay], [bx, by]] = [post.from, next.from];
      const [ox, oy] = outOf(post.from, next.from);
      const ring = (z: number): Vec[] => [
        [ax + ox * half, ay + oy * half, z],
        [bx + ox * half, by + oy * half, z],
        [bx - ox * half, by - oy * half, z],
        [ax - ox * half, ay - oy * half, z],
      ];
      return [lofted([ring(0), ring(own.heightMm)])];
    }),
  );
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
