import type { Ring } from '../../base/geometry';
import { memoize } from '../../base/memory';
import { type Body, endAt } from './resolve';
import type { Vec } from './space';

/** A round skin: what lies so far from an axis, from one place along it to another. */
export interface Round {
  readonly bodyId: string;
  readonly origin: Vec;
  readonly along: Vec;
  /** Where it begins to turn, square to the axis, and a quarter on. */
  readonly start: Vec;
  readonly quarter: Vec;
  readonly radiusMm: number;
  /** Seen from outside, as a pole; else from inside, as the wall of a tube. */
  readonly isOutside: boolean;
  readonly lowMm: number;
  readonly highMm: number;
  readonly turnRad: number;
  /** It unrolled: angles in radians across, mm along the axis; round it first, then its holes. */
  readonly unrolled: readonly Ring[];
}

/** The round skins of a body: none of a plate, the outside of a rod and the bore of a tube, both sides of what is bent. */
export const roundsOf = memoize((body: Body): readonly Round[] => {
  if (body.kind === 'plate') return [];
  if (body.kind === 'rod') {
    const { id: bodyId, frame, radiusMm, boreMm, ends } = body;
    const [lowMm, highMm] = [endAt(ends[0], 0, 0), endAt(ends[1], 0, 0)];
    const full = { origin: frame.origin, along: frame.u, start: frame.v, quarter: frame.w, lowMm, highMm, turnRad: 2 * Math.PI };
    const unrolled = [boxRing(0, lowMm, 2 * Math.PI, highMm)];
    const skin = (radius: number, isOutside: boolean): Round => ({ bodyId, ...full, radiusMm: radius, isOutside, unrolled });
    return [skin(radiusMm, true), ...(boreMm > 0 ? [skin(boreMm, false)] : [])];
  }
  const { id: bodyId, frame, drawnMm, farMm, turnRad, loops } = body;
  const along = loops[0]!.ring.map(({ y }) => y);
  const unrolled = loops.map(({ ring }) => ring.map(({ x, y }) => ({ x: x / drawnMm, y })));
  return [drawnMm, farMm].map((radiusMm, i): Round => ({
    bodyId,
    origin: frame.origin,
    along: frame.w,
    start: frame.u,
    quarter: frame.v,
    radiusMm,
    isOutside: radiusMm > (i === 0 ? farMm : drawnMm),
    lowMm: Math.min(...along),
    highMm: Math.max(...along),
    turnRad,
    unrolled,
  }));
});
const boxRing = (left: number, low: number, right: number, high: number): Ring => [
  { x: left, y: low },
  { x: right, y: low },
  { x: right, y: high },
  { x: left, y: high },
];
