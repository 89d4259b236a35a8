import { z } from 'zod';
import { type Region, grown, isEmpty } from '../../../base/geometry';
import { LIMITS, askLength, askNumber, mm, whole as wholeNumber } from '../../fields';
import { areaOf, featureKind, overAnArea } from '../kind';
import { inSteps } from '../steps';

/** Ground this high is hatched more closely. */
const HIGH_MM = 30;

/** Stands `heightMm` over the ground in `steps` equal steps, each set in by `stepInMm`. Where raised features overlap the higher counts. */
const schema = z.strictObject({
  ...overAnArea,
  kind: z.literal('raised'),
  heightMm: mm(LIMITS.heightMm),
  steps: wholeNumber(LIMITS.steps),
  stepInMm: mm(LIMITS.stepInMm),
});

export const raised = featureKind('raised', schema, {
  name: 'Raised ground',
  drawnAs: 'area',
  fresh: (shape) => ({ shape: areaOf(shape), heightMm: 20, steps: 1, stepInMm: 0 }),
  fields: [
    askLength('heightMm', 'Height', LIMITS.heightMm),
    askNumber('steps', 'Steps', LIMITS.steps),
    askLength('stepInMm', 'Setback per step', LIMITS.stepInMm),
  ],
  stretches: ({ heightMm, steps, stepInMm }, region) =>
    inSteps(
      Array.from({ length: steps }, (_, i) => setIn(region, stepInMm * i)),
      (i) => (heightMm * (i + 1)) / steps,
    ),
  innerEdges: ({ steps, stepInMm }, region) => Array.from({ length: steps - 1 }, (_, i) => grown(region, -stepInMm * (i + 1))),
  rank: ({ heightMm }) => heightMm,
  hatch: ({ heightMm }) => (heightMm >= HIGH_MM ? 'raised-more' : 'raised'),
  atLevel: (feature, levelMm) => (levelMm < 1 ? null : { ...feature, heightMm: levelMm }),
  asBuilt: (feature, baseMm, builtMm) => {
    const heightMm = feature.steps > 1 ? builtMm * feature.steps : baseMm + builtMm;
    return { feature: { ...feature, heightMm }, words: 'height', mm: heightMm };
  },
});

const setIn = (region: Region, byMm: number): Region => (byMm === 0 || isEmpty(region) ? region : grown(region, -byMm));
