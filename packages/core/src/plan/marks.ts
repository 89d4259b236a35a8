import { type Point, between, contains, crossings, distanceMm, isEmpty, pointAlong, regionBox } from '../geometry';
import type { Feature } from './plan';
import { middleLine, shapeRegion } from './shape';

/** What is drawn on a feature beside its outline, in mm: lines between lanes, planted rows, lamps along a cable. */
export interface FeatureMarks {
  readonly lines: readonly (readonly Point[])[];
  readonly dashed: boolean;
  readonly dots: readonly Point[];
}

const NONE: FeatureMarks = { lines: [], dashed: false, dots: [] };

/** The marks of a feature. */
export function featureMarks(feature: Feature): FeatureMarks {
  switch (feature.kind) {
    case 'route': {
      const { shape, lanes, marking } = feature;
      if (shape.form !== 'strip' || lanes < 2 || marking === 'none') return NONE;
      const line = middleLine(shape);
      const lines = Array.from({ length: lanes - 1 }, (_, i) => beside(line, shape.widthMm * ((i + 1) / lanes - 0.5)));
      return { lines, dashed: marking === 'dashes', dots: [] };
    }
    case 'field':
      return { lines: rows(feature), dashed: false, dots: [] };
    case 'light':
      return { lines: [], dashed: false, dots: lampPlaces(feature) };
    default:
      return NONE;
  }
}

/** Lamps spaced evenly from the battery box to the last point, the last lamp at the end. */
export function lampPlaces({ shape, lamps }: Extract<Feature, { kind: 'light' }>): Point[] {
  const line = middleLine(shape);
  return Array.from({ length: lamps }, (_, i) => pointAlong(line, (i + 1) / lamps));
}

/** Rows across a field at its own angle, clipped to it. */
function rows({ shape, rowMm, rowTurnDeg }: Extract<Feature, { kind: 'field' }>): Point[][] {
  const region = shapeRegion(shape);
  if (isEmpty(region)) return [];
  const { left, top, right, bottom } = regionBox(region);
  const centre = { x: (left + right) / 2, y: (top + bottom) / 2 };
  const half = Math.hypot(right - left, bottom - top) / 2 + rowMm;
  const angle = (rowTurnDeg * Math.PI) / 180;
  const [ux, uy] = [Math.cos(angle), Math.sin(angle)];
  const found: Point[][] = [];
  for (let off = -Math.floor(half / rowMm) * rowMm; off <= half; off += rowMm) {
    const middle = { x: centre.x - uy * off, y: centre.y + ux * off };
    const [a, b] = [
      { x: middle.x - ux * half, y: middle.y - uy * half },
      { x: middle.x + ux * half, y: middle.y + uy * half },
    ];
    const cuts = [0, ...crossings(region, a, b), 1];
    for (let i = 1; i < cuts.length; i++) {
      if (contains(region, between(a, b, (cuts[i - 1]! + cuts[i]!) / 2)))
        found.push([between(a, b, cuts[i - 1]!), between(a, b, cuts[i]!)]);
    }
  }
  return found;
}

/** A line at a distance to the right of another, corner by corner. */
function beside(line: readonly Point[], offMm: number): Point[] {
  return line.map((point, i) => {
    const [a, b] = [line[Math.max(0, i - 1)]!, line[Math.min(line.length - 1, i + 1)]!];
    const long = distanceMm(a, b) || 1;
    return { x: point.x - ((b.y - a.y) / long) * offMm, y: point.y + ((b.x - a.x) / long) * offMm };
  });
}
