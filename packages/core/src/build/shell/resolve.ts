import { type Point, signedMm2 } from '../../base/geometry';
import { type Result, fail, ok } from '../../base/result';
import type { Assembly, Bar, EdgeJoint, Face, Opening, Row, StockSize, StockSizes } from './shell';
import { type EdgeCut, type NoShape, type Plate, checkedPlate, loopOf, squarePlane } from './plate';
import {
  type Frame,
  type Plane,
  type Vec,
  beyondMm,
  cross,
  dot,
  facingOf,
  minus,
  placeIn,
  planeThrough,
  planeWithin,
  plus,
  times,
  unit,
  within,
} from './space';
import { type Curve, curveOf } from './curve';

/** A round bar or a tube between two planes across it. */
export interface Rod {
  readonly kind: 'rod';
  readonly id: string;
  readonly name: string;
  readonly role: string;
  /** Along its middle: u from its drawn start to its end. */
  readonly frame: Frame;
  readonly radiusMm: number;
  /** Radius of the hole along it; 0 where it is solid. */
  readonly boreMm: number;
  /** Its two ends, in its own axes. */
  readonly ends: readonly [Plane, Plane];
}
/** Where an end lies at a place across a rod. */
export const endAt = ({ normal, atMm }: Plane, y: number, z: number): number => (atMm - normal[1] * y - normal[2] * z) / normal[0];
export type Body = Plate | Rod | Curve;

/** A body's place and its flat sides, before its edges are cut: all that another body's joint has to know. */
interface Placed {
  readonly frame: Frame;
  readonly thicknessMm: number;
  /** Flat sides with the way they face. */
  readonly sides: readonly Plane[];
  /** Both ends of a bar as drawn; null for a face. */
  readonly run: readonly [Vec, Vec] | null;
  /** Corners of a bar's section where it starts; none of a face. */
  readonly section: readonly Vec[];
}

/** Lays out every body of an assembly: each joint is made of the planes of the two that meet. */
export function resolved(assembly: Assembly, stocks: StockSizes): Result<readonly Body[], NoShape> {
  const placed = new Map<string, Placed>();
  const stockOf = (role: string): StockSize => stocks[role] ?? missing(`stock for ${role}`);
  const { faces, bars = [], bends = [] } = assembly;
  for (const face of faces) placed.set(face.id, placedFace(face, stockOf(face.role), placed));
  const all: Bar[] = [];
  for (const one of bars) {
    const row = 'bar' in one ? barsOf(one, stockOf(one.bar.role), placed) : ok([one]);
    if (!row.ok) return row;
    for (const bar of row.value) {
      placed.set(bar.id, placedBar(bar, stockOf(bar.role), placed));
      all.push(bar);
    }
  }
  const bodies: Body[] = [];
  for (const face of faces) {
    const plate = checkedPlate(cutFace(face, placed));
    if (!plate.ok) return plate;
    bodies.push(plate.value);
  }
  for (const bar of all) {
    const body = cutBar(bar, stockOf(bar.role), placed);
    if (body.kind === 'rod') {
      if (leastLengthMm(body) <= 0) return fail({ code: 'shell/vanishes', faceId: bar.id, faceName: bar.name, what: 'length' });
      bodies.push(body);
      continue;
    }
    const plate = checkedPlate(body);
    if (!plate.ok) return plate;
    bodies.push(plate.value);
  }
  for (const bend of bends) bodies.push(curveOf(bend, stockOf(bend.role)));
  return ok(bodies);
}

/** @throws RangeError: a family named something that is not there (our bug) */
function missing(what: string): never {
  throw new RangeError(`no ${what}`);
}

function placedFace(face: Face, { thicknessMm }: StockSize, placed: ReadonlyMap<string, Placed>): Placed {
  const out = facingOf(face.corners);
  const u = unit(minus(face.corners[1]!, face.corners[0]!));
  const v = cross(out, u);
  const w = face.grows === 'out' ? out : times(out, -1);
  let origin = face.corners[0]!;
  if (face.lies !== undefined) {
    const under = placed.get(face.lies.on) ?? missing(`face ${face.lies.on}`);
    // On whichever of its sides faces the way this one's thickness lies.
    const side = facing(under.sides, w, 'far');
    origin = plus(origin, times(w, -beyondMm(side, origin) / dot(side.normal, w)));
  }
  const frame: Frame = { origin, u, v, w };
  return {
    frame,
    thicknessMm,
    run: null,
    section: [],
    sides: [planeThrough(origin, times(w, -1)), planeThrough(plus(origin, times(w, thicknessMm)), w)],
  };
}

function placedBar(bar: Bar, stock: StockSize, placed: ReadonlyMap<string, Placed>): Placed {
  const u = unit(minus(bar.to, bar.from));
  const v = unit(minus(bar.across, times(u, dot(bar.across, u))));
  const w = cross(u, v);
  const [widthMm, heightMm] = sectionOf(stock);
  const [acrossTo, upTo] = bar.runs ?? [0, 0];
  let origin = plus(bar.from, plus(times(v, (-(acrossTo + 1) / 2) * widthMm), times(w, (-(upTo + 1) / 2) * heightMm)));
  const sidesAt = (from: Vec): Plane[] => [
    planeThrough(from, times(v, -1)),
    planeThrough(plus(from, times(v, widthMm)), v),
    planeThrough(from, times(w, -1)),
    planeThrough(plus(from, times(w, heightMm)), w),
  ];
  const own = (): Placed => {
    const frame = { origin, u, v, w };
    const section = [0, widthMm].flatMap((y) => [0, heightMm].map((z) => placeIn(frame, 0, y, z)));
    return { frame, thicknessMm: heightMm, sides: sidesAt(origin), run: [bar.from, bar.to], section };
  };
  for (const { bodies, along } of bar.touches ?? []) {
    const way = unit(along);
    const corners = barCorners(bar, widthMm, own(), placed);
    const shifts = bodies.map((id) => roomMm(corners, facing((placed.get(id) ?? missing(`body ${id}`)).sides, way, 'near'), way));
    origin = plus(origin, times(way, Math.min(...shifts)));
  }
  return own();
}
/** How far corners can go along a way until the first of them meets a side that faces them. */
const roomMm = (corners: readonly Vec[], side: Plane, way: Vec): number =>
  Math.min(...corners.map((corner) => beyondMm(side, corner))) / -dot(side.normal, way);

/** The eight corners of a bar between the planes its ends are cut along. */
function barCorners(bar: Bar, widthMm: number, own: Placed, placed: ReadonlyMap<string, Placed>): readonly Vec[] {
  const ring = barRing(bar, widthMm);
  const [start, end] = bar.ends ?? [{ joint: 'free' }, { joint: 'free' }];
  const planes = [
    planeOf(start, { own, placed, from: ring[3]!, to: ring[0]! }),
    planeOf(end, { own, placed, from: ring[1]!, to: ring[2]! }),
  ];
  return planes.flatMap(({ normal, atMm }) =>
    [0, widthMm].flatMap((y) =>
      [0, own.thicknessMm].map((z) => placeIn(own.frame, (atMm - normal[1] * y - normal[2] * z) / normal[0], y, z)),
    ),
  );
}
const barRing = (bar: Bar, widthMm: number): readonly Point[] => {
  const longMm = Math.hypot(...minus(bar.to, bar.from));
  return [
    { x: 0, y: 0 },
    { x: longMm, y: 0 },
    { x: longMm, y: widthMm },
    { x: 0, y: widthMm },
  ];
};

const sectionOf = ({ thicknessMm, widthMm }: StockSize): readonly [widthMm: number, heightMm: number] => [
  widthMm ?? thicknessMm,
  thicknessMm,
];

/** The side of a body that one meets first going a way, or last. */
function facing(sides: readonly Plane[], way: Vec, which: 'near' | 'far'): Plane {
  const sign = which === 'near' ? -1 : 1;
  return sides.reduce((best, side) => (sign * dot(side.normal, way) > sign * dot(best.normal, way) + 1e-9 ? side : best));
}

interface Meeting {
  readonly own: Placed;
  readonly placed: ReadonlyMap<string, Placed>;
  readonly from: Point;
  readonly to: Point;
}

/** The plane that a joint cuts an edge along, in the body's own axes. */
function planeOf(edge: EdgeJoint, { own, placed, from, to }: Meeting): Plane {
  const square = (beyond = 0): Plane => squarePlane(from, to, beyond);
  if (edge.joint === 'free') return square(edge.beyondMm);
  if (edge.joint === 'plane')
    return turnedOut(planeWithin(own.frame, planeThrough(placeAlong(own, from, to), edge.normal)), squarePlane(from, to).normal);
  const other = placed.get(edge.to) ?? missing(`body ${edge.to}`);
  const { frame } = own;
  const level = squarePlane(from, to).normal;
  const way = plus(times(frame.u, level[0]), times(frame.v, level[1]));
  if (edge.joint === 'mitre' || edge.joint === 'fold') {
    const mitre = own.run !== null && other.run !== null ? turnPlane(way, own.run, other.run) : mitrePlane(own, other);
    if (mitre === null) return square();
    return turnedOut(planeWithin(frame, mitre), level);
  }
  const side = facing(other.sides, way, edge.joint === 'against' ? 'near' : 'far');
  const movedMm = edge.joint === 'against' ? (edge.gapMm ?? 0) : (edge.beyondMm ?? 0);
  const plane = turnedOut(planeWithin(frame, { normal: side.normal, atMm: side.atMm + movedMm }), level);
  return edge.joint === 'over' && edge.square ? { normal: [plane.normal[0], plane.normal[1], 0], atMm: plane.atMm } : plane;
}

/** The middle of an edge as drawn; of a bar's end, where its drawn line ends. */
function placeAlong({ frame, run }: Placed, from: Point, to: Point): Vec {
  const middle = placeIn(frame, (from.x + to.x) / 2, (from.y + to.y) / 2, 0);
  if (run === null) return middle;
  return Math.hypot(...minus(run[0], middle)) < Math.hypot(...minus(run[1], middle)) ? run[0] : run[1];
}

/** Every place that lies as deep in one body as in the other, of each one's own thickness. Null where the two lie in one plane. */
function mitrePlane(a: Placed, b: Placed): Plane | null {
  const [p, q] = [times(a.frame.w, 1 / a.thicknessMm), times(b.frame.w, 1 / b.thicknessMm)];
  const normal = minus(p, q);
  if (Math.hypot(...normal) < 1e-9 / a.thicknessMm) return null;
  return { normal, atMm: dot(p, a.frame.origin) - dot(q, b.frame.origin) };
}
/** The plane that halves the turn from one bar into the next, through the place where their drawn lines meet. */
function turnPlane(way: Vec, own: readonly [Vec, Vec], other: readonly [Vec, Vec]): Plane {
  const end = dot(minus(own[1], own[0]), way) > 0 ? own[1] : own[0];
  const [a, b] = other;
  const isStart = Math.hypot(...minus(a, end)) < Math.hypot(...minus(b, end));
  const theirs = unit(isStart ? minus(a, b) : minus(b, a));
  return planeThrough(end, minus(way, theirs));
}
const turnedOut = (plane: Plane, out: Vec): Plane =>
  plane.normal[0] * out[0] + plane.normal[1] * out[1] < 0 ? { normal: times(plane.normal, -1), atMm: -plane.atMm } : plane;

function scored({ normal: [x, y, z], atMm }: Plane, thicknessMm: number): Plane {
  return { normal: [x, y, 0], atMm: Math.min(atMm, atMm - z * thicknessMm) };
}

function cutFace(face: Face, placed: ReadonlyMap<string, Placed>): Plate {
  const own = placed.get(face.id)!;
  const { frame, thicknessMm } = own;
  const ring = face.corners.map((corner): Point => {
    const [x, y] = within(frame, corner);
    return { x, y };
  });
  const cutAt = (i: number): EdgeCut => {
    const [from, to] = [ring[i]!, ring[(i + 1) % ring.length]!];
    const edge = face.edges[i]!;
    const plane = planeOf(edge, { own, placed, from, to });
    if (edge.joint !== 'fold' || edge.by !== 'score') return { plane, edge, opening: null };
    // A scored edge stays square: it turns about the side on which it is the shorter.
    const leanMm = (-plane.normal[2] * thicknessMm) / Math.hypot(plane.normal[0], plane.normal[1]);
    return { plane: scored(plane, thicknessMm), edge, opening: null, scoreLeanMm: leanMm };
  };
  const openings = face.openings ?? [];
  const corners = ring.flatMap((at, i) => {
    const cut = cutAt(i);
    const notches = openings.filter(({ onto }) => onto === i).map((opening) => notchOf(opening, at, ring[(i + 1) % ring.length]!));
    notches.sort((a, b) => a.atMm - b.atMm);
    return [{ at, cut }, ...notches.flatMap(({ line, opening }) => spliced(line, opening, cut))];
  });
  const holes = openings.filter(({ onto }) => onto === undefined).map((opening) => holeOf(opening, thicknessMm));
  return {
    kind: 'plate',
    id: face.id,
    name: face.name,
    role: face.role,
    frame,
    thicknessMm,
    loops: [loopOf(corners, thicknessMm, null), ...holes],
    isBar: false,
    scores: face.scores ?? [],
  };
}

/** The line round an opening that is open to an edge: into the face and back to the edge. */
function notchOf(
  opening: Opening,
  from: Point,
  to: Point,
): { readonly line: readonly Point[]; readonly opening: Opening; readonly atMm: number } {
  const long = Math.hypot(to.x - from.x, to.y - from.y);
  const along = ({ x, y }: Point): number => ((x - from.x) * (to.x - from.x) + (y - from.y) * (to.y - from.y)) / long;
  const off = ({ x, y }: Point): number => ((to.x - from.x) * (y - from.y) - (to.y - from.y) * (x - from.x)) / long;
  const ring = signedMm2(opening.ring) < 0 ? opening.ring : [...opening.ring].reverse();
  // Clockwise round the hole: the line leaves the edge where it comes first, and comes back where it comes last.
  const start = ring.findIndex((point, i) => Math.abs(off(point)) < 1e-6 && off(ring[(i + 1) % ring.length]!) > 1e-6);
  if (start < 0) throw new RangeError(`${opening.name}: expected two corners on the edge it is open to`);
  const turned = [...ring.slice(start), ...ring.slice(0, start)];
  const end = turned.findIndex((point, i) => i > 0 && Math.abs(off(point)) < 1e-6);
  return { line: turned.slice(0, end + 1), opening, atMm: along(turned[0]!) };
}
/** Corners of a notch between the two ends of the edge it is cut into: the last of them takes the edge up again. */
const spliced = (line: readonly Point[], opening: Opening, edge: EdgeCut): { readonly at: Point; readonly cut: EdgeCut }[] =>
  line.map((at, i) => {
    const to = line[i + 1];
    return { at, cut: to === undefined ? edge : revealCut(opening, at, to) };
  });
const revealCut = (opening: Opening, from: Point, to: Point): EdgeCut => ({
  plane: squarePlane(from, to, 0, opening.splayDeg ?? 0),
  edge: { joint: 'free' },
  opening,
});
function holeOf(opening: Opening, thicknessMm: number): Plate['loops'][number] {
  const ring = signedMm2(opening.ring) < 0 ? opening.ring : [...opening.ring].reverse();
  const corners = ring.map((at, i) => ({ at, cut: revealCut(opening, at, ring[(i + 1) % ring.length]!) }));
  return loopOf(corners, thicknessMm, opening);
}

function cutBar(bar: Bar, stock: StockSize, placed: ReadonlyMap<string, Placed>): Plate | Rod {
  const own = placed.get(bar.id)!;
  const [widthMm, heightMm] = sectionOf(stock);
  const ring = barRing(bar, widthMm);
  const [start, end] = bar.ends ?? [{ joint: 'free' }, { joint: 'free' }];
  const edges: readonly EdgeJoint[] = [{ joint: 'free' }, end, { joint: 'free' }, start];
  const cuts = edges.map((edge, i): EdgeCut => {
    const [from, to] = [ring[i]!, ring[(i + 1) % 4]!];
    return { plane: planeOf(edge, { own, placed, from, to }), edge, opening: null };
  });
  if (stock.isRound) {
    const [y, z] = [widthMm / 2, heightMm / 2];
    const frame = { ...own.frame, origin: placeIn(own.frame, 0, y, z) };
    const moved = ({ normal, atMm }: Plane): Plane => ({ normal, atMm: atMm - normal[1] * y - normal[2] * z });
    const ends = [moved(cuts[3]!.plane), moved(cuts[1]!.plane)] as const;
    return {
      kind: 'rod',
      id: bar.id,
      name: bar.name,
      role: bar.role,
      frame,
      radiusMm: heightMm / 2,
      boreMm: (stock.boreMm ?? 0) / 2,
      ends,
    };
  }
  const loop = loopOf(
    ring.map((at, i) => ({ at, cut: cuts[i]! })),
    heightMm,
    null,
  );
  return {
    kind: 'plate',
    id: bar.id,
    name: bar.name,
    role: bar.role,
    frame: own.frame,
    thicknessMm: heightMm,
    loops: [loop],
    isBar: true,
    scores: [],
  };
}

/** Along the side of a rod on which it is shortest. */
function leastLengthMm({ radiusMm, ends: [start, end] }: Rod): number {
  const round = Array.from({ length: 16 }, (_, i) => (i / 8) * Math.PI);
  return Math.min(
    ...round.map((turn) => {
      const [y, z] = [radiusMm * Math.cos(turn), radiusMm * Math.sin(turn)];
      return endAt(end, y, z) - endAt(start, y, z);
    }),
  );
}

/** The bars of a row, each in its place. */
function barsOf(row: Row, stock: StockSize, placed: ReadonlyMap<string, Placed>): Result<readonly Bar[], NoShape> {
  const crowded = (): Result<readonly Bar[], NoShape> => fail({ code: 'shell/crowded', faceId: row.id, faceName: row.name, what: 'gaps' });
  const named = (i: number): Pick<Bar, 'id' | 'name'> => ({ id: `${row.id}-${i + 1}`, name: `${row.name} ${i + 1}` });
  const fitting = (lengthMm: number, widthMm: number, ends: number): number =>
    typeof row.count === 'number'
      ? row.count
      : Math.max(0, Math.floor((lengthMm - ends * row.count.gapMm) / (widthMm + row.count.gapMm) + 1e-9));
  if (row.round !== undefined) {
    const { centre, radiusMm } = row.round;
    const count = fitting(2 * Math.PI * radiusMm, sectionOf(stock)[0], 0);
    // Straight bars side by side need room on their inner corners.
    if (count > 2 && 2 * radiusMm * Math.sin(Math.PI / count) < sectionOf(stock)[0]) return crowded();
    return ok(
      Array.from({ length: count }, (_, i) => {
        const turned = turnedAbout(centre, (2 * Math.PI * i) / count);
        const { from, to, across } = row.bar;
        return { ...row.bar, ...named(i), from: turned(from), to: turned(to), across: minus(turned(plus(centre, across)), centre) };
      }),
    );
  }
  const between = row.between ?? missing(`bodies for the row ${row.id}`);
  const way = unit(between.along);
  const own = placedBar({ ...row.bar, ...named(0) }, stock, placed);
  const at = (sides: readonly Plane[], which: 'near' | 'far'): number => {
    const side = facing(sides, way, which);
    return side.atMm / dot(side.normal, way);
  };
  // A bar that stands askew reaches as far as its corner.
  const reach = (id: string, which: 'near' | 'far'): number => {
    const { sides, section } = placed.get(id) ?? missing(`body ${id}`);
    if (section.length === 0) return at(sides, which);
    return (which === 'far' ? Math.max : Math.min)(...section.map((corner) => dot(corner, way)));
  };
  const [startMm, endMm] =
    'places' in between
      ? between.places.map((place) => dot(place, way) as number)
      : [reach(between.bodies[0], 'far'), reach(between.bodies[1], 'near')];
  const [lowMm, widthMm] = [at(own.sides, 'near'), at(own.sides, 'far') - at(own.sides, 'near')];
  const count = fitting(endMm! - startMm!, widthMm, 1);
  const gap = (endMm! - startMm! - count * widthMm) / (count + 1);
  if (gap < 0) return crowded();
  return ok(
    Array.from({ length: count }, (_, i) => {
      const by = times(way, startMm! + gap + i * (widthMm + gap) - lowMm);
      return { ...row.bar, ...named(i), from: plus(row.bar.from, by), to: plus(row.bar.to, by) };
    }),
  );
}
const turnedAbout =
  (centre: Vec, turn: number) =>
  (point: Vec): Vec => {
    const [x, y, z] = minus(point, centre);
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    return plus(centre, [x * cos - y * sin, x * sin + y * cos, z]);
  };
