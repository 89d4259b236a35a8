import { type Point, between, contains, crossings, distanceMm } from '../geometry';
import { type Ground, type Land, type Lands, type Tile, heightAt, shownAt } from '../ground';
import type { ZoneKind } from '../plan';

/** Sides of a tile in the order of a clockwise walk: back, right, near, left. */
export const SIDES = ['back', 'right', 'near', 'left'] as const;
export type Side = (typeof SIDES)[number];

/** What an edge shows over one interval of a clockwise walk: the surface, its height at either end, and water on it. */
export interface Stretch {
  readonly fromMm: number;
  readonly toMm: number;
  readonly kind: ZoneKind | 'wall';
  readonly fromLevelMm: number;
  readonly toLevelMm: number;
  /** Height of a water surface; null where it is dry. */
  readonly waterMm: number | null;
  /** What makes the surface here; null on open ground. */
  readonly featureId: string | null;
}
export interface Edge {
  readonly tileId: string;
  readonly side: Side;
  readonly lengthMm: number;
  readonly stretches: readonly Stretch[];
}
/** Where two edges laid together differ: an interval along the first, and what each shows there. */
export interface Mismatch {
  readonly fromMm: number;
  readonly toMm: number;
  readonly what: 'kind' | 'level' | 'water';
  readonly first: Stretch;
  readonly second: Stretch;
}

/** Two edges mate within these. @source craft.md §1 */
export const ALONG_MM = 2;
export const LEVEL_MM = 1;
/** Profiles are read this far inside the tile: clear of the clipper’s thousandth, and so near that a grazing channel hardly shifts. */
const INSIDE_MM = 0.01;
/** Shorter stretches are the two sides of one crossing. */
const LEAST_MM = 0.05;
/** Neighbouring stretches with less between them are one. */
const SAME_MM = 0.05;

/** The four edge profiles of a tile, walked clockwise. @source craft.md §1 */
export const edgesOf = (tile: Tile, ground: Ground): readonly Edge[] => SIDES.map((side) => edgeOf(tile, side, ground));

/** One edge of a tile: the intervals of (surface, height) met on a clockwise walk just inside it. */
export function edgeOf(tile: Tile, side: Side, ground: Ground): Edge {
  const [from, to] = walk(tile, side);
  const lengthMm = distanceMm(from, to);
  const lands = ground.onTile.get(tile.id)!.map(({ land }) => land);
  const walls = ground.lands.filter(({ role }) => role === 'standing');
  const regions = [...lands.flatMap(({ body, shows }) => [body, shows]), ...walls.map(({ whole }) => whole)];
  const cuts = [0, ...regions.flatMap((region) => crossings(region, from, to)), 1].sort((a, b) => a - b);
  const apart = cuts.filter((t, i) => i === 0 || (t - cuts[i - 1]!) * lengthMm > LEAST_MM);
  apart[apart.length - 1] = 1;
  const stretches: Stretch[] = [];
  for (let i = 1; i < apart.length; i++) {
    const [start, end] = [apart[i - 1]!, apart[i]!];
    const next = stretchAt({ lands }, walls, from, to, start, end, lengthMm);
    const last = stretches.at(-1);
    if (last !== undefined && goesOn(last, next)) stretches[stretches.length - 1] = { ...last, toMm: next.toMm, toLevelMm: next.toLevelMm };
    else stretches.push(next);
  }
  return { tileId: tile.id, side, lengthMm, stretches };
}

function stretchAt(ground: Lands, walls: readonly Land[], from: Point, to: Point, start: number, end: number, lengthMm: number): Stretch {
  const middle = between(from, to, (start + end) / 2);
  // Read a little inside both ends: the ends themselves lie on somebody's edge.
  const slack = Math.min(LEAST_MM / lengthMm, (end - start) / 4);
  const shown = shownAt(ground, middle);
  const wall = walls.find(({ whole }) => contains(whole, middle));
  const water = shown?.feature.kind === 'water' ? shown.levelMm + shown.feature.waterMm : null;
  const levelAt = (t: number): number =>
    heightAt(ground, between(from, to, t)) + (wall?.feature.kind === 'wall' ? wall.feature.heightMm : 0);
  return {
    fromMm: start * lengthMm,
    toMm: end * lengthMm,
    kind: wall === undefined ? (shown?.zone ?? 'open') : 'wall',
    fromLevelMm: levelAt(start + slack),
    toLevelMm: levelAt(end - slack),
    waterMm: water,
    featureId: wall?.feature.id ?? shown?.feature.id ?? null,
  };
}

const goesOn = (a: Stretch, b: Stretch): boolean =>
  a.kind === b.kind &&
  a.featureId === b.featureId &&
  a.waterMm === b.waterMm &&
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
    .map((s) => ({ ...s, fromMm: lengthMm - s.toMm, toMm: lengthMm - s.fromMm, fromLevelMm: s.toLevelMm, toLevelMm: s.fromLevelMm }));
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

export const stretchOver = ({ stretches }: Edge, atMm: number): Stretch | undefined =>
  stretches.find(({ fromMm, toMm }) => fromMm <= atMm && atMm <= toMm);

/** Height of a stretch part of the way along it. */
export function levelAlong({ fromMm, toMm, fromLevelMm, toLevelMm }: Stretch, atMm: number): number {
  return toMm === fromMm ? fromLevelMm : fromLevelMm + ((atMm - fromMm) / (toMm - fromMm)) * (toLevelMm - fromLevelMm);
}

function differ(a: Stretch, b: Stretch, fromMm: number, toMm: number): Mismatch['what'] | null {
  if (a.kind !== b.kind) return 'kind';
  const off = (atMm: number): number => Math.abs(levelAlong(a, atMm) - levelAlong(b, atMm));
  if (Math.max(off(fromMm), off(toMm)) > LEVEL_MM + 1e-6) return 'level';
  if ((a.waterMm === null) !== (b.waterMm === null)) return 'water';
  return a.waterMm !== null && Math.abs(a.waterMm - b.waterMm!) > LEVEL_MM + 1e-6 ? 'water' : null;
}
