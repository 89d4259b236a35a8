import { type Point, between, distanceMm } from '../../base/geometry';
import { type HeightField, cellIndex } from '../ground';
import type { PlayRules } from '../../plan';

/** So far apart a walk is looked at, and over so much of it a slope is measured, in cells. */
const STRIDE_CELLS = 0.5;
const SLOPE_CELLS = 4;

/**
 * How far a figure gets from one point straight towards another: to the last place before a step or drop higher than it climbs, ground steeper than it
 * walks, something standing, or the side of the table. Its base goes ahead of it by half its width.
 */
export function walkTowards(field: HeightField, from: Point, to: Point, { stepUpMm, walkDeg, baseMm }: PlayRules): Point {
  const { cols, rows, cellMm, walkMm, topMm } = field;
  const lengthMm = distanceMm(from, to);
  const strides = Math.ceil(lengthMm / (cellMm * STRIDE_CELLS));
  const steepMm = Math.tan((walkDeg * Math.PI) / 180) * SLOPE_CELLS * cellMm;
  const ahead =
    lengthMm === 0 ? { x: 0, y: 0 } : { x: ((to.x - from.x) / lengthMm) * (baseMm / 2), y: ((to.y - from.y) / lengthMm) * (baseMm / 2) };
  const front = (centre: Point): Point => ({ x: centre.x + ahead.x, y: centre.y + ahead.y });
  const passedMm = [walkMm[cellIndex(field, front(from))]!];
  let last = from;
  for (let i = 1; i <= strides; i++) {
    const next = between(from, to, i / strides);
    const edge = front(next);
    if (edge.x < 0 || edge.y < 0 || edge.x > cols * cellMm || edge.y > rows * cellMm) return last;
    const cell = cellIndex(field, edge);
    const mm = walkMm[cell]!;
    if (topMm[cell]! > mm || Math.abs(mm - passedMm.at(-1)!) > stepUpMm) return last;
    const riseMm = Math.abs(mm - passedMm[Math.max(0, i - SLOPE_CELLS / STRIDE_CELLS)]!);
    if (riseMm > stepUpMm && riseMm > steepMm) return last;
    passedMm.push(mm);
    last = next;
  }
  return last;
}
