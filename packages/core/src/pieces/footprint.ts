import { remembered } from '../base/memory';
import type { Point } from '../base/geometry';
import { type Vec, hullOf, placesOf } from '../shell';
import type { MadePiece } from './made';

/** What a piece takes up of a table, about its own middle: y runs towards the viewer, as on a plan. */
export interface Footprint {
  readonly hull: readonly Point[];
  readonly wideMm: number;
  readonly deepMm: number;
  readonly highMm: number;
  /** The middle of its box, in the piece's own space. */
  readonly middle: Point;
}

/** The ground under the first object of a piece, eaves and all. @returns null for a piece that cannot be made */
export const footprintOf = remembered((made: MadePiece): Footprint | null => {
  const first = made.objects[0];
  if (first === undefined) return null;
  const places = partsOf(made).flat();
  const [xs, ys, zs] = [0, 1, 2].map((axis) => places.map((place) => place[axis as 0 | 1 | 2])) as [number[], number[], number[]];
  const [left, right, back, front] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const middle = { x: (left + right) / 2, y: (back + front) / 2 };
  return {
    hull: hullOf(places.map(([x, y]) => ({ x: x - middle.x, y: middle.y - y }))),
    wideMm: right - left,
    deepMm: front - back,
    highMm: Math.max(...zs) - Math.min(...zs),
    middle,
  };
});

/** Corners of every part of the first object, and of what is heaped on it. */
const partsOf = ({ objects: [first] }: MadePiece): readonly (readonly Vec[])[] =>
  first === undefined ? [] : [...first.bodies.map((body) => placesOf(body)), ...first.loose.map(({ mesh }) => mesh.places)];

/** The ground under each part by itself, about the middle of the whole: a bent fence leaves most of the ground within its bends free. */
export const partHulls = remembered((made: MadePiece): readonly (readonly Point[])[] => {
  const { middle } = footprintOf(made)!;
  return partsOf(made)
    .map((places) => hullOf(places.map(([x, y]) => ({ x: x - middle.x, y: middle.y - y }))))
    .filter((hull) => hull.length > 2);
});
