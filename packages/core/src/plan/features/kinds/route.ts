import { type Shape, insetOf, middleLine, shapeRegion } from '../../shapes';
import { z } from 'zod';
import { type Point, type Region, distanceMm, grown, lineLengthMm, pointAlong } from '../../../base/geometry';
import { given, inMetres, calculate } from '../../../base/units';
import { LIMITS, askChoice, askLength, askNumber, mm, whole as wholeNumber } from '../../fields';
import { RANK, areaOf, featureKind, overAnArea, whole } from '../kind';
import { NO_MARKS } from '../marks';

/** A surface of its own at the level of whatever it lies on. */
const schema = z.strictObject({
  ...overAnArea,
  kind: z.literal('route'),
  lanes: wholeNumber(LIMITS.lanes),
  marking: z.enum(['none', 'dashes', 'line', 'edges', 'crossings']),
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
    askChoice('marking', 'Marking', {
      none: 'none',
      dashes: 'dashes between lanes',
      line: 'line between lanes',
      edges: 'lines along both edges',
      crossings: 'crossings at both ends',
    }),
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
  marks: (feature) => ({ ...NO_MARKS, lines: marked(feature), dashed: feature.marking === 'dashes' }),
  figures: ({ name, shape, lanes, marking }) => {
    const lines = marked({ shape, lanes, marking });
    if (lines.length === 0) return [];
    const long = lines.reduce((sum, line) => sum + lineLengthMm(line), 0);
    // Every mark is taped on both of its sides.
    const along = given(`${name}, marks end to end`, long, 'mm', 'drawing', `${lines.length} lines, measured on the plan`);
    const tape = calculate('Tape for the marks', 'mm', along, '×', given('Sides of a mark', 2, '1', 'definition'));
    return [{ ...inMetres(tape), label: 'Tape for the marks' }];
  },
  innerEdges: ({ kerbMm, kerbWidthMm }, region) => (kerbMm > 0 ? [grown(region, -kerbWidthMm)] : []),
  rank: () => RANK.surface,
  hatch: () => 'route',
  runsOn: true,
});

/** Edge lines lie this far in; bars of a crossing are so wide, so far apart, and so long along the way, of the track's width. */
const EDGE_IN = 0.06;
const BARS = 6;
const BAR_LONG = 0.35;
/** What is painted on a track, line by line. */
function marked({
  shape,
  lanes,
  marking,
}: {
  readonly shape: Shape;
  readonly lanes: number;
  readonly marking: string;
}): readonly (readonly Point[])[] {
  if (shape.form !== 'strip' || marking === 'none') return [];
  const line = middleLine(shape);
  const { widthMm } = shape;
  if (marking === 'edges') return [-1, 1].map((side) => beside(line, side * widthMm * (0.5 - EDGE_IN)));
  if (marking === 'crossings') return [line, [...line].reverse()].flatMap((from) => bars(from, widthMm));
  return Array.from({ length: Math.max(0, lanes - 1) }, (_, i) => beside(line, widthMm * ((i + 1) / lanes - 0.5)));
}
/** Bars side by side along the way, at the beginning of a line. */
function bars(line: readonly Point[], widthMm: number): readonly (readonly Point[])[] {
  const longMm = Math.min(widthMm * BAR_LONG, lineLengthMm(line) / 3);
  const [a, b] = [pointAlong(line, longMm / 2 / lineLengthMm(line)), pointAlong(line, (longMm * 1.5) / lineLengthMm(line))];
  return Array.from({ length: BARS }, (_, i) => beside([a, b], widthMm * ((i + 0.5) / BARS - 0.5)));
}

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
