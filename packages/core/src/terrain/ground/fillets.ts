import { type Point, type Region, type Ring, boxesOverlap, distanceMm, regionBox, signedMm2 } from '../../base/geometry';

/** One side of an outline, from a corner of its ring to the next. */
interface Side extends Leg {
  readonly ring: Ring;
  readonly index: number;
}
/** A straight run of an outline; `out` is of length 1 and points out of the ground. */
interface Leg {
  readonly from: Point;
  readonly to: Point;
  readonly outX: number;
  readonly outY: number;
}
/** Where a side of one crosses a side of another. */
interface Corner {
  readonly at: Point;
  readonly own: Side;
  readonly other: Side;
}
interface Disc {
  readonly radiusMm: number;
  /** How far the chords of an arc may lie off it. */
  readonly arcMm: number;
}

/** A fillet reaches this far into the ground it rounds, so that the clipper finds them joined. */
const OVERLAP_MM = 0.02;
/** Nearer than this to the end of a side, a crossing is a matter of rounding. */
const END_MM = 0.01;
/** A disc leans on what it is this near to. */
const TOUCH_MM = 0.005;
/** Halvings of a stretch of a metre to less than the clipper can tell. */
const HALVINGS = 24;
/** Corners of an outline that a disc is rolled past before another way is taken. */
const MAX_SIDES = 60;

/**
 * The ground that fills the corners where two outlines cross: a disc is rolled outwards along one until it leans on the other.
 * @returns null where it would run into something else on its way, or a crossing is a matter of rounding
 */
export function rolledFillets(own: Region, other: Region, disc: Disc): readonly Region[] | null {
  const [ownSides, otherSides] = [sidesOf(own), sidesOf(other)];
  const fillets: Region[] = [];
  for (const corner of cornersOf(near(ownSides, other), near(otherSides, own))) {
    const fillet = corner === null ? null : filletIn(corner, disc, ownSides, otherSides);
    if (fillet === null) return null;
    fillets.push(fillet);
  }
  return fillets;
}

function sidesOf(region: Region): readonly Side[] {
  // Holes run the other way round, so that the ground of all rings lies on one hand.
  const hand = Math.sign(region.rings.reduce((sum, ring) => sum + signedMm2(ring), 0));
  return region.rings.flatMap((ring) =>
    ring.map((from, index): Side => {
      const to = ring[(index + 1) % ring.length]!;
      const lengthMm = distanceMm(from, to) || 1;
      return { ring, index, from, to, outX: (hand * (to.y - from.y)) / lengthMm, outY: (-hand * (to.x - from.x)) / lengthMm };
    }),
  );
}
function near(sides: readonly Side[], other: Region): readonly Side[] {
  const box = regionBox(other);
  return sides.filter(({ from, to }) =>
    boxesOverlap(
      {
        left: Math.min(from.x, to.x) - END_MM,
        right: Math.max(from.x, to.x) + END_MM,
        top: Math.min(from.y, to.y) - END_MM,
        bottom: Math.max(from.y, to.y) + END_MM,
      },
      box,
    ),
  );
}

/** Every crossing; null for one that is a matter of rounding. */
function* cornersOf(ownSides: readonly Side[], otherSides: readonly Side[]): Generator<Corner | null> {
  for (const own of ownSides) {
    for (const other of otherSides) {
      const at = crossingOf(own, other);
      if (at !== 'none') yield at === 'unclear' ? null : { at, own, other };
    }
  }
}

function crossingOf({ from: a, to: b }: Side, { from: c, to: d }: Side): Point | 'none' | 'unclear' {
  const [dx, dy, ex, ey] = [b.x - a.x, b.y - a.y, d.x - c.x, d.y - c.y];
  const [ownMm, otherMm] = [Math.hypot(dx, dy), Math.hypot(ex, ey)];
  const [fx, fy] = [c.x - a.x, c.y - a.y];
  const cross = dx * ey - dy * ex;
  if (Math.abs(cross) < 1e-6 * ownMm * otherMm) {
    const isOnOneLine = Math.abs(dx * fy - dy * fx) < END_MM * ownMm;
    const [at, until] = [(fx * dx + fy * dy) / ownMm, ((fx + ex) * dx + (fy + ey) * dy) / ownMm];
    return isOnOneLine && Math.max(at, until) > -END_MM && Math.min(at, until) < ownMm + END_MM ? 'unclear' : 'none';
  }
  const [ownAtMm, otherAtMm] = [((fx * ey - fy * ex) / cross) * ownMm, ((fx * dy - fy * dx) / cross) * otherMm];
  const endsOff = Math.min(ownAtMm, ownMm - ownAtMm, otherAtMm, otherMm - otherAtMm);
  if (endsOff < -END_MM) return 'none';
  return endsOff < END_MM ? 'unclear' : { x: a.x + (dx * ownAtMm) / ownMm, y: a.y + (dy * ownAtMm) / ownMm };
}

/** The fillet in one corner; null where the disc comes to lean on nothing, or on something else first. */
function filletIn({ at, own, other }: Corner, disc: Disc, ownSides: readonly Side[], otherSides: readonly Side[]): Region | null {
  const [ownLegs, otherLegs] = [legsFrom(own, at, other), legsFrom(other, at, own)];
  const leaning = rolled(ownLegs, disc.radiusMm, (point) => offMm(otherSides, point));
  if (leaning === null || offMm(ownSides, leaning.middle) < disc.radiusMm - TOUCH_MM) return null;
  const otherPath = pathTo(leaning.middle, otherLegs, disc.radiusMm);
  if (otherPath === null) return null;
  const ring = [
    { x: at.x - (own.outX + other.outX) * OVERLAP_MM, y: at.y - (own.outY + other.outY) * OVERLAP_MM },
    ...leaning.path,
    ...arcBetween(leaning.path.at(-1)!, otherPath.at(-1)!, leaning.middle, disc),
    ...otherPath.reverse(),
  ];
  return { rings: [signedMm2(ring) > 0 ? ring : ring.reverse()] };
}

/** Along an outline from a corner, the way that leads out of the other's ground. */
function legsFrom(side: Side, at: Point, other: Side): readonly Leg[] {
  const { ring, index, from, to, outX, outY } = side;
  const step = (to.x - from.x) * other.outX + (to.y - from.y) * other.outY > 0 ? 1 : -1;
  const hand = (to.y - from.y) * outX - (to.x - from.x) * outY > 0 ? step : -step;
  const corner = (i: number): Point => ring[((((step > 0 ? index + 1 : index) + i * step) % ring.length) + ring.length) % ring.length]!;
  return Array.from({ length: Math.min(MAX_SIDES, ring.length) }, (_, i): Leg => {
    const [a, b] = [i === 0 ? at : corner(i - 1), corner(i)];
    const lengthMm = distanceMm(a, b) || 1;
    return { from: a, to: b, outX: (hand * (b.y - a.y)) / lengthMm, outY: (-hand * (b.x - a.x)) / lengthMm };
  });
}

interface Leaning {
  readonly middle: Point;
  /** Corners passed, and at the end where the disc touches. */
  readonly path: readonly Point[];
}
/** Rolls a disc along legs, round their outer corners, until it is no nearer to the other than its radius. */
function rolled(legs: readonly Leg[], radiusMm: number, offOther: (point: Point) => number): Leaning | null {
  const passed: Point[] = [];
  let before: Leg | null = null;
  for (const leg of legs) {
    const { from, to, outX, outY } = leg;
    const swing = before === null ? 0 : Math.atan2(before.outX * outY - before.outY * outX, before.outX * outX + before.outY * outY);
    const start = before === null ? 0 : Math.atan2(before.outY, before.outX);
    const along = (share: number): Point => ({ x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share });
    const round = (share: number): Point => ({
      x: from.x + radiusMm * Math.cos(start + swing * share),
      y: from.y + radiusMm * Math.sin(start + swing * share),
    });
    const beside = (share: number): Point => ({ x: along(share).x + radiusMm * outX, y: along(share).y + radiusMm * outY });
    if (before !== null && offOther(round(1)) >= radiusMm) {
      return { middle: round(leastShare((share) => offOther(round(share)) >= radiusMm)), path: passed };
    }
    if (offOther(beside(1)) >= radiusMm) {
      const share = leastShare((tried) => offOther(beside(tried)) >= radiusMm);
      return { middle: beside(share), path: [...passed, along(share)] };
    }
    passed.push(to);
    before = leg;
  }
  return null;
}
/** Where between 0 and 1 something comes to hold that holds at 1. */
function leastShare(holds: (share: number) => boolean): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (holds(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** Corners along legs up to where a disc leans on them; null where it does not. */
function pathTo(middle: Point, legs: readonly Leg[], radiusMm: number): Point[] | null {
  const path: Point[] = [];
  for (const leg of legs) {
    const touch = nearestOn(leg, middle);
    if (Math.abs(distanceMm(touch, middle) - radiusMm) < TOUCH_MM) return [...path, touch];
    path.push(leg.to);
  }
  return null;
}

/** Points of the arc round `middle` the short way between two, without them. */
function arcBetween(from: Point, to: Point, middle: Point, { radiusMm, arcMm }: Disc): Point[] {
  const [ax, ay, bx, by] = [from.x - middle.x, from.y - middle.y, to.x - middle.x, to.y - middle.y];
  const sweep = Math.atan2(ax * by - ay * bx, ax * bx + ay * by);
  const chords = Math.max(1, Math.ceil(Math.abs(sweep) / (2 * Math.acos(1 - Math.min(1, arcMm / radiusMm)))));
  const start = Math.atan2(ay, ax);
  return Array.from({ length: chords - 1 }, (_, i) => {
    const angle = start + (sweep * (i + 1)) / chords;
    return { x: middle.x + radiusMm * Math.cos(angle), y: middle.y + radiusMm * Math.sin(angle) };
  });
}

/** How far a point lies off the nearest of some sides. */
function offMm(sides: readonly Leg[], point: Point): number {
  let least = Infinity;
  for (const side of sides) least = Math.min(least, distanceMm(nearestOn(side, point), point));
  return least;
}
function nearestOn({ from, to }: Pick<Leg, 'from' | 'to'>, { x, y }: Point): Point {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const share = Math.max(0, Math.min(1, ((x - from.x) * dx + (y - from.y) * dy) / (dx * dx + dy * dy || 1)));
  return { x: from.x + dx * share, y: from.y + dy * share };
}
