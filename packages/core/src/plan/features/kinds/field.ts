import { z } from 'zod';
import { type Point, between, contains, crossings, isEmpty, regionBox } from '../../../base/geometry';
import { given, inMetres, calculate } from '../../../base/units';
import { LIMITS, askLength, askNumber, mm, within } from '../../fields';
import { type Shape, shapeRegion } from '../../shapes';
import { RANK, areaOf, featureKind, overAnArea, whole } from '../kind';
import { NO_MARKS } from '../marks';

/** Planted in rows. */
const schema = z.strictObject({
  ...overAnArea,
  kind: z.literal('field'),
  rowMm: mm(LIMITS.rowMm),
  rowTurnDeg: within(LIMITS.turnDeg, '°'),
  plantMm: mm(LIMITS.plantMm),
});

export const field = featureKind('field', schema, {
  name: 'Field',
  drawnAs: 'area',
  fresh: (shape) => ({ shape: areaOf(shape), rowMm: 15, rowTurnDeg: 0, plantMm: 8 }),
  fields: [
    askLength('rowMm', 'Between rows', LIMITS.rowMm),
    askNumber('rowTurnDeg', 'Row angle', LIMITS.turnDeg, '°'),
    askLength('plantMm', 'Plant height', LIMITS.plantMm),
  ],
  stretches: (_feature, region) => whole('surface', 'field', 0, region),
  marks: ({ shape, rowMm, rowTurnDeg }) => ({ ...NO_MARKS, lines: rows(shape, rowMm, rowTurnDeg) }),
  turned: ({ rowTurnDeg }, turn) => ({ rowTurnDeg: turn(rowTurnDeg) }),
  figures: ({ name, rowMm }, { surface }) => {
    if (surface === null) return [];
    const all = calculate('Rows, end to end', 'mm', surface, '÷', given(`${name}, between rows`, rowMm, 'mm', 'plan'));
    return [{ ...inMetres({ ...all, label: 'Rows to plant' }), label: 'Rows to plant' }];
  },
  rank: () => RANK.surface,
  hatch: () => 'field',
});

/** Rows across a field at its own angle, clipped to it. */
function rows(shape: Shape, rowMm: number, rowTurnDeg: number): Point[][] {
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
