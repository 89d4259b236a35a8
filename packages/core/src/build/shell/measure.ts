import { type Point, signedMm2 } from '../../base/geometry';
import { memoize } from '../../base/memory';
import type { Curve } from './curve';
import { meshOf, placesOf, plateFans } from './mesh';
import { type Body, endAt } from './resolve';
import { type Vec, cross, dot, placeIn, plus, times } from './space';

/**
 * Volume of a body in mm³, exact also where its mesh has flats for a round.
 * Plates: prismatoid between two like outlines, whose middle section is halfway between them. Bends: unrolled area by the ring they fill.
 */
export function volumeMm3(body: Body): number {
  // Slanted ends take off on one side what they leave on the other.
  if (body.kind === 'rod')
    return Math.PI * (body.radiusMm ** 2 - body.boreMm ** 2) * (endAt(body.ends[1], 0, 0) - endAt(body.ends[0], 0, 0));
  if (body.kind === 'curve') {
    const { drawnMm, farMm, loops } = body;
    return (Math.abs(sum(loops.map(({ ring }) => signedMm2(ring)))) / drawnMm) * (Math.abs(farMm ** 2 - drawnMm ** 2) / 2);
  }
  const { loops, thicknessMm } = body;
  const mm2 = loops.map(({ drawn, far }) => {
    const middle = drawn.map((point, i): Point => ({ x: (point.x + far[i]!.x) / 2, y: (point.y + far[i]!.y) / 2 }));
    return signedMm2(drawn) + 4 * signedMm2(middle) + signedMm2(far);
  });
  return (sum(mm2) * thicknessMm) / 6;
}
const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);

/** Where a body's own weight acts. */
export const middleOf = memoize((body: Body): Vec => {
  if (body.kind === 'curve') return bentMiddle(body);
  const { places, triangles } = body.kind === 'plate' ? plateFans(body) : meshOf(body);
  let [middle, six]: [Vec, number] = [[0, 0, 0], 0];
  for (const [a, b, c] of triangles) {
    const [p, q, r] = [places[a]!, places[b]!, places[c]!];
    const own = dot(p, cross(q, r));
    six += own;
    middle = plus(middle, times(plus(plus(p, q), r), own / 4));
  }
  return times(middle, 1 / six);
});

/**
 * Where a bent sheet's weight acts. Over its rings, unrolled (x along the bend on radius R, y along the axis), by Green's theorem, edge by edge with
 * y = y₀ + m·(x − x₀): ∬cos(x/R) = −Σ[R·y·sin(x/R) + m·R²·cos(x/R)], ∬sin(x/R) = Σ[R·y·cos(x/R) − m·R²·sin(x/R)], ∬y = −½·Σ∫y²dx; through the
 * thickness the arm is ⅔·(b³ − a³)/(b² − a²).
 */
function bentMiddle({ frame, drawnMm: radius, farMm, loops }: Curve): Vec {
  let [mm2, cosMm2, sinMm2, upMm3] = [0, 0, 0, 0];
  for (const { ring } of loops) {
    mm2 += signedMm2(ring);
    ring.forEach((from, i) => {
      const to = ring[(i + 1) % ring.length]!;
      const along = to.x - from.x;
      if (along === 0) return;
      const lean = ((to.y - from.y) / along) * radius;
      const [a, b] = [from.x / radius, to.x / radius];
      cosMm2 -= radius * (to.y * Math.sin(b) - from.y * Math.sin(a) + lean * (Math.cos(b) - Math.cos(a)));
      sinMm2 += radius * (to.y * Math.cos(b) - from.y * Math.cos(a) - lean * (Math.sin(b) - Math.sin(a)));
      upMm3 -= (along * (from.y ** 2 + from.y * to.y + to.y ** 2)) / 6;
    });
  }
  const armMm = ((2 / 3) * (farMm ** 3 - radius ** 3)) / (farMm ** 2 - radius ** 2);
  return placeIn(frame, (armMm * cosMm2) / mm2, (armMm * sinMm2) / mm2, upMm3 / mm2);
}

/** What stands on a level: its weight, where it acts, and the ground it stands on. */
export interface Standing {
  readonly massG: number;
  readonly middle: Vec;
  /** Hull of what touches the level, counter-clockwise. */
  readonly foot: readonly Point[];
  readonly floorMm: number;
}
/** Places within this of the lowest carry. */
const TOUCHES_MM = 0.2;

/** Undersides of bodies that lie on the level they all stand on. */
export function touchingMm2(bodies: readonly Body[]): number {
  let floorMm = Infinity;
  for (const body of bodies) for (const place of placesOf(body)) floorMm = Math.min(floorMm, place[2]);
  const isLow = (place: Vec): boolean => place[2] < floorMm + TOUCHES_MM;
  return sum(
    bodies.map((body) => {
      // What stands on nothing has no underside to look for.
      if (!placesOf(body).some(isLow)) return 0;
      const { places, triangles } = meshOf(body);
      let mm2 = 0;
      for (const corners of triangles) {
        const a = places[corners[0]]!;
        const b = places[corners[1]]!;
        const c = places[corners[2]]!;
        const up = ((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])) / 2;
        if (up < 0 && isLow(a) && isLow(b) && isLow(c)) mm2 -= up;
      }
      return mm2;
    }),
  );
}

/** @param bodies each with its density in g/mm³ */
export function standingOf(bodies: readonly { readonly body: Body; readonly gPerMm3: number }[]): Standing {
  let massG = 0;
  let middle: Vec = [0, 0, 0];
  let floorMm = Infinity;
  for (const { body, gPerMm3 } of bodies) {
    const ownG = volumeMm3(body) * gPerMm3;
    massG += ownG;
    middle = plus(middle, times(middleOf(body), ownG));
    for (const place of placesOf(body)) floorMm = Math.min(floorMm, place[2]);
  }
  const low: Point[] = [];
  for (const { body } of bodies)
    for (const place of placesOf(body)) if (place[2] < floorMm + TOUCHES_MM) low.push({ x: place[0], y: place[1] });
  return { massG, middle: times(middle, 1 / massG), foot: hullOf(low), floorMm };
}

/** The smallest convex ring round some points, counter-clockwise. @source Andrew's monotone chain */
export function hullOf(points: readonly Point[]): readonly Point[] {
  const sorted = points.toSorted((a, b) => a.x - b.x || a.y - b.y);
  const hull: Point[] = [];
  // Along one side, then back along the other; the last of each is the first of the next.
  for (const side of [sorted, sorted.toReversed()]) {
    const least = hull.length + 1;
    for (const point of side) {
      while (hull.length > least && turnOf(hull[hull.length - 2]!, hull[hull.length - 1]!, point) <= 1e-9) hull.pop();
      hull.push(point);
    }
    hull.pop();
  }
  return hull;
}
const turnOf = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);

/** The edge it tips over first: how far off the weight acts, and the slope at which it falls, in degrees. */
export function tipsAt({ foot, middle, floorMm }: Standing): { readonly offMm: number; readonly tiltDeg: number } {
  const [x, y, z] = middle;
  const off = foot.map((from, i) => {
    const to = foot[(i + 1) % foot.length]!;
    return turnOf(from, to, { x, y }) / Math.hypot(to.x - from.x, to.y - from.y);
  });
  const offMm = foot.length < 3 ? 0 : Math.min(...off);
  return { offMm, tiltDeg: (Math.atan2(offMm, z - floorMm) * 180) / Math.PI };
}

/**
 * Weight to put in at the foot, over its middle, so that a piece falls at a steeper slope only.
 * (m·d + b·c) ÷ (m·z + b·h) = tan α, solved for b: d how far the weight acts from the edge, c how far the ballast, z and h their heights.
 * @returns 0 where it stands as it is, null where no weight does it
 */
export function ballastFor(standing: Standing, wantedDeg: number, ballastMm: number): number | null {
  const { massG, middle, foot, floorMm } = standing;
  const tan = Math.tan((wantedDeg * Math.PI) / 180);
  const centre = { x: sum(foot.map(({ x }) => x)) / foot.length, y: sum(foot.map(({ y }) => y)) / foot.length };
  let most = 0;
  for (const [i, from] of foot.entries()) {
    const to = foot[(i + 1) % foot.length]!;
    const long = Math.hypot(to.x - from.x, to.y - from.y);
    const d = turnOf(from, to, { x: middle[0], y: middle[1] }) / long;
    const c = turnOf(from, to, centre) / long;
    const short = tan * (middle[2] - floorMm) - d;
    if (short <= 0) continue;
    if (c - tan * ballastMm <= 0) return null;
    most = Math.max(most, (massG * short) / (c - tan * ballastMm));
  }
  return most;
}
