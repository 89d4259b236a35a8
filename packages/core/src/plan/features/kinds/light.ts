import { batteryBy, batteryRef, lampBy, lampRef } from '../../../catalogue';
import { z } from 'zod';
import { pointAlong } from '../../../base/geometry';
import { LIMITS, askLength, askNumber, mm, whole as wholeNumber } from '../../fields';
import { middleLine } from '../../shapes';
import { RANK, alongALine, featureKind, stripOf, whole } from '../kind';
import { lightFigures } from '../lights';
import { NO_MARKS } from '../marks';

/** A cable groove from a battery box at its first point, with lamps along it; the strip's width is the groove's. */
const schema = z.strictObject({
  ...alongALine,
  kind: z.literal('light'),
  grooveMm: mm(LIMITS.grooveMm),
  lamps: wholeNumber(LIMITS.lamps),
  batteryId: batteryRef,
  lampId: lampRef,
});

export const light = featureKind('light', schema, {
  name: 'Small lights',
  drawnAs: 'strip',
  strip: { widthMm: 4, bendMm: 10 },
  fresh: (shape, { starter }) => ({ shape: stripOf(shape), grooveMm: 5, lamps: 3, ...starter.light }),
  fields: [
    askNumber('lamps', 'Lamps', LIMITS.lamps),
    askLength('grooveMm', 'Groove depth', LIMITS.grooveMm),
    { ask: 'entry', key: 'batteryId', label: 'Battery', list: 'batteries' },
    { ask: 'entry', key: 'lampId', label: 'Lamp', list: 'lamps' },
  ],
  stretches: (_feature, region) => whole('mark', null, 0, region),
  /** Lamps are spaced evenly from the battery box to the last point, the last lamp at the end. */
  marks: ({ shape, lamps }) => {
    const line = middleLine(shape);
    return { ...NO_MARKS, dots: Array.from({ length: lamps }, (_, i) => pointAlong(line, (i + 1) / lamps)), box: shape.points[0]! };
  },
  figures: (feature, { ground, catalogue }) => lightFigures(feature, ground, catalogue),
  bought: ({ lamps, batteryId, lampId }, catalogue) => [
    { ...priced(batteryBy(catalogue, batteryId)), count: 1 },
    { ...priced(lampBy(catalogue, lampId)), count: lamps },
  ],
  isGroove: true,
  rank: () => RANK.light,
  hatch: () => null,
});

const priced = ({ id, name, priceMinor }: { readonly id: string; readonly name: string; readonly priceMinor: number }) => ({
  id,
  name,
  priceMinor,
});
