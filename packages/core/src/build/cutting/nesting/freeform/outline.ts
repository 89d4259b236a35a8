import { type Point, type Region, grown, intersection, areaMm2 } from '../../../../base/geometry';
import { type Shaped, liesAcross } from '../guillotine/blanks';
import type { Apart } from './apart';
import type { Placement } from '../layout';

/** How a part may lie: turned by a quarter, by a half, by both or not at all, as the layout counts them. */
export type Turn = Pick<Placement, 'turned' | 'half'>;

/** The true outline of a part as it lies, its box's corner at 0, 0. Turned, never flipped over: its face stays its face. */
export function placedOutline(part: Shaped, { turned, half }: Turn): Region {
  const isTurned = turned !== liesAcross(part);
  const { widthMm, depthMm } = part;
  const quarter = ({ x, y }: Point): Point => (isTurned ? { x: depthMm - y, y: x } : { x, y });
  const [w, h] = isTurned ? [depthMm, widthMm] : [widthMm, depthMm];
  const place = (point: Point): Point => {
    const { x, y } = quarter(point);
    return half ? { x: w - x, y: h - y } : { x, y };
  };
  return { rings: part.outline.rings.map((ring) => ring.map(place)) };
}

/** One of the ways a part may lie, and its size there. */
export interface LyingOutline extends Turn {
  readonly widthMm: number;
  readonly depthMm: number;
  readonly outline: Region;
}
/** Outlines that fill their box to within this are boxes, mm². */
const BOX_MM2 = 1;
/** All the ways a part may lie; a box looks the same turned by half. @param mayHalve whether a part may lie turned by half */
export function liesOf(part: Shaped, mayHalve: boolean): readonly LyingOutline[] {
  const isBox = Math.abs(areaMm2(part.outline) - part.widthMm * part.depthMm) < BOX_MM2;
  return (part.grain === null ? [false, true] : [false]).flatMap((turned) =>
    (mayHalve && !isBox ? [false, true] : [false]).map((half): LyingOutline => {
      const isAcross = turned !== liesAcross(part);
      const [widthMm, depthMm] = isAcross ? [part.depthMm, part.widthMm] : [part.widthMm, part.depthMm];
      return { turned, half, widthMm, depthMm, outline: placedOutline(part, { turned, half }) };
    }),
  );
}

/** A region moved. */
export const shifted = ({ rings }: Region, dx: number, dy: number): Region => ({
  rings: rings.map((ring) => ring.map(({ x, y }) => ({ x: x + dx, y: y + dy }))),
});

/** Overlaps under this are the clipper's rounding. */
const TOUCH_MM2 = 0.05;
/** Outlines are kept to a thousandth; so much may be lost between two. */
const KEPT_MM = 0.01;

/** Whether the true outlines of two parts leave room for the blade; their boxes may overlap. */
export function outlinesApart(parts: readonly Shaped[]): Apart {
  const byId = new Map(parts.map((part) => [part.id, part]));
  const at = (placement: Placement): Region =>
    shifted(placedOutline(byId.get(placement.blankId)!, placement), placement.xMm, placement.yMm);
  return (a, b, kerfMm) => {
    const [one, other] = [at(a), at(b)];
    return areaMm2(intersection(kerfMm > 0 ? grown(one, kerfMm - KEPT_MM) : one, other)) < TOUCH_MM2;
  };
}
