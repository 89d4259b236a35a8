import { type Point, type Ring, contains, selfCrossing, signedMm2 } from '../../base/geometry';
import { type Result, fail, ok } from '../../base/result';
import type { EdgeJoint, Opening } from './shell';
import { type Frame, type Plane, type Vec, placeIn } from './space';

/** How one edge of a plate is cut: a plane in the plate's own axes, and what it is for. */
export interface EdgeCut {
  readonly plane: Plane;
  readonly edge: EdgeJoint;
  /** The opening whose reveal this is; null for an edge of the plate. */
  readonly opening: Opening | null;
  /** What a mitre would give here on the far side more than on the drawn one, where the edge is scored and stays square. */
  readonly scoreLeanMm?: number;
}
/** A closed line round a plate or round a hole in it, on the side that was drawn and on the far side: corner by corner the same, each side of it flat. */
export interface Loop {
  readonly drawn: Ring;
  readonly far: Ring;
  /** One an edge, the first from the first corner to the second. */
  readonly cuts: readonly EdgeCut[];
  readonly opening: Opening | null;
}
/** A flat part in its place: what lies between its drawn and its far outline. */
export interface Plate {
  readonly kind: 'plate';
  readonly id: string;
  readonly name: string;
  readonly role: string;
  readonly frame: Frame;
  readonly thicknessMm: number;
  /** The outline first, then holes. */
  readonly loops: readonly Loop[];
  readonly isBar: boolean;
  readonly scores: readonly (readonly [Point, Point])[];
}
/** Why a shell cannot be: two of its edges meet in a way no saw can cut. */
export interface NoShape {
  readonly code: 'shell/crosses' | 'shell/vanishes' | 'shell/opening-outside' | 'shell/crowded';
  readonly faceId: string;
  readonly faceName: string;
  readonly what: string;
}

interface Corner {
  readonly at: Point;
  readonly cut: EdgeCut;
}

/** The ways out of the material over each edge of a ring that runs round it counter-clockwise. */
export const wayOut = (from: Point, to: Point): Point => {
  const long = Math.hypot(to.x - from.x, to.y - from.y);
  return { x: (to.y - from.y) / long, y: -(to.x - from.x) / long };
};

/** The plane of an edge cut square, or at a slant that gives way towards the far side. */
export function squarePlane(from: Point, to: Point, beyondMm = 0, splayDeg = 0): Plane {
  const out = wayOut(from, to);
  return { normal: [out.x, out.y, Math.tan((splayDeg * Math.PI) / 180)], atMm: out.x * from.x + out.y * from.y + beyondMm };
}

/** Below this two edges run on in one line. */
const IN_LINE = 1e-7;
/** Corners nearer than this are one. */
const SAME_MM = 1e-6;

/**
 * The outline of a body between two planes, cut by one plane an edge: each corner lies where the planes of its two edges and the body's face meet.
 * Where two edges run on in one line but are cut apart, a step joins them.
 * @param corners as drawn, counter-clockwise round material
 */
export function loopOf(corners: readonly Corner[], thicknessMm: number, opening: Opening | null): Loop {
  const [drawn, far, cuts]: [Point[], Point[], EdgeCut[]] = [[], [], []];
  corners.forEach(({ at, cut }, i) => {
    const before = corners[(i + corners.length - 1) % corners.length]!.cut;
    const [a, b] = [before.plane, cut.plane];
    const turn = a.normal[0] * b.normal[1] - a.normal[1] * b.normal[0];
    if (Math.abs(turn) > IN_LINE * size(a) * size(b)) {
      drawn.push(meeting(a, b, 0));
      far.push(meeting(a, b, thicknessMm));
      cuts.push(cut);
      return;
    }
    const ends = [before, cut].map(({ plane }) => [onto(plane, at, 0), onto(plane, at, thicknessMm)] as const);
    const isOne = [0, 1].every((side) => apartMm(ends[0]![side as 0 | 1], ends[1]![side as 0 | 1]) < SAME_MM);
    ends.slice(isOne ? 1 : 0).forEach(([near, beyond], end) => {
      drawn.push(near);
      far.push(beyond);
      const isStep = !isOne && end === 0;
      cuts.push(isStep ? { plane: squarePlane(near, ends[1]![0]), edge: { joint: 'free' }, opening: null } : cut);
    });
  });
  return { drawn, far, cuts, opening };
}

const size = ({ normal }: Plane): number => Math.hypot(normal[0], normal[1]);
const apartMm = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Where two planes meet at a depth. */
function meeting({ normal: a, atMm: aMm }: Plane, { normal: b, atMm: bMm }: Plane, depthMm: number): Point {
  const p = aMm - a[2] * depthMm;
  const q = bMm - b[2] * depthMm;
  const det = a[0] * b[1] - a[1] * b[0];
  return { x: (p * b[1] - q * a[1]) / det, y: (a[0] * q - b[0] * p) / det };
}
/** The place on a plane at a depth that is nearest to a point. */
function onto({ normal: [x, y, z], atMm }: Plane, at: Point, depthMm: number): Point {
  const off = (atMm - z * depthMm - x * at.x - y * at.y) / (x * x + y * y);
  return { x: at.x + x * off, y: at.y + y * off };
}

/** Checks what the cuts came to: no outline crosses itself, no edge is used up by its bevel, every hole lies in the plate. */
export function checkedPlate(plate: Plate): Result<Plate, NoShape> {
  const no = (code: NoShape['code'], what: string): Result<Plate, NoShape> => fail({ code, faceId: plate.id, faceName: plate.name, what });
  for (const { drawn, far, opening } of plate.loops) {
    const what = opening?.name ?? 'outline';
    for (const [i, from] of drawn.entries()) {
      const next = (i + 1) % drawn.length;
      const [a, b] = [drawn[next]!, far[next]!];
      const [along, beyond] = [
        { x: a.x - from.x, y: a.y - from.y },
        { x: b.x - far[i]!.x, y: b.y - far[i]!.y },
      ];
      if (along.x * beyond.x + along.y * beyond.y <= SAME_MM) return no('shell/vanishes', what);
    }
    for (const ring of [drawn, far]) {
      if (selfCrossing(ring) !== null) return no('shell/crosses', what);
      if (signedMm2(ring) > 0 !== (opening === null)) return no('shell/vanishes', what);
    }
  }
  const [outline, ...holes] = plate.loops;
  for (const hole of holes) {
    const isOutside = (ring: Ring, round: Ring): boolean => {
      const region = { rings: [round] };
      return !ring.every((point) => contains(region, point));
    };
    if (isOutside(hole.drawn, outline!.drawn) || isOutside(hole.far, outline!.far))
      return no('shell/opening-outside', hole.opening?.name ?? 'opening');
  }
  return ok(plate);
}

/** How far a cut leans off square, in degrees: the setting of the blade. Over 0 it gives more on the far side. */
export const bevelDeg = ({ plane: { normal } }: EdgeCut): number =>
  (-Math.atan2(normal[2], Math.hypot(normal[0], normal[1])) * 180) / Math.PI;

/** What one joint gives at an edge: beyond where it was drawn, on the drawn and on the far side. */
export function givenAt(plate: Plate, from: Point, to: Point, { plane }: EdgeCut): { readonly drawnMm: number; readonly farMm: number } {
  const out = wayOut(from, to);
  const along = plane.normal[0] * out.x + plane.normal[1] * out.y;
  const at = (depthMm: number): number =>
    (plane.atMm - plane.normal[2] * depthMm - plane.normal[0] * from.x - plane.normal[1] * from.y) / along;
  return { drawnMm: at(0), farMm: at(plate.thicknessMm) };
}

/** Corners of a loop in space, on one side of its plate. */
export const inSpace = ({ frame, thicknessMm }: Plate, { drawn, far }: Loop, side: 'drawn' | 'far'): readonly Vec[] =>
  (side === 'drawn' ? drawn : far).map(({ x, y }) => placeIn(frame, x, y, side === 'drawn' ? 0 : thicknessMm));
