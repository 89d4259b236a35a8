import { z } from 'zod';
import type { Point } from '../../../../base/geometry';
import { seeded } from '../../../../base/random';
import { ok } from '../../../../base/result';
import { mm, whole, within } from '../../../../plan/fields';
import { askLength, askNumber } from '../../asks';
import { levelFace } from '../../measures/enclosure';
import { type PieceShape, pieceFamily, refused } from '../../family';

const settings = z.strictObject({
  wideMm: mm({ min: 20, max: 1_500 }),
  deepMm: mm({ min: 20, max: 1_500 }),
  layers: whole({ min: 1, max: 12 }),
  /** How far each layer lies within the one below it. */
  stepInMm: mm({ min: 2, max: 200 }),
  /** How far its outline strays from an oval. */
  ruggedPct: within({ min: 0, max: 40 }, '%'),
  seed: whole({ min: 1, max: 9_999 }),
  /** The thin board under it is so much larger all round, to be trimmed or bevelled. */
  boardOutMm: mm({ min: 0, max: 60 }),
});
type Hill = z.infer<typeof settings>;

export const hill = pieceFamily('hill', settings, {
  name: 'Hill or island',
  says: 'Contour layers on a thin board with a random outline.',
  fields: [
    askLength('wideMm', 'Width', { min: 20, max: 1_500 }),
    askLength('deepMm', 'Depth', { min: 20, max: 1_500 }),
    askNumber('layers', 'Layers', { min: 1, max: 12 }),
    askLength('stepInMm', 'Setback per layer', { min: 2, max: 200 }),
    askNumber('ruggedPct', 'Roughness', { min: 0, max: 40 }, { unit: '%' }),
    askNumber('seed', 'Shape number', { min: 1, max: 9_999 }),
    askLength('boardOutMm', 'Board margin', { min: 0, max: 60 }),
  ],
  roles: [
    { role: 'layer', name: 'Layers', sold: 'sheet', usual: 'layer' },
    { role: 'board', name: 'Board', sold: 'sheet', usual: 'board' },
  ],
  clads: [],
  fresh: ({ baseMm }): Hill => ({
    wideMm: Math.round(baseMm * 8),
    deepMm: Math.round(baseMm * 6),
    layers: 3,
    stepInMm: Math.round(baseMm * 0.7),
    ruggedPct: 14,
    seed: 3,
    boardOutMm: 6,
  }),
  shape: (own) => {
    const most = Math.floor(((Math.min(own.wideMm, own.deepMm) / 2) * 0.85) / Math.max(1, own.layers - 1));
    return own.layers > 1 && own.stepInMm > most
      ? refused('stepInMm', `leaves no top layer. Enter up to ${Math.max(2, most)} mm, or use fewer layers`)
      : ok(shapeOf(own));
  },
});

const POINTS = 40;
function shapeOf(own: Hill): PieceShape {
  const random = seeded(own.seed);
  // A few slow waves of chance round the oval.
  const waves = [2, 3, 5].map((count) => ({ count, high: (random() * own.ruggedPct) / 100 / 2, at: random() * 2 * Math.PI }));
  const ring = (inMm: number): readonly Point[] =>
    Array.from({ length: POINTS }, (_, i) => {
      const turn = (2 * Math.PI * i) / POINTS;
      const stray =
        1 +
        waves.reduce((sum, { count, high, at }) => sum + high * Math.sin(count * turn + at), 0) -
        waves.reduce((sum, { high }) => sum + high, 0);
      return { x: (own.wideMm / 2 - inMm) * stray * Math.cos(turn), y: (own.deepMm / 2 - inMm) * stray * Math.sin(turn) };
    });
  const free = (): { readonly joint: 'free' } => ({ joint: 'free' });
  const board = levelFace({ id: 'board', name: 'Board', role: 'board' }, ring(-own.boardOutMm), 0, 'above', free);
  const layers = Array.from({ length: own.layers }, (_, i) =>
    levelFace(
      {
        id: `layer-${i + 1}`,
        name: `Layer ${i + 1}`,
        role: 'layer',
        lies: { on: i === 0 ? 'board' : `layer-${i}` },
        shows: { far: 'ground' },
      },
      ring(own.stepInMm * i),
      0,
      'above',
      free,
    ),
  );
  return {
    objects: [{ id: 'hill', name: 'Hill', count: 1, faces: [board, ...layers] }],
    clear: [],
    levels: [],
    isWalkedOver: true,
    waysIn: [],
    order: [
      {
        does: 'glue',
        says: 'Glue the layers over the whole face, each with its grain at right angles to the layer below. Weigh down overnight.',
        bodyIds: ['board', ...layers.map(({ id }) => id)],
      },
      { does: 'fill', says: 'Carve the edges into slopes, then bevel the board.', bodyIds: [] },
    ],
    rests: layers.map(({ id }, i) => ({ bodyId: id, on: [i === 0 ? 'board' : `layer-${i}`] })),
    handles: [
      { key: 'wideMm', label: 'Width', objectId: 'hill', at: [own.wideMm / 2, 0, 0], along: [1, 0, 0], perUnitMm: 0.5, step: 1 },
      { key: 'deepMm', label: 'Depth', objectId: 'hill', at: [0, own.deepMm / 2, 0], along: [0, 1, 0], perUnitMm: 0.5, step: 1 },
    ],
  };
}
