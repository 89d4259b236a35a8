import { z } from 'zod';
import { areaOf, featureKind, overAnArea, whole } from '../kind';
import { askCutThrough, askDepth, askFloor, floor, sunk, withFloor } from '../sunk';

/** Goes `depthMm` under the ground and through raised ground above it. */
const schema = z.strictObject({ ...overAnArea, ...sunk, kind: z.literal('pit'), floor });

export const pit = featureKind('pit', schema, {
  ...withFloor,
  name: 'Pit',
  drawnAs: 'area',
  fresh: (shape) => ({ shape: areaOf(shape), depthMm: 10, floor: 'flat' as const, cutThrough: false }),
  fields: [askDepth, askFloor, askCutThrough],
  stretches: ({ depthMm }, region) => whole('hole', 'pit', -depthMm, region),
  sunk: ({ depthMm, cutThrough, floor: own }) => ({ depthMm, cutThrough, waterMm: null, isBowl: own === 'bowl' }),
  hatch: () => 'pit',
});
