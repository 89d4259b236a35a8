import { z } from 'zod';
import { type Point, signedMm2 } from '../../../base/geometry';
import { ok } from '../../../base/result';
import { text, whole } from '../../../plan/fields';
import { askNumber } from '../asks';
import { CORNER_LETTERS, askOutline, ringIn } from '../measures/corners';
import { levelFace } from '../measures/enclosure';
import { type PieceShape, pieceFamily } from '../family';

const settings = z.strictObject({ outline: text(CORNER_LETTERS), layers: whole({ min: 1, max: 20 }) });
type OwnOutline = z.infer<typeof settings>;

export const ownOutline = pieceFamily('own-outline', settings, {
  name: 'Own outline',
  says: 'Any outline, typed, from a drawing or from the plan, in any number of layers of any stock.',
  fields: [askOutline({ key: 'outline', label: 'Corners, mm' }), askNumber('layers', 'Layers', { min: 1, max: 20 })],
  roles: [{ role: 'layer', name: 'Layers', sold: 'sheet', usual: 'layer' }],
  clads: [],
  fresh: ({ baseMm }): OwnOutline => {
    const b = Math.round(baseMm);
    return { outline: `0,0 ${4 * b},0 ${4 * b},${2 * b} ${2 * b},${2 * b} ${2 * b},${3 * b} 0,${3 * b}`, layers: 1 };
  },
  shape: ({ outline: typed, layers }) => {
    const ring = ringIn('outline', typed);
    return ring.ok ? ok(shapeOf(ring.value, layers)) : ring;
  },
});

function shapeOf(ring: readonly Point[], layers: number): PieceShape {
  const faces = Array.from({ length: layers }, (_, i) =>
    levelFace(
      {
        id: `layer-${i + 1}`,
        name: layers === 1 ? 'Shape' : `Layer ${i + 1}`,
        role: 'layer',
        ...(i === 0 ? {} : { lies: { on: `layer-${i}` } }),
        shows: { far: 'ground' },
      },
      ring,
      0,
      'above',
      () => ({ joint: 'free' }),
    ),
  );
  return {
    objects: [{ id: 'shape', name: 'Shape', count: 1, faces }],
    clear: [],
    levels: [],
    waysIn: [],
    order: [
      {
        does: 'glue',
        says: 'Glue the layers over the whole face with crossed grain. Trim to the lowest layer when dry.',
        bodyIds: faces.map(({ id }) => id),
      },
    ],
    rests: faces.slice(1).map(({ id }, i) => ({ bodyId: id, on: [`layer-${i + 1}`] })),
    facts: [{ label: 'Area of a layer', value: Math.abs(signedMm2(ring)), unit: 'mm²' }],
  };
}
