import { z } from 'zod';
import { LIMITS, askLength, mm } from '../../fields';
import { RANK, alongALine, featureKind, stripOf, whole } from '../kind';

/** Stands in the way of figures and eyes along a line. */
const schema = z.strictObject({ ...alongALine, kind: z.literal('wall'), heightMm: mm(LIMITS.heightMm) });

export const wall = featureKind('wall', schema, {
  name: 'Wall',
  drawnAs: 'strip',
  strip: { widthMm: 8, bendMm: 0 },
  fresh: (shape) => ({ shape: stripOf(shape), heightMm: 25 }),
  fields: [askLength('heightMm', 'Height', LIMITS.heightMm)],
  stretches: (_feature, region) => whole('standing', null, 0, region),
  standsMm: ({ heightMm }) => heightMm,
  rank: () => RANK.standing,
  hatch: () => 'wall',
  runsOn: true,
});
