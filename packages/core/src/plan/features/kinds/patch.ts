import { z } from 'zod';
import { LIMITS, askLength, mm } from '../../fields';
import { RANK, areaOf, featureKind, overAnArea, whole } from '../kind';

/** Another surface over whatever ground lies there: mud by a gate, a mown edge, a scorched spot. What it wears is its `surfaceId`. */
const schema = z.strictObject({ ...overAnArea, kind: z.literal('patch'), softMm: mm(LIMITS.softMm) });

export const patch = featureKind('patch', schema, {
  name: 'Patch',
  drawnAs: 'area',
  strip: { widthMm: 30, bendMm: 30 },
  fresh: (shape) => ({ shape: areaOf(shape), softMm: 8 }),
  fields: [askLength('softMm', 'Soft edge', LIMITS.softMm)],
  stretches: (_feature, region) => whole('patch', null, 0, region),
  patch: ({ softMm }) => ({ softMm }),
  rank: () => RANK.mark - 1,
  hatch: () => 'patch',
});
