import type { Point, Ring } from '../../../base/geometry';
import { type Body, type Mesh, type Vec, cross, dot, hullOf, meshOf, midOf, middleOf, placesOf, minus, plus, times } from '../../shell';
import { chained, placeKey } from './chained';
import type { LooseStuff } from './loose';

/** Where a piece is looked at from: turned about its upright axis, and from how high; all lines of sight parallel. */
export interface Sight {
  readonly yawDeg: number;
  readonly pitchDeg: number;
}
export const PLAN_SIGHT: Sight = { yawDeg: 0, pitchDeg: 90 };
export const FRONT_SIGHT: Sight = { yawDeg: 0, pitchDeg: 0 };
export const SIDE_SIGHT: Sight = { yawDeg: 90, pitchDeg: 0 };
export const CORNER_SIGHT: Sight = { yawDeg: 32, pitchDeg: 28 };

/** Courses laid on one side of a part, or worked into it. */
export interface Coursed {
  readonly bodyId: string;
  readonly side: 'far' | 'drawn';
  /** From course to course along the side. */
  readonly gaugeMm: number;
  readonly runs: 'along' | 'up';
  /** Height of the lowest. */
  readonly fromMm: number;
}
/** What is drawn besides bodies: only while they are put together. */
export interface Dressing {
  readonly courses: readonly Coursed[];
  readonly loose: readonly LooseStuff[];
}
const BARE: Dressing = { courses: [], loose: [] };

/** One side of a body as it is seen: y runs down. */
export interface SeenFace {
  readonly bodyId: string;
  readonly rings: readonly Ring[];
  readonly courses: readonly (readonly [Point, Point])[];
  readonly isLoose: boolean;
  /** 0 in the shade, 1 in the light. */
  readonly light: number;
  /** One of many flats that stand for a round: its lines are softer. */
  readonly isFacet: boolean;
}
export interface PieceDrawing {
  readonly faces: readonly SeenFace[];
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

interface Flat {
  readonly rings: readonly (readonly Vec[])[];
  readonly normal: Vec;
  /** Drawn before the faces that lie over it: a reveal before the face it is cut into. */
  readonly isReveal: boolean;
  readonly isFacet?: boolean;
  readonly side?: 'far' | 'drawn';
}
/** What is drawn in one go: a body, or of one that is bent round others a stave. */
interface Shown {
  readonly body: Body;
  readonly places: readonly Vec[];
  readonly flats: readonly Flat[];
  readonly depth: number;
}

/** Right, up and towards the viewer, for a sight. */
export function axesOf({ yawDeg, pitchDeg }: Sight): { readonly right: Vec; readonly up: Vec; readonly near: Vec } {
  const [yaw, pitch] = [(yawDeg * Math.PI) / 180, (pitchDeg * Math.PI) / 180];
  const right: Vec = [Math.cos(yaw), Math.sin(yaw), 0];
  const near: Vec = [Math.sin(yaw) * Math.cos(pitch), -Math.cos(yaw) * Math.cos(pitch), Math.sin(pitch)];
  return { right, near, up: cross(near, right) };
}
/** A place of a piece on the drawing, y down. */
export function onDrawing(place: Vec, sight: Sight): Point {
  const { right, up } = axesOf(sight);
  return { x: dot(place, right), y: -dot(place, up) };
}

/**
 * A piece as it is seen, what is farther first. Of two bodies that a plane parts, the one beyond it is farther; a flat side of one of them is such a plane
 * for nearly all that are joined.
 * @param apart how far its bodies are drawn from one another, 0 put together, 1 well apart
 */
export function pieceDrawing(bodies: readonly Body[], sight: Sight, apart = 0, { courses, loose }: Dressing = BARE): PieceDrawing {
  const { right, up, near } = axesOf(sight);
  const flat = (place: Vec): Point => ({ x: dot(place, right), y: -dot(place, up) });
  const shown = bodies.flatMap((body) => shownOf(body, near)).map((one, _, all) => shifted(one, all, apart));
  const seen = inOrder(shown, sight).flatMap(({ body, flats }) =>
    [...flats]
      .filter(({ normal }) => dot(normal, near) > 1e-6)
      .sort((a, b) => Number(b.isReveal) - Number(a.isReveal))
      .map(({ rings, normal, isFacet = false, side }): SeenFace => {
        const coursed = courses.find((one) => one.bodyId === body.id && one.side === side);
        return {
          bodyId: body.id,
          isFacet,
          isLoose: false,
          rings: rings.map((ring) => ring.map(flat)),
          courses: coursed === undefined ? [] : courseLines(rings, normal, coursed).map(([from, to]) => [flat(from), flat(to)] as const),
          light: lightOn(normal),
        };
      }),
  );
  // Heaped over what it covers, it hides it.
  for (const { id, mesh } of loose)
    for (const { rings, normal } of farFirst(meshFlats(mesh), near))
      if (dot(normal, near) > 1e-6)
        seen.push({
          bodyId: id,
          isFacet: true,
          isLoose: true,
          rings: rings.map((ring) => ring.map(flat)),
          courses: [],
          light: lightOn(normal),
        });
  const points = seen.flatMap(({ rings }) => rings.flat());
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  return { faces: seen, left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}

const farFirst = (flats: readonly Flat[], near: Vec): readonly Flat[] =>
  [...flats].sort((a, b) => dot(midOf(a.rings[0]!), near) - dot(midOf(b.rings[0]!), near));

/** Nothing is laid in courses on what lies this level. */
const LEVEL = 0.995;
/** Where courses meet on a flat side: level planes, or for boards that go up it upright ones, cut it. */
function courseLines(rings: readonly (readonly Vec[])[], normal: Vec, { gaugeMm, runs, fromMm }: Coursed): (readonly [Vec, Vec])[] {
  const slope = Math.hypot(normal[0], normal[1]);
  if (Math.abs(normal[2]) > LEVEL) return [];
  const along: Vec = [-normal[1] / slope, normal[0] / slope, 0];
  const [way, stepMm, lowMm] =
    runs === 'along'
      ? ([[0, 0, 1] as Vec, gaugeMm * slope, fromMm] as const)
      : ([along, gaugeMm, Math.min(...rings.flat().map((place) => dot(place, along)))] as const);
  const across: Vec = runs === 'along' ? along : cross(normal, along);
  const high = Math.max(...rings.flat().map((place) => dot(place, way)));
  const lines: (readonly [Vec, Vec])[] = [];
  for (let k = 1; lowMm + k * stepMm < high - 0.05; k++) {
    const at = lowMm + k * stepMm;
    const met = rings.flatMap((ring) =>
      ring.flatMap((from, i): Vec[] => {
        const to = ring[(i + 1) % ring.length]!;
        const [p, q] = [dot(from, way) - at, dot(to, way) - at];
        return p > 0 === q > 0 ? [] : [plus(from, times(minus(to, from), p / (p - q)))];
      }),
    );
    met.sort((a, b) => dot(a, across) - dot(b, across));
    for (let i = 0; i + 1 < met.length; i += 2) lines.push([met[i]!, met[i + 1]!]);
  }
  return lines;
}

/** A lamp over the left shoulder. */
const LAMP: Vec = [-0.42, -0.55, 0.72];
const lightOn = (normal: Vec): number => Math.max(0, Math.min(1, 0.45 + 0.55 * dot(normal, LAMP)));

function shownOf(body: Body, near: Vec): Shown[] {
  if (body.kind === 'curve') return stavesOf(body, near);
  const places = placesOf(body);
  return [{ body, places, flats: body.kind === 'plate' ? plateFlats(body) : rodFlats(body), depth: dot(middleOf(body), near) }];
}

/** A bent sheet stave by stave: what stands within its bend lies before some and behind others. */
function stavesOf(body: Extract<Body, { kind: 'curve' }>, near: Vec): Shown[] {
  const { places, triangles } = meshOf(body);
  const { frame, turnRad } = body;
  const count = Math.max(1, Math.round((turnRad * ROUND_STAVES) / (2 * Math.PI)));
  const stepRad = turnRad / count;
  const turnOf = (place: Vec): number => {
    const from = minus(place, frame.origin);
    const turn = Math.atan2(dot(from, frame.v), dot(from, frame.u));
    return turn < -1e-6 ? turn + 2 * Math.PI : turn;
  };
  const staves = new Map<number, (readonly [Vec, Vec, Vec])[]>();
  for (const corners of triangles) {
    const [p, q, r] = corners.map((at) => places[at]!) as [Vec, Vec, Vec];
    const stave = Math.min(count - 1, Math.floor(turnOf(midOf([p, q, r])) / stepRad));
    staves.set(stave, [...(staves.get(stave) ?? []), [p, q, r]]);
  }
  return [...staves.values()].map((own): Shown => {
    const all = own.flat();
    return { body, places: all, flats: sidesOf(own).map((flat) => ({ ...flat, ...bentSide(body, flat) })), depth: dot(midOf(all), near) };
  });
}
/** Which side of a bent sheet a flat of it is; an edge is neither. */
function bentSide(
  { frame, farMm, drawnMm }: Extract<Body, { kind: 'curve' }>,
  { rings, normal }: Flat,
): { readonly side?: 'far' | 'drawn' } {
  const from = minus(midOf(rings[0]!), frame.origin);
  const out = minus(from, times(frame.w, dot(from, frame.w)));
  const lean = dot(out, normal) / Math.hypot(...out);
  if (Math.abs(lean) < 0.9) return {};
  return { side: lean > 0 === farMm > drawnMm ? 'far' : 'drawn' };
}
/** Staves of a full circle: as many as its mesh has flats. */
const ROUND_STAVES = 48;

/** Triangles that lie in one plane and touch, as one side: its rings are the edges that only one of them has. */
function sidesOf(triangles: readonly (readonly [Vec, Vec, Vec])[]): Flat[] {
  const byNormal = new Map<string, { normal: Vec; edges: Map<string, readonly [Vec, Vec]> }>();
  for (const [p, q, r] of triangles) {
    const raw = cross(minus(q, p), minus(r, p));
    const long = Math.hypot(...raw);
    if (long < 1e-9) continue;
    const normal = times(raw, 1 / long);
    const name = `${placeKey(normal)} ${Math.round(dot(normal, p) * 1e3)}`;
    const side = byNormal.get(name) ?? { normal, edges: new Map<string, readonly [Vec, Vec]>() };
    byNormal.set(name, side);
    for (const [from, to] of [
      [p, q],
      [q, r],
      [r, p],
    ] as const)
      if (!side.edges.delete(`${placeKey(to)} ${placeKey(from)}`)) side.edges.set(`${placeKey(from)} ${placeKey(to)}`, [from, to]);
  }
  return [...byNormal.values()].map(({ normal, edges }) => ({
    rings: chained([...edges.values()]),
    normal,
    isReveal: false,
    isFacet: true,
  }));
}
function plateFlats(plate: Extract<Body, { kind: 'plate' }>): Flat[] {
  const { frame, thicknessMm, loops } = plate;
  const at = ({ x, y }: Point, depth: number): Vec =>
    [0, 1, 2].map((k) => frame.origin[k]! + frame.u[k]! * x + frame.v[k]! * y + frame.w[k]! * depth) as unknown as Vec;
  const drawn = loops.map((loop) => loop.drawn.map((point) => at(point, 0)));
  const far = loops.map((loop) => loop.far.map((point) => at(point, thicknessMm)));
  const back: Vec = [-frame.w[0], -frame.w[1], -frame.w[2]];
  const sides = loops.flatMap((_, k) =>
    drawn[k]!.map((from, i): Flat => {
      const next = (i + 1) % drawn[k]!.length;
      const ring = [from, drawn[k]![next]!, far[k]![next]!, far[k]![i]!];
      const [a, b] = [minus(ring[1]!, ring[0]!), minus(ring[2]!, ring[0]!)];
      const raw = cross(a, b);
      const long = Math.hypot(...raw) || 1;
      // Loops run round material on the drawn side's own axes: out is away from it.
      const sign = dot(cross(frame.u, frame.v), frame.w) > 0 ? 1 : -1;
      return {
        rings: [ring],
        normal: [(sign * raw[0]) / long, (sign * raw[1]) / long, (sign * raw[2]) / long],
        isReveal: k > 0 || loops[0]!.cuts[i]!.opening !== null,
      };
    }),
  );
  return [
    ...sides,
    { rings: drawn, normal: back, isReveal: false, side: 'drawn' },
    { rings: far, normal: frame.w, isReveal: false, side: 'far' },
  ];
}
/** The inside of a tube is drawn before what of its outside lies over it. */
const rodFlats = (rod: Extract<Body, { kind: 'rod' }>): Flat[] =>
  meshFlats(meshOf(rod)).map((flat) => {
    const from = minus(midOf(flat.rings[0]!), rod.frame.origin);
    const out = minus(from, times(rod.frame.u, dot(from, rod.frame.u)));
    return dot(out, flat.normal) < -1e-6 ? { ...flat, isReveal: true } : flat;
  });
function meshFlats({ places, triangles }: Mesh): Flat[] {
  return triangles.flatMap(([a, b, c]): Flat[] => {
    const ring = [places[a]!, places[b]!, places[c]!];
    const raw = cross(minus(ring[1]!, ring[0]!), minus(ring[2]!, ring[0]!));
    const long = Math.hypot(...raw);
    return long < 1e-9 ? [] : [{ rings: [ring], normal: times(raw, 1 / long), isReveal: false, isFacet: true }];
  });
}

function shifted(one: Shown, all: readonly Shown[], apart: number): Shown {
  if (apart === 0) return one;
  const places = all.flatMap((other) => other.places);
  const [low, high] = [0, 1].map((which) =>
    [0, 1, 2].map((k) => (which === 0 ? Math.min : Math.max)(...places.map((place) => place[k]!))),
  ) as [number[], number[]];
  const middle = [0, 1, 2].map((k) => (low[k]! + high[k]!) / 2) as unknown as Vec;
  const away = minus(middleOf(one.body), middle);
  const by: Vec = [away[0] * apart, away[1] * apart, away[2] * apart];
  return { ...one, places: one.places.map((place) => plus(place, by)), flats: one.flats.map((flat) => moved(flat, by)) };
}

const moved = (flat: Flat, by: Vec): Flat => ({ ...flat, rings: flat.rings.map((ring) => ring.map((place) => plus(place, by))) });

/** Farthest first: each body after all that lie behind it. Only what laps over on the drawing has an order: round a ring of walls any other would run in a circle. */
function inOrder(shown: readonly Shown[], sight: Sight): readonly Shown[] {
  const { right, up, near } = axesOf(sight);
  const hulls = shown.map(({ places }) => hullOf(places.map((place) => ({ x: dot(place, right), y: dot(place, up) }))));
  const behind: number[][] = shown.map(() => []);
  shown.forEach((a, i) => {
    for (let k = i + 1; k < shown.length; k++) {
      if (!lapOver(hulls[i]!, hulls[k]!)) continue;
      const order = nearer(a, shown[k]!, near);
      if (order > 0) behind[i]!.push(k);
      else if (order < 0) behind[k]!.push(i);
    }
  });
  const done = new Set<number>();
  const open = new Set<number>();
  const sorted: Shown[] = [];
  const visit = (i: number): void => {
    if (done.has(i) || open.has(i)) return;
    open.add(i);
    for (const k of behind[i]!) visit(k);
    open.delete(i);
    done.add(i);
    sorted.push(shown[i]!);
  };
  [...shown.keys()].sort((a, b) => shown[a]!.depth - shown[b]!.depth).forEach(visit);
  return sorted;
}

/** Two outlines without hollows lap over unless a side of one of them has all of the other beyond it. */
const lapOver = (a: Ring, b: Ring): boolean => !hasBeyond(a, b) && !hasBeyond(b, a);
const hasBeyond = (own: Ring, other: Ring): boolean =>
  own.some((from, i) => {
    const to = own[(i + 1) % own.length]!;
    const long = Math.hypot(to.x - from.x, to.y - from.y);
    return other.every(({ x, y }) => ((to.x - from.x) * (y - from.y) - (to.y - from.y) * (x - from.x)) / long < PARTED_MM);
  });

const PARTED_MM = 0.01;
/**
 * Over 0 where a lies nearer than b, under 0 where farther. A flat side that parts the two says which of them the other cannot hide; where such sides say
 * both, neither hides the other: 0.
 */
function nearer(a: Shown, b: Shown, near: Vec): number {
  const says = new Set([...partings(a, b, near), ...partings(b, a, near).map((sign) => -sign)]);
  return says.size === 1 ? [...says][0]! : 0;
}
/** For every flat side of a that parts the two: 1 where a is on the viewer's side of it, −1 where b is. */
function partings(a: Shown, b: Shown, near: Vec): number[] {
  return a.flats.flatMap(({ rings, normal }) => {
    const side = dot(normal, near);
    if (Math.abs(side) < 1e-6) return [];
    const at = dot(normal, rings[0]![0]!);
    if (!b.places.every((place) => dot(normal, place) > at - PARTED_MM)) return [];
    if (!a.places.every((place) => dot(normal, place) < at + PARTED_MM)) return [];
    return [side > 0 ? -1 : 1];
  });
}
