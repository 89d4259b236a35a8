import { type Point, contains } from '../../../../base/geometry';
import { type Result, ok } from '../../../../base/result';
import { ringIn } from '../../measures/corners';
import { type FieldProblem, refused } from '../../family';

/** The plan of an emplacement: its corners inside, counter-clockwise, and what each of its walls is for. */
export interface EmplacementPlan {
  readonly ring: readonly Point[];
  readonly names: readonly string[];
  /** The wall with the door. */
  readonly back: number;
  readonly fronts: readonly number[];
  /** Two walls across from each other that carry a roof between the walls; null where there are none. */
  readonly across: readonly [number, number] | null;
}
interface Splayed {
  readonly wide: number;
  readonly deep: number;
  readonly frontPct: number;
  /** How far behind the middle front the outer fronts end. */
  readonly backMm: number;
}

/** Front left, front, front right, right side, back, left side. */
export function splayedPlan({ wide, deep, frontPct, backMm }: Splayed): EmplacementPlan {
  const [x, front] = [wide / 2, (wide * frontPct) / 200];
  return {
    ring: [
      { x: -x, y: backMm },
      { x: -front, y: 0 },
      { x: front, y: 0 },
      { x, y: backMm },
      { x, y: deep },
      { x: -x, y: deep },
    ],
    names: ['Left front', 'Middle front', 'Right front', 'Right side', 'Back', 'Left side'],
    back: 4,
    fronts: [0, 1, 2],
    across: [3, 5],
  };
}

export const sideMm = (ring: readonly Point[], i: number): number => {
  const [a, b] = [ring[i]!, ring[(i + 1) % ring.length]!];
  return Math.hypot(b.x - a.x, b.y - a.y);
};
/** The way out over a side of a ring, one mm long. */
export const outOver = (ring: readonly Point[], i: number): Point => {
  const [a, b] = [ring[i]!, ring[(i + 1) % ring.length]!];
  const long = Math.hypot(b.x - a.x, b.y - a.y);
  return { x: (b.y - a.y) / long, y: -(b.x - a.x) / long };
};
/** How far a ring turns to the left at a corner, in degrees; under 0 where it turns inwards. */
export function turnAtDeg(ring: readonly Point[], i: number): number {
  const [a, b] = [outOver(ring, (i + ring.length - 1) % ring.length), outOver(ring, i)];
  return (Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y) * 180) / Math.PI;
}

/** Shorter walls, and corners sharper than this, leave no room for two thicknesses. */
const MIN_WALL_MM = 25;
const SHARPEST_DEG = 125;
/** A wall faces the front where its way out leans so far that way. */
const FRONT = -0.2;

/** Any ring as a plan: the longest wall that faces away from the viewer has the door, those that face the viewer are fronts. */
export function drawnPlan(trace: string): Result<EmplacementPlan, FieldProblem> {
  const read = ringIn('trace', trace);
  if (!read.ok) return read;
  const ring = read.value;
  const walls = [...ring.keys()];
  const short = walls.find((i) => sideMm(ring, i) < MIN_WALL_MM);
  if (short !== undefined)
    return refused('trace', `wall ${short + 1} is ${sideMm(ring, short).toFixed(1)} mm long. Enter ${MIN_WALL_MM} mm or more`);
  const sharp = walls.find((i) => Math.abs(turnAtDeg(ring, i)) > SHARPEST_DEG);
  if (sharp !== undefined)
    return refused(
      'trace',
      `corner ${sharp + 1} turns by ${Math.abs(turnAtDeg(ring, sharp)).toFixed(0)}°. Enter up to ${SHARPEST_DEG}°, or two corners for it`,
    );
  const facing = (i: number): number => outOver(ring, i).y;
  const behind = Math.max(...walls.map(facing));
  const back = walls.filter((i) => facing(i) > behind - 0.5).reduce((best, i) => (sideMm(ring, i) > sideMm(ring, best) ? i : best));
  const fronts = walls.filter((i) => i !== back && facing(i) < FRONT);
  const names = walls.map((i) => (i === back ? 'Back' : fronts.includes(i) ? `Front ${fronts.indexOf(i) + 1}` : `Wall ${i + 1}`));
  return ok({ ring, names, back, fronts, across: acrossIn(ring, back) });
}

/** A strip along a wall ends at its neighbours: they have to turn off by so much. */
const MIN_TURN_DEG = 30;
/** The two walls that face each other most, their neighbours turning off from them; neither has the door. */
function acrossIn(ring: readonly Point[], back: number): EmplacementPlan['across'] {
  const n = ring.length;
  const isHeld = (i: number): boolean => turnAtDeg(ring, i) > MIN_TURN_DEG && turnAtDeg(ring, (i + 1) % n) > MIN_TURN_DEG;
  const pairs = [...ring.keys()].flatMap((a) =>
    [...ring.keys()]
      .filter((b) => b > a + 1 && !(a === 0 && b === n - 1) && a !== back && b !== back && isHeld(a) && isHeld(b))
      .map((b) => {
        const [p, q] = [outOver(ring, a), outOver(ring, b)];
        return { pair: [a, b] as const, faces: -(p.x * q.x + p.y * q.y) * Math.min(sideMm(ring, a), sideMm(ring, b)) };
      }),
  );
  return pairs.reduce<(typeof pairs)[number] | null>((best, own) => (own.faces > (best?.faces ?? 0) ? own : best), null)?.pair ?? null;
}

/** Where a line across at a depth lies within a ring: the longest stretch of it; null where there is none. */
export function chordAt(ring: readonly Point[], y: number): readonly [left: number, right: number] | null {
  const at = ring.flatMap((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    return a.y > y === b.y > y ? [] : [a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y)];
  });
  at.sort((a, b) => a - b);
  let best: readonly [number, number] | null = null;
  for (let i = 0; i + 1 < at.length; i++) {
    const [from, to] = [at[i]!, at[i + 1]!];
    if (!contains({ rings: [ring] }, { x: (from + to) / 2, y })) continue;
    if (best === null || to - from > best[1] - best[0]) best = [from, to];
  }
  return best;
}
