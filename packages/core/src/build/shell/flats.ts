import { type Region, type Ring, areaMm2, intersection, signedMm2 } from '../../base/geometry';
import { memoize } from '../../base/memory';
import type { Curve } from './curve';
import { placesOf } from './mesh';
import { type Plate, inSpace, wayOut } from './plate';
import { type Body, type Rod, endAt } from './resolve';
import type { EdgeJoint } from './shell';
import { type Plane, type Vec, cross, dot, facingOf, placeIn, planeThrough, times, unit } from './space';

/** A flat piece of the skin of a body, as seen from outside. */
export interface Flat {
  readonly bodyId: string;
  /** Facing away from the material. */
  readonly plane: Plane;
  /** Round it first, then its holes. */
  readonly rings: readonly (readonly Vec[])[];
  /** The side of a plate that it is; `edge` for what its thickness shows, `end` for that of a rod or of a bent sheet that closes on itself. */
  readonly side: 'drawn' | 'far' | 'edge' | 'end';
  /** An edge that is made to meet another body. */
  readonly isJoint: boolean;
}

/** Flats that stand for a full circle. */
const ROUND_FLATS = 48;
const ROUND = Array.from({ length: ROUND_FLATS }, (_, i) => (i / ROUND_FLATS) * 2 * Math.PI);

/** The flat pieces of the skin of a body; of what is bent only its ends, as the whole disc that it stands on. */
export const flatsOf = memoize((body: Body): readonly Flat[] =>
  body.kind === 'plate' ? plateFlats(body) : body.kind === 'rod' ? rodEnds(body) : bentEnds(body),
);

/** Edges that meet another body; the others end somewhere, or run over or past it. */
const JOINED: ReadonlySet<EdgeJoint['joint']> = new Set(['mitre', 'against', 'fold']);

function plateFlats(plate: Plate): readonly Flat[] {
  const { id: bodyId, loops, frame } = plate;
  const rings = { drawn: loops.map((loop) => inSpace(plate, loop, 'drawn')), far: loops.map((loop) => inSpace(plate, loop, 'far')) };
  const sides = (['drawn', 'far'] as const).map((side): Flat => ({
    bodyId,
    side,
    isJoint: false,
    rings: rings[side],
    plane: planeThrough(rings[side][0]![0]!, times(frame.w, side === 'far' ? 1 : -1)),
  }));
  const edges = loops.flatMap(({ drawn, cuts }, k) =>
    drawn.flatMap((from, i): Flat[] => {
      const next = (i + 1) % drawn.length;
      const ring = [rings.drawn[k]![i]!, rings.drawn[k]![next]!, rings.far[k]![next]!, rings.far[k]![i]!];
      const out = wayOut(from, drawn[next]!);
      if (!Number.isFinite(out.x)) return [];
      const facing = facingOf(ring);
      const isOut = dot(facing, frame.u) * out.x + dot(facing, frame.v) * out.y > 0;
      return [
        {
          bodyId,
          side: 'edge',
          isJoint: JOINED.has(cuts[i]!.edge.joint),
          rings: [ring],
          plane: planeThrough(ring[0]!, isOut ? facing : times(facing, -1)),
        },
      ];
    }),
  );
  return [...sides, ...edges];
}

function rodEnds({ id: bodyId, frame, radiusMm, boreMm, ends }: Rod): readonly Flat[] {
  return ends.map((end, i): Flat => {
    const ringOn = (radius: number): readonly Vec[] =>
      ROUND.map((turn) => {
        const [y, z] = [radius * Math.cos(turn), radius * Math.sin(turn)];
        return placeIn(frame, endAt(end, y, z), y, z);
      });
    const rings = [ringOn(radiusMm), ...(boreMm > 0 ? [ringOn(boreMm)] : [])];
    const facing = facingOf(rings[0]!);
    // The first end looks back along the rod, the second on.
    const isOut = dot(facing, frame.u) > 0 === (i === 1);
    return { bodyId, side: 'end', isJoint: false, rings, plane: planeThrough(rings[0]![0]!, isOut ? facing : times(facing, -1)) };
  });
}

function bentEnds({ id: bodyId, frame, drawnMm, farMm, isClosed, loops }: Curve): readonly Flat[] {
  if (!isClosed) return [];
  const radius = Math.max(drawnMm, farMm);
  const along = loops[0]!.ring.map(({ y }) => y);
  return [Math.min(...along), Math.max(...along)].map((atMm, i): Flat => {
    const ring = ROUND.map((turn) => placeIn(frame, radius * Math.cos(turn), radius * Math.sin(turn), atMm));
    return { bodyId, side: 'end', isJoint: false, rings: [ring], plane: planeThrough(ring[0]!, times(frame.w, i === 1 ? 1 : -1)) };
  });
}

type Axes = readonly [Vec, Vec];
/** Two directions in a plane, square to each other. */
function axesIn({ normal }: Plane): Axes {
  const u = unit(cross(normal, Math.abs(normal[2]) < 0.9 ? [0, 0, 1] : [1, 0, 0]));
  return [u, cross(normal, u)];
}
function regionOf({ rings }: Flat, [u, v]: Axes): Region {
  const drawn = rings.map((ring): Ring => ring.map((place) => ({ x: dot(place, u), y: dot(place, v) })));
  return { rings: signedMm2(drawn[0]!) > 0 ? drawn : drawn.map((ring) => [...ring].reverse()) };
}
/** How large a flat is, mm². */
export const flatMm2 = (flat: Flat): number => areaMm2(regionOf(flat, axesIn(flat.plane)));

/** Faces nearer than this touch. */
const TOUCHES_MM = 0.2;
/** Faces whose planes may be one are found by a name that both have, whichever of them asks. */
const STEP_MM = 0.5;
const nameOf = ([x, y, z]: Vec, step: number): string => `${[x, y, z].map((one) => Math.round(one * 50 + 0.13)).join(' ')} ${step}`;

/**
 * What of a flat of a body is covered: where it lies on a flat of another body, and all of it where it is what the bodies stand on.
 * @returns mm² for each flat asked of
 */
export function coverOf(bodies: readonly Body[]): (flat: Flat) => number {
  const floorMm = bodies.reduce((low, body) => placesOf(body).reduce((least, [, , z]) => Math.min(least, z), low), Infinity);
  const byPlane = new Map<string, Flat[]>();
  for (const body of bodies)
    for (const flat of flatsOf(body)) {
      const { normal, atMm } = flat.plane;
      const name = nameOf(normal, Math.round(atMm / STEP_MM));
      byPlane.set(name, [...(byPlane.get(name) ?? []), flat]);
    }
  return (flat) => {
    const { normal, atMm } = flat.plane;
    if (normal[2] < -0.99 && flat.rings[0]!.every(([, , z]) => z < floorMm + TOUCHES_MM)) return flatMm2(flat);
    const facing = times(normal, -1);
    const step = Math.round(-atMm / STEP_MM);
    const near = [step - 1, step, step + 1]
      .flatMap((one) => byPlane.get(nameOf(facing, one)) ?? [])
      .filter((other) => other.bodyId !== flat.bodyId && Math.abs(other.plane.atMm + atMm) < TOUCHES_MM);
    if (near.length === 0) return 0;
    const axes = axesIn(flat.plane);
    const own = regionOf(flat, axes);
    const covered = near.reduce((sum, other) => sum + areaMm2(intersection(own, regionOf(other, axes))), 0);
    // Others may lie over one another.
    return Math.min(areaMm2(own), covered);
  };
}
