import { memoize } from '../../../base/memory';
import type { Point } from '../../../base/geometry';
import { type Vec, hullOf, placesOf } from '../../shell';
import { boxOf } from '../box';
import type { MadePiece } from '../making/made';

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
export const footprintOf = memoize((made: MadePiece): Footprint | null => {
  const first = made.objects[0];
  if (first === undefined) return null;
  const [low, high] = boxOf(first);
  const middle = { x: (low[0] + high[0]) / 2, y: (low[1] + high[1]) / 2 };
  return {
    hull: hullOf(partsOf(made).flatMap((places) => onGround(places, middle))),
    wideMm: high[0] - low[0],
    deepMm: high[1] - low[1],
    highMm: high[2] - low[2],
    middle,
  };
});
const onGround = (places: readonly Vec[], middle: Point): Point[] =>
  places.map((place) => ({ x: place[0] - middle.x, y: middle.y - place[1] }));

/** Corners of every part of the first object, and of what is heaped on it. */
const partsOf = ({ objects: [first] }: MadePiece): readonly (readonly Vec[])[] =>
  first === undefined ? [] : [...first.bodies.map((body) => placesOf(body)), ...first.loose.map(({ mesh }) => mesh.places)];

/** The ground under each part by itself, about the middle of the whole: a bent fence leaves most of the ground within its bends free. */
export const partHulls = memoize((made: MadePiece): readonly (readonly Point[])[] => {
  const { middle } = footprintOf(made)!;
  return partsOf(made)
    .map((places) => hullOf(onGround(places, middle)))
    .filter((hull) => hull.length > 2);
});
