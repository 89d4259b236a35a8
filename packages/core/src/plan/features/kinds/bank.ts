import { z } from 'zod';
import { alongLine } from '../../../base/geometry';
import { LIMITS, askLength, mm } from '../../fields';
import { type Strip, middleLine, shapeRegion } from '../../shapes';
import { alongALine, featureKind, stripOf, whole } from '../kind';

/** Earth thrown up along a line: sloping sides up to a crown of stated width. */
const schema = z.strictObject({ ...alongALine, kind: z.literal('bank'), heightMm: mm(LIMITS.heightMm), crownMm: mm(LIMITS.crownMm) });

/** Horizontal run of each side of a bank, mm. */
const runOf = (shape: Strip, crownMm: number): number => Math.max(0, (shape.widthMm - crownMm) / 2);

/** A bank that comes to an edge is built with this much of a crown. */
const MIN_CROWN_MM = 0.2;

export const bank = featureKind('bank', schema, {
  name: 'Bank',
  drawnAs: 'strip',
  strip: { widthMm: 50, bendMm: 40 },
  fresh: (shape) => ({ shape: stripOf(shape), heightMm: 20, crownMm: 10 }),
  fields: [askLength('heightMm', 'Height', LIMITS.heightMm), askLength('crownMm', 'Crown', LIMITS.crownMm)],
  stretches: ({ heightMm }, region) => whole('mass', 'raised', heightMm, region),
  profile: ({ shape, crownMm }, { levelMm }) => {
    const runMm = runOf(shape, crownMm);
    const line = middleLine(shape);
    if (runMm <= 0) return () => levelMm;
    return (point) => levelMm * Math.max(0, Math.min(1, (shape.widthMm / 2 - alongLine(line, point).offMm) / runMm));
  },
  bends: ({ shape, crownMm }) => [shapeRegion({ ...shape, widthMm: Math.max(MIN_CROWN_MM, crownMm) })],
  isCarved: true,
  faces: ({ shape, crownMm }, { levelMm, baseMm }) => {
    const runMm = runOf(shape, crownMm);
    return { heightMm: Math.hypot(runMm, levelMm - baseMm) - runMm, note: 'slant length divided by run' };
  },
  boxShare: ({ shape, crownMm }) => ({ share: 1 - runOf(shape, crownMm) / shape.widthMm, note: 'cross-section divided by width' }),
  innerEdges: ({ shape, crownMm }) => [shapeRegion({ ...shape, widthMm: Math.max(2, crownMm) })],
  rank: ({ heightMm }) => heightMm,
  hatch: () => 'raised',
  asBuilt: (feature, baseMm, builtMm) => ({ feature: { ...feature, heightMm: baseMm + builtMm }, words: 'height', mm: baseMm + builtMm }),
});
