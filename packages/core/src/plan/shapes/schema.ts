import type { DeepReadonly } from '../../base/readonly';
import { z } from 'zod';
import { type Point, areaMm2, selfCrossing } from '../../base/geometry';
import { LIMITS, MAX_CONTOUR_POINTS, MAX_CONTOURS, MAX_POINTS, mm } from '../fields';

export const PointSchema = z.strictObject({ x: mm(LIMITS.coordinateMm), y: mm(LIMITS.coordinateMm) });

const OutlineSchema = z
  .strictObject({ form: z.literal('outline'), points: z.array(PointSchema).min(3, 'expected at least 3 corners').max(MAX_POINTS) })
  .superRefine(({ points }, context) => {
    const message = wrongWith(points);
    if (message !== null) context.addIssue({ code: 'custom', path: ['points'], message });
  });

/** Area under which corners count as lying on one line, mm². */
const MIN_MM2 = 0.01;

/** What is wrong with the corners of an outline, and what would do; null where nothing is. */
function wrongWith(points: readonly Point[]): string | null {
  const repeated = points.findIndex(({ x, y }, i) => points[(i + 1) % points.length]!.x === x && points[(i + 1) % points.length]!.y === y);
  if (repeated === points.length - 1)
    return `corner ${points.length} repeats the first corner. Remove it; the outline closes automatically`;
  if (repeated >= 0)
    return `corner ${repeated + 2} repeats corner ${repeated + 1} at ${points[repeated]!.x}, ${points[repeated]!.y} mm. Remove one`;
  if (areaMm2({ rings: [points] }) < MIN_MM2 && isOneLine(points)) return `all ${points.length} corners lie on one line. Move one of them`;
  const crossing = selfCrossing(points);
  if (crossing === null) return null;
  const [i, j] = crossing;
  return `the outline crosses itself: side ${i + 1} crosses side ${j + 1}. Move a corner so that no sides cross`;
}
function isOneLine([a, b, ...others]: readonly Point[]): boolean {
  return others.every(({ x, y }) => Math.abs((b!.x - a!.x) * (y - a!.y) - (b!.y - a!.y) * (x - a!.x)) < MIN_MM2);
}
export const RoundSchema = z.strictObject({ form: z.literal('round'), centre: PointSchema, radiusMm: mm(LIMITS.radiusMm) });
export const StripSchema = z.strictObject({
  form: z.literal('strip'),
  points: z.array(PointSchema).min(2, 'expected at least 2 points').max(MAX_POINTS),
  widthMm: mm(LIMITS.stripWidthMm),
  /** Radius of the middle line's bends; 0 leaves them sharp. */
  bendMm: mm(LIMITS.bendMm),
});
const ContourRing = z.array(PointSchema).min(3, 'expected at least 3 corners').max(MAX_POINTS);
/** Rings of equal height, the lowest level first; each level is what its rings enclose, a ring within a ring being a hollow. */
export const ContoursSchema = z
  .strictObject({
    form: z.literal('contours'),
    levels: z.array(z.array(ContourRing).min(1)).min(1, 'expected at least one level').max(MAX_CONTOURS),
  })
  .refine(({ levels }) => levels.flat(2).length <= MAX_CONTOUR_POINTS, {
    path: ['levels'],
    message: `more than ${MAX_CONTOUR_POINTS} points in all. Use a coarser import`,
  });
export const AreaSchema = z.discriminatedUnion('form', [OutlineSchema, RoundSchema, StripSchema]);

export type Shape = DeepReadonly<z.infer<typeof AreaSchema> | z.infer<typeof ContoursSchema>>;
export type Strip = Extract<Shape, { form: 'strip' }>;
export type Outline = Extract<Shape, { form: 'outline' }>;
export type Contours = Extract<Shape, { form: 'contours' }>;
