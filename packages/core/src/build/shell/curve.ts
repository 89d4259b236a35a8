import { type Point, type Ring, signedMm2 } from '../../base/geometry';
import type { Bend, Opening, StockSize } from './shell';
import { type Frame, type Vec, cross, dot, minus, placeIn, times, unit } from './space';

/** A sheet bent once, in its place: rings unrolled on the side that was drawn, counter-clockwise round material. */
export interface Curve {
  readonly kind: 'curve';
  readonly id: string;
  readonly name: string;
  readonly role: string;
  /** At the axis: u towards the start of the bend, w along the axis. */
  readonly frame: Frame;
  readonly drawnMm: number;
  readonly farMm: number;
  readonly thicknessMm: number;
  readonly turnRad: number;
  /** A full turn: its two ends are one seam. */
  readonly isClosed: boolean;
  readonly loops: readonly { readonly ring: Ring; readonly opening: Opening | null }[];
}

export function curveOf(bend: Bend, { thicknessMm }: StockSize): Curve {
  const w = unit(bend.axis);
  const u = unit(minus(bend.start, times(w, dot(bend.start, w))));
  const run = (ring: Ring, ccw: boolean): Ring => (signedMm2(ring) > 0 === ccw ? ring : [...ring].reverse());
  return {
    kind: 'curve',
    id: bend.id,
    name: bend.name,
    role: bend.role,
    frame: { origin: bend.centre, u, v: cross(w, u), w },
    drawnMm: bend.radiusMm,
    farMm: bend.radiusMm + (bend.grows === 'out' ? thicknessMm : -thicknessMm),
    thicknessMm,
    turnRad: (bend.turnDeg * Math.PI) / 180,
    isClosed: bend.turnDeg >= 360,
    loops: [
      { ring: run(bend.outline, true), opening: null },
      ...(bend.openings ?? []).map((opening) => ({ ring: run(opening.ring, false), opening })),
    ],
  };
}

/** A place of a curve: from its unrolled axes into space. */
export function bentPlace({ frame, drawnMm }: Curve, { x, y }: Point, radiusMm: number): Vec {
  const turn = x / drawnMm;
  return placeIn(frame, radiusMm * Math.cos(turn), radiusMm * Math.sin(turn), y);
}
/** What a length along the bend is on another radius. */
export const alongAt = ({ drawnMm }: Curve, lengthMm: number, radiusMm: number): number => (lengthMm * radiusMm) / drawnMm;
