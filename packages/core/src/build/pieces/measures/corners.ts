import { type Point, alongLine, boxAround, selfCrossing, signedMm2 } from '../../../base/geometry';
import { type Result, ok } from '../../../base/result';
import type { Feature } from '../../../plan/features';
import { shapeRegion } from '../../../plan/shapes';
import { type FieldProblem, type PieceField, refused } from '../family';

/** Corners in mm as words, `0,0 60,0 60,40`: typed, or taken from a drawing. */
export const CORNER_LETTERS = 6_000;
const FARTHEST_MM = 5_000;

/** Corners of a drawing in words: from their own left and front, y away from the viewer where a drawing has it run down. */
export function cornerWords(points: readonly Point[]): string {
  const { left, bottom } = boxAround(points);
  return points.map(({ x, y }) => `${hundredth(x - left)},${hundredth(bottom - y)}`).join(' ');
}
const hundredth = (mm: number): number => Math.round(mm * 100) / 100;

type Drawn = Pick<PieceField, 'label'> & { readonly key: string } & Pick<PieceField, 'when'>;
/** Corners round an outline, typed or from a drawing. */
export const askOutline = ({ key, label, when }: Drawn): PieceField => asked(key, label, 'outline', when);
/** Corners along a line, typed or from the plan. */
export const askLine = ({ key, label, when }: Drawn): PieceField => asked(key, label, 'line', when);
const asked = (key: string, label: string, drawn: 'outline' | 'line', when: PieceField['when']): PieceField => ({
  ask: 'words',
  key,
  label,
  most: CORNER_LETTERS,
  drawn,
  ...(when === undefined ? {} : { when }),
});

/** The corners a feature of the plan is drawn with, where it is an outline or a line as wanted. */
export function drawnOn({ shape }: Pick<Feature, 'shape'>, wanted: 'outline' | 'line'): readonly Point[] | null {
  if (wanted === 'line') return shape.form === 'strip' ? shape.points : null;
  if (shape.form === 'strip' || shape.form === 'contours') return null;
  return shapeRegion(shape).rings[0] ?? null;
}

/** Corners as typed; told at the field what would do. */
function cornersIn(field: string, typed: string, least: number): Result<readonly Point[], FieldProblem> {
  const points: Point[] = [];
  for (const corner of typed.trim().split(/\s+/)) {
    const found = /^(-?\d+(?:\.\d+)?),(-?\d+(?:\.\d+)?)$/.exec(corner);
    if (found === null) return refused(field, `got “${corner.slice(0, 20)}”. Enter corners such as 0,0 60,0 60,40`);
    points.push({ x: Number(found[1]), y: Number(found[2]) });
  }
  if (points.length < least) return refused(field, `got ${points.length} corners. Enter ${least} or more`);
  if (points.some(({ x, y }) => Math.abs(x) > FARTHEST_MM || Math.abs(y) > FARTHEST_MM))
    return refused(field, `reaches beyond ${FARTHEST_MM / 1_000} m. Use a smaller outline`);
  return ok(points);
}

const isOne = (a: Point, b: Point): boolean => Math.hypot(a.x - b.x, a.y - b.y) < 0.01;

const MIN_MM2 = 25;
/** Corners round an outline, counter-clockwise, and it encloses something. */
export function ringIn(field: string, typed: string): Result<readonly Point[], FieldProblem> {
  const read = cornersIn(field, typed, 3);
  if (!read.ok) return read;
  const [first, last] = [read.value[0]!, read.value.at(-1)!];
  const points = read.value.length > 3 && isOne(first, last) ? read.value.slice(0, -1) : read.value;
  if (selfCrossing(points) !== null) return refused(field, 'crosses itself. List the corners in order round the outline');
  const mm2 = signedMm2(points);
  if (Math.abs(mm2) < MIN_MM2) return refused(field, `encloses ${Math.abs(mm2).toFixed(1)} mm². Enter ${MIN_MM2} mm² or more`);
  return ok(mm2 > 0 ? points : [...points].reverse());
}

/** A line of corners, closed where it ends at its first. */
export interface DrawnLine {
  readonly corners: readonly Point[];
  readonly isClosed: boolean;
}
/** Corners along a line. @param leastMm the shortest stretch between two of them */
export function lineIn(field: string, typed: string, leastMm: number): Result<DrawnLine, FieldProblem> {
  const points = cornersIn(field, typed, 2);
  if (!points.ok) return points;
  const all = points.value;
  const [first, last] = [all[0]!, all.at(-1)!];
  const isClosed = all.length > 3 && isOne(first, last);
  const corners = isClosed ? all.slice(0, -1) : all;
  const longs = corners.flatMap((from, i) => {
    const to = corners[i + 1] ?? (isClosed ? first : null);
    return to === null ? [] : [Math.hypot(to.x - from.x, to.y - from.y)];
  });
  const short = longs.findIndex((mm) => mm < leastMm);
  if (short >= 0)
    return refused(field, `corners ${short + 1} and ${short + 2} are ${longs[short]!.toFixed(1)} mm apart. Enter ${leastMm} mm or more`);
  const close = closest(corners, isClosed);
  if (close < leastMm) return refused(field, `comes within ${close.toFixed(1)} mm of itself. Enter ${leastMm} mm or more`);
  return ok({ corners, isClosed });
}

/** How near two sides of a line come that do not follow one another; 0 where they cross. */
function closest(corners: readonly Point[], isClosed: boolean): number {
  const count = isClosed ? corners.length : corners.length - 1;
  const side = (i: number): readonly [Point, Point] => [corners[i]!, corners[(i + 1) % corners.length]!];
  let least = Infinity;
  for (let i = 0; i < count; i++)
    for (let j = i + 2; j < count; j++) if (!(isClosed && i === 0 && j === count - 1)) least = Math.min(least, apartMm(side(i), side(j)));
  return least;
}
const turn = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
function apartMm([a, b]: readonly [Point, Point], [c, d]: readonly [Point, Point]): number {
  if (turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0) return 0;
  return Math.min(...[c, d].map((point) => alongLine([a, b], point).offMm), ...[a, b].map((point) => alongLine([c, d], point).offMm));
}
