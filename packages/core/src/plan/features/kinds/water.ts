import { z } from 'zod';
import { LIMITS, askLength, mm } from '../../fields';
import { areaOf, featureKind, overAnArea, whole } from '../kind';
import { askCutThrough, askDepth, askFloor, floor, sunk, withFloor } from '../sunk';

/** A pit with water standing `waterMm` deep over its deepest floor. */
const schema = z.strictObject({ ...overAnArea, ...sunk, kind: z.literal('water'), floor, waterMm: mm(LIMITS.waterMm) });

export const water = featureKind('water', schema, {
  ...withFloor,
  name: 'Water',
  drawnAs: 'area',
  strip: { widthMm: 50, bendMm: 60 },
  fresh: (shape) => ({ shape: areaOf(shape), depthMm: 8, waterMm: 4, floor: 'flat' as const, cutThrough: false }),
  fields: [askDepth, askLength('waterMm', 'Water', LIMITS.waterMm), askFloor, askCutThrough],
  stretches: ({ depthMm }, region) => whole('hole', 'water', -depthMm, region),
  sunk: ({ depthMm, cutThrough, waterMm, floor: own }) => ({ depthMm, cutThrough, waterMm, isBowl: own === 'bowl' }),
  hatch: () => 'water',
  /** Water never stands over its brim for having been raised. */
  atLevel: (feature, levelMm) => {
    const moved = withFloor.atLevel(feature, levelMm);
    return moved === null ? null : { ...moved, waterMm: Math.min(moved.waterMm, moved.depthMm) };
  },
});
