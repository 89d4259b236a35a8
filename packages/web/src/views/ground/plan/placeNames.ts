import type { Point } from '@spare-acre/core/base/geometry';

/** A name and the places it could stand, best first; px on the screen, each the middle of the text. */
export interface NameSpot {
  readonly id: string;
  readonly text: string;
  readonly places: readonly Point[];
}
export interface PlacedName {
  readonly id: string;
  readonly text: string;
  readonly at: Point;
}
interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Width of a letter and height of a line in the font of the plan, on average. */
const LETTER_PX = 5.4;
const LINE_PX = 12;

/**
 * Puts each name in the first of its places that meets no other name and no seam; then one that meets only a seam; else it is left out.
 * @param seams x of upright and y of level seams
 */
export function placeNames(
  spots: readonly NameSpot[],
  seams: { readonly x: readonly number[]; readonly y: readonly number[] },
  taken: readonly Box[] = [],
): PlacedName[] {
  const boxes: Box[] = [...taken];
  const placed: PlacedName[] = [];
  for (const { id, text, places } of spots) {
    const free = places.filter((at) => !boxes.some((box) => overlap(box, boxOf(text, at))));
    const at = free.find((place) => !onSeam(boxOf(text, place), seams)) ?? free[0];
    if (at === undefined) continue;
    boxes.push(boxOf(text, at));
    placed.push({ id, text, at });
  }
  return placed;
}

const boxOf = (text: string, { x, y }: Point): Box => {
  const half = (text.length * LETTER_PX) / 2 + 2;
  return { left: x - half, right: x + half, top: y - LINE_PX / 2 - 1, bottom: y + LINE_PX / 2 + 1 };
};
const overlap = (a: Box, b: Box): boolean => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
const onSeam = ({ left, right, top, bottom }: Box, { x, y }: { readonly x: readonly number[]; readonly y: readonly number[] }): boolean =>
  x.some((at) => left < at && at < right) || y.some((at) => top < at && at < bottom);
