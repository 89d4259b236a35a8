import { z } from 'zod';
import { LIMITS, mm } from '../../fields';
import { askLength } from '../fields';
import { RANK, areaOf, featureKind, overAnArea, whole } from '../kind';

/** A level place kept for a building; `heightMm` of the building, 0 while it is open. */
const schema = z.strictObject({ ...overAnArea, kind: z.literal('plot'), heightMm: mm(LIMITS.plotHeightMm) });

export const plot = featureKind('plot', schema, {
  name: 'Plot',
  drawnAs: 'area',
  fresh: (shape) => ({ shape: areaOf(shape), heightMm: 60 }),
  fields: [askLength('heightMm', 'Building height', LIMITS.plotHeightMm)],
  stretches: (_feature, region) => whole('surface', 'plot', 0, region),
  standsMm: ({ heightMm }) => heightMm,
  isDeck: ({ heightMm }) => heightMm === 0,
  isPlot: true,
  rank: () => RANK.plot,
  hatch: () => 'plot',
});
