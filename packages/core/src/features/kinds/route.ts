import { type Shape, insetOf, middleLine, shapeRegion } from '../../shapes';
import { z } from 'zod';
import { type Point, type Region, distanceMm, grown } from '../../base/geometry';
import { LIMITS, askChoice, askLength, askNumber, mm, whole as wholeNumber } from '../../fields';
import { RANK, areaOf, featureKind, overAnArea, whole } from '../kind';
import { NO_MARKS } from '../marks';

/** A surface of its own at the level of whatever it lies on. */
const schema = z.strictObject({
  ...overAnArea,
  kind: z.literal('route'),
  lanes: wholeNumber(LIMITS.lanes),
  marking: z.enum(['none', 'dashes', 'line']),
  /** Raised edges: height and width; 0 high is none. */
  kerbMm: mm(LIMITS.kerbMm),
  kerbWidthMm: mm(LIMITS.kerbWidthMm),
  /** Radius that rounds the corners where it meets another route; 0 leaves them square. */
  junctionMm: mm(LIMITS.bendMm),
});

export const route = featureKind('route', schema, {
  name: 'Track',
  drawnAs: 'strip',
  strip: { widthMm: 60, bendMm: 60 },
  fresh: (shape) => ({ shape: areaOf(shape), lanes: 1, marking: 'none' as const, kerbMm: 0, kerbWidthMm: 0, junctionMm: 20 }),
  fields: [
    askNumber('lanes', 'Lanes', LIMITS.lanes),
    askLength('kerbMm', 'Kerb height', LIMITS.kerbMm),
    askLength('kerbWidthMm', 'Kerb width', LIMITS.kerbWidthMm),
    askLength('junctionMm', 'Junction corners', LIMITS.bendMm),
    askChoice('marking', 'Marking', { none: 'none', dashes: 'dashes between lanes', line: 'line between lanes' }),
  ],
  stretches: (_feature, region) => whole('surface', 'route', 0, region),
  junctionMm: ({ junctionMm }) => junctionMm,
  edging: ({ kerbMm, kerbWidthMm }) => (kerbMm > 0 && kerbWidthMm > 0 ? `kerb ${kerbMm} × ${kerbWidthMm}` : ''),
  overlay: ({ shape, kerbMm, kerbWidthMm }) => {
    if (kerbMm === 0 || kerbWidthMm === 0) return null;
    const inside = insetOf(shape);
    return (point) => {
      const inMm = inside(point);
      return inMm >= 0 && inMm < kerbWidthMm ? kerbMm : 0;
    };
  },
  bends: ({ shape, kerbMm, kerbWidthMm }) => (kerbMm === 0 || kerbWidthMm === 0 ? [] : kerbEdges(shape, kerbWidthMm)),
  marks: ({ shape, lanes, marking }) => {
    if (shape.form !== 'strip' || lanes < 2 || marking === 'none') return NO_MARKS;
    const line = middleLine(shape);
    const lines = Array.from({ length: lanes - 1 }, (_, i) => beside(line, shape.widthMm * ((i + 1) / lanes - 0.5)));
    return { ...NO_MARKS, lines, dashed: marking === 'dashes' };
  },
  innerEdges: ({ kerbMm, kerbWidthMm }, region) => (kerbMm > 0 ? [grown(region, -kerbWidthMm)] : []),
  rank: () => RANK.surface,
  hatch: () => 'route',
  runsOn: true,
});

/** Where its kerbs begin and end. The ends of a strip are open. */
const kerbEdges = (shape: Shape, kerbWidthMm: number): readonly Region[] => [
  shapeRegion(shape),
  shape.form === 'strip'
    ? shapeRegion({ ...shape, widthMm: Math.max(0.2, shape.widthMm - 2 * kerbWidthMm) })
    : grown(shapeRegion(shape), -kerbWidthMm),
];

/** A line at a distance to the right of another, corner by corner. */
function beside(line: readonly Point[], offMm: number): Point[] {
  return line.map((point, i) => {
    const [a, b] = [line[Math.max(0, i - 1)]!, line[Math.min(line.length - 1, i + 1)]!];
    const long = distanceMm(a, b) || 1;
    return { x: point.x - ((b.y - a.y) / long) * offMm, y: point.y + ((b.x - a.x) / long) * offMm };
  });
}
