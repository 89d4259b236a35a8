import { z } from 'zod';
import { selfCrossing } from '../geometry';
import { LIMITS, MAX_CONTOURS, MAX_CONTOUR_POINTS, MAX_POINTS } from './limits';
import { mm } from './values';

export const PointSchema = z.strictObject({ x: mm(LIMITS.coordinateMm), y: mm(LIMITS.coordinateMm) });

const Outline = z
  .strictObject({ form: z.literal('outline'), points: z.array(PointSchema).min(3, 'expected at least 3 corners').max(MAX_POINTS) })
  .superRefine(({ points }, context) => {
    const crossing = selfCrossing(points);
    if (crossing === null) return;
    const [i, j] = crossing;
    context.addIssue({
      code: 'custom',
      path: ['points'],
      message: `the outline crosses itself: side ${i + 1} meets side ${j + 1}; move a corner so that no sides cross`,
    });
  });
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
    message: `more than ${MAX_CONTOUR_POINTS} points in all; a coarser import would do`,
  });
export const AreaSchema = z.discriminatedUnion('form', [Outline, RoundSchema, StripSchema]);
