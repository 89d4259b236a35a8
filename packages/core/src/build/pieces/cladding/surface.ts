import { type Ring, signedMm2 } from '../../../base/geometry';
import { type Body, type Vec, UP, alongAt, dot, midOf, minus, placeIn, plus, times } from '../../shell';
import type { MadeObject } from '../making/made-object';
import type { CladEdge } from './courses';

/** A side of a part that is clad, with its lines in its own axes. */
export interface CladSurface {
  readonly bodyId: string;
  readonly name: string;
  readonly edges: readonly CladEdge[];
  readonly areaMm2: number;
  /** Where the first course begins, and even courses along it. */
  readonly bottomMm: number;
  readonly leftMm: number;
}
type Line = readonly (readonly [s: number, t: number])[];
interface Side {
  readonly body: Body;
  readonly lines: readonly Line[];
  /** Only of a flat side that stands upright: what courses turn about. */
  readonly upright: Upright | null;
}
interface Upright {
  readonly outward: Vec;
  readonly along: Vec;
  /** A place of the side where `s` is 0, and where in height its `t` is 0. */
  readonly at: Vec;
  readonly levelMm: number;
  readonly middle: Vec;
  readonly thicknessMm: number;
}

/** A side whose way out rises less than this stands upright; one that rises nearly straight lies level. */
const UPRIGHT = 0.02;
const LEVEL = 0.995;

/**
 * Sides of an object that show something, ready for courses. Courses of upright sides lie at the same heights all round.
 * @param shows the word faces show it by; @param deepMm how thick what is laid on them is; @param pastMm it runs so far past a corner in every other course; @param goesUp courses run upwards, side by side, and turn no corner
 */
export function cladSurfaces(
  { assembly, bodies }: MadeObject,
  shows: string,
  deepMm: number,
  goesUp: boolean,
  pastMm = 0,
): readonly CladSurface[] {
  const marked = new Map([...assembly.faces, ...(assembly.bends ?? [])].map(({ id, shows: own }) => [id, own]));
  const sides = bodies.flatMap((body) => {
    const own = marked.get(body.id);
    return (['far', 'drawn'] as const).flatMap((side) => (own?.[side] === shows ? sideOf(body, side) : []));
  });
  const lowMm = Math.min(...sides.flatMap(({ upright, lines }) => (upright === null ? [] : [upright.levelMm + lowest(lines)])));
  return sides.map((side) => {
    const edges = edgesOf(side, goesUp ? [] : sides, { deepMm, pastMm });
    const turned = goesUp ? edges.map(asUp) : edges;
    const flat = goesUp ? side.lines.map((line) => line.map(([s, t]) => [t, s] as const)) : side.lines;
    return {
      bodyId: side.body.id,
      name: side.body.name,
      edges: turned,
      areaMm2: Math.abs(side.lines.reduce((sum, line) => sum + signedMm2(asRing(line)), 0)),
      bottomMm: side.upright === null || goesUp ? lowest(flat) : lowMm - side.upright.levelMm,
      // At the corner, whichever of two faces is cut to cover the other.
      leftMm: Math.min(...turned.map(({ from, beyondMm }) => from[0] - Math.min(...beyondMm))),
    };
  });
}

const asUp = ({ from, to, beyondMm }: CladEdge): CladEdge => ({ from: [from[1], from[0]], to: [to[1], to[0]], beyondMm });
const asRing = (line: Line): Ring => line.map(([x, y]) => ({ x, y }));
const lowest = (lines: readonly Line[]): number => Math.min(...lines[0]!.map(([, t]) => t));

function sideOf(body: Body, side: 'far' | 'drawn'): Side[] {
  if (body.kind === 'rod') return [];
  if (body.kind === 'curve') {
    const radiusMm = side === 'far' ? body.farMm : body.drawnMm;
    const lines = body.loops.map(({ ring }) => ring.map(({ x, y }) => [alongAt(body, x, radiusMm), y] as const));
    return [{ body, lines, upright: null }];
  }
  const { frame, thicknessMm } = body;
  const lean = dot(frame.w, UP);
  const [upX, upY] =
    Math.abs(lean) > LEVEL ? [0, 1] : [frame.u[2] / Math.hypot(frame.u[2], frame.v[2]), frame.v[2] / Math.hypot(frame.u[2], frame.v[2])];
  const lines = body.loops.map((loop) => loop[side].map(({ x, y }) => [x * upY - y * upX, x * upX + y * upY] as const));
  if (Math.abs(lean) > UPRIGHT) return [{ body, lines, upright: null }];
  const at = placeIn(frame, 0, 0, side === 'far' ? thicknessMm : 0);
  const along = plus(times(frame.u, upY), times(frame.v, -upX));
  const places = lines[0]!.map(([s, t]) => plus(plus(at, times(along, s)), [0, 0, t]));
  const outward = times(frame.w, side === 'far' ? 1 : -1);
  return [{ body, lines, upright: { outward, along, at, levelMm: at[2], middle: midOf(places), thicknessMm } }];
}

/** An upright end of a side: where, between which heights, and whether what is clad lies to the left of it. */
interface End {
  readonly s: number;
  readonly lowMm: number;
  readonly highMm: number;
  readonly isRight: boolean;
}
const IN_LINE_MM = 0.05;
function endOf(from: readonly [number, number], to: readonly [number, number], isCcw: boolean, levelMm: number): End | null {
  if (Math.abs(from[0] - to[0]) > IN_LINE_MM || Math.abs(from[1] - to[1]) < 1) return null;
  const [lowMm, highMm] = [Math.min(from[1], to[1]) + levelMm, Math.max(from[1], to[1]) + levelMm];
  return { s: from[0], lowMm, highMm, isRight: to[1] > from[1] === isCcw };
}

/** How thick what is laid is, and how far it runs past a corner in every other course. */
interface Turned {
  readonly deepMm: number;
  readonly pastMm: number;
}
function edgesOf(side: Side, all: readonly Side[], turned: Turned): CladEdge[] {
  return side.lines.flatMap((line, loop) => {
    const isCcw = signedMm2(asRing(line)) > 0;
    return line.map((from, i): CladEdge => {
      const to = line[(i + 1) % line.length]!;
      const end = loop === 0 && side.upright !== null ? endOf(from, to, isCcw, side.upright.levelMm) : null;
      return { from, to, beyondMm: end === null ? [0, 0] : turnAt(side, side.upright!, end, all, turned) };
    });
  });
}

/** Faces nearer to one plane than this do not make a corner. */
const CORNER = 0.97;
/**
 * How far the courses of a side run on at one of its ends: to the corner with the next side that is clad, and in every other course over what is
 * laid on that one.
 */
function turnAt(side: Side, own: Upright, end: End, all: readonly Side[], { deepMm, pastMm }: Turned): readonly [number, number] {
  for (const other of all) {
    const next = other.upright;
    if (next === null || other === side) continue;
    const leans = dot(own.outward, next.outward);
    if (Math.abs(leans) > CORNER) continue;
    const gapMm = gapTo(own, next, end);
    if (Math.abs(gapMm) > next.thicknessMm + IN_LINE_MM || !meets(other, next, own, end)) continue;
    const turnMm = deepMm * Math.tan(Math.acos(leans) / 2);
    const isOuter = dot(own.outward, minus(next.middle, own.at)) < 0;
    const isFirst = all.indexOf(side) < all.indexOf(other);
    const [covering, covered] = isOuter ? [gapMm + turnMm + pastMm, gapMm] : [gapMm, gapMm - turnMm];
    return isFirst ? [covering, covered] : [covered, covering];
  }
  return [0, 0];
}
/** From an end of a side to the plane of another, out of what is clad. */
function gapTo(own: Upright, next: Upright, { s, isRight }: End): number {
  const corner = dot(next.outward, minus(next.at, own.at)) / dot(next.outward, own.along);
  return isRight ? corner - s : s - corner;
}
/** Whether the other side has an end of its own at this corner, at the same heights. */
function meets({ lines }: Side, next: Upright, own: Upright, end: End): boolean {
  const line = lines[0]!;
  const isCcw = signedMm2(asRing(line)) > 0;
  return line.some((from, i) => {
    const there = endOf(from, line[(i + 1) % line.length]!, isCcw, next.levelMm);
    if (there === null || Math.abs(gapTo(next, own, there)) > own.thicknessMm + IN_LINE_MM) return false;
    const shared = Math.min(end.highMm, there.highMm) - Math.max(end.lowMm, there.lowMm);
    return shared > Math.min(end.highMm - end.lowMm, there.highMm - there.lowMm) / 2;
  });
}
