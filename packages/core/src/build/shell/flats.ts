import { type Point, type Region, type Ring, areaMm2, signedMm2 } from '../../base/geometry';
import { memoize } from '../../base/memory';
import { type Curve, bentPlace } from './curve';
import { type Plate, inSpace, wayOut } from './plate';
import { type Body, type Rod, endAt } from './resolve';
import type { EdgeJoint } from './shell';
import { type Plane, type Vec, cross, dot, facingOf, placeIn, planeThrough, plus, times, unit } from './space';

/** A flat piece of the skin of a body, as seen from outside. */
export interface Flat {
  readonly bodyId: string;
  /** Facing away from the material. */
  readonly plane: Plane;
  /** Round it first, then its holes. */
  readonly rings: readonly (readonly Vec[])[];
  /** What of it is material, where that is less than what it closes off: the wall of a tube. Else its rings. */
  readonly solid?: readonly (readonly Vec[])[];
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

function bentEnds(curve: Curve): readonly Flat[] {
  const { id: bodyId, frame, drawnMm, farMm, isClosed, loops } = curve;
  if (!isClosed) return bentEdges(curve);
  const along = loops[0]!.ring.map(({ y }) => y);
  return [Math.min(...along), Math.max(...along)].map((atMm, i): Flat => {
    const ringOn = (radius: number): readonly Vec[] =>
      ROUND.map((turn) => placeIn(frame, radius * Math.cos(turn), radius * Math.sin(turn), atMm));
    const outer = ringOn(Math.max(drawnMm, farMm));
    const plane = planeThrough(outer[0]!, times(frame.w, i === 1 ? 1 : -1));
    return { bodyId, side: 'end', isJoint: false, rings: [outer], solid: [outer, ringOn(Math.min(drawnMm, farMm))], plane };
  });
}

/** Edges of what is bent that lie in one plane: across the axis a piece of a ring, along it a strip. */
function bentEdges(curve: Curve): readonly Flat[] {
  const { id: bodyId, frame, drawnMm, farMm, loops } = curve;
  const { ring: outline } = loops[0]!;
  return outline.flatMap((from, i): Flat[] => {
    const to = outline[(i + 1) % outline.length]!;
    const isAcross = Math.abs(to.y - from.y) < FLAT_MM;
    if (!isAcross && Math.abs(to.x - from.x) > FLAT_MM) return [];
    const steps = isAcross ? Math.max(1, Math.ceil((Math.abs(to.x - from.x) / drawnMm / (2 * Math.PI)) * ROUND_FLATS)) : 1;
    const line = Array.from({ length: steps + 1 }, (_, k): Point => ({
      x: from.x + ((to.x - from.x) * k) / steps,
      y: from.y + ((to.y - from.y) * k) / steps,
    }));
    const ring = [...line.map((at) => bentPlace(curve, at, drawnMm)), ...line.toReversed().map((at) => bentPlace(curve, at, farMm))];
    const turn = (from.x + to.x) / 2 / drawnMm;
    // Material lies to the left of its outline, as it is unrolled.
    const out = isAcross
      ? times(frame.w, Math.sign(from.x - to.x))
      : times(plus(times(frame.u, -Math.sin(turn)), times(frame.v, Math.cos(turn))), Math.sign(to.y - from.y));
    return [{ bodyId, side: 'edge', isJoint: false, rings: [ring], plane: planeThrough(ring[0]!, out) }];
  });
}
const FLAT_MM = 1e-6;

export type Axes = readonly [Vec, Vec];
/** Two directions in a plane, square to each other. */
export function axesIn({ normal }: Plane): Axes {
  const u = unit(cross(normal, Math.abs(normal[2]) < 0.9 ? [0, 0, 1] : [1, 0, 0]));
  return [u, cross(normal, u)];
}
/** Rings in a plane, the first of them round the others, as a region in its axes. */
export function regionIn(rings: Flat['rings'], [u, v]: Axes): Region {
  const drawn = rings.map((ring): Ring => ring.map((place) => ({ x: dot(place, u), y: dot(place, v) })));
  // The outer ring counter-clockwise, holes the other way.
  return { rings: drawn.map((ring, i) => (signedMm2(ring) > 0 === (i === 0) ? ring : [...ring].reverse())) };
}
/** How large a flat is, mm². */
export const flatMm2 = (flat: Flat): number => areaMm2(regionIn(flat.rings, axesIn(flat.plane)));
