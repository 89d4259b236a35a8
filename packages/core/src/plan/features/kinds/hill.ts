import { z } from 'zod';
import { LIMITS, askLength, mm } from '../../fields';
import { type Contours, ContoursSchema, type Shape, contoursWithin, levelRegion } from '../../shapes';
import { anywhere, featureKind } from '../kind';
import { inSteps } from '../steps';

/** Steps of a hill that was drawn as one outline. */
const STEPS = 3;

/** Steps of one stock thickness, each cut to its contour. */
const schema = z.strictObject({ ...anywhere, kind: z.literal('hill'), shape: ContoursSchema, stepMm: mm(LIMITS.hillStepMm) });

export const hill = featureKind('hill', schema, {
  name: 'Hill',
  drawnAs: 'contours',
  fresh: (shape) => ({ shape: contoursOf(shape), stepMm: 10 }),
  fields: [askLength('stepMm', 'Each step', LIMITS.hillStepMm)],
  stretches: ({ shape, stepMm }) => inSteps(shape.levels.map(levelRegion), (i) => stepMm * (i + 1)),
  innerEdges: ({ shape }) => shape.levels.slice(1).map(levelRegion),
  rank: ({ stepMm }) => stepMm,
  hatch: () => 'raised',
  asBuilt: (feature, _baseMm, builtMm) => ({ feature: { ...feature, stepMm: builtMm }, words: 'step', mm: builtMm }),
});

/** A hill drawn as one outline gets its steps set in evenly to its middle. */
const contoursOf = (shape: Shape): Contours => (shape.form === 'contours' ? shape : contoursWithin(shape, STEPS));
