import { type Point, type Ring, crossings, regionBox } from '../../../base/geometry';
import { type Vec, cross, dot, minus } from '../../shell';
import { boxOf } from '../box';
import { chained } from './chained';
import type { MadeObject } from './made-object';
import { type Solid, solidsOf } from './solids';

/** Where a piece is cut upright: square to its x or its y, so far along it. */
export interface Cut {
  readonly squareTo: 'x' | 'y';
  readonly atMm: number;
}
/** What the saw would show of one part: x to the right, y down. */
export interface CutFace {
  readonly bodyId: string;
  readonly name: string;
  /** Heaped on, and no part. */
  readonly isLoose: boolean;
  readonly rings: readonly Ring[];
}
/** A size along a line through the drawing: of a part, or clear between two. */
export interface CutSize {
  readonly fromMm: number;
  readonly toMm: number;
  readonly isClear: boolean;
}
export interface CutDrawing {
  readonly faces: readonly CutFace[];
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  /** Along a level line, `acrossAt` down the drawing, and along a plumb line `upAt` from its left: one after the other, without gaps. */
  readonly across: readonly CutSize[];
  readonly acrossAt: number;
  readonly up: readonly CutSize[];
  readonly upAt: number;
}

/** How far a piece reaches along the way it is cut square to. */
export function cutRange(of: Shown, squareTo: Cut['squareTo']): { readonly fromMm: number; readonly toMm: number } {
  const [low, high] = boxOf(of);
  return { fromMm: low[AXIS[squareTo]], toMm: high[AXIS[squareTo]] };
}
type Shown = Pick<MadeObject, 'bodies' | 'loose'>;
const AXIS = { x: 0, y: 1 } as const;
/** A plane through a row of corners would meet them twice or not at all. */
const BESIDE_MM = 1.3e-4;

/** Cuts a piece through, seen from the side its axis comes from: the front for y, the right for x. @returns null where nothing is met */
export function cutThrough(of: Shown, { squareTo, atMm }: Cut): CutDrawing | null {
  const axis = AXIS[squareTo];
  // Cut square to x it is looked at from the right: y runs to the right there.
  const onDrawing = ([x, y, z]: Vec): Point => ({ x: squareTo === 'y' ? x : y, y: -z });
  const away: Vec = squareTo === 'y' ? [0, 1, 0] : [-1, 0, 0];
  const faceOf = ({ id, name, role, mesh: { places, triangles } }: Solid): CutFace[] => {
    const off = places.map((place) => place[axis] - atMm - BESIDE_MM);
    const edges = triangles.flatMap((corners): (readonly [Vec, Vec])[] => {
      const met = corners.flatMap((a, i): Vec[] => {
        const b = corners[(i + 1) % 3]!;
        const [p, q] = [off[a]!, off[b]!];
        if (p > 0 === q > 0) return [];
        const t = p / (p - q);
        const [from, to] = [places[a]!, places[b]!];
        return [[0, 1, 2].map((k) => from[k]! + (to[k]! - from[k]!) * t) as unknown as Vec];
      });
      if (met.length !== 2) return [];
      const [a, b, c] = corners.map((corner) => places[corner]!) as [Vec, Vec, Vec];
      const outward = cross(minus(b, a), minus(c, a));
      // Material on the left as one looks along `away`.
      const along = cross(outward, away);
      return [dot(along, minus(met[1]!, met[0]!)) > 0 ? [met[0]!, met[1]!] : [met[1]!, met[0]!]];
    });
    const rings = chained(edges).map((ring) => ring.map(onDrawing));
    return rings.length === 0 ? [] : [{ bodyId: id, name, isLoose: role === null, rings }];
  };
  // What is heaped on lies over what it covers: that is drawn in it.
  const solids = solidsOf(of);
  const faces = solids.filter(({ role }) => role !== null).flatMap(faceOf);
  const heaped = solids.filter(({ role }) => role === null).flatMap(faceOf);
  if (faces.length + heaped.length === 0) return null;
  const { left, right, top, bottom } = regionBox({ rings: [...faces, ...heaped].flatMap(({ rings }) => rings) });
  // Where a level line meets most parts, not through a door; and through the widest clear stretch there, beside a ridge.
  const levels = LINES_UP.map((share) => {
    const y = bottom - (bottom - top) * share;
    return { y, sizes: sizesAlong(faces, { x: left - 1, y }, { x: right + 1, y }, left - 1) };
  });
  const { y: acrossAt, sizes: across } = levels.reduce((best, one) => (one.sizes.length > best.sizes.length ? one : best));
  const rooms = across.filter(({ isClear }) => isClear);
  const widest = rooms.reduce<CutSize | null>(
    (best, one) => (best === null || one.toMm - one.fromMm > best.toMm - best.fromMm ? one : best),
    null,
  );
  const upAt = widest === null ? (left + right) / 2 : widest.fromMm + (widest.toMm - widest.fromMm) * BESIDE_MIDDLE;
  const up = sizesAlong(faces, { x: upAt, y: top - 1 }, { x: upAt, y: bottom + 1 }, top - 1);
  return { faces: [...heaped, ...faces], left, top, right, bottom, across, acrossAt, up, upAt };
}
const LINES_UP = [0.3, 0.2, 0.12, 0.4, 0.5] as const;
const BESIDE_MIDDLE = 0.45;
/** Gaps and parts thinner than this are a joint. */
const JOINT_MM = 0.15;

function sizesAlong(faces: readonly CutFace[], from: Point, to: Point, startMm: number): readonly CutSize[] {
  const longMm = Math.hypot(to.x - from.x, to.y - from.y);
  const solid = faces
    .flatMap(({ rings }) => {
      const met = crossings({ rings }, from, to)
        .map((t) => startMm + t * longMm)
        .sort((a, b) => a - b);
      return met.flatMap((mm, i) => (i % 2 === 0 && met[i + 1] !== undefined ? [{ fromMm: mm, toMm: met[i + 1]! }] : []));
    })
    .filter(({ fromMm, toMm }) => toMm - fromMm > JOINT_MM)
    .sort((a, b) => a.fromMm - b.fromMm);
  return solid.flatMap((one, i): CutSize[] => {
    const before = solid[i - 1];
    const gap =
      before !== undefined && one.fromMm - before.toMm > JOINT_MM ? [{ fromMm: before.toMm, toMm: one.fromMm, isClear: true }] : [];
    return [...gap, { ...one, isClear: false }];
  });
}
