import { z } from 'zod';
import type { Point } from '../../../../base/geometry';
import { ok } from '../../../../base/result';
import { mm, whole } from '../../../../plan/fields';
import { askLength, askNumber } from '../../asks';
import { moundOver } from '../../making/loose';
import { levelFace } from '../../measures/enclosure';
import { type PieceShape, pieceFamily, refused } from '../../family';

const settings = z.strictObject({
  wideMm: mm({ min: 20, max: 800 }),
  deepMm: mm({ min: 20, max: 800 }),
  highMm: mm({ min: 5, max: 200 }),
  /** Layers of scrap foam inside, each smaller than the one below. */
  coreLayers: whole({ min: 0, max: 8 }),
  /** How thick the rubble lies on them. */
  skinMm: mm({ min: 2, max: 40 }),
});
type Heap = z.infer<typeof settings>;

/** Steeper than this nothing loose lies. */
const REPOSE_DEG = 38;
/** What the three grades are of the whole: coarse first, fine last. @source craft.md §5 */
const GRADES = [
  { usual: 'coarse', name: 'Coarse, of the rubble', share: 0.45 },
  { usual: 'stones', name: 'Stones, of the rubble', share: 0.35 },
  { usual: 'fine', name: 'Fine, of the rubble', share: 0.2 },
] as const;

export const heap = pieceFamily('heap', settings, {
  name: 'Heap or rubble',
  says: 'Three sizes of rubble over a cheap core on a thin base board, no steeper than loose rubble lies.',
  fields: [
    askLength('wideMm', 'Width', { min: 20, max: 800 }),
    askLength('deepMm', 'Depth', { min: 20, max: 800 }),
    askLength('highMm', 'Height', { min: 5, max: 200 }),
    askNumber('coreLayers', 'Core layers', { min: 0, max: 8 }),
    askLength('skinMm', 'Rubble thickness', { min: 2, max: 40 }),
  ],
  roles: [
    { role: 'board', name: 'Board', sold: 'sheet', usual: 'board' },
    { role: 'core', name: 'Core', sold: 'sheet', usual: 'layer' },
  ],
  clads: [],
  fresh: ({ figureMm, baseMm }): Heap => ({
    wideMm: Math.round(baseMm * 4),
    deepMm: Math.round(baseMm * 3),
    highMm: Math.round(figureMm * 0.7),
    coreLayers: 1,
    skinMm: 8,
  }),
  shape: (own) => refusal(own) ?? ok(shapeOf(own)),
});

function refusal({ wideMm, deepMm, highMm, skinMm }: Heap): ReturnType<typeof refused> | null {
  const narrow = Math.min(wideMm, deepMm) / 2;
  const highest = Math.floor(narrow * Math.tan((REPOSE_DEG * Math.PI) / 180));
  if (highMm > highest)
    return refused(
      'highMm',
      `steeper than loose rubble. Enter up to ${highest} mm, or a foot of ${Math.ceil((2 * narrow * highMm) / highest)} mm`,
    );
  if (skinMm > Math.min(highMm, narrow) - 1)
    return refused('skinMm', `leaves no room for a core. Enter up to ${Math.max(2, Math.floor(Math.min(highMm, narrow) - 1))} mm`);
  return null;
}

/** A cone over an oval: π/3 · a · b · h. */
const coneMm3 = (a: number, b: number, h: number): number => (Math.PI / 3) * Math.max(0, a) * Math.max(0, b) * Math.max(0, h);
/** Rubble of a heap in mm³: the whole less its core. */
export const rubbleMm3 = ({ wideMm, deepMm, highMm, skinMm }: Omit<Heap, 'coreLayers'>): number => {
  const [a, b] = [wideMm / 2, deepMm / 2];
  return coneMm3(a, b, highMm) - coneMm3(a - skinMm, b - skinMm, highMm - skinMm);
};

const POINTS = 32;
function shapeOf(own: Heap): PieceShape {
  const oval = (inMm: number): readonly Point[] =>
    Array.from({ length: POINTS }, (_, i) => {
      const turn = (2 * Math.PI * i) / POINTS;
      return { x: (own.wideMm / 2 - inMm) * Math.cos(turn), y: (own.deepMm / 2 - inMm) * Math.sin(turn) };
    });
  const free = (): { readonly joint: 'free' } => ({ joint: 'free' });
  const room = Math.min(own.wideMm, own.deepMm) / 2 - own.skinMm;
  const core = Array.from({ length: own.coreLayers }, (_, i) =>
    levelFace(
      { id: `core-${i + 1}`, name: `Core, layer ${i + 1}`, role: 'core', lies: { on: i === 0 ? 'board' : `core-${i}` } },
      // Cut as narrow at its foot as the core is at its top: square edges then hide under the slope.
      oval(own.skinMm + (room * (i + 1)) / (own.coreLayers + 1)),
      0,
      'above',
      free,
    ),
  );
  const rubble = rubbleMm3(own);
  return {
    objects: [
      {
        id: 'heap',
        name: 'Heap',
        count: 1,
        faces: [levelFace({ id: 'board', name: 'Board', role: 'board', shows: { far: 'ground' } }, oval(0), 0, 'above', free), ...core],
      },
    ],
    clear: [],
    levels: [],
    waysIn: [],
    order: [
      {
        does: 'glue',
        says: 'Use foam scraps or a spoon of filler for the core. Leave level spots for bases.',
        bodyIds: ['board', ...core.map(({ id }) => id)],
      },
      { does: 'place', says: 'Place the rubble dry, coarse first, and adjust it until it looks right.', bodyIds: [] },
      { does: 'fill', says: 'Wet it, then lock it with thinned glue at least twice, drying in between.', bodyIds: [] },
    ],
    rests: core.map(({ id }, i) => ({ bodyId: id, on: [i === 0 ? 'board' : `core-${i}`] })),
    loose: [{ id: 'rubble', name: 'Rubble', objectId: 'heap', mesh: moundOver(oval(0), [0, own.highMm], (share) => 1 - share, 1) }],
    fills: GRADES.map(({ usual, share }) => ({ usual, objectId: 'heap', ml: (rubble * share) / 1_000 })),
    facts: [
      ...GRADES.map(({ name, share }) => ({ label: name, value: (rubble * share) / 1_000, unit: 'ml' as const })),
      {
        label: 'Steepest side',
        value: (Math.atan(own.highMm / (Math.min(own.wideMm, own.deepMm) / 2)) * 180) / Math.PI,
        unit: '°' as const,
      },
    ],
    handles: [
      { key: 'wideMm', label: 'Width', objectId: 'heap', at: [own.wideMm / 2, 0, 0], along: [1, 0, 0], perUnitMm: 0.5, step: 1 },
      { key: 'deepMm', label: 'Depth', objectId: 'heap', at: [0, own.deepMm / 2, 0], along: [0, 1, 0], perUnitMm: 0.5, step: 1 },
    ],
  };
}
