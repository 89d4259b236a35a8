import { type Region, areaMm2, intersection, signedMm2 } from '../../base/geometry';
import { type Flat, flatMm2 } from './flats';
import { type Patch, TOUCHES_MM } from './patch';
import type { Round } from './rounds';
import { type Vec, cross, dot, lengthOf, midOf, minus, plus, times, unit } from './space';

/** Directions that differ by less are the same. */
const SAME = 1e-3;
/** Flats that stand for a round lie within it by so much of its radius. */
const CHORD_SHARE = 0.003;

/** How far to each side of the line where a round touches a plane glue still fills the gap, mm. @source the sagitta of a chord, w² ÷ 2r */
const halfMm = (radiusMm: number): number => Math.sqrt(2 * radiusMm * TOUCHES_MM);

/** Whether a round has material where it is met going that way from its axis. */
function reaches({ start, quarter, turnRad }: Round, way: Vec): boolean {
  const turn = Math.atan2(dot(way, quarter), dot(way, start));
  return (turn < -SAME ? turn + 2 * Math.PI : turn) <= turnRad + SAME;
}

/** What of a flat that a round only touches along a line is near enough to be glued: the corners of a strip in its plane; null where they do not touch. */
export function strippedOn(round: Round, { plane }: Flat): readonly Vec[] | null {
  const { origin, along, radiusMm, isOutside, lowMm, highMm } = round;
  if (!isOutside || Math.abs(dot(plane.normal, along)) > SAME) return null;
  const offMm = dot(plane.normal, origin) - plane.atMm;
  if (Math.abs(offMm - radiusMm) >= TOUCHES_MM || !reaches(round, times(plane.normal, -1))) return null;
  const line = plus(origin, times(plane.normal, -offMm));
  const across = times(unit(cross(plane.normal, along)), halfMm(radiusMm));
  const at = (mm: number, side: number): Vec => plus(plus(line, times(along, mm)), times(across, side));
  return [at(lowMm, -1), at(highMm, -1), at(highMm, 1), at(lowMm, 1)];
}

/** How much of a flat lies on a round, mm²: one of the flats that an edge cut to the round consists of. */
export function edgesOn(round: Round, flat: Flat): number {
  const { origin, along, radiusMm, isOutside, lowMm, highMm } = round;
  const { normal } = flat.plane;
  if (Math.abs(dot(normal, along)) > SAME) return 0;
  const corners = flat.rings[0]!;
  const outFrom = (place: Vec): Vec => {
    const from = minus(place, origin);
    return minus(from, times(along, dot(from, along)));
  };
  const isOn = (place: Vec, slackMm: number): boolean => Math.abs(lengthOf(outFrom(place)) - radiusMm) < slackMm;
  if (!corners.every((corner) => isOn(corner, TOUCHES_MM))) return 0;
  const middle = midOf(corners);
  if (!isOn(middle, TOUCHES_MM + radiusMm * CHORD_SHARE)) return 0;
  const out = unit(outFrom(middle));
  // What lies in a tube faces out to it; what is cut out for a pole faces in.
  if (dot(out, normal) * (isOutside ? -1 : 1) < 0.9 || !reaches(round, out)) return 0;
  const places = corners.map((corner) => dot(minus(corner, origin), along));
  const [low, high] = [Math.min(...places), Math.max(...places)];
  const shared = Math.min(high, highMm) - Math.max(low, lowMm);
  return shared <= 0 ? 0 : flatMm2(flat) * Math.min(1, shared / Math.max(1e-9, high - low));
}

/** Where a round touches others: one in the other, or side by side. */
export function roundsTouching(one: Round, others: readonly Round[]): readonly Patch[] {
  return others.flatMap((other): Patch[] => {
    if (other.bodyId === one.bodyId) return [];
    const isAlong = Math.abs(dot(one.along, other.along)) > 1 - SAME * SAME;
    const [mm2, longMm] = isAlong
      ? one.isOutside === other.isOutside
        ? besideMm2(one, other)
        : withinMm2(one, other)
      : crossedMm2(one, other);
    return mm2 <= 0 ? [] : [{ flats: [], rounds: [one, other], mm2, coversMm2: mm2, longMm }];
  });
}
type Met = readonly [mm2: number, longMm: number];
const NOWHERE: Met = [0, 0];

/** Two poles side by side. */
function besideMm2(a: Round, b: Round): Met {
  if (!a.isOutside) return NOWHERE;
  const between = minus(b.origin, a.origin);
  const onAxis = dot(between, a.along);
  const apartMm = lengthOf(minus(between, times(a.along, onAxis)));
  if (Math.abs(apartMm - a.radiusMm - b.radiusMm) >= TOUCHES_MM) return NOWHERE;
  const sign = Math.sign(dot(a.along, b.along));
  const ends = [onAxis + sign * b.lowMm, onAxis + sign * b.highMm];
  const longMm = Math.min(a.highMm, Math.max(...ends)) - Math.max(a.lowMm, Math.min(...ends));
  return longMm <= 0 ? NOWHERE : [2 * halfMm((a.radiusMm * b.radiusMm) / (a.radiusMm + b.radiusMm)) * longMm, longMm];
}

/** Two poles across each other. */
function crossedMm2(a: Round, b: Round): Met {
  if (!a.isOutside || !b.isOutside) return NOWHERE;
  const normal = unit(cross(a.along, b.along));
  const between = minus(b.origin, a.origin);
  if (Math.abs(Math.abs(dot(between, normal)) - a.radiusMm - b.radiusMm) >= TOUCHES_MM) return NOWHERE;
  const k = dot(a.along, b.along);
  const [alongA, alongB] = [dot(between, a.along), dot(between, b.along)];
  const [atA, atB] = [(alongA - k * alongB) / (1 - k * k), (k * alongA - alongB) / (1 - k * k)];
  if (atA < a.lowMm || atA > a.highMm || atB < b.lowMm || atB > b.highMm) return NOWHERE;
  const [wideA, wideB] = [2 * halfMm(a.radiusMm), 2 * halfMm(b.radiusMm)];
  return [wideA * wideB, Math.max(wideA, wideB)];
}

/** One in the other round the same axis: where both have material. */
function withinMm2(a: Round, b: Round): Met {
  const between = minus(b.origin, a.origin);
  const onAxis = dot(between, a.along);
  if (Math.abs(a.radiusMm - b.radiusMm) >= TOUCHES_MM || lengthOf(minus(between, times(a.along, onAxis))) >= TOUCHES_MM) return NOWHERE;
  const sign = Math.sign(dot(a.along, b.along));
  const turn = Math.atan2(dot(b.start, a.quarter), dot(b.start, a.start));
  const flat = (of: Round, angle: (x: number) => number, along: (y: number) => number): Region => {
    const rings = of.unrolled.map((ring) => ring.map(({ x, y }) => ({ x: angle(x) * a.radiusMm, y: along(y) })));
    return { rings: rings.map((ring, i) => (signedMm2(ring) > 0 === (i === 0) ? ring : [...ring].reverse())) };
  };
  const own = flat(
    a,
    (x) => x,
    (y) => y,
  );
  let [mm2, longMm] = [0, 0];
  for (const turns of [-2, -1, 0, 1, 2]) {
    const shared = intersection(
      own,
      flat(
        b,
        (x) => turn + sign * x + turns * 2 * Math.PI,
        (y) => onAxis + sign * y,
      ),
    );
    const here = areaMm2(shared);
    if (here <= 0) continue;
    const across = shared.rings.flatMap((ring) => ring.map(({ x }) => x));
    mm2 += here;
    longMm += Math.max(...across) - Math.min(...across);
  }
  return [mm2, longMm];
}
