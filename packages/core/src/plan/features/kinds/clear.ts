import { z } from 'zod';
import { RANK, areaOf, featureKind, overAnArea, whole } from '../kind';

/** Kept free for loose pieces. */
const schema = z.strictObject({ ...overAnArea, kind: z.literal('clear') });

export const clear = featureKind('clear', schema, {
  name: 'Kept clear',
  drawnAs: 'area',
  fresh: (shape) => ({ shape: areaOf(shape) }),
  fields: [],
  stretches: (_feature, region) => whole('mark', null, 0, region),
  staysFree: true,
  rank: () => RANK.mark,
  hatch: () => null,
});
