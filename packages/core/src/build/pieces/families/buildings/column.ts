import { z } from 'zod';
import { ok } from '../../../../base/result';
import { mm, yesOrNo } from '../../../../plan/fields';
import type { Face, Row } from '../../../shell';
import { SIZES, askLength, askTick, when } from '../../asks';
import { levelFace } from '../../measures/enclosure';
import { type PieceShape, pieceFamily, rectangleRing } from '../../family';

const settings = z.strictObject({
  acrossMm: mm({ min: 4, max: 200 }),
  heightMm: mm(SIZES.wallMm),
  ribs: yesOrNo(),
  /** Between ribs at least; what is left over is shared out. */
  ribGapMm: mm({ min: 0.2, max: 30 }),
  /** How far foot and cap jut out. */
  footOutMm: mm({ min: 0, max: 40 }),
});
type Column = z.infer<typeof settings>;

export const column = pieceFamily('column', settings, {
  name: 'Column',
  says: 'A round card shaft with ribs, foot and cap.',
  fields: [
    askLength('acrossMm', 'Width', { min: 4, max: 200 }),
    askLength('heightMm', 'Shaft', SIZES.wallMm),
    askTick('ribs', 'Ribs'),
    askLength(
      'ribGapMm',
      'Gap between ribs',
      { min: 0.2, max: 30 },
      when<Column>(({ ribs }) => ribs),
    ),
    askLength('footOutMm', 'Overhang of foot and cap', { min: 0, max: 40 }),
  ],
  roles: [
    { role: 'shaft', name: 'Shaft', sold: 'sheet', usual: 'card' },
    { role: 'foot', name: 'Foot and cap', sold: 'sheet', usual: 'floor' },
    { role: 'rib', name: 'Ribs', sold: 'length', usual: 'stick' },
  ],
  clads: [],
  fresh: ({ figureMm, baseMm }): Column => ({
    acrossMm: Math.round(baseMm * 0.8),
    heightMm: Math.round(figureMm * 2.2),
    ribs: true,
    ribGapMm: 1.5,
    footOutMm: 3,
  }),
  shape: (own) => ok(shapeOf(own)),
});

function shapeOf(own: Column): PieceShape {
  const radius = own.acrossMm / 2;
  const out = radius + own.footOutMm;
  const square = rectangleRing(-out, -out, out, out);
  const plate = (id: string, name: string, atMm: number, thickness: 'below' | 'above'): Face =>
    levelFace({ id, name, role: 'foot', shows: { far: 'foot', drawn: 'foot' } }, square, atMm, thickness, () => ({ joint: 'free' }));
  const ribs: Row = {
    id: 'rib',
    name: 'Rib',
    count: { gapMm: own.ribGapMm },
    round: { centre: [0, 0, 0], radiusMm: radius },
    bar: { role: 'rib', from: [0, -radius, 0], to: [0, -radius, own.heightMm], across: [1, 0, 0], runs: [0, 1] },
  };
  return {
    objects: [
      {
        id: 'column',
        name: 'Column',
        count: 1,
        faces: [plate('foot', 'Foot', 0, 'below'), plate('cap', 'Cap', own.heightMm, 'above')],
        bars: own.ribs ? [ribs] : [],
        bends: [
          {
            id: 'shaft',
            name: 'Shaft',
            role: 'shaft',
            centre: [0, 0, 0],
            axis: [0, 0, 1],
            start: [0, 1, 0],
            radiusMm: radius,
            turnDeg: 360,
            outline: rectangleRing(0, 0, 2 * Math.PI * radius, own.heightMm),
            grows: 'in',
            shows: { drawn: 'shaft' },
          },
        ],
      },
    ],
    clear: [],
    levels: [],
    waysIn: [],
    order: [
      { does: 'glue', says: 'Roll the shaft over a dowel and close its seam.', bodyIds: ['shaft'] },
      { does: 'glue', says: 'Start the ribs at the seam and spread the last gap over all of them.', bodyIds: [] },
      { does: 'glue', says: 'Glue foot and cap square to the shaft.', bodyIds: ['foot', 'cap'] },
    ],
    facts: [{ label: 'Round the shaft', value: 2 * Math.PI * radius, unit: 'mm' }],
    handles: [{ key: 'heightMm', label: 'Shaft', objectId: 'column', at: [0, 0, own.heightMm], along: [0, 0, 1], perUnitMm: 1, step: 1 }],
  };
}
