import cdt2d from 'cdt2d';
import { type Point, type Ring, contains, signedMm2, turnsOneWay } from '../../base/geometry';
import { memoize } from '../../base/memory';
import { type Curve, bentPlace } from './curve';
import { type Plate, inSpace } from './plate';
import { type Body, type Rod, endAt } from './resolve';
import { type Plane, type Vec, placeIn } from './space';

/** A closed body in triangles, outward faces counter-clockwise: three numbers a place in mm, three places a triangle. */
export interface Mesh {
  readonly places: readonly Vec[];
  readonly triangles: readonly (readonly [number, number, number])[];
}

/** Flats that stand for a full circle: 0.2 % off the round at most. */
const ROUND_FLATS = 48;

export const meshOf = memoize((body: Body): Mesh =>
  body.kind === 'plate' ? plateMesh(body) : body.kind === 'rod' ? rodMesh(body) : curveMesh(body),
);

/** All corners of a body: what it reaches to. */
export const placesOf = memoize((body: Body): readonly Vec[] =>
  body.kind === 'plate' ? plateCorners(body) : body.kind === 'rod' ? meshOf(body).places : bentCorners(body),
);
const plateCorners = (plate: Plate): readonly Vec[] =>
  (['drawn', 'far'] as const).flatMap((side) => plate.loops.flatMap((loop) => inSpace(plate, loop, side)));

/**
 * Triangles whose signed sums over a plate are those of the plate, though they lap over one another where an outline turns inwards: a fan over each ring
 * spares filling it.
 */
export function plateFans(body: Plate): Mesh {
  const places = placesOf(body);
  const count = places.length / 2;
  const triangles: [number, number, number][] = [];
  let first = 0;
  for (const { drawn } of body.loops) {
    drawn.forEach((_, i) => {
      const [a, b] = [first + i, first + ((i + 1) % drawn.length)];
      triangles.push([a, b, count + b], [a, count + b, count + a]);
      if (i > 1) triangles.push([first, a, a - 1], [count + first, count + a - 1, count + a]);
    });
    first += drawn.length;
  }
  return turnedRight({ places, triangles }, isRightHanded(body.frame));
}

/** Triangles that fill rings, the first of them round the others. */
function filled(rings: readonly Ring[]): (readonly [number, number, number])[] {
  const [outline, hole] = rings;
  // Most faces are boxes: a fan fills them.
  if (hole === undefined && signedMm2(outline!) > 0 && turnsOneWay(outline!))
    return outline!.slice(2).map((_, i) => [0, i + 1, i + 2] as const);
  const points: [number, number][] = [];
  const edges: [number, number][] = [];
  for (const ring of rings) {
    const first = points.length;
    ring.forEach(({ x, y }, i) => {
      points.push([x, y]);
      edges.push([first + i, first + ((i + 1) % ring.length)]);
    });
  }
  // Any triangles will do: right angles are all on one circle with others, and turning edges over would ask that of each, exactly.
  return cdt2d(points, edges, { delaunay: false, exterior: false }).map(([a, b, c]) => {
    const [[ax, ay], [bx, by], [cx, cy]] = [points[a]!, points[b]!, points[c]!];
    return (bx - ax) * (cy - ay) - (by - ay) * (cx - ax) < 0 ? ([a, c, b] as const) : ([a, b, c] as const);
  });
}

function plateMesh(plate: Plate): Mesh {
  const { loops, frame } = plate;
  const places = plateCorners(plate);
  const count = places.length / 2;
  const triangles: [number, number, number][] = [];
  for (const [a, b, c] of filled(loops.map(({ drawn }) => drawn))) triangles.push([a, c, b]);
  for (const [a, b, c] of filled(loops.map(({ far }) => far))) triangles.push([count + a, count + b, count + c]);
  let first = 0;
  for (const { drawn } of loops) {
    drawn.forEach((_, i) => {
      const [a, b] = [first + i, first + ((i + 1) % drawn.length)];
      triangles.push([a, b, count + b], [a, count + b, count + a]);
    });
    first += drawn.length;
  }
  return turnedRight({ places, triangles }, isRightHanded(frame));
}

const isRightHanded = ({ u, v, w }: Plate['frame']): boolean =>
  w[0] * (u[1] * v[2] - u[2] * v[1]) + w[1] * (u[2] * v[0] - u[0] * v[2]) + w[2] * (u[0] * v[1] - u[1] * v[0]) > 0;
/** Where the thickness lies on the other side, all faces would look inwards. */
const turnedRight = (mesh: Mesh, isRight: boolean): Mesh =>
  isRight ? mesh : { ...mesh, triangles: mesh.triangles.map(([a, b, c]) => [a, c, b]) };

function rodMesh({ frame, radiusMm, boreMm, ends }: Rod): Mesh {
  const round = Array.from({ length: ROUND_FLATS }, (_, i) => (i / ROUND_FLATS) * 2 * Math.PI);
  const ringOn = (radius: number, end: Plane): Vec[] =>
    round.map((turn) => {
      const [y, z] = [radius * Math.cos(turn), radius * Math.sin(turn)];
      return placeIn(frame, endAt(end, y, z), y, z);
    });
  const places = ends.flatMap((end) => ringOn(radiusMm, end));
  const triangles: [number, number, number][] = [];
  const n = ROUND_FLATS;
  const skin = (first: number, isOut: boolean): void => {
    for (let i = 0; i < n; i++) {
      const [a, b] = [first + i, first + ((i + 1) % n)];
      if (isOut) triangles.push([a, n + b, b], [a, n + a, n + b]);
      else triangles.push([a, b, n + b], [a, n + b, n + a]);
    }
  };
  skin(0, true);
  if (boreMm > 0) {
    places.push(...ends.flatMap((end) => ringOn(boreMm, end)));
    skin(2 * n, false);
    for (let i = 0; i < n; i++) {
      const next = (i + 1) % n;
      triangles.push([i, next, 2 * n + next], [i, 2 * n + next, 2 * n + i]);
      triangles.push([n + i, 3 * n + next, n + next], [n + i, 3 * n + i, 3 * n + next]);
    }
  } else for (let i = 2; i < n; i++) triangles.push([0, i - 1, i], [n, n + i, n + i - 1]);
  return turnedRight({ places, triangles }, !isRightHanded(frame));
}

const flatsOf = ({ turnRad, drawnMm }: Curve): { readonly flats: number; readonly flatMm: number } => {
  const flats = Math.max(1, Math.ceil((turnRad / (2 * Math.PI)) * ROUND_FLATS));
  return { flats, flatMm: (turnRad * drawnMm) / flats };
};
/** Filling flats adds no corners: those of the rings, and where they go from one flat to the next, are all. */
function bentCorners(curve: Curve): readonly Vec[] {
  const { flatMm } = flatsOf(curve);
  const points = curve.loops.flatMap(({ ring }) => broken(ring, flatMm));
  return [curve.drawnMm, curve.farMm].flatMap((radius) => points.map((point) => bentPlace(curve, point, radius)));
}

/** A bent sheet in flats: rings are broken where a flat ends, each flat is filled and laid on both radii. */
function curveMesh(curve: Curve): Mesh {
  const { drawnMm, farMm, isClosed, loops } = curve;
  const { flats, flatMm } = flatsOf(curve);
  const rings = loops.map(({ ring }) => broken(ring, flatMm));
  const index = new Map<string, number>();
  const points: Point[] = [];
  const wrap = (x: number): number => (isClosed && Math.abs(x - flats * flatMm) < SAME_MM ? 0 : x);
  const vertex = ({ x, y }: Point): number => {
    const key = `${Math.round(wrap(x) / SAME_MM)} ${Math.round(y / SAME_MM)}`;
    let known = index.get(key);
    if (known === undefined) index.set(key, (known = points.push({ x: wrap(x), y }) - 1));
    return known;
  };
  const flat: [number, number, number][] = [];
  const sides = new Map<string, readonly [number, number]>();
  for (let i = 0; i < flats; i++) {
    for (const part of stripOf(rings, i * flatMm, (i + 1) * flatMm)) {
      for (const [a, b, c] of filled(part)) {
        const all = part.flat();
        const [p, q, r] = [vertex(all[a]!), vertex(all[b]!), vertex(all[c]!)];
        if (p === q || q === r || r === p) continue;
        flat.push([p, q, r]);
        for (const [from, to] of [
          [p, q],
          [q, r],
          [r, p],
        ] as const) {
          if (!sides.delete(`${to} ${from}`)) sides.set(`${from} ${to}`, [from, to]);
        }
      }
    }
  }
  const count = points.length;
  const places = [drawnMm, farMm].flatMap((radius) => points.map((point) => bentPlace(curve, point, radius)));
  const triangles: [number, number, number][] = [];
  for (const [a, b, c] of flat) triangles.push([a, c, b], [count + a, count + b, count + c]);
  for (const [a, b] of sides.values()) triangles.push([a, b, count + b], [a, count + b, count + a]);
  return turnedRight({ places, triangles }, farMm > drawnMm);
}
const SAME_MM = 1e-4;

/** A ring with a corner wherever it crosses from one flat to the next. */
function broken(ring: Ring, flatMm: number): Ring {
  return ring.flatMap((from, i) => {
    const to = ring[(i + 1) % ring.length]!;
    const [low, high] = [Math.min(from.x, to.x), Math.max(from.x, to.x)];
    const between: Point[] = [];
    for (let k = Math.floor(low / flatMm + 1e-9) + 1; k * flatMm < high - SAME_MM; k++) {
      const share = (k * flatMm - from.x) / (to.x - from.x);
      between.push({ x: k * flatMm, y: from.y + (to.y - from.y) * share });
    }
    if (from.x > to.x) between.reverse();
    return [from, ...between];
  });
}

/** What of broken rings lies between two upright lines, as rings each with its holes: outlines of separate pieces first. */
function stripOf(rings: readonly Ring[], fromMm: number, toMm: number): Ring[][] {
  const isLeft = (x: number): boolean => x < fromMm + SAME_MM / 2 && x > fromMm - SAME_MM / 2;
  const isRight = (x: number): boolean => x < toMm + SAME_MM / 2 && x > toMm - SAME_MM / 2;
  const isHere = (x: number): boolean => x > fromMm - SAME_MM / 2 && x < toMm + SAME_MM / 2;
  const chains: Point[][] = [];
  const whole: Ring[] = [];
  for (const ring of rings) {
    if (ring.every(({ x }) => isHere(x))) {
      whole.push(ring);
      continue;
    }
    // Runs of edges that lie within the strip, each from one of its borders to one of them.
    const edges = ring.map((from, i) => [from, ring[(i + 1) % ring.length]!] as const);
    const inside = edges.map(
      ([from, to]) => isHere(from.x) && isHere(to.x) && !(isLeft(from.x) && isLeft(to.x)) && !(isRight(from.x) && isRight(to.x)),
    );
    const start = inside.findIndex((is, i) => is && !inside[(i + inside.length - 1) % inside.length]);
    if (start < 0) continue;
    let chain: Point[] | null = null;
    for (let i = 0; i <= edges.length; i++) {
      const k = (start + i) % edges.length;
      const [from, to] = edges[k]!;
      if (i < edges.length && inside[k]) {
        if (chain === null) chains.push((chain = [from]));
        chain.push(to);
        // Touching a border ends a run: what lies beyond it belongs to the next flat.
        if (isLeft(to.x) || isRight(to.x)) chain = null;
      } else chain = null;
    }
  }
  const outlines: Point[][] = [];
  const left = new Set(chains);
  while (left.size > 0) {
    const first = [...left][0]!;
    const outline: Point[] = [];
    let chain: Point[] | undefined = first;
    do {
      left.delete(chain!);
      outline.push(...chain!);
      chain = nextChain(chain!, chains, isRight);
    } while (chain !== undefined && chain !== first);
    outlines.push(outline);
  }
  for (const ring of whole) if (signedMm2(ring) > 0) outlines.push([...ring]);
  const holes = whole.filter((ring) => signedMm2(ring) < 0);
  return outlines.map((outline) => [outline, ...holes.filter(([point]) => contains({ rings: [outline] }, point!))]);
}
/** The chain that begins next along the border on which one ended, going with material on the left: up the right border, down the left one. */
function nextChain(chain: readonly Point[], all: readonly Point[][], isRight: (x: number) => boolean): Point[] | undefined {
  const end = chain.at(-1)!;
  const onRight = isRight(end.x);
  const sign = onRight ? 1 : -1;
  const open = all.filter((other) => isRight(other[0]!.x) === onRight && sign * (other[0]!.y - end.y) > -SAME_MM / 2);
  return open.reduce<Point[] | undefined>(
    (best, other) => (best === undefined || sign * (other[0]!.y - best[0]!.y) < 0 ? other : best),
    undefined,
  );
}
