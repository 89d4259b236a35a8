import { type Ground, type Land, type Tile, bareAt, isSloped, overlayOf, shownAt, waterLevelMm } from '../ground';
import { memoize, memoizeEach } from '../../base/memory';
import { type Point, between, boxesOverlap, contains, crossings, distanceMm, isEmpty, regionBox } from '../../base/geometry';
import { kindOf } from '../../plan/features';
import type { GroundKind } from '../../plan/surfaces';

/** Sides of a tile in the order of a clockwise walk: back, right, near, left. */
export const SIDES = ['back', 'right', 'near', 'left'] as const;
export type Side = (typeof SIDES)[number];

/** What an edge shows over one interval of a clockwise walk: the surface, its height at either end, and water on it. */
export interface EdgeStretch {
  readonly fromMm: number;
  readonly toMm: number;
  readonly kind: GroundKind | 'wall';
  readonly fromLevelMm: number;
  readonly toLevelMm: number;
  /** Heights in even steps from end to end where it does not run straight: over a bowl, a kerb or a bank; null where it does. */
  readonly reliefMm: readonly number[] | null;
  /** Height of a water surface; null where it is dry. */
  readonly waterMm: number | null;
  /** What makes the surface here; null on open ground. */
  readonly featureId: string | null;
}
export interface Edge {
  readonly tileId: string;
  readonly side: Side;
  readonly lengthMm: number;
  readonly stretches: readonly EdgeStretch[];
}
/** Where two edges laid together differ: an interval along the first, and what each shows there. */
export interface Mismatch {
  readonly fromMm: number;
  readonly toMm: number;
  readonly what: 'kind' | 'level' | 'water';
  readonly first: EdgeStretch;
  readonly second: EdgeStretch;
}

/** Two edges mate within these. @source craft.md §1 */
export const ALONG_MM = 2;
export const LEVEL_MM = 1;
/** Profiles are read this far inside the tile: clear of the clipper’s thousandth, and so near that a grazing channel hardly shifts. */
const INSIDE_MM = 0.01;
/** Shorter stretches are the two sides of one crossing. */
const MIN_MM = 0.05;
/** Neighbouring stretches with less between them are one. */
const SAME_MM = 0.05;

/** The four edge profiles of a tile, walked clockwise. @source craft.md §1 */
export const edgesOf = (tile: Tile, ground: Ground): readonly Edge[] => SIDES.map((side) => edgeOf(tile, side, ground));

/** One edge of a tile. What lies further in has no part in it, so that it may be moved without the edge being read again. */
export function edgeOf(tile: Tile, side: Side, ground: Ground): Edge {
  const [from, to] = walk(tile, side);
  const line = {
    left: Math.min(from.x, to.x) - INSIDE_MM,
    right: Math.max(from.x, to.x) + INSIDE_MM,
    top: Math.min(from.y, to.y) - INSIDE_MM,
    bottom: Math.max(from.y, to.y) + INSIDE_MM,
  };
  const meets = ({ whole }: Land): boolean => !isEmpty(whole) && boxesOverlap(regionBox(whole), line);
  const lands: Land[] = [];
  for (const { land } of ground.onTile.get(tile.id)!) if (meets(land)) lands.push(land);
  return edgeAmong(tile, side, lands, standingOn(ground).filter(meets));
}
const standingOn = memoize((ground: Ground): readonly Land[] => ground.lands.filter(({ role }) => role === 'standing'));

/** The intervals of (surface, height) met on a clockwise walk just inside an edge. */
const edgeAmong = memoizeEach((tile: Tile, side: Side, lands: readonly Land[], walls: readonly Land[]): Edge => {
  const [from, to] = walk(tile, side);
  const lengthMm = distanceMm(from, to);
  const regions = [...lands.flatMap(({ body, shows }) => [body, shows]), ...walls.map(({ whole }) => whole)];
  const cuts = [0, ...regions.flatMap((region) => crossings(region, from, to)), 1].sort((a, b) => a - b);
  const apart = cuts.filter((t, i) => i === 0 || (t - cuts[i - 1]!) * lengthMm > MIN_MM);
  apart[apart.length - 1] = 1;
  const stretches: EdgeStretch[] = [];
  for (let i = 1; i < apart.length; i++) {
    const [start, end] = [apart[i - 1]!, apart[i]!];
    const next = stretchAt({ from, to, lengthMm, lands, walls }, start, end);
    const last = stretches.at(-1);
    if (last !== undefined && goesOn(last, next)) stretches[stretches.length - 1] = { ...last, toMm: next.toMm, toLevelMm: next.toLevelMm };
    else stretches.push(next);
  }
  return { tileId: tile.id, side, lengthMm, stretches };
});

interface Walked {
  readonly from: Point;
  readonly to: Point;
  readonly lengthMm: number;
  readonly lands: readonly Land[];
  readonly walls: readonly Land[];
}

/** Relief is read at steps of this, a kerb's width or less. */
const RELIEF_STEP_MM = 1;

function stretchAt({ from, to, lengthMm, lands, walls }: Walked, start: number, end: number): EdgeStretch {
  const ground = { lands };
  const middle = between(from, to, (start + end) / 2);
  // Read a little inside both ends: the ends themselves lie on somebody's edge.
  const slack = Math.min(MIN_MM / lengthMm, (end - start) / 4);
  const shown = shownAt(ground, middle);
  const wall = walls.find(({ whole }) => contains(whole, middle));
  const top = wall ?? shown;
  // No outline is crossed on the way: what holds in the middle holds from end to end.
  const surface = bareAt(ground, middle);
  const levelAt = (t: number): number => surface(between(from, to, t)) + standsOn(wall);
  const reliefMm = isUnevenAt(middle, lands) ? reliefAlong(levelAt, start + slack, end - slack, lengthMm) : null;
  return {
    fromMm: start * lengthMm,
    toMm: end * lengthMm,
    kind: wall === undefined ? (shown?.zone ?? 'open') : 'wall',
    fromLevelMm: reliefMm?.[0] ?? levelAt(start + slack),
    toLevelMm: reliefMm?.at(-1) ?? levelAt(end - slack),
    reliefMm,
    waterMm: shown === null ? null : waterLevelMm(shown),
    featureId: top?.feature.id ?? null,
  };
}

const standsOn = (wall: Land | undefined): number => (wall === undefined ? 0 : (kindOf(wall.feature).standsMm?.(wall.feature) ?? 0));
const isUnevenAt = (at: Point, lands: readonly Land[]): boolean =>
  lands.some((land) => (isSloped(land) || overlayOf(land) !== null) && (contains(land.body, at) || contains(land.shows, at)));

/** Heights in even steps; null where they run straight from end to end. */
function reliefAlong(levelAt: (t: number) => number, start: number, end: number, lengthMm: number): readonly number[] | null {
  const steps = Math.max(2, Math.ceil(((end - start) * lengthMm) / RELIEF_STEP_MM));
  const heights = Array.from({ length: steps + 1 }, (_, i) => levelAt(start + ((end - start) * i) / steps));
  const [first, last] = [heights[0]!, heights[steps]!];
  const isStraight = heights.every((mm, i) => Math.abs(mm - (first + ((last - first) * i) / steps)) < SAME_MM);
  return isStraight ? null : heights;
}

const goesOn = (a: EdgeStretch, b: EdgeStretch): boolean =>
  a.kind === b.kind &&
  a.featureId === b.featureId &&
  a.waterMm === b.waterMm &&
  a.reliefMm === null &&
  b.reliefMm === null &&
  Math.abs(a.toLevelMm - b.fromLevelMm) < SAME_MM &&
  Math.abs(a.fromLevelMm - a.toLevelMm) < SAME_MM &&
  Math.abs(b.fromLevelMm - b.toLevelMm) < SAME_MM;

/** Ends of a side just inside the tile, in the direction of a clockwise walk. */
function walk({ box }: Tile, side: Side): readonly [Point, Point] {
  const { left, top, right, bottom } = box;
  switch (side) {
    case 'back':
      return [
        { x: left, y: top + INSIDE_MM },
        { x: right, y: top + INSIDE_MM },
      ];
    case 'right':
      return [
        { x: right - INSIDE_MM, y: top },
        { x: right - INSIDE_MM, y: bottom },
      ];
    case 'near':
      return [
        { x: right, y: bottom - INSIDE_MM },
        { x: left, y: bottom - INSIDE_MM },
      ];
    case 'left':
      return [
        { x: left + INSIDE_MM, y: bottom },
        { x: left + INSIDE_MM, y: top },
      ];
    default:
      throw side satisfies never;
  }
}

/** An edge read the other way round: what it must look like to lie against its twin. */
export function reversed(edge: Edge): Edge {
  const { lengthMm } = edge;
  const stretches = [...edge.stretches]
    .reverse()
    .map((s) => ({
      ...s,
      fromMm: lengthMm - s.toMm,
      toMm: lengthMm - s.fromMm,
      fromLevelMm: s.toLevelMm,
      toLevelMm: s.fromLevelMm,
      reliefMm: s.reliefMm?.toReversed() ?? null,
    }));
  return { ...edge, stretches };
}

/** Where an edge and the one laid against it differ by more than tolerance; none when they mate. Edges of other length never mate. */
export function mismatches(first: Edge, against: Edge): readonly Mismatch[] {
  const second = reversed(against);
  const cuts = [...new Set([...first.stretches, ...second.stretches].flatMap(({ fromMm, toMm }) => [fromMm, toMm]))].sort((a, b) => a - b);
  const found: Mismatch[] = [];
  for (let i = 1; i < cuts.length; i++) {
    const [fromMm, toMm] = [cuts[i - 1]!, cuts[i]!];
    const middle = (fromMm + toMm) / 2;
    const [a, b] = [stretchOver(first, middle), stretchOver(second, middle)];
    if (a === undefined || b === undefined) continue;
    const what = differ(a, b, fromMm, toMm);
    if (what === null) continue;
    const last = found.at(-1);
    if (last?.what === what && Math.abs(last.toMm - fromMm) < 1e-6) found[found.length - 1] = { ...last, toMm };
    else found.push({ fromMm, toMm, what, first: a, second: b });
  }
  return found.filter((m) => m.toMm - m.fromMm > ALONG_MM + 1e-6);
}

/** Whether two edges can lie together. */
export const mates = (a: Edge, b: Edge): boolean => Math.abs(a.lengthMm - b.lengthMm) <= ALONG_MM && mismatches(a, b).length === 0;

export const stretchOver = ({ stretches }: Edge, atMm: number): EdgeStretch | undefined =>
  stretches.find(({ fromMm, toMm }) => fromMm <= atMm && atMm <= toMm);

/** Height of a stretch part of the way along it. */
export function levelAlong({ fromMm, toMm, fromLevelMm, toLevelMm, reliefMm }: EdgeStretch, atMm: number): number {
  const share = toMm === fromMm ? 0 : Math.max(0, Math.min(1, (atMm - fromMm) / (toMm - fromMm)));
  if (reliefMm === null) return fromLevelMm + share * (toLevelMm - fromLevelMm);
  const at = share * (reliefMm.length - 1);
  const before = Math.min(reliefMm.length - 2, Math.floor(at));
  return reliefMm[before]! + (at - before) * (reliefMm[before + 1]! - reliefMm[before]!);
}

function differ(a: EdgeStretch, b: EdgeStretch, fromMm: number, toMm: number): Mismatch['what'] | null {
  if (a.kind !== b.kind) return 'kind';
  if (levelsDiffer(a, b, fromMm, toMm)) return 'level';
  if ((a.waterMm === null) !== (b.waterMm === null)) return 'water';
  return a.waterMm !== null && Math.abs(a.waterMm - b.waterMm!) > LEVEL_MM + 1e-6 ? 'water' : null;
}

/** Whether somewhere between, one stretch is higher or lower than the other is anywhere within what edges may lie apart. */
function levelsDiffer(a: EdgeStretch, b: EdgeStretch, fromMm: number, toMm: number): boolean {
  if (a.reliefMm === null && b.reliefMm === null) {
    const off = (atMm: number): number => Math.abs(levelAlong(a, atMm) - levelAlong(b, atMm));
    return Math.max(off(fromMm), off(toMm)) > LEVEL_MM + 1e-6;
  }
  const count = Math.max(1, Math.ceil((toMm - fromMm) / RELIEF_STEP_MM));
  return Array.from({ length: count + 1 }, (_, i) => fromMm + ((toMm - fromMm) * i) / count).some(
    (atMm) => isBeyond(levelAlong(a, atMm), b, atMm) || isBeyond(levelAlong(b, atMm), a, atMm),
  );
}
function isBeyond(levelMm: number, other: EdgeStretch, atMm: number): boolean {
  let [low, high] = [Infinity, -Infinity];
  for (let byMm = -ALONG_MM; byMm <= ALONG_MM; byMm += RELIEF_STEP_MM) {
    const mm = levelAlong(other, atMm + byMm);
    [low, high] = [Math.min(low, mm), Math.max(high, mm)];
  }
  return levelMm < low - LEVEL_MM - 1e-6 || levelMm > high + LEVEL_MM + 1e-6;
}

/** The most by which two stretches laid along each other differ in height, mm; the second higher where it is positive. */
export function mostApartMm(a: EdgeStretch, b: EdgeStretch): number {
  const [fromMm, toMm] = [Math.max(a.fromMm, b.fromMm), Math.min(a.toMm, b.toMm)];
  if (!levelsDiffer(a, b, fromMm, toMm)) return 0;
  const count = Math.max(1, Math.ceil((toMm - fromMm) / RELIEF_STEP_MM));
  return Array.from({ length: count + 1 }, (_, i) => fromMm + ((toMm - fromMm) * i) / count)
    .map((atMm) => levelAlong(b, atMm) - levelAlong(a, atMm))
    .reduce((most, mm) => (Math.abs(mm) > Math.abs(most) ? mm : most), 0);
}
