import { z } from 'zod';
import { alongLine } from '../../../base/geometry';
import { LIMITS, askLength, mm } from '../../fields';
import { middleLine, shapeRegion, stripLengthMm } from '../../shapes';
import { alongALine, featureKind, stripOf, whole } from '../kind';
import { NO_MARKS } from '../marks';

/** Rises evenly along its middle line from its first point to its last. */
const schema = z.strictObject({ ...alongALine, kind: z.literal('ramp'), fromMm: mm(LIMITS.rampMm), toMm: mm(LIMITS.rampMm) });

/** So wide its middle line is taken. */
const MIDDLE_MM = 0.2;

export const ramp = featureKind('ramp', schema, {
  name: 'Ramp',
  drawnAs: 'strip',
  strip: { widthMm: 60, bendMm: 0 },
  fresh: (shape) => ({ shape: stripOf(shape), fromMm: 0, toMm: 20 }),
  fields: [askLength('fromMm', 'At its foot', LIMITS.rampMm), askLength('toMm', 'At its top', LIMITS.rampMm)],
  stretches: ({ fromMm, toMm }, region) => whole('mass', 'raised', Math.max(fromMm, toMm), region),
  profile: ({ shape, fromMm, toMm }) => {
    const line = middleLine(shape);
    const lengthMm = stripLengthMm(shape);
    return (point) => fromMm + (toMm - fromMm) * (lengthMm === 0 ? 0 : alongLine(line, point).atMm / lengthMm);
  },
  // Where it turns, its height follows the middle line: corners along it keep the slope true across its width.
  bends: ({ shape }) => (shape.points.length > 2 ? [shapeRegion({ ...shape, widthMm: MIDDLE_MM })] : []),
  isCarved: true,
  faces: ({ fromMm, toMm }, { baseMm }) => ({ heightMm: Math.max(0, (fromMm + toMm) / 2 - baseMm), note: 'mean of its two ends' }),
  boxShare: ({ fromMm, toMm }) => {
    const highestMm = Math.max(fromMm, toMm);
    return highestMm === 0 ? null : { share: (fromMm + toMm) / 2 / highestMm, note: 'mean of its two ends over the higher' };
  },
  marks: ({ shape }) => ({ ...NO_MARKS, arrow: middleLine(shape) }),
  rank: ({ fromMm, toMm }) => Math.max(fromMm, toMm) + 0.5,
  hatch: () => 'ramp',
});
